import { mkdtempSync } from "node:fs";
import os from "node:os";
import path from "node:path";
import sharp from "sharp";
import { beforeAll, describe, expect, it } from "vitest";
import type { LineOutcome } from "../core/formats/shelf-csv/merge";
import type { Job, Paint } from "../core/job";
import { database } from "../data";
import { demoShelf } from "../data/demo/shelf";
import { findPicture, forgetPictures, keepPicture } from "../data/pictureStore";
import { createJob, exportJob, importJob, putJob } from "./jobs";
import { changeShelf, exportShelf, getPaints, importShelf, savePaint } from "./paints";
import { checkedPicture, getPicture, pictureType, savePicture } from "./pictures";
import { answer } from "./problem";

interface Answered {
  readonly paints?: Paint[];
  readonly users?: Record<string, { id: string; name: string }[]>;
  readonly report?: { lines: LineOutcome[] };
  readonly detail?: string;
  readonly id?: string;
  readonly job?: Job;
}

beforeAll(() => {
  process.env.CRENNA_DATA = mkdtempSync(path.join(os.tmpdir(), "crenna-shelf-"));
  process.env.CRENNA_MIGRATIONS = path.resolve("drizzle");
});

const request = (body: unknown) =>
  new Request("http://127.0.0.1/", {
    method: "POST",
    headers: { "content-type": "application/json" },
    body: typeof body === "string" ? body : JSON.stringify(body),
  });

async function ask(run: () => Promise<Response> | Response): Promise<{ status: number; body: Answered }> {
  const response = await answer(run);
  return { status: response.status, body: (await response.json()) as Answered };
}

const own = (at: number): Paint => ({ ...demoShelf[0]!, id: `paint-own-${at}`, name: `Own ${at}` });
const names = async () => (await ask(getPaints)).body.paints!.map((paint) => paint.name);

describe("many pots at once", () => {
  it("are put and taken off together, with who uses them", async () => {
    const { status, body } = await ask(() => changeShelf(request({ put: [own(1), own(2)], remove: [] })));
    expect(status).toBe(200);
    expect(body.paints).toHaveLength(demoShelf.length + 2);
    expect(body.users!["paint-straw"]).toContainEqual({ id: "ferry-sergeant", name: "Ferry sergeant" });
    expect(body.users!["paint-own-1"]).toBeUndefined();
    await ask(() => changeShelf(request({ put: [], remove: ["paint-own-1", "paint-own-2"] })));
    expect(await names()).toEqual(demoShelf.map((paint) => paint.name));
  });

  it("change wholly or not at all", async () => {
    const used = await ask(() => changeShelf(request({ put: [own(3)], remove: ["paint-straw"] })));
    expect(used.status).toBe(409);
    expect(used.body.detail).toContain("Ferry sergeant");
    const bad = await ask(() =>
      changeShelf(request({ put: [own(3), { ...own(4), finish: "fluffy" }], remove: [] })),
    );
    expect(bad.status).toBe(422);
    expect((await ask(() => changeShelf(request({ put: 3 })))).status).toBe(422);
    expect(await names()).toEqual(demoShelf.map((paint) => paint.name));
  });

  it("keep readings and their fit", async () => {
    const fit = {
      absorption: new Array<number>(12).fill(0.02),
      scattering: new Array<number>(12).fill(0.1),
      readings: [{ laid: "black" as const, filmUm: 18, whiteParts: null, lab: [40, 3, -8] as const }],
      meanDifference: 0.4,
      largestDifference: 0.9,
    };
    const read: Paint = { ...own(5), fit, finish: "satin", overBlack: "#223344" };
    await ask(() => savePaint(read.id, request(read)));
    const kept = (await ask(getPaints)).body.paints!.find((paint) => paint.id === read.id);
    expect(kept).toEqual(read);
    const short = { ...read, fit: { ...fit, absorption: [1, 2] } };
    expect((await ask(() => savePaint(read.id, request(short)))).status).toBe(422);
    await ask(() => changeShelf(request({ put: [], remove: [read.id] })));
  });
});

