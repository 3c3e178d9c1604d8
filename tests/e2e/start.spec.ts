import { spawn, spawnSync, type ChildProcess } from "node:child_process";
import { copyFileSync, existsSync, mkdtempSync, readdirSync, writeFileSync } from "node:fs";
import { request } from "node:http";
import os from "node:os";
import path from "node:path";
import Database from "better-sqlite3";
import { expect, test } from "@playwright/test";

const START = ["scripts/start.mjs"];
const folder = () => mkdtempSync(path.join(os.tmpdir(), "crenna-start-"));

async function start(...args: string[]): Promise<{ child: ChildProcess; address: string }> {
  const child = spawn(process.execPath, [...START, ...args], { stdio: ["ignore", "pipe", "inherit"] });
  let text = "";
  const address = await new Promise<string>((resolve, reject) => {
    child.stdout.on("data", (chunk: Buffer) => {
      text += chunk.toString();
      const found = /ready at (http:\S+)/.exec(text);
      if (found) resolve(found[1]!);
    });
    child.once("exit", () => reject(new Error(text)));
  });
  return { child, address };
}

const jobsAt = async (address: string) =>
  ((await (await fetch(`${address}/api/jobs`)).json()) as { jobs: unknown[] }).jobs;

test("options are told, and wrong ones refused with what is allowed", () => {
  const run = (...args: string[]) => spawnSync(process.execPath, [...START, ...args], { encoding: "utf8" });
  const help = run("--help");
  expect(help.status).toBe(0);
  for (const option of ["--port", "--host", "--data", "--empty"]) expect(help.stdout).toContain(option);
  const port = run("--port", "99999");
  expect(port.status).toBe(2);
  expect(port.stderr).toContain("--port must be 0 to 65535, got 99999");
  expect(run("--prot", "1").stderr).toContain("--prot");
});

test("it listens on this machine only, and says why", () => {
  const run = spawnSync(
    process.execPath,
    [...START, "--port", "0", "--host", "0.0.0.0", "--data", folder()],
    {
      encoding: "utf8",
    },
  );
  expect(run.status).toBe(1);
  expect(run.stderr).toContain("this machine only");
  expect(run.stderr).toContain("no password");
});

test("odd ways of asking are refused, none ends in a fault", async () => {
  const { child, address } = await start("--port", "0", "--empty", "--data", folder());
  const { port } = new URL(address);
  const ask = (method: string, where: string) =>
    new Promise<number>((resolve, reject) => {
      const asked = request({ port, host: "127.0.0.1", method, path: where }, (answer) => {
        answer.resume();
        resolve(answer.statusCode ?? 0);
      });
      asked.once("error", reject);
      asked.end();
    });
  for (const method of ["TRACE", "OPTIONS", "PATCH"]) expect(await ask(method, "/")).toBe(405);
  for (const where of [
    "/job/%E2%98%83/coats",
    "/job/%00",
    "/job/%ff",
    "/_image?href=x",
    "//x",
    "/api/jobs/%2e%2e%2f",
    "/job/a%2fb/coats",
  ]) {
    const status = await ask("GET", where);
    expect(status, where).toBeLessThan(500);
  }
  child.kill("SIGTERM");
});

test("data that cannot be used is told before anything is called ready", () => {
  const data = folder();
  writeFileSync(
    path.join(data, "crenna.sqlite"),
    "this is no database, but long enough to be taken for one ".repeat(40),
  );
  const run = spawnSync(process.execPath, [...START, "--port", "0", "--data", data], { encoding: "utf8" });
  expect(run.status).toBe(1);
  expect(run.stderr).toContain("cannot use its data");
  expect(run.stdout).not.toContain("ready");
});

test("an empty start has a shelf, no job, and says how to begin", async ({ page }) => {
  const { child, address } = await start("--port", "0", "--empty", "--data", folder());
  expect(await jobsAt(address)).toEqual([]);
  await page.goto(address);
  await expect(page.getByText("Nothing is on the go.")).toBeVisible();
  await page.getByRole("button", { name: "Demo job" }).click();
  await expect(page.getByRole("article", { name: "Ferry sergeant" })).toBeVisible();
  child.kill("SIGTERM");
});

test("the demo is loaded once into the folder asked for, and stays deleted when it was deleted", async () => {
  const data = folder();
  const first = await start("--port", "0", "--data", data);
  expect(await jobsAt(first.address)).toHaveLength(9);
  expect(existsSync(path.join(data, "crenna.sqlite"))).toBe(true);
  for (const id of [
    "ferry-sergeant",
    "reed-scout",
    "ferry-watch",
    "tide-hound",
    "mud-drake",
    "drowned-deckhand",
    "winch-engine",
    "landing-wall",
    "mudflat-bases",
  ])
    await fetch(`${first.address}/api/jobs/${id}`, { method: "DELETE" });
  first.child.kill("SIGTERM");
  await new Promise((resolve) => first.child.once("exit", resolve));
  const second = await start("--port", "0", "--data", data);
  expect(await jobsAt(second.address)).toEqual([]);
  second.child.kill("SIGTERM");
});

test("a taken port is named, with what to do", async () => {
  const { child, address } = await start("--port", "0", "--data", folder());
  const { port } = new URL(address);
  const second = spawnSync(process.execPath, [...START, "--port", port, "--data", folder()], {
    encoding: "utf8",
  });
  child.kill("SIGTERM");
  expect(second.status).toBe(1);
  expect(second.stderr).toContain(`Port ${port} is taken`);
});

test("what the server cannot do is said on the screen", async ({ page }) => {
  await page.route("**/api/jobs", (route) => route.abort());
  await page.goto("/");
  await expect(page.getByRole("alert")).toContainText("The Crenna server cannot be reached");
  await page.route("**/api/painter", (route) =>
    route.fulfill({
      status: 500,
      contentType: "application/problem+json",
      body: '{"detail":"The server could not finish this."}',
    }),
  );
  await page.goto("/settings");
  await expect(page.getByRole("alert")).toContainText("The server could not finish this.");
});

test("killed while it brings an older database on, it loses nothing: the copy stays, the next start goes on", async () => {
  const copies = (data: string) =>
    readdirSync(data).filter((name) => /^crenna-before-.*\.sqlite$/.test(name));
  for (const waitMs of [0, 3, 12]) {
    const data = folder();
    copyFileSync("tests/fixtures/database-2.sqlite", path.join(data, "crenna.sqlite"));
    const { child, address } = await start("--port", "0", "--data", data);
    const ended = new Promise((resolve) => child.once("exit", resolve));
    // The database is opened by the first one who asks.
    void fetch(`${address}/api/jobs`).catch(() => null);
    await expect.poll(() => copies(data).length, { intervals: [2] }).toBe(1);
    await new Promise((resolve) => setTimeout(resolve, waitMs));
    child.kill("SIGKILL");
    await ended;
    const again = await start("--port", "0", "--data", data);
    expect(await jobsAt(again.address)).toHaveLength(2);
    const { history } = (await (await fetch(`${again.address}/api/jobs/ferry-sergeant/history`)).json()) as {
      history: { log: unknown[] };
    };
    expect(history.log).toHaveLength(2);
    again.child.kill("SIGTERM");
    const copy = new Database(path.join(data, copies(data)[0]!), { readonly: true });
    expect(copy.pragma("integrity_check", { simple: true })).toBe("ok");
    expect(copy.prepare("select count(*) as n from jobs").get()).toEqual({ n: 3 });
  }
});
