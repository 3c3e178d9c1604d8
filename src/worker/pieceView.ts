import { number, object } from "yup";

/** Checks from where a piece is to be looked at, and how large its picture may be. */
export const pieceViewField = () =>
  object({
    turnDeg: number().strict().required().min(-360).max(360),
    tiltDeg: number().strict().min(-89).max(89).nullable().defined(),
    pxPerMm: number().strict().required().min(0.5).max(200),
    mostPx: number().strict().required().integer().min(16).max(2000),
  });
