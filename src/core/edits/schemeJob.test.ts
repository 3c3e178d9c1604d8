import { describe, expect, it } from "vitest";
import { wholeSergeant } from "../../data/demo/company";
import { demoShelf } from "../../data/demo/shelf";
import { tideHound } from "../../data/demo/tideHound";
import { parseJob } from "../formats/job-json/jobSchema";
import { figureOf } from "../job";
import { defaultPainter } from "../painter";
import { schemeOf } from "./ownSchemes";
import { jobOfSchemes } from "./schemeJob";

const AGAIN = { id: "again", name: "Again", painter: defaultPainter };

describe("a job that begins with schemes", () => {
  it("has the pieces they were kept from, painted so, on a figure of the first one's sizes", () => {
    for (const source of [wholeSergeant(), tideHound()]) {
      const schemes = source.surfaces.map((surface) =>
        schemeOf(source, surface, { id: surface.id, name: surface.name, at: "2026-05-01T09:30:00Z" }),
      );
      const job = jobOfSchemes(schemes, AGAIN, demoShelf);
      expect(parseJob(job)).toEqual(job);
      expect(job.surfaces.map(({ name }) => name)).toEqual(source.surfaces.map(({ name }) => name));
      expect(new Set(job.surfaces.map(({ id }) => id)).size).toBe(job.surfaces.length);
      job.surfaces.forEach((surface, at) => {
        const was = source.surfaces[at]!;
        expect(surface.form).toEqual(was.form);
        expect(surface.hide).toEqual(was.hide);
        expect(surface.coats.map(({ name, technique }) => [name, technique.id])).toEqual(
          was.coats.map(({ name, technique }) => [name, technique.id]),
        );
      });
      const { eyeHeightMm, primer } = figureOf(source, source.surfaces[0]);
      expect(job.figures[0]).toMatchObject({ eyeHeightMm, primer, body: null });
    }
  });

  it("paints a scheme that does not tell its piece on a plain one", () => {
    const sergeant = wholeSergeant();
    const scheme = schemeOf(sergeant, sergeant.surfaces[1]!, {
      id: "a",
      name: "A",
      at: "2026-05-01T09:30:00Z",
    });
    const job = jobOfSchemes([{ ...scheme, piece: null, from: null }], AGAIN, demoShelf);
    expect(parseJob(job)).toEqual(job);
    expect(job.surfaces[0]!.coats).toHaveLength(scheme.coats.length);
  });
});