describe("a shelf file", () => {
  const text = "name,range,colour\nTrial,Own,#123456\nStraw,Harbour Matt,#c0b070\n,Own,#123456\n";
  const send = (apply: boolean, format = "csv") => ask(() => importShelf(request({ format, text, apply })));

  it("is first told about, then taken in", async () => {
    const before = (await ask(getPaints)).body.paints;
    const told = await send(false);
    expect(told.body.report!.lines.map((line) => line.kind)).toEqual(["taken", "merged", "refused"]);
    expect((await ask(getPaints)).body.paints).toEqual(before);
    await send(true);
    const after = (await ask(getPaints)).body.paints!;
    expect(after.map((paint) => paint.name)).toContain("Trial");
    expect(after.find((paint) => paint.id === "paint-straw")!.thick).toBe("#c0b070");
    expect((await send(false)).body.report!.lines.map((line) => line.kind)).toEqual([
      "merged",
      "merged",
      "refused",
    ]);
    const trial = after.find((paint) => paint.name === "Trial")!.id;
    await ask(() => changeShelf(request({ put: [...demoShelf], remove: [trial] })));
    expect((await ask(getPaints)).body.paints).toEqual(demoShelf);
  });

  it("is read by the columns that the painter names, each used once", async () => {
    const odd = "title,shade\nTrial,#123456\n";
    const sent = (columns: unknown) =>
      ask(() => importShelf(request({ format: "csv", text: odd, apply: false, columns })));
    const told = await sent(["name", "colour"]);
    expect(told.body.report!.lines.map((line) => line.kind)).toEqual(["taken"]);
    for (const columns of [["name", "name"], ["name", "shade"], "name"])
      expect((await sent(columns)).status).toBe(422);
  });

  it("is refused in a format that is not known", async () => {
    expect((await send(true, "xml")).status).toBe(422);
    expect((await answer(() => exportShelf("xml"))).status).toBe(404);
  });

  it("is written and read back without loss", async () => {
    const csv = await exportShelf("csv").text();
    const { body } = await ask(() => importShelf(request({ format: "csv", text: csv, apply: true })));
    expect(body.report!.lines.every((line) => line.kind === "merged" && line.changed.length === 0)).toBe(
      true,
    );
    const gpl = exportShelf("gpl");
    expect(gpl.headers.get("content-disposition")).toContain("shelf.gpl");
    expect(await gpl.text()).toContain("Rust Red");
  });
});

describe("pictures", () => {
  const picture = (width: number) =>
    sharp({ create: { width, height: 4, channels: 3, background: "#884422" } });
  const post = (bytes: Buffer) =>
    ask(() => savePicture(new Request("http://127.0.0.1/", { method: "POST", body: new Uint8Array(bytes) })));

  it("are known by their first bytes, kept by their content, and given back", async () => {
    for (const [type, bytes] of [
      ["image/png", await picture(5).png().toBuffer()],
      ["image/jpeg", await picture(5).jpeg().toBuffer()],
      ["image/webp", await picture(5).webp().toBuffer()],
    ] as const) {
      expect(pictureType(bytes)).toBe(type);
      const { status, body } = await post(bytes);
      expect(status).toBe(201);
      expect((await post(bytes)).body.id).toBe(body.id);
      const got = getPicture(body.id!);
      expect(got.headers.get("content-type")).toBe(type);
      expect(Buffer.from(await got.arrayBuffer()).equals(bytes)).toBe(true);
    }
  });

  it("are refused where they are none, too large, or not what they are said to be", async () => {
    expect((await post(Buffer.from("<svg/>"))).status).toBe(422);
    expect((await post(Buffer.alloc(900_000, 0x89))).status).toBe(413);
    const png = await picture(6).png().toBuffer();
    expect(() => checkedPicture(png, "image/jpeg", null)).toThrow(/image\/png/);
    expect(() => checkedPicture(png, null, "0".repeat(64))).toThrow(/changed/);
    expect((await answer(() => getPicture("nothing"))).status).toBe(404);
  });

  it("travel in the job's file, and go when no job names them", async () => {
    const png = await picture(7).png().toBuffer();
    const { id } = checkedPicture(png, null, null);
    await post(png);
    const { body } = await ask(() => createJob(request({ from: "demo" })));
    const reference = { id: "picture-1", name: "Cloth", pictureId: id, width: 7, height: 4, neutral: null };
    const job = { ...body.job!, references: [reference] };
    expect((await ask(() => putJob(job.id, request({ revision: 1, job })))).status).toBe(200);
    const text = await exportJob(job.id).text();
    const db = database();
    forgetPictures(db, "2999-01-01");
    expect(findPicture(db, id)).not.toBeNull();
    const [file] = (JSON.parse(text) as { pictures: { id: string }[] }).pictures;
    expect(file!.id).toBe(id);
    const again = await ask(() => importJob(request(text)));
    expect(again.body.job!.references).toEqual([reference]);
    const forged = text.replaceAll(file!.id, "0".repeat(64));
    expect((await ask(() => importJob(request(forged)))).status).toBe(422);
    const lone = checkedPicture(await picture(9).png().toBuffer(), null, null);
    keepPicture(db, lone, "2000-01-01");
    forgetPictures(db, "2001-01-01");
    expect(findPicture(db, lone.id)).toBeNull();
  });
});
