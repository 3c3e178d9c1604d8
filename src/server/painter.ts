import { parsePainter } from "../core/painterSchema";
import { database } from "../data";
import { followedPainter } from "../data/followedPainter";
import { writePainter } from "../data/settingsStore";
import { readJson } from "./body";
import { json } from "./problem";

/** The painter's own numbers, what the log tells of them, and those that plans follow. */
export const getPainter = (): Response => json(followedPainter(database()));

export async function savePainter(request: Request): Promise<Response> {
  const painter = parsePainter(await readJson(request));
  writePainter(database(), painter);
  return json(followedPainter(database()));
}
