import { parsePainter } from "../core/painterSchema";
import { database } from "../data";
import { readPainter, writePainter } from "../data/settingsStore";
import { readJson } from "./body";
import { json } from "./problem";

export const getPainter = (): Response => json({ painter: readPainter(database()) });

export async function savePainter(request: Request): Promise<Response> {
  const painter = parsePainter(await readJson(request));
  writePainter(database(), painter);
  return json({ painter });
}
