import { describe, expect, it } from "vitest";
import { ferrySergeant } from "../../data/demo/ferrySergeant";
import { demoShelf, paintIdOf } from "../../data/demo/shelf";
import { opticsOfMix } from "../colour/appearance";
import { filmTable } from "../colour/film";
import type { Job } from "../job";
import { withTables } from "./lightTables";
import type { FilmPlanes } from "./planes";

const film: FilmPlanes = {
  level: new Uint8Array(4),
  cover: new Uint8Array(4),
  ...{ maxUm: 20, coveredShare: 0, meanUm: 0 },
};

describe("tables of light", () => {
  const job = ferrySergeant();
  const coat = job.surfaces[0]!.coats[0]!;
  const inMix = (paint: string): Job => ({
    ...job,
    mixes: job.mixes.map((mix) =>
      mix.id === coat.mixId ? { ...mix, parts: [{ paintId: paintIdOf(paint), parts: 1 }] } : mix,
    ),
  });
  const tableIn = (of: Job) => withTables([{ coat, film }], of, demoShelf)[0]!.table;
  const expected = (of: Job) =>
    filmTable(
      opticsOfMix(
        of.mixes.find(({ id }) => id === coat.mixId),
        demoShelf,
      ),
      film.maxUm,
    );

  it("are kept with their film, and made anew once its mix is another", () => {
    const brown = inMix("Fen Brown");
    const first = tableIn(brown);
    expect(first).toEqual(expected(brown));
    expect(tableIn({ ...brown, name: "renamed" })).toBe(first);
    const gloss = inMix("Wharf Gloss");
    expect(tableIn(gloss)).toEqual(expected(gloss));
    expect(tableIn(brown)).toEqual(expected(brown));
  });
});
