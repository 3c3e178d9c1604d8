import { expect, it } from "vitest";
import { parseJob } from "../../core/formats/job-json/jobSchema";
import { demoJobs } from "./company";
import { storedDemo } from "./stored";

/** Texts are compared first: thousands of values one by one take seconds. */
function expectSame(one: unknown, other: unknown): void {
  if (JSON.stringify(one) !== JSON.stringify(other)) expect(one).toEqual(JSON.parse(JSON.stringify(other)));
}

it("is stored as it is made today; `npm run demo` writes it anew", () => {
  const stored = storedDemo();
  for (const job of stored) expectSame(parseJob(job), job);
  expect(stored.map(({ id }) => id)).toEqual(demoJobs().map(({ id }) => id));
  demoJobs().forEach((job, at) => expectSame(stored[at], job));
}, 240_000);
