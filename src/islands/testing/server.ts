import { mkdtempSync } from "node:fs";
import os from "node:os";
import path from "node:path";
import type { APIRoute } from "astro";
import { afterEveryFile, afterEveryTest } from "./leftovers";

/** Every file of tests has a database of its own. */
function startAnew(): void {
  process.env.CRENNA_DATA = mkdtempSync(path.join(os.tmpdir(), "crenna-page-"));
}
startAnew();
afterEveryFile.add(startAnew);

type Route = Readonly<Record<string, APIRoute>>;

const files = import.meta.glob<Route>("/src/pages/api/**/*.ts", { eager: true });

/** Every endpoint there is, as a pattern of its address with the names of what varies in it. */
const routes = Object.entries(files).map(([file, route]) => {
  const address = file.replace(/^\/src\/pages/, "").replace(/(\/index)?\.ts$/, "");
  const names = [...address.matchAll(/\[(\w+)\]/g)].map((match) => match[1]!);
  const pattern = new RegExp(`^${address.replaceAll(".", "\\.").replaceAll(/\[\w+\]/g, "([^/]+)")}$`);
  return { route, names, pattern, fixed: names.length === 0 };
});

/** The real endpoints, on a database of their own, called without a network; it can be switched off. */
export const server = {
  down: false,
  /** What is sent arrives, and the answer is lost on the way back. */
  mute: false,
  /** "PUT /api/jobs/x", in order. */
  calls: [] as string[],
  /** Answers instead of the endpoint where it gives something back. */
  instead: null as ((method: string, address: string) => Response | null) | null,
};

async function answer(address: string, init: RequestInit = {}): Promise<Response> {
  const url = new URL(address, "http://localhost");
  const method = init.method ?? "GET";
  server.calls.push(`${method} ${url.pathname}`);
  if (server.down) throw new TypeError("fetch failed");
  const other = server.instead?.(method, url.pathname);
  if (other) return other;
  const found = routes
    .toSorted((a, b) => Number(b.fixed) - Number(a.fixed))
    .map((one) => ({ ...one, match: one.pattern.exec(url.pathname) }))
    .find(({ match, route }) => match && method in route);
  if (!found) return new Response("{}", { status: 404 });
  const params = Object.fromEntries(found.names.map((name, at) => [name, found.match![at + 1]]));
  const request = new Request(url, init);
  const given = await found.route[method]!({ params, request, url } as never);
  if (server.mute) throw new TypeError("connection reset");
  return given;
}

// Not as a stub: a test that takes its own stubs back would leave the files after it without a server.
globalThis.fetch = answer as typeof fetch;

afterEveryTest.add(() => {
  Object.assign(server, { down: false, mute: false, instead: null });
  server.calls.length = 0;
});
