import { array, boolean, object, string } from "yup";
import { readGimpPalette, writeGimpPalette } from "../core/formats/gimp-palette/gimpPalette";
import { parsePaint } from "../core/formats/job-json/jobSchema";
import { COLUMNS } from "../core/formats/shelf-csv/columns";
import { readShelfCsv, writeShelfCsv } from "../core/formats/shelf-csv/shelfCsv";
import { database } from "../data";
import { changePaints, listPaints, putPaint, usersOfPots } from "../data/paintStore";
import { readJson } from "./body";
import { HttpProblem, json } from "./problem";

/** All pots, and the jobs that use each. */
export const getPaints = (): Response => {
  const db = database();
  return json({ paints: listPaints(db), users: Object.fromEntries(usersOfPots(db)) });
};

/** Puts a pot on the shelf, or changes it. */
export async function savePaint(id: string, request: Request): Promise<Response> {
  const paint = parsePaint(await readJson(request));
  if (paint.id !== id)
    throw new HttpProblem(422, "The input cannot be used", `The pot's id must be "${id}".`);
  putPaint(database(), paint);
  return json({ paint });
}

/** @throws HttpProblem 409 that names the jobs whose mixes need a pot */
function refuseUsed(ids: readonly string[]): void {
  const users = usersOfPots(database());
  const names = new Set(ids.flatMap((id) => (users.get(id) ?? []).map((job) => job.name)));
  if (names.size === 0) return;
  const which = ids.length === 1 ? "this pot" : "some of these pots";
  throw new HttpProblem(
    409,
    "In use",
    `Mixes of ${[...names].join(", ")} use ${which}. Take ${ids.length === 1 ? "it" : "them"} out of the mixes first.`,
  );
}

/** Takes a pot off the shelf unless a job's mixes need it. */
export function deletePaint(id: string): Response {
  const db = database();
  if (!listPaints(db).some((paint) => paint.id === id))
    throw new HttpProblem(404, "No such pot", `There is no pot "${id}" on the shelf.`);
  refuseUsed([id]);
  changePaints(db, [], [id]);
  return json({ deleted: id });
}

const MOST_POTS = 5000;

const changeSchema = object({
  put: array().strict().defined().max(MOST_POTS),
  remove: array(string().strict().required()).strict().defined().max(MOST_POTS),
})
  .strict()
  .required()
  .noUnknown("${path} has something unknown: ${unknown}");

/** Changes many pots at once: all of it or nothing. */
export async function changeShelf(request: Request): Promise<Response> {
  const wish = await changeSchema.validate(await readJson(request), { abortEarly: false });
  const put = wish.put.map(parsePaint);
  refuseUsed(wish.remove);
  changePaints(database(), put, wish.remove);
  return getPaints();
}

const SHELF_FORMATS = ["csv", "gpl"] as const;

const importSchema = object({
  format: string()
    .strict()
    .required()
    .oneOf([...SHELF_FORMATS]),
  text: string().strict().defined().max(3_500_000),
  /** False only tells what would come of it. */
  apply: boolean().strict().required(),
  /** What each heading of a table is read as, null for left out; without it, words decide. */
  columns: array(
    string()
      .strict()
      .nullable()
      .defined()
      .oneOf([...COLUMNS, null]),
  )
    .strict()
    .max(200)
    .optional()
    .test("one each", "Two headings cannot be read as the same column.", (columns) => {
      const used = (columns ?? []).filter((column) => column !== null);
      return new Set(used).size === used.length;
    }),
})
  .strict()
  .required()
  .noUnknown();

/** Reads a shelf file, tells what comes of each line, and takes in what can be used where asked to. */
export async function importShelf(request: Request): Promise<Response> {
  const { format, text, apply, columns } = await importSchema.validate(await readJson(request), {
    abortEarly: false,
  });
  const db = database();
  const shelf = listPaints(db);
  const report = format === "csv" ? readShelfCsv(text, shelf, columns) : readGimpPalette(text, shelf);
  const paints = report.lines.flatMap((line) => (line.kind === "refused" ? [] : [line.paint]));
  if (apply) changePaints(db, paints);
  return json({ report });
}

/** The shelf as a file. @throws HttpProblem 404 for another format */
export function exportShelf(format: string): Response {
  const paints = listPaints(database());
  const [text, type] =
    format === "csv"
      ? [writeShelfCsv(paints), "text/csv"]
      : format === "gpl"
        ? [writeGimpPalette(paints, "Crenna shelf"), "application/x-gimp-palette"]
        : [null, ""];
  if (text === null) throw new HttpProblem(404, "No such format", "A shelf is written as csv or gpl.");
  return new Response(text, {
    headers: {
      "content-type": `${type}; charset=utf-8`,
      "content-disposition": `attachment; filename="shelf.${format}"`,
      "cache-control": "no-store",
    },
  });
}
