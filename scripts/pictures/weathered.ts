import { asItWas } from "../../src/core/ageing/asItWas";
import type { Time } from "../../src/core/ageing/events";
import { USUAL_TOLD, type Told } from "../../src/core/ageing/told";
import type { Job, Paint } from "../../src/core/job";
import { newPlainSurface } from "../../src/core/newJob";
import { layHistory, planHistory } from "../../src/core/schemes/history";
import { planStart, startSurface } from "../../src/core/schemes/start";
import { schemes, type SchemeId } from "../../src/core/schemes";
import type { FormId } from "../../src/core/surface/forms";
import { surfacePng } from "./draw";

interface Weathered {
  readonly name: string;
  readonly form: FormId;
  readonly scheme: SchemeId;
  readonly colour?: string;
  /** As it was made where left out. */
  readonly told?: Partial<Told>;
  /** As it was then; as it stands where left out. */
  readonly time?: Time;
}

const HOUSING = { form: "plate", scheme: "metal-sponged" } as const;
const BY_THE_SEA: Partial<Told> = { made: "long", handled: "everywhere", weather: "sea", ground: "mud" };

const list: readonly Weathered[] = [
  { name: "Housing, as it was made", ...HOUSING },
  { name: "Long by the sea, in mud: as it was used", ...HOUSING, told: BY_THE_SEA, time: "used" },
  { name: "The same, as it stands", ...HOUSING, told: BY_THE_SEA },
  { name: "Some years in rain, on dry ground", ...HOUSING, told: {} },
  {
    ...{ name: "Crate, long in rain, on wet ground", form: "crate", scheme: "metal-sponged" },
    ...{ colour: "#6a4a3a", told: { stuff: "wood", made: "long", ground: "wet" } },
  },
  {
    ...{ name: "Barrel, long by the sea, on wet ground", form: "barrel", scheme: "metal-sponged" },
    ...{ colour: "#6a4a3a", told: { ...BY_THE_SEA, stuff: "wood", ground: "wet" } },
  },
  {
    ...{ name: "Pipe, long by the sea, on wet ground", form: "pipe", scheme: "metal-sponged" },
    ...{ told: { ...BY_THE_SEA, ground: "wet" } },
  },
  {
    ...{ name: "Wall, long in rain, on wet ground", form: "wall", scheme: "cloth-quiet", colour: "#8d887c" },
    told: { stuff: "stone", made: "long", ground: "wet" },
  },
  {
    ...{ name: "Satchel, long ago, in mud", form: "bag", scheme: "leather-stippled" },
    told: { stuff: "cloth", made: "long", handled: "everywhere", ground: "mud" },
  },
  {
    ...{ name: "Green housing, indoors, handled everywhere", form: "plate", scheme: "metal-sponged" },
    ...{ colour: "#5d6a48", told: { handled: "everywhere", weather: "indoors", ground: "clean" } },
  },
];

/** Pieces with their history told in words. */
export async function weatheredPictures(
  blank: Job,
  paints: readonly Paint[],
  size: { readonly width: number; readonly height: number },
): Promise<{ name: string; png: Buffer }[]> {
  const cells = [];
  for (const { name, form, scheme, colour, told, time } of list) {
    const plain = { ...newPlainSurface("piece", name, form, []), coats: [] };
    const figures = blank.figures.map((figure) => ({ ...figure, standard: "display" as const }));
    const bare: Job = { ...blank, figures, mixes: [], surfaces: [plain] };
    const definition = schemes[scheme];
    const answers = { age: "new", look: "plain", colour: colour ?? definition.startColour } as const;
    const made = startSurface(bare, "piece", planStart(bare, plain, definition, answers, paints));
    const stands = told
      ? layHistory(made, "piece", planHistory(made, "piece", { ...USUAL_TOLD, ...told }, paints))
      : made;
    const job = time ? asItWas(stands, "piece", time) : stands;
    cells.push({ name, png: await surfacePng(job, paints, "piece", size) });
  }
  return cells;
}
