import { parseOwnScheme } from "../core/formats/job-json/jobSchema";
import {
  MOST_SCHEME_FILE_BYTES,
  MOST_SCHEMES,
  readSchemeFile,
  schemesHere,
  writeSchemeFile,
} from "../core/formats/scheme-json/schemeFile";
import type { OwnScheme } from "../core/job";
import { database } from "../data";
import type { Db } from "../data/database";
import { addPaints, listPaints } from "../data/paintStore";
import { dropScheme, listSchemes, putScheme } from "../data/schemeStore";
import { readJson, readText } from "./body";
import { HttpProblem, json } from "./problem";

const now = () => new Date().toISOString();
const gone = (id: string) => new HttpProblem(404, "No such scheme", `There is no scheme "${id}".`);
const tooMany = () =>
  new HttpProblem(409, "Too many", `At most ${MOST_SCHEMES} schemes are kept. Remove one first.`);

/** The painter's own schemes, and the shelf they are painted from. */
export function getSchemes(): Response {
  const db = database();
  return json({ schemes: listSchemes(db), paints: listPaints(db) });
}

/** Keeps a scheme under its id. @throws HttpProblem 409 where there are too many */
export async function saveScheme(id: string, request: Request): Promise<Response> {
  const scheme = parseOwnScheme(await readJson(request));
  if (scheme.id !== id)
    throw new HttpProblem(422, "The input cannot be used", `The scheme's id must be "${id}".`);
  const db = database();
  const known = listSchemes(db);
  if (known.length >= MOST_SCHEMES && !known.some((one) => one.id === id)) throw tooMany();
  putScheme(db, scheme, now());
  return json({ scheme });
}

export function deleteScheme(id: string): Response {
  if (!dropScheme(database(), id)) throw gone(id);
  return json({ deleted: id });
}

function asFile(db: Db, schemes: readonly OwnScheme[], name: string): Response {
  return new Response(writeSchemeFile(schemes, listPaints(db)), {
    headers: {
      "content-type": "application/json; charset=utf-8",
      "content-disposition": `attachment; filename="${name}.crenna-schemes.json"`,
      "cache-control": "no-store",
    },
  });
}

/** One scheme with the pots it names, as a file. */
export function exportScheme(id: string): Response {
  const db = database();
  const scheme = listSchemes(db).find((one) => one.id === id);
  if (!scheme) throw gone(id);
  return asFile(db, [scheme], id);
}

/** All schemes with the pots they name, as a file. */
export function exportSchemes(): Response {
  const db = database();
  return asFile(db, listSchemes(db), "own");
}

const same = (one: OwnScheme, other: OwnScheme): boolean => JSON.stringify(one) === JSON.stringify(other);

/** A scheme under an id that no other one has here; null where it is here already as it is. */
function newHere(scheme: OwnScheme, known: readonly OwnScheme[]): OwnScheme | null {
  if (known.some((one) => same({ ...one, id: scheme.id }, scheme))) return null;
  const taken = new Set(known.map(({ id }) => id));
  let { id } = scheme;
  for (let number = 2; taken.has(id); number++) id = `${scheme.id.slice(0, 110)}-${number}`;
  return { ...scheme, id };
}

/** Schemes from a file. Nothing changes where the file has a problem. */
export async function importSchemes(request: Request): Promise<Response> {
  const db = database();
  const file = readSchemeFile(await readText(request, MOST_SCHEME_FILE_BYTES));
  const { schemes, paints } = schemesHere(file, listPaints(db));
  const known = listSchemes(db);
  const before = known.length;
  for (const scheme of schemes) {
    const added = newHere(scheme, known);
    if (added) known.push(added);
  }
  if (known.length > MOST_SCHEMES) throw tooMany();
  addPaints(db, paints);
  known.slice(before).forEach((scheme) => putScheme(db, scheme, now()));
  return json({ added: known.length - before, there: schemes.length - (known.length - before) }, 201);
}
