import { describe, expect, it } from "vitest";
import { ValidationError } from "yup";
import { InputError } from "../core/errors";
import { readJson, readText } from "./body";
import { contentSecurityPolicy, hostAllowed, originAllowed } from "./guard";
import { answer, HttpProblem } from "./problem";

describe("who may call", () => {
  it("only the server's own names", () => {
    for (const host of ["localhost:4173", "127.0.0.1:80", "[::1]:4173", "LOCALHOST"])
      expect(hostAllowed(host, "127.0.0.1")).toBe(true);
    for (const host of [null, "evil.example", "localhost.evil.example", "127.0.0.1.evil.example:4173", ""])
      expect(hostAllowed(host, "127.0.0.1")).toBe(false);
    expect(hostAllowed("192.168.7.2:4173", "192.168.7.2")).toBe(true);
    expect(hostAllowed("192.168.7.2:4173", "0.0.0.0")).toBe(false);
  });

  it("changes only from its own pages", () => {
    expect(originAllowed("GET", "http://evil.example", null, "localhost:1")).toBe(true);
    expect(originAllowed("PUT", "http://localhost:1", "same-origin", "localhost:1")).toBe(true);
    expect(originAllowed("PUT", null, null, "localhost:1")).toBe(true);
    expect(originAllowed("POST", "http://evil.example", null, "localhost:1")).toBe(false);
    expect(originAllowed("POST", "http://localhost:2", null, "localhost:1")).toBe(false);
    expect(originAllowed("DELETE", null, "cross-site", "localhost:1")).toBe(false);
    expect(originAllowed("POST", "null", null, "localhost:1")).toBe(false);
  });

  it("scripts only with the page's nonce, and no other source", () => {
    const policy = contentSecurityPolicy("abc");
    expect(policy).toContain("script-src 'self' 'nonce-abc'");
    expect(policy).not.toContain("unsafe-inline");
    expect(policy).not.toMatch(/'unsafe-eval'/);
    expect(policy).not.toContain("http");
  });
});

const post = (body: string, type = "application/json") =>
  new Request("http://localhost/", { method: "POST", body, headers: { "content-type": type } });

describe("bodies", () => {
  it("are read as JSON of the right type and size", async () => {
    await expect(readJson(post('{"a":1}'))).resolves.toEqual({ a: 1 });
    await expect(readJson(post("{}", "text/plain"))).rejects.toThrow("application/json");
    await expect(readJson(post("{"))).rejects.toThrow("not whole JSON");
    await expect(readText(post("x".repeat(100)), 50)).rejects.toThrow(/At most/);
    await expect(readText(post("x".repeat(50)), 50)).resolves.toHaveLength(50);
  });
});

describe("answers", () => {
  const body = async (thrown: unknown) => {
    const response = await answer(() => {
      throw thrown;
    });
    return {
      status: response.status,
      type: response.headers.get("content-type"),
      body: (await response.json()) as Record<string, unknown>,
    };
  };

  it("are problem details for everything that goes wrong", async () => {
    const known = await body(new HttpProblem(409, "Changed", "Elsewhere.", { revision: 3 }));
    expect(known).toMatchObject({
      status: 409,
      type: "application/problem+json; charset=utf-8",
      body: { title: "Changed", detail: "Elsewhere.", revision: 3 },
    });
    const input = await body(new InputError([{ field: "hemMm", message: "Too large." }]));
    expect(input.body.problems).toEqual([{ field: "hemMm", message: "Too large." }]);
    expect((await body(new ValidationError("periods must be a number", 3, "periods"))).status).toBe(422);
  });

  it("never carry a stack or a message from inside", async () => {
    const heard: unknown[] = [];
    const log = console.error;
    console.error = (...args) => void heard.push(...args);
    const { status, body: answered } = await body(new Error("secret path /home"));
    console.error = log;
    expect(status).toBe(500);
    expect(JSON.stringify(answered)).not.toMatch(/secret|at /);
    expect(heard).toHaveLength(1);
  });
});

describe("a disk that fails", () => {
  const failing = (code: string) =>
    answer(() => {
      throw Object.assign(new Error("disk I/O error"), { code });
    });
  it.each([
    ["SQLITE_FULL", "The disk is full"],
    ["SQLITE_READONLY_DIRECTORY", "The data cannot be written"],
    ["SQLITE_IOERR_WRITE", "The disk failed"],
    ["SQLITE_CANTOPEN", "The data cannot be opened"],
    ["SQLITE_CORRUPT", "The data is damaged"],
  ])("is named by what it lacks: %s", async (code, title) => {
    const response = await failing(code);
    expect(response.status).toBeGreaterThanOrEqual(500);
    expect(await response.json()).toMatchObject({ title });
  });
});
