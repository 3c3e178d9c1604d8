import { fieldsOf } from "../surface/fields";
import { readdirSync } from "node:fs";
import path from "node:path";
import { describe, expect, it } from "vitest";
import { ferrySergeant } from "../../data/demo/ferrySergeant";
import type { Hand } from "../job";
import { completeParams } from "../params";
import { settMarks } from "../patterns/sett/marks";
import { settLayout } from "../patterns/sett/testing";
import { createRandom } from "../random";
import { sameBytes } from "../simulate/testing";
import { createFilmBuffer } from "./technique";
import { withHide } from "../hides/withHide";
import { forms } from "../surface/forms";
import { buildGrid, inLight, type SurfaceGrid } from "../surface/grid";
import { asideUnder } from "../surface/roomLight";
import { techniqueIds, techniques, type TechniqueId } from ".";
import type { FilmBuffer, Marks } from "./technique";
import { onGround } from "./testing";

const job = ferrySergeant();
const surface = job.surfaces[0]!;
const layout = settLayout(job, surface);
const { form } = layout;
const grid = buildGrid(form, 0.1);
const NOTHING_GROWS = { key: "", field: () => null };
/** A short creased sleeve with a seam: every technique by area is tried on it. */
const sleeve = buildGrid(forms.limb.build({ roundMm: 10, lengthMm: 6, creases: 3, creaseMm: 0.3 }, 4), 0.08);
/** The same in scales, for techniques whose marks belong to them. */
const scaled = withHide(sleeve, { hide: { id: "scales", version: 1, params: {} }, seed: 4 }, NOTHING_GROWS);
function gridFor(id: TechniqueId): SurfaceGrid {
  if (techniques[id].onThings) return scaled;
  return techniques[id].lays.includes("field") ? sleeve : grid;
}
const hand: Hand = { finestLineMm: 0.12, steadiness01: 0.6 };

const EVERYWHERE: Marks = { kind: "field", hollowsOnly: false };

/** Where each technique is tried: the first place it is offered for, or marks of the demo's cloth. */
function marksFor(id: TechniqueId, on: SurfaceGrid): Marks {
  if (id === "fill") return settMarks(layout, "boxes:D:D", () => on);
  if (id === "line") return settMarks(layout, "lines:R", () => on);
  if (id === "dot") return settMarks(layout, "dots:R", () => on);
  const place = techniques[id].startPlace;
  if (place?.kind === "zones") return { kind: "field", hollowsOnly: false, place };
  return place?.kind === "hollows" ? { kind: "field", hollowsOnly: true } : EVERYWHERE;
}

function lay(
  id: TechniqueId,
  params: Record<string, number> = {},
  seed = 5,
  more: { water?: number; passes?: number; hand?: Hand; on?: SurfaceGrid; marks?: Marks } = {},
) {
  const on = more.on ?? gridFor(id);
  const film = createFilmBuffer(on.inside.length);
  const technique = techniques[id];
  const context = onGround({
    grid: on,
    marks: more.marks ?? marksFor(id, on),
    passUm: 9,
    passes: more.passes ?? 1,
    water: more.water ?? techniques[id].startWater ?? 1,
    hand: more.hand ?? hand,
  });
  technique.lay(film, context, completeParams(technique.params, params), createRandom(seed));
  return film;
}

const sameFilm = (a: FilmBuffer, b: FilmBuffer): boolean =>
  sameBytes(a.volumeUm, b.volumeUm) && sameBytes(a.cover, b.cover);

const volume = (film: { volumeUm: Float32Array }) => film.volumeUm.reduce((a, b) => a + b, 0);

describe("the registry of techniques", () => {
  it("has every folder, and nothing else", () => {
    const folders = readdirSync(path.resolve("src/core/techniques"), { withFileTypes: true })
      .filter((entry) => entry.isDirectory())
      .map((entry) => entry.name)
      .sort();
    expect([...techniqueIds].sort()).toEqual(folders);
  });
});

