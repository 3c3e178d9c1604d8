import { parseOwnScheme } from "../core/formats/job-json/jobSchema";
import { database } from "../data";
import { dropScheme, listSchemes, putScheme } from "../data/schemeStore";
import { readJson } from "./body";
import { HttpProblem, json } from "./problem";

/** A shelf of schemes longer than this is not looked through any more. */
const MOST_SCHEMES = 200;

/** The painter's own schemes. */
export const getSchemes = (): Response => json({ schemes: listSchemes(database()) });

/** Keeps a scheme under its id. @throws HttpProblem 409 where there are too many */
export async function saveScheme(id: string, request: Request): Promise<Response> {
  const scheme = parseOwnScheme(await readJson(request));
  if (scheme.id !== id)
    throw new HttpProblem(422, "The input cannot be used", `The scheme's id must be "${id}".`);
  const db = database();
  const known = listSchemes(db);
  if (known.length >= MOST_SCHEMES && !known.some((one) => one.id === id))
    throw new HttpProblem(409, "Too many", `At most ${MOST_SCHEMES} schemes are kept. Remove one first.`);
  putScheme(db, scheme, new Date().toISOString());
  return json({ scheme });
}

export function deleteScheme(id: string): Response {
  if (!dropScheme(database(), id))
    throw new HttpProblem(404, "No such scheme", `There is no scheme "${id}".`);
  return json({ deleted: id });
}
