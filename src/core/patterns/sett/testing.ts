import type { Job, Surface } from "../../job";
import { buildForm } from "../../surface/forms/buildForm";
import { patternOf } from "../bind";
import type { Pattern } from "../pattern";
import type { SettLayout } from "./layout";
import type { SettParams } from "./params";

/** Settings of a surface's check cloth, for tests. */
export const settParams = (surface: Pick<Surface, "pattern">): SettParams =>
  surface.pattern!.params as SettParams;

/** A surface's pattern laid out, for tests. */
export const laidOut = (job: Job, surface: Surface): Pattern => patternOf(job, surface, buildForm(surface))!;

/** Layout of a surface's check cloth, for tests. */
export const settLayout = (job: Job, surface: Surface): SettLayout =>
  laidOut(job, surface).layout as SettLayout;