describe.each(techniqueIds)("%s", (id) => {
  const technique = techniques[id];

  it("names its controls with unit, range, default and what they change", () => {
    expect(technique.id).toBe(id);
    for (const spec of Object.values(technique.params)) {
      expect(spec.range[0]).toBeLessThan(spec.range[1]);
      expect(spec.default).toBeGreaterThanOrEqual(spec.range[0]);
      expect(spec.default).toBeLessThanOrEqual(spec.range[1]);
      expect(spec.step).toBeGreaterThan(0);
      expect(spec.label.length).toBeGreaterThan(3);
      expect(spec.about.length).toBeGreaterThan(10);
      expect(spec.unit).toMatch(/^(%|mm|µm|°|per mm²|)$/);
    }
  });

  it("lays the same film for the same seed and another for another", () => {
    const first = lay(id);
    expect(sameFilm(first, lay(id))).toBe(true);
    expect(sameFilm(first, lay(id, {}, 6))).toBe(false);
  });

  it("stays finite, not negative and on the panel at extreme settings", () => {
    for (const end of [0, 1] as const) {
      const params = Object.fromEntries(
        Object.entries(technique.params).map(([name, spec]) => [name, spec.range[end]]),
      );
      for (const water of [0, 20]) {
        const film = lay(id, params, 3, {
          water,
          passes: 12,
          hand: { finestLineMm: 0.03, steadiness01: end },
        });
        let wrong = 0;
        for (let at = 0; at < film.cover.length; at++) {
          const [um, cover] = [film.volumeUm[at]!, film.cover[at]!];
          if (
            !Number.isFinite(um) ||
            !Number.isFinite(cover) ||
            um < 0 ||
            cover < 0 ||
            cover > 1 ||
            (cover > 0 && gridFor(id).inside[at] === 0)
          )
            wrong++;
        }
        expect(wrong).toBe(0);
      }
    }
  });

  it("lies elsewhere under another lamp only where it says so", () => {
    if (!technique.lays.includes("field")) {
      expect(technique.followsLamp).toBeUndefined();
      return;
    }
    const under = (fromDeg: number) =>
      lay(id, {}, 5, {
        marks: EVERYWHERE,
        on: inLight(technique.onThings ? scaled : sleeve, asideUnder({ fromDeg, heightDeg: 40 })),
      });
    expect(!sameFilm(under(30), under(200))).toBe(technique.followsLamp ?? false);
  });

  // Marks are set by chance: three sets of them hold three times as much only on average.
  it("lays more paint in more passes", () => {
    const ratio = volume(lay(id, {}, 5, { passes: 3 })) / volume(lay(id));
    expect(ratio).toBeGreaterThan(2.3);
    expect(ratio).toBeLessThan(3.7);
  });

  it("changes the film with each of its controls", () => {
    const usual = lay(id);
    for (const [name, spec] of Object.entries(technique.params)) {
      const other = spec.default === spec.range[1] ? spec.range[0] : spec.range[1];
      expect(sameFilm(lay(id, { [name]: other }), usual), name).toBe(false);
    }
  });
});

describe("where paint ends up", () => {
  it("a base coat averages the film asked for over the whole panel", () => {
    const film = lay("base-coat", { unevenness: 18 }, 5, { on: grid });
    const cells = grid.inside.reduce((sum, share) => sum + share, 0);
    expect(volume(film) / cells).toBeGreaterThan(9);
    expect(volume(film) / cells).toBeLessThan(10.5);
  });

  it("a glaze lies in the folds: more there than on the ridges", () => {
    const film = lay("glaze", {}, 5, { on: grid });
    let [low, lowCount, high, highCount] = [0, 0, 0, 0];
    for (let at = 0; at < film.cover.length; at++) {
      if (grid.inside[at]! < 1) continue;
      if (fieldsOf(grid).low[at]! > 0.5) [low, lowCount] = [low + film.volumeUm[at]!, lowCount + 1];
      else if (fieldsOf(grid).low[at] === 0) [high, highCount] = [high + film.volumeUm[at]!, highCount + 1];
    }
    expect(low / lowCount).toBeGreaterThan(3 * (high / highCount));
  });

  it("boxes cover the share of the cloth that the count gives them", () => {
    const covered = lay("fill").cover.reduce((a, b) => a + b, 0) / grid.inside.reduce((a, b) => a + b, 0);
    const columnShare = layout.columns.boxes
      .filter((box) => box.code === "D")
      .reduce((sum, box) => sum + box.to - box.from, 0);
    expect(columnShare).toBeCloseTo(26 / 46, 2);
    // Rows cut by hem and waist shift the share of this band a little from the square of the column share.
    expect(covered).toBeGreaterThan(columnShare * columnShare * 0.85);
    expect(covered).toBeLessThan(columnShare * columnShare * 1.25);
  });

  it("a shaky hand strays farther from a line than a steady one", () => {
    const wide = { pull: 25 };
    const spread = (steadiness01: number) => {
      const film = lay("line", wide, 5, { hand: { finestLineMm: 0.12, steadiness01 } });
      let off = 0;
      film.cover.forEach((cover, at) => {
        if (cover === 0) return;
        const turn = grid.turnDeg[at]! / form.turnDeg;
        const columnMm =
          Math.abs(((turn * 10 - 1 / 46 + 0.5) % 1) - 0.5) * (form.lengthAt(grid.heightMm[at]!) / 10);
        const row = (grid.heightMm[at]! - 1.2) / layout.rows.periodMm - 1 / 46;
        const rowMm = Math.abs(row - Math.round(row)) * layout.rows.periodMm;
        off = Math.max(off, Math.min(columnMm, rowMm));
      });
      return off;
    };
    expect(spread(0)).toBeGreaterThan(spread(1));
    expect(spread(1)).toBeLessThan(0.35);
  });

  it("a line is as wide as asked, a thinned one softer", () => {
    const area = (width: number) =>
      lay("line", { width }, 5, { hand: { finestLineMm: 0.12, steadiness01: 1 } }).cover.reduce(
        (a, b) => a + b,
        0,
      );
    expect(area(200) / area(100)).toBeGreaterThan(1.8);
    expect(area(200) / area(100)).toBeLessThan(2.15);
    // Softness is a matter of hundredths of a millimetre: a finer grid shows it.
    const close = buildGrid(form, 0.04);
    const rim = (water: number) =>
      lay("line", {}, 5, { water, on: close }).cover.filter((cover) => cover > 0.02 && cover < 0.98).length;
    expect(rim(6)).toBeGreaterThan(rim(0));
  });
});
