import fc from "fast-check";
import { mkdtempSync } from "node:fs";
import os from "node:os";
import path from "node:path";
import { beforeAll, describe, expect, it } from "vitest";
import { schemeOf } from "../core/edits/ownSchemes";
import { writeJobFile } from "../core/formats/job-json/jobFile";
import { readReliefPng } from "../core/formats/relief-png/reliefPng";
import { InputError } from "../core/errors";
import { defaultPainter } from "../core/painter";
import { ferryWatch } from "../data/demo/company";
import { ferrySergeant } from "../data/demo/ferrySergeant";
import { demoShelf } from "../data/demo/shelf";
import { putHistoryItem } from "./history";
import { createJob, getJob, getJobs, importJob, putJob } from "./jobs";
import { savePainter } from "./painter";
import { changeShelf, getPaints, importShelf, savePaint } from "./paints";
import { savePicture } from "./pictures";
import { answer } from "./problem";
import { saveScheme } from "./schemes";

/** So many are tried each time; set CRENNA_HOSTILE for more. */
const RUNS = Number(process.env.CRENNA_HOSTILE ?? 250);

beforeAll(() => {
  process.env.CRENNA_DATA = mkdtempSync(path.join(os.tmpdir(), "crenna-hostile-"));
});

const sergeant = ferrySergeant();
const entry = {
  ...{ id: "entry-1", cardId: "coat-skirt/base", cardTitle: "Base", doneAt: "2026-05-01T09:30:00.000Z" },
  ...{ minutes: 12, note: "", recipe: [{ paintId: "paint-straw", drops: 3 }] },
};
const well = {
  ...{ id: "well-1", name: "Well", mixId: "straw", waterUl: 20 },
  ...{ added: [{ paintId: null, drops: 1 }], content: [{ paintId: "paint-straw", ul: 40 }] },
};
const post = (body: string | Uint8Array<ArrayBuffer>, type = "application/json") =>
  new Request("http://localhost/", { method: "POST", headers: { "content-type": type }, body });

type Send = (body: string) => Promise<Response> | Response;

/** Every endpoint that takes something, with what it takes when all is well. */
const DOORS: readonly (readonly [name: string, right: unknown, send: Send])[] = [
  ["a new job", { from: "new", name: "Tide hound" }, (body) => createJob(post(body))],
  ["a job", { revision: 1, job: sergeant }, (body) => putJob("ferry-sergeant", post(body))],
  [
    "a job file",
    JSON.parse(writeJobFile(ferryWatch(), demoShelf, [], { log: [entry], wells: [well], sittings: [] })),
    (body) => importJob(post(body)),
  ],
  ["a pot", demoShelf[0], (body) => savePaint(demoShelf[0]!.id, post(body))],
  ["pots", { put: demoShelf.slice(0, 3), remove: [] }, (body) => changeShelf(post(body))],
  [
    "a shelf file",
    { format: "csv", text: "name,colour\nTrial,#123456\n", apply: false },
    (body) => importShelf(post(body)),
  ],
  ["the painter", defaultPainter, (body) => savePainter(post(body))],
  ["an entry", entry, (body) => putHistoryItem("ferry-sergeant", "log", "entry-1", post(body))],
  ["a well", well, (body) => putHistoryItem("ferry-sergeant", "wells", "well-1", post(body))],
  [
    "a scheme",
    schemeOf(sergeant, sergeant.surfaces[0]!, { id: "cloth", name: "Cloth", at: "2026-05-01T09:30:00Z" }),
    (body) => saveScheme("cloth", post(body)),
  ],
];

/** What nobody types and someone sends. */
const HOSTILE = fc.oneof(
  fc.constantFrom<unknown>(null, true, "", [], {}, -1, 0, 1e308, -1e308, 1e-300, 0.5, 2 ** 53, "constructor"),
  fc.constantFrom<unknown>(
    "__proto__",
    "toString",
    "../../etc",
    "%00",
    "\u0000",
    "\ud800",
    "=cmd()",
    "☃",
    "NaN",
  ),
  fc.constantFrom<unknown>("x".repeat(5000), new Array(5000).fill({}), new Array(300).fill(null), [
    [[[[[]]]]],
  ]),
  fc.constant<unknown>(Object.fromEntries(Array.from({ length: 500 }, (_, at) => [`k${at}`, at]))),
  fc.constant<unknown>(JSON.parse('{"__proto__":{"polluted":1},"constructor":{"prototype":{"polluted":1}}}')),
  fc.string({ maxLength: 40 }),
  fc.double(),
  fc.jsonValue({ maxDepth: 3 }),
);

