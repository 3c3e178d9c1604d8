import { describe, expect, it } from "vitest";
import { checkJob } from "../../../checks";
import { applyRemedy } from "../../../checks/applyRemedy";
import type { Finding } from "../../../checks/finding";
import { ferrySergeant } from "../../../../data/demo/ferrySergeant";
import { demoShelf } from "../../../../data/demo/shelf";
import type { Job } from "../../../job";
import { deriveCoats } from "../../derive";
import type { SettParams } from "../params";
import { settParams } from "../testing";

const demo = ferrySergeant();
const withCloth = (part: Partial<SettParams>): Job => {
  const surfaces = demo.surfaces.map((surface) => ({
    ...surface,
    pattern: { ...surface.pattern!, params: { ...settParams(surface), ...part } },
  }));
  return deriveCoats({ ...demo, surfaces }, demoShelf, demo);
};
const of = (job: Job, check: string): Finding[] =>
  checkJob(job, demoShelf).filter((finding) => finding.id.split("/")[1] === check);
/** Applying the first remedy must make the finding go away. */
function mends(job: Job, finding: Finding): void {
  const mended = deriveCoats(applyRemedy(job, finding.remedies[0]!), demoShelf, job);
  expect(checkJob(mended, demoShelf).map((one) => one.id)).not.toContain(finding.id);
}

describe("findings about stripes", () => {
  it("boxes that are thin beside the others, to be painted as lines instead", () => {
    const colours = { A: "straw", B: "deep-tarn", C: "rust" };
    const job = withCloth({ threadCount: "A24 B21 C3", periods: 10, colours });
    const finding = of(job, "box-size").find((one) => one.id.endsWith("column"))!;
    expect(finding.remedies.map(({ label }) => label)).toContain("Paint C as lines");
    mends(job, finding);
    const roles = deriveCoats(applyRemedy(job, finding.remedies[0]!), demoShelf, job).surfaces[0]!.coats.map(
      ({ role }) => role,
    );
    expect(roles).toContain("lines:C");
    expect(roles.filter((role) => role?.startsWith("boxes:") && role.includes("C"))).toEqual([]);
  });

  it("half-tones whose stripes have changed, and mixes them anew", () => {
    const job = {
      ...demo,
      mixes: demo.mixes.map((mix) =>
        mix.id === "deep-tarn" ? { ...mix, parts: demo.mixes.find(({ id }) => id === "rust")!.parts } : mix,
      ),
    };
    const found = of(job, "half-tones");
    expect(found.length).toBeGreaterThan(0);
    expect(found[0]!.remedies.map(({ label }) => label)).toEqual(["Mix it anew"]);
    mends(job, found[0]!);
  });

  it("stripes of the rows alone that are too fine, where rows have a count of their own", () => {
    const colours = { R: "rust", D: "deep-tarn", S: "straw" };
    const lost = (rowThreadCount: string | null) =>
      of(withCloth({ threadCount: "D24 S24", rowThreadCount, colours }), "fine-lines").find(({ id }) =>
        id.endsWith("lost"),
      );
    expect(lost(null)).toBeUndefined();
    expect(lost("D60 S60 R1")!.sentence).toContain("R1");
  });

  it("a line that has no place on the piece, as a coat that lays nothing", () => {
    const surface = demo.surfaces[0]!;
    const coat = surface.coats.find(({ role }) => role === "lines:R")!;
    const place = { kind: "pattern" as const, key: "lines:Z" };
    const stray = { ...coat, id: "stray", name: "Stray lines", role: null, place };
    const job = { ...demo, surfaces: [{ ...surface, coats: [...surface.coats, stray] }] };
    const [finding] = of(job, "unseen").filter(({ coatId }) => coatId === "stray");
    expect(finding!.sentence).toContain("Stray lines lays nothing");
    mends(job, finding!);
  });
});
