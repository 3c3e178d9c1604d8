import { expect, it } from "vitest";
import { parseJob } from "../../core/formats/job-json/jobSchema";
import { demoJobs } from "./company";
import { storedDemo } from "./stored";

it("is stored as it is made today; `npm run demo` writes it anew", () => {
  const stored = storedDemo();
  for (const job of stored) expect(parseJob(job)).toEqual(job);
  expect(stored.map(({ id }) => id)).toEqual(demoJobs().map(({ id }) => id));
  expect(stored).toEqual(JSON.parse(JSON.stringify(demoJobs())));
}, 240_000);
