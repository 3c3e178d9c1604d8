import http from "node:http";
import { middle, print, type Line } from "./measure";
import { takePace } from "./pace";
import { startServer } from "./serve";

const JOBS = 500;
const IN_FLIGHT = 200;
const LOAD_MS = 6000;

/** Fetches an address by a connection that is kept. @returns the answer's length, bytes */
function fetchKept(agent: http.Agent, url: string): Promise<number> {
  return new Promise((resolve, reject) => {
    http
      .get(url, { agent }, (response) => {
        let bytes = 0;
        response.on("data", (chunk: Buffer) => (bytes += chunk.length));
        response.on("end", () =>
          response.statusCode === 200 ? resolve(bytes) : reject(new Error(`status ${response.statusCode}`)),
        );
        response.on("error", reject);
      })
      .on("error", reject);
  });
}

async function fill(address: string): Promise<void> {
  const { jobs } = (await (await fetch(`${address}/api/jobs`)).json()) as { jobs: unknown[] };
  for (let made = jobs.length; made < JOBS; made++) {
    const answer = await fetch(`${address}/api/jobs`, {
      method: "POST",
      headers: { "content-type": "application/json" },
      body: JSON.stringify({ from: "copy", id: "ferry-sergeant" }),
    });
    if (!answer.ok) throw new Error(await answer.text());
    await answer.arrayBuffer();
  }
}

/** Many pages at once asking for what the desk and a job's page ask for. */
async function load(address: string): Promise<{ perSecond: number; p99Ms: number; failed: number }> {
  const agent = new http.Agent({ keepAlive: true, maxSockets: IN_FLIGHT });
  const asked = ["/api/jobs", "/api/jobs/ferry-sergeant?bare", "/api/painter", "/api/jobs/ferry-sergeant"];
  const times: number[] = [];
  let failed = 0;
  const start = performance.now();
  const one = async (from: number) => {
    for (let at = from; performance.now() - start < LOAD_MS; at++) {
      const begun = performance.now();
      await fetchKept(agent, address + asked[at % asked.length]!).catch(() => failed++);
      times.push(performance.now() - begun);
    }
  };
  await Promise.all(Array.from({ length: IN_FLIGHT }, (_, from) => one(from)));
  const seconds = (performance.now() - start) / 1000;
  agent.destroy();
  times.sort((a, b) => a - b);
  return { perSecond: times.length / seconds, p99Ms: times[Math.floor(times.length * 0.99)]!, failed };
}

/** The desk of 500 jobs, and 200 requests in flight. */
export async function benchServer(): Promise<void> {
  console.log("\nThe server");
  const pace = await takePace();
  const { child, address } = await startServer();
  try {
    await fill(address);
    const listed = await middle(9, async () => (await fetch(`${address}/api/jobs`)).text());
    const { perSecond, p99Ms, failed } = await load(address);
    const lines: Line[] = [
      { name: `${JOBS} jobs listed`, ms: listed, budget: 150 },
      { name: `Slowest but one in a hundred, ${IN_FLIGHT} requests in flight`, ms: p99Ms, budget: 1000 },
    ];
    print(lines, pace);
    console.log(
      `${`Requests a second, ${IN_FLIGHT} in flight`.padEnd(58)}${Math.round(perSecond)} a second  budget 300 at least, ${Math.round(perSecond * pace)} at the budgets' pace; ${failed} failed`,
    );
  } finally {
    child.kill("SIGTERM");
  }
}
