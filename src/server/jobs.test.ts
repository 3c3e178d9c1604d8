import { mkdtempSync } from "node:fs";
import os from "node:os";
import path from "node:path";
import { beforeAll, describe, expect, it } from "vitest";
import type { History, Job, Paint } from "../core/job";
import { MOST_FILE_BYTES, MOST_PICTURE_BYTES } from "../core/formats/job-json/jobFile";
import { defaultPainter } from "../core/painter";
import { demoShelf } from "../data/demo/shelf";
import { createJob, deleteJob, exportJob, getJob, getJobs, importJob, putJob, restoreJob } from "./jobs";
import { putHistoryItem } from "./history";
import { deletePaint, getPaints, savePaint } from "./paints";
import { getPainter, savePainter } from "./painter";
import { answer } from "./problem";

beforeAll(() => {
  process.env.CRENNA_DATA = mkdtempSync(path.join(os.tmpdir(), "crenna-server-"));
});

type Answered = Record<string, unknown> & {
  job?: Job;
  revision?: number;
  detail?: string;
  problems?: { field: string; message: string }[];
};

const request = (method: string, body: unknown) =>
  new Request("http://localhost/", {
    method,
    headers: { "content-type": "application/json" },
    body: typeof body === "string" ? body : JSON.stringify(body),
  });

async function ask(run: () => Promise<Response> | Response): Promise<{ status: number; body: Answered }> {
  const response = await answer(run);
  return { status: response.status, body: (await response.json()) as Answered };
}

const create = (body: unknown) => ask(() => createJob(request("POST", body)));

