import { bag } from "./bag";
import { barrel } from "./barrel";
import { base } from "./base";
import { baseRim } from "./baseRim";
import { blade } from "./blade";
import { boards } from "./boards";
import { boot } from "./boot";
import { cloak } from "./cloak";
import { coneBand } from "./coneBand";
import { crate } from "./crate";
import type { FormDefinition } from "./form";
import { dome } from "./dome";
import { glove } from "./glove";
import { hand } from "./hand";
import { helmet } from "./helmet";
import { hood } from "./hood";
import { horn } from "./horn";
import { limb } from "./limb";
import { panel } from "./panel";
import { pipe } from "./pipe";
import { plate } from "./plate";
import { sleeve } from "./sleeve";
import { strap } from "./strap";
import { trunk } from "./trunk";
import { wall } from "./wall";

/** Every form a surface can have, by id. A new form is one file and one line here. */
export const forms = {
  "cone-band": coneBand as unknown as FormDefinition,
  strap: strap as unknown as FormDefinition,
  sleeve: sleeve as unknown as FormDefinition,
  boot: boot as unknown as FormDefinition,
  limb: limb as unknown as FormDefinition,
  glove: glove as unknown as FormDefinition,
  hand: hand as unknown as FormDefinition,
  bag: bag as unknown as FormDefinition,
  cloak: cloak as unknown as FormDefinition,
  helmet: helmet as unknown as FormDefinition,
  hood: hood as unknown as FormDefinition,
  dome: dome as unknown as FormDefinition,
  trunk: trunk as unknown as FormDefinition,
  horn: horn as unknown as FormDefinition,
  panel: panel as unknown as FormDefinition,
  boards: boards as unknown as FormDefinition,
  plate: plate as unknown as FormDefinition,
  pipe: pipe as unknown as FormDefinition,
  crate: crate as unknown as FormDefinition,
  barrel: barrel as unknown as FormDefinition,
  blade: blade as unknown as FormDefinition,
  base: base as unknown as FormDefinition,
  "base-rim": baseRim as unknown as FormDefinition,
  wall: wall as unknown as FormDefinition,
} as const;

export type FormId = keyof typeof forms;
export const formIds = Object.keys(forms) as FormId[];
/** Whether there is a form of this id. */
export const isFormId = (id: string): id is FormId => Object.hasOwn(forms, id);