/** A copy with what lies at the end of some way through it taken out, doubled or put in otherwise. */
function spoilt(value: unknown, way: readonly number[], how: number, hostile: unknown): unknown {
  if (typeof value !== "object" || value === null || way.length === 0) return hostile;
  const [step, ...rest] = way as [number, ...number[]];
  const keys = Object.keys(value);
  if (keys.length === 0) return hostile;
  const key = keys[step % keys.length]!;
  if (Array.isArray(value)) {
    const list = value as readonly unknown[];
    const at = Number(key);
    if (rest.length === 0 && how === 1) return [...list, list[at]];
    return list.map((one, index) => (index === at ? spoilt(one, rest, how, hostile) : one));
  }
  const record = value as Readonly<Record<string, unknown>>;
  if (rest.length === 0 && how === 1) return { ...record, [`${key}x`]: hostile };
  if (rest.length === 0 && how === 2)
    return Object.fromEntries(Object.entries(record).filter(([k]) => k !== key));
  return { ...record, [key]: spoilt(record[key], rest, how, hostile) };
}

const body = fc
  .tuple(
    fc.nat(DOORS.length - 1),
    fc.array(fc.nat(60), { maxLength: 7 }),
    fc.nat(2),
    HOSTILE,
    fc.nat(40),
    fc.nat(),
  )
  .map(([door, way, how, hostile, torn, at]) => {
    const text = JSON.stringify(spoilt(DOORS[door]![1], way, how, hostile));
    // Now and then the text itself is torn, or has a number beyond all measure.
    if (torn === 0) return { door, text: text.slice(0, at % (text.length + 1)) };
    if (torn === 1) return { door, text: text.replace(/\d+/, "1e999") };
    if (torn === 2) return { door, text: `${"[".repeat(2000)}${text}${"]".repeat(2000)}` };
    return { door, text };
  });

/** Answers that say the input is at fault, or that all was well. */
const EXPECTED = [200, 201, 400, 404, 409, 413, 415, 422];

describe("whatever is sent", () => {
  it("opens every door when it is right", async () => {
    for (const [name, right, send] of DOORS)
      expect(EXPECTED.slice(0, 2), name).toContain((await answer(() => send(JSON.stringify(right)))).status);
  });

  it("is taken or refused with a reason, never a fault of our own, never a way in, and nothing is lost by it", async () => {
    await fc.assert(
      fc.asyncProperty(body, async ({ door, text }) => {
        const [name, , send] = DOORS[door]!;
        const response = await answer(() => send(text));
        expect(EXPECTED, `${name}: ${text.slice(0, 200)}`).toContain(response.status);
        const told = await response.text();
        expect(told).not.toMatch(/\bat .*\.(ts|js|mjs):\d+/);
        if (response.status >= 400)
          expect((JSON.parse(told) as { detail: string }).detail.length).toBeGreaterThan(5);
        expect(({} as Record<string, unknown>).polluted).toBeUndefined();
      }),
      { numRuns: RUNS },
    );
    // What was stored meanwhile can all be read.
    const { jobs } = (await answer(getJobs).then((response) => response.json())) as {
      jobs: { id: string; problem?: string | null }[];
    };
    for (const { id } of jobs) expect((await answer(() => getJob(id))).status, id).toBe(200);
    expect((await answer(getPaints)).status).toBe(200);
  });

  it("as a picture is kept or refused, whatever its bytes", async () => {
    const heads = [
      [0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a],
      [0xff, 0xd8, 0xff],
      [...Buffer.from("RIFF0000WEBP")],
      [],
    ];
    await fc.assert(
      fc.asyncProperty(fc.constantFrom(...heads), fc.uint8Array({ maxLength: 300 }), async (head, rest) => {
        const bytes = Uint8Array.from([...head, ...rest]);
        const { status } = await answer(() => savePicture(post(bytes, "application/octet-stream")));
        expect([200, 201, 400, 413, 415, 422]).toContain(status);
        try {
          readReliefPng(bytes);
        } catch (error) {
          expect(error).toBeInstanceOf(InputError);
        }
      }),
      { numRuns: RUNS },
    );
  });
});