describe("jobs over the wire", () => {
  it("start with the demo, next to every pot of the shelf", async () => {
    const { status, body } = await ask(getJobs);
    expect(status).toBe(200);
    expect((body.jobs as { name: string }[]).map(({ name }) => name).sort()).toEqual([
      "Drowned deckhand",
      "Ferry sergeant",
      "Ferry watch",
      "Landing wall",
      "Mud drake",
      "Mudflat bases",
      "Reed scout",
      "Tide hound",
      "Winch engine",
    ]);
    expect((await ask(getPaints)).body.paints).toEqual(demoShelf);
  });

  it("are made new with a free id each, a figure and two mixes, and nothing on it that nobody asked for", async () => {
    const first = await create({ from: "new", name: "Reed drake" });
    const second = await create({ from: "new", name: "Reed drake" });
    expect([first.status, second.status]).toEqual([201, 201]);
    expect([first.body.job!.id, second.body.job!.id]).toEqual(["reed-drake", "reed-drake-2"]);
    expect(first.body.job).toMatchObject({ surfaces: [], figures: [{ name: "Figure" }] });
    expect(first.body.job!.mixes.map(({ name }) => name)).toEqual(["Light", "Dark"]);
    expect((await create({ from: "new", name: "  " })).body.job!.name).toBe("New figure");
    expect((await create({ from: "new", name: "漆" })).body.job!.id).toBe("job");
  });

  it("are copied without their log, or not at all where there is nothing to copy", async () => {
    const copy = await create({ from: "copy", id: "ferry-sergeant" });
    expect(copy.body.job).toMatchObject({ name: "Ferry sergeant copy" });
    expect((await create({ from: "copy", id: "never-was" })).status).toBe(404);
    expect((await create({ from: "copy" })).status).toBe(404);
  });

  it("are copied with their log where that is wished", async () => {
    const { body } = await create({ from: "demo" });
    const entry = {
      ...{ id: "entry-1", cardId: "coat-skirt/base", cardTitle: "Base", doneAt: "2026-05-01T09:30:00.000Z" },
      ...{ minutes: 12, note: "", recipe: null },
    };
    await ask(() => putHistoryItem(body.job!.id, "log", "entry-1", request("PUT", entry)));
    const logOf = async (id: string) => ((await ask(() => getJob(id))).body.history as History).log;
    const plain = await create({ from: "copy", id: body.job!.id });
    expect(await logOf(plain.body.job!.id)).toEqual([]);
    const whole = await create({ from: "copy", id: body.job!.id, history: true });
    expect(await logOf(whole.body.job!.id)).toEqual([entry]);
    expect((await create({ from: "copy", id: body.job!.id, history: "yes" })).status).toBe(422);
  });

  it("carry their own name in the file's, whatever they were called first", async () => {
    const { body } = await create({ from: "new", name: "Tide hound" });
    const job = { ...body.job!, name: "Grey hound, older" };
    await ask(() => putJob(job.id, request("PUT", { revision: 1, job })));
    const named = (id: string) => exportJob(id).headers.get("content-disposition");
    expect(named(job.id)).toBe('attachment; filename="grey-hound-older.crenna.json"');
    await ask(() => putJob(job.id, request("PUT", { revision: 2, job: { ...job, name: "漆" } })));
    expect(named(job.id)).toBe(`attachment; filename="${job.id}.crenna.json"`);
  });

  it("refuse wishes they do not know, each problem by name", async () => {
    const { status, body } = await create({ from: "nowhere", size: 3 });
    expect(status).toBe(422);
    expect(body.problems!.length).toBe(2);
    expect((await ask(() => createJob(request("POST", "{")))).status).toBe(400);
  });

  it("are saved on their revision, and hand out the newest on a conflict", async () => {
    const { body } = await create({ from: "demo" });
    const job = body.job!;
    const put = (revision: unknown, next: unknown) =>
      ask(() => putJob(job.id, request("PUT", { revision, job: next })));
    expect((await put(1, { ...job, name: "Mine" })).body.revision).toBe(2);
    const late = await put(1, { ...job, name: "Theirs" });
    expect(late.status).toBe(409);
    expect(late.body).toMatchObject({ revision: 2, job: { name: "Mine" } });
    expect((await put("1", job)).status).toBe(422);
    expect((await put(2, { ...job, id: "other" })).body.detail).toContain(`must be "${job.id}"`);
    const bad = await put(2, { ...job, figures: [{ ...job.figures[0]!, eyeHeightMm: -3 }] });
    expect(bad.status).toBe(422);
    expect(bad.body.problems![0]!.field).toBe("figures[0].eyeHeightMm");
    expect((await ask(() => getJob(job.id))).body.job!.name).toBe("Mine");
  });

  it("are deleted and restored once each", async () => {
    const { body } = await create({ from: "new", name: "Short-lived" });
    const { id } = body.job!;
    expect((await ask(() => deleteJob(id))).status).toBe(200);
    expect((await ask(() => deleteJob(id))).status).toBe(404);
    expect((await ask(() => getJob(id))).status).toBe(404);
    expect((await ask(() => restoreJob(id))).status).toBe(200);
    expect((await ask(() => restoreJob(id))).status).toBe(404);
    expect((await ask(() => getJob(id))).status).toBe(200);
  });

  it("travel as files: out, into an empty name, with their pots", async () => {
    const response = exportJob("ferry-sergeant");
    expect(response.headers.get("content-disposition")).toBe(
      'attachment; filename="ferry-sergeant.crenna.json"',
    );
    const text = await response.text();
    const taken = await ask(() => importJob(request("POST", text)));
    expect(taken.status).toBe(201);
    expect(taken.body.job!.id).not.toBe("ferry-sergeant");
    const foreign = text.replaceAll("paint-straw", "paint-foreign-straw");
    await ask(() => importJob(request("POST", foreign)));
    const { body } = await ask(getPaints);
    expect((body.paints as Paint[]).map((paint) => paint.id)).toContain("paint-foreign-straw");
    const before = ((await ask(getJobs)).body.jobs as unknown[]).length;
    expect((await ask(() => importJob(request("POST", text.slice(0, 500))))).status).toBe(422);
    expect(((await ask(getJobs)).body.jobs as unknown[]).length).toBe(before);
  });
});

