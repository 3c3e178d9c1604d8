import type { Coat, Job, Paint } from "../../src/core/job";
import { createFilmBuffer } from "../../src/core/techniques/technique";
import { layCoat } from "../../src/core/simulate/layCoat";
import type { LaidCoat } from "../../src/core/simulate/filmLayer";
import { buildSheet } from "../../src/core/surface/forms/sheet";
import { buildGrid } from "../../src/core/surface/grid";
import { techniqueIds, techniques, type TechniqueId } from "../../src/core/techniques";
import { paintIdOf } from "../../src/data/demo/shelf";
import { laidPng } from "./draw";

const [LENGTH, WIDTH] = [12, 8];

/** One piece with everything paint cares about: a fold, a sharp edge, three grooves, rivets, a dent. */
function testRelief(x: number, y: number): number {
  let height = 0.55 * Math.exp(-(((x - 2.2 - 0.12 * y) / 0.75) ** 2));
  if (x > 4.3 && x < 7.6) height += 0.28;
  for (const [at, deep] of [
    [4.95, 0.06],
    [5.9, 0.14],
    [6.85, 0.25],
  ] as const)
    height -= deep * Math.exp(-(((x - at) / 0.12) ** 2));
  for (const rivet of [1.4, 4, 6.6]) {
    const off = Math.hypot(x - 9, y - rivet);
    if (off < 0.5) height += 0.4 * Math.sqrt(1 - (off / 0.5) ** 2);
  }
  return height - 0.25 * Math.exp(-(((x - 10.8) ** 2 + (y - 4) ** 2) / 0.7));
}

const mix = (id: string, water: number, ...parts: [string, number][]) => ({
  id,
  name: id,
  water,
  goal: null,
  parts: parts.map(([name, count]) => ({ paintId: paintIdOf(name), parts: count })),
});
const MIXES = [
  mix("ground", 1, ["Moss", 2], ["Slate", 1]),
  mix("pale", 0.5, ["Straw", 2], ["Shell", 2]),
  mix("dark", 4, ["Clear Umber", 2], ["Silt Wash", 1]),
  mix("rust", 2, ["Rust Red", 1], ["Buoy Orange", 1]),
  mix("gloss", 0, ["Wharf Gloss", 1]),
  mix("mud", 0, ["Mud Paste", 1]),
];
const TONE: Partial<Record<TechniqueId, string>> = {
  wash: "dark",
  "pin-wash": "dark",
  glaze: "dark",
  streak: "rust",
  sponge: "rust",
  varnish: "gloss",
  "texture-paste": "mud",
  blotch: "rust",
};

/** Every technique that goes on an area, at its own settings, over one base coat on one test relief. */
export async function techniquePictures(
  blank: Job,
  paints: readonly Paint[],
  size: { width: number; height: number },
) {
  const form = buildSheet({ id: "panel", lengthMm: LENGTH, widthMm: WIDTH, relief: testRelief });
  const grid = buildGrid(form, 0.03);
  const insideSum = grid.inside.reduce((sum, share) => sum + share, 0);
  const job: Job = { ...blank, mixes: MIXES };
  const buffer = createFilmBuffer(grid.inside.length);
  const coat = (id: TechniqueId, mixId: string): Coat => ({
    id,
    name: id,
    technique: { id, version: 1, params: {} },
    mixId,
    water: techniques[id].startWater ?? 1,
    passes: id === "base-coat" ? 2 : 1,
    held: false,
    place: techniques[id].startPlace ?? { kind: "everywhere" },
    event: null,
    role: null,
    overSeams: false,
    seed: 21,
  });
  const lay = (one: Coat, below: readonly LaidCoat[]): LaidCoat => {
    const place = one.place.kind === "zones" ? { place: one.place } : {};
    const marks = { kind: "field" as const, hollowsOnly: one.place.kind === "hollows", ...place };
    const ground = { grid, films: below.map((laid) => laid.film), near: null };
    return { coat: one, film: layCoat(marks, one, job.hand, ground, buffer, insideSum) };
  };
  const base = lay(coat("base-coat", "ground"), []);
  const cells = [];
  for (const id of techniqueIds.filter((one) => techniques[one].lays.includes("field"))) {
    const coats = id === "base-coat" ? [base] : [base, lay(coat(id, TONE[id] ?? "pale"), [base])];
    const png = await laidPng(job, paints, { grid, coats, reduced: false }, size);
    cells.push({ name: techniques[id].label, png });
  }
  return cells;
}
