import { mkdtempSync } from "node:fs";
import os from "node:os";
import path from "node:path";
import { beforeAll, describe, expect, it } from "vitest";
import { schemeOf } from "../core/edits/ownSchemes";
import type { History, Job, OwnScheme } from "../core/job";
import { ferrySergeant } from "../data/demo/ferrySergeant";
import { NOW, WELL } from "../data/testing";
import { dropHistoryItem, getHistory, putHistoryItem } from "./history";
import { createJob, exportJob, getJob, importJob } from "./jobs";
import { deletePaint } from "./paints";
import { answer } from "./problem";
import { deleteScheme, exportScheme, exportSchemes, getSchemes, importSchemes, saveScheme } from "./schemes";

beforeAll(() => {
  process.env.CRENNA_DATA = mkdtempSync(path.join(os.tmpdir(), "crenna-server-"));
});

interface Answered {
  readonly history?: History;
  readonly job?: Job;
  readonly schemes?: OwnScheme[];
  readonly detail?: string;
}

async function ask(run: () => Promise<Response> | Response): Promise<{ status: number; body: Answered }> {
  const response = await answer(run);
  return { status: response.status, body: (await response.json()) as Answered };
}

const request = (body: unknown, method = "PUT") =>
  new Request("http://localhost/", {
    method,
    headers: { "content-type": "application/json" },
    body: typeof body === "string" ? body : JSON.stringify(body),
  });

const JOB = "ferry-sergeant";
const ENTRY = {
  ...{ id: "entry-1", cardId: "coat-skirt/base", cardTitle: "Base", doneAt: NOW },
  ...{ minutes: 7.5, note: "", recipe: [{ paintId: "paint-slate", drops: 2 }] },
};
const SITTING = { id: "sitting-1", startedAt: NOW, endedAt: null, note: "Lamp on the left." };
const put = (kind: string, id: string, item: unknown, job = JOB) =>
  ask(() => putHistoryItem(job, kind, id, request(item)));

describe("the bench over the wire", () => {
  it("is told one thing at a time, as often as it takes", async () => {
    for (let time = 0; time < 2; time++) expect((await put("log", "entry-1", ENTRY)).status).toBe(200);
    expect((await put("wells", "well-1", WELL)).status).toBe(200);
    expect((await put("sittings", "sitting-1", SITTING)).status).toBe(200);
    const { body } = await ask(() => getHistory(JOB));
    expect(body.history).toEqual({ log: [ENTRY], wells: [WELL], sittings: [SITTING] });
    expect((await ask(() => getJob(JOB))).body.history).toEqual(body.history);
    expect((await ask(() => getJob(JOB, true))).body).not.toHaveProperty("paints");
  });

  it("says what is wrong, and keeps what it had", async () => {
    const bad = await put("log", "entry-1", { ...ENTRY, minutes: -1 });
    expect([bad.status, bad.body.detail]).toEqual([422, expect.stringMatching(/minutes/)]);
    expect((await put("log", "entry-2", ENTRY)).body.detail).toContain('must be "entry-2"');
    expect((await put("log", "entry-1", "[")).status).toBe(400);
    expect((await put("moods", "entry-1", ENTRY)).body.detail).toContain("log, sittings and wells");
    expect((await put("log", "entry-1", ENTRY, "nowhere")).status).toBe(404);
    expect((await ask(() => getHistory("nowhere"))).status).toBe(404);
    expect((await ask(() => getHistory(JOB))).body.history!.log).toEqual([ENTRY]);
  });

  it("goes along in a job file, not in a copy", async () => {
    const text = await exportJob(JOB).text();
    const taken = await ask(() => importJob(request(text, "POST")));
    const history = (await ask(() => getHistory(taken.body.job!.id))).body.history;
    expect(history).toEqual({ log: [ENTRY], wells: [WELL], sittings: [SITTING] });
    const copy = await ask(() => createJob(request({ from: "copy", id: JOB }, "POST")));
    expect((await ask(() => getHistory(copy.body.job!.id))).body.history).toEqual({
      log: [],
      wells: [],
      sittings: [],
    });
  });

  it("keeps its pots on the shelf", async () => {
    const moss = await ask(() => deletePaint("paint-moss"));
    expect([moss.status, moss.body.detail]).toEqual([409, expect.stringContaining("Ferry sergeant")]);
  });

  it("forgets what is taken off, once or twice", async () => {
    for (let time = 0; time < 2; time++) {
      expect((await ask(() => dropHistoryItem(JOB, "log", "entry-1"))).status).toBe(200);
      expect((await ask(() => dropHistoryItem(JOB, "wells", "well-1"))).status).toBe(200);
      expect((await ask(() => dropHistoryItem(JOB, "sittings", "sitting-1"))).status).toBe(200);
    }
    expect((await ask(() => getHistory(JOB))).body.history).toEqual({ log: [], wells: [], sittings: [] });
  });
});

describe("own schemes over the wire", () => {
  const job = ferrySergeant();
  const scheme = schemeOf(job, job.surfaces[0]!, {
    id: "scheme-1",
    name: "Company cloth",
    at: "2026-05-01T09:30:00Z",
  });

  it("are kept, changed and forgotten", async () => {
    expect((await ask(getSchemes)).body.schemes).toEqual([]);
    expect((await ask(() => saveScheme("scheme-1", request(scheme)))).status).toBe(200);
    await ask(() => saveScheme("scheme-1", request({ ...scheme, name: "Cloth" })));
    expect((await ask(getSchemes)).body.schemes).toEqual([{ ...scheme, name: "Cloth" }]);
    expect((await ask(() => saveScheme("scheme-2", request(scheme)))).status).toBe(422);
    expect((await ask(() => saveScheme("scheme-1", request({ ...scheme, coats: 3 })))).status).toBe(422);
    expect((await ask(() => deleteScheme("scheme-1"))).status).toBe(200);
    expect((await ask(() => deleteScheme("scheme-1"))).status).toBe(404);
  });

  it("go out and come in as files: nothing twice, and nothing of a file that has a problem", async () => {
    await ask(() => saveScheme("scheme-1", request(scheme)));
    const file = await exportSchemes().text();
    const one = await exportScheme("scheme-1").text();
    expect(one).toBe(file);
    const text = (body: string) => new Request("http://localhost/", { method: "POST", body });
    expect((await ask(() => importSchemes(text(file)))).body).toMatchObject({ added: 0, there: 1 });
    const named = file.replace('"name": "Company cloth"', '"name": "Other cloth"');
    expect((await ask(() => importSchemes(text(named)))).body).toMatchObject({ added: 1, there: 0 });
    const kept = (await ask(getSchemes)).body.schemes as { id: string; name: string }[];
    expect(kept.map(({ id, name }) => [id, name])).toEqual([
      ["scheme-1", "Company cloth"],
      ["scheme-1-2", "Other cloth"],
    ]);
    expect((await ask(() => importSchemes(text(file.replace('"water": ', '"wet": '))))).status).toBe(422);
    expect((await ask(getSchemes)).body.schemes).toEqual(kept);
    expect((await ask(() => exportScheme("none"))).status).toBe(404);
  });
});