describe("a job file that is not whole", () => {
  const file = async () => JSON.parse(await exportJob("ferry-sergeant").text()) as Record<string, unknown>;
  const send = async (part: Record<string, unknown>) =>
    ask(async () => importJob(request("POST", { ...(await file()), ...part })));

  it("is refused where a pot or a picture it names is neither in it nor here, and changes nothing", async () => {
    const before = ((await ask(getJobs)).body.jobs as unknown[]).length;
    const { job } = (await file()) as { job: Job };
    const mixes = [
      { ...job.mixes[0]!, parts: [{ paintId: "paint-never-was", parts: 1 }] },
      ...job.mixes.slice(1),
    ];
    const pots = await send({ job: { ...job, mixes } });
    expect(pots.status).toBe(422);
    expect(pots.body.problems![0]!.message).toContain('"paint-never-was"');
    const references = [
      { id: "ref", name: "Ref", pictureId: "a".repeat(64), width: 10, height: 10, neutral: null },
    ];
    const pictures = await send({ job: { ...job, references } });
    expect(pictures.status).toBe(422);
    expect(pictures.body.problems![0]!.field).toBe("pictures");
    expect((await ask(getJobs)).body.jobs).toHaveLength(before);
  });

  it("is refused before it is read where it is larger than any job can be, and taken up to there", async () => {
    const send = (bytes: number) =>
      ask(() =>
        importJob(
          new Request("http://localhost/", {
            method: "POST",
            headers: { "content-type": "application/json", "content-length": String(bytes) },
            body: "{}",
          }),
        ),
      );
    expect((await send(MOST_FILE_BYTES + 1)).status).toBe(413);
    expect((await send(MOST_FILE_BYTES)).status).toBe(422);
    // Every picture a job can use fits, as text.
    expect(MOST_FILE_BYTES).toBeGreaterThan(68 * MOST_PICTURE_BYTES * (4 / 3));
  });

  it("brings its own pots along, beside those that only share their ids", async () => {
    const paints = demoShelf.map((paint) =>
      paint.id === "paint-straw" ? { ...paint, name: "Old straw", thick: "#998855" } : paint,
    );
    const { body } = await send({ paints });
    const used = new Set(body.job!.mixes.flatMap(({ parts }) => parts.map(({ paintId }) => paintId)));
    expect(used).toContain("paint-straw-2");
    expect(used).not.toContain("paint-straw");
    const shelf = (await ask(getPaints)).body.paints as Paint[];
    expect(shelf.find(({ id }) => id === "paint-straw-2")).toMatchObject({ name: "Old straw" });
    expect(shelf.find(({ id }) => id === "paint-straw")).toMatchObject({ name: "Straw" });
  });
});

describe("pots over the wire", () => {
  const pot: Paint = { ...demoShelf[0]!, id: "paint-own", name: "Own Grey" };
  const save = (id: string, body: unknown) => ask(() => savePaint(id, request("PUT", body)));

  it("are put, changed and taken off, but not from under a mix", async () => {
    expect((await save("paint-own", pot)).status).toBe(200);
    expect((await save("paint-own", { ...pot, name: "Own Gray" })).status).toBe(200);
    expect((await save("paint-other", pot)).status).toBe(422);
    expect((await save("paint-own", { ...pot, thick: "grey" })).body.problems![0]!.message).toContain(
      "hexadecimal",
    );
    expect((await ask(() => deletePaint("paint-own"))).status).toBe(200);
    expect((await ask(() => deletePaint("paint-own"))).status).toBe(404);
    const used = await ask(() => deletePaint("paint-straw"));
    expect(used.status).toBe(409);
    expect(used.body.detail).toContain("Ferry sergeant");
  });
});

describe("the painter over the wire", () => {
  it("is kept, and refused outside its ranges", async () => {
    expect((await ask(getPainter)).body.painter).toEqual(defaultPainter);
    const own = { ...defaultPainter, secondsPerDot: 3 };
    expect((await ask(() => savePainter(request("PUT", own)))).status).toBe(200);
    expect((await ask(getPainter)).body.painter).toEqual(own);
    for (const bad of [
      { ...own, secondsPerDot: 0 },
      { ...own, extra: 1 },
      { ...own, hand: { finestLineMm: 0.1 } },
      null,
    ]) {
      expect((await ask(() => savePainter(request("PUT", bad)))).status).toBe(422);
    }
    expect((await ask(getPainter)).body.painter).toEqual(own);
  });
});
