import { mkdtempSync } from "node:fs";
import os from "node:os";
import path from "node:path";
import sharp from "sharp";
import { beforeAll, describe, expect, it } from "vitest";
import { JOB_FILE_FORMAT } from "../core/formats/job-json/jobFile";
import { MOST_PHOTOS, type History, type Job } from "../core/job";
import { database } from "../data";
import { forgetPictures } from "../data/pictureStore";
import { NOW } from "../data/testing";
import { dropHistoryItem, getHistory, putHistoryItem } from "./history";
import { exportJob, importJob } from "./jobs";
import { getPicture, savePicture } from "./pictures";
import { answer } from "./problem";

const JOB = "ferry-sergeant";

beforeAll(() => {
  process.env.CRENNA_DATA = mkdtempSync(path.join(os.tmpdir(), "crenna-photos-"));
});

interface Answered {
  readonly history?: History;
  readonly job?: Job;
  readonly detail?: string;
  readonly problems?: readonly { readonly message: string }[];
}

async function ask(run: () => Promise<Response> | Response): Promise<{ status: number; body: Answered }> {
  const response = await answer(run);
  return { status: response.status, body: (await response.json()) as Answered };
}

const request = (body: unknown) =>
  new Request("http://localhost/", {
    method: "PUT",
    headers: { "content-type": "application/json" },
    body: typeof body === "string" ? body : JSON.stringify(body),
  });

/** Keeps a photo of one colour, and tells its name. */
async function photo(level: number): Promise<string> {
  const background = { r: level, g: 90, b: 120 };
  const bytes = await sharp({ create: { width: 8, height: 8, channels: 3, background } })
    .png()
    .toBuffer();
  const response = await savePicture(
    new Request("http://localhost/", { method: "POST", body: new Uint8Array(bytes) }),
  );
  return ((await response.json()) as { id: string }).id;
}

const entry = (id: string, photos: readonly string[]) => ({
  ...{ id, cardId: "coat-skirt/base", cardTitle: "Base", doneAt: NOW, minutes: null, note: "", recipe: null },
  photos,
});
const sitting = (photos: readonly string[]) => ({
  ...{ id: "sitting-1", startedAt: NOW, endedAt: null, note: "", photos },
});
const put = (kind: string, item: { readonly id: string }) =>
  ask(() => putHistoryItem(JOB, kind, item.id, request(item)));
const isKept = (id: string) => {
  try {
    return getPicture(id).ok;
  } catch {
    return false;
  }
};
const FAR = "2100-01-01T00:00:00.000Z";

describe("photos of the work", () => {
  it("stay with their entry and sitting, and no clearing up takes them", async () => {
    const [first, second, unused] = [await photo(10), await photo(20), await photo(30)];
    expect((await put("log", entry("entry-1", [first]))).status).toBe(200);
    expect((await put("sittings", sitting([second]))).status).toBe(200);
    forgetPictures(database(), FAR);
    expect([first, second, unused].map(isKept)).toEqual([true, true, false]);
    const { history } = (await ask(() => getHistory(JOB))).body;
    expect(history!.log[0]!.photos).toEqual([first]);
    expect(history!.sittings[0]!.photos).toEqual([second]);
  });

  it("must be kept before they are named", async () => {
    const bad = await put("log", entry("entry-1", ["0".repeat(64)]));
    expect([bad.status, bad.body.detail]).toEqual([422, expect.stringMatching(/not kept here/)]);
    expect((await ask(() => getHistory(JOB))).body.history!.log[0]!.photos).toHaveLength(1);
  });

  it("go out with the job's file and come in with it, elsewhere too", async () => {
    const text = await exportJob(JOB).text();
    const file = JSON.parse(text) as { format: string; pictures: { id: string }[]; history: History };
    expect(file.format).toBe(JOB_FILE_FORMAT);
    const named = [...file.history.log, ...file.history.sittings].flatMap(({ photos = [] }) => photos);
    expect(named).toHaveLength(2);
    const brought = file.pictures.map(({ id }) => id);
    expect(named.filter((id) => !brought.includes(id))).toEqual([]);
    // As on another machine: nothing of it is known here.
    process.env.CRENNA_DATA = mkdtempSync(path.join(os.tmpdir(), "crenna-photos-other-"));
    const lacking = await ask(() => importJob(request({ ...file, pictures: [] })));
    expect(lacking.status).toBe(422);
    const { status, body } = await ask(() => importJob(request(text)));
    expect(status).toBe(201);
    const { history } = (await ask(() => getHistory(body.job!.id))).body;
    expect(history!.log[0]!.photos).toEqual([named[0]]);
    expect(named.map(isKept)).toEqual([true, true]);
  });

  it("are so many at most in a job, and go when their entry goes", async () => {
    const many: string[] = [];
    for (let at = 0; at < MOST_PHOTOS.job; at++) many.push(await photo(60 + at));
    const each = MOST_PHOTOS.entry;
    const answers: number[] = [];
    for (let at = 0; at * each < many.length; at++)
      answers.push((await put("log", entry(`many-${at}`, many.slice(at * each, (at + 1) * each)))).status);
    expect(answers).toEqual(answers.map(() => 200));
    expect(answers).toHaveLength(MOST_PHOTOS.job / each);
    const more = await put("log", entry("one-more", [await photo(250)]));
    expect([more.status, more.body.detail]).toEqual([422, expect.stringMatching(/60 photos/)]);
    expect((await put("log", entry("many-0", many.slice(0, 7)))).status).toBe(422);
    await ask(() => dropHistoryItem(JOB, "log", "many-0"));
    forgetPictures(database(), FAR);
    expect(isKept(many[0]!)).toBe(false);
    expect(isKept(many[10]!)).toBe(true);
  });
});
