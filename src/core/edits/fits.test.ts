import { expect, it } from "vitest";
import { wholeSergeant } from "../../data/demo/company";
import { MOST_COATS, MOST_MIXES, type Job } from "../job";
import { whyTooMuch } from "./fits";

const job = wholeSergeant();
const [surface] = job.surfaces;

const withCoats = (count: number): Job => {
  const coats = Array.from({ length: count }, (_, at) => ({ ...surface!.coats[0]!, id: `coat-${at}` }));
  return { ...job, surfaces: [{ ...surface!, coats }] };
};
const withMixes = (count: number): Job => ({
  ...job,
  mixes: Array.from({ length: count }, (_, at) => ({ ...job.mixes[0]!, id: `mix-${at}` })),
});

it("tells what there is too much of, and how many have to go", () => {
  expect(whyTooMuch(job, surface!.id)).toBeNull();
  expect(whyTooMuch(withCoats(MOST_COATS), surface!.id)).toBeNull();
  expect(whyTooMuch(withCoats(MOST_COATS + 3), surface!.id)).toMatch(
    /67 coats; 64 is the most .* Remove 3 first/,
  );
  expect(whyTooMuch(withMixes(MOST_MIXES), surface!.id)).toBeNull();
  expect(whyTooMuch(withMixes(MOST_MIXES + 1), surface!.id)).toMatch(/201 mixes; 200 is the most/);
});
