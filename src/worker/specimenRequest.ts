import { boolean, number, object, string, type Schema } from "yup";
import { jobField, paintsField } from "./checked";

/** Checks which surface is to be painted, up to which coat, and how it is looked at. */
export const specimenRequestField = (): Schema =>
  object({
    job: jobField(),
    paints: paintsField(),
    surfaceId: string().strict().required(),
    upTo: number().strict().integer().min(0).nullable().defined(),
    lit: boolean().strict().required(),
    map: string().strict().oneOf(["light", "wear", "values", "effort"]).nullable(),
    mostCells: number().strict().integer().min(10_000).max(2_000_000),
    veilCoatId: string().strict().nullable(),
    viewMm: number().strict().min(50).max(10000).nullable(),
  }).required();
