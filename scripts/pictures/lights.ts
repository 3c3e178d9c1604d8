import { USUAL_TOLD } from "../../src/core/ageing/told";
import { newLight, withLight } from "../../src/core/edits/paintedLights";
import type { Job, Paint, PaintedLight } from "../../src/core/job";
import { newPlainSurface } from "../../src/core/newJob";
import { layGlow, planGlow } from "../../src/core/schemes/glow";
import { layHistory, planHistory } from "../../src/core/schemes/history";
import { schemes } from "../../src/core/schemes";
import { planStart, startSurface } from "../../src/core/schemes/start";
import { surfacePng } from "./draw";

const IN_RING = { along: 0.75, up: 0.25, widthMm: 3.2, outMm: 1.4, reachMm: 3.4 } as const;

const list: readonly (readonly [name: string, lights: readonly Partial<PaintedLight>[]])[] = [
  ["Lamp, strong, its ground darkened", [{ ...IN_RING, strength: "strong", ground: "darkened" }]],
  ["The same on its ground as it is, which is too bright", [{ ...IN_RING, strength: "strong" }]],
  ["Lens, its glow faint", [{ ...IN_RING, glass: "lens", strength: "faint", colour: "#3fa04a" }]],
  [
    "Screen: its glow, what it shows, what is mirrored in it",
    [
      {
        ...{ along: 0.74, up: 0.73, widthMm: 6.4, outMm: 1.5, reachMm: 4, glass: "screen" },
        ...{ sheds: "front", colour: "#3fd06a", ground: "darkened" },
      },
    ],
  ],
  ["Lens that mirrors land and sky", [{ ...IN_RING, glass: "lens", colour: "#2c6ad0" }]],
  [
    "Two lights of two colours",
    [
      { ...IN_RING, strength: "strong", ground: "darkened" },
      {
        ...{ along: 0.2, up: 0.8, widthMm: 1, outMm: 2, reachMm: 4, glass: "none", strength: "strong" },
        ...{ colour: "#4a9ad8", ground: "darkened" },
      },
    ],
  ],
];

/** A housing with lights painted on it. */
export async function lightPictures(
  blank: Job,
  paints: readonly Paint[],
  size: { readonly width: number; readonly height: number },
): Promise<{ name: string; png: Buffer }[]> {
  const plain = { ...newPlainSurface("piece", "Housing", "plate", []), coats: [] };
  const figures = blank.figures.map((figure) => ({ ...figure, standard: "display" as const }));
  const bare: Job = { ...blank, figures, mixes: [], surfaces: [plain] };
  const scheme = schemes["metal-sponged"];
  const answers = { age: "new", look: "plain", colour: scheme.startColour } as const;
  const made = startSurface(bare, "piece", planStart(bare, plain, scheme, answers, paints));
  const told = { ...USUAL_TOLD, made: "long", weather: "sea" } as const;
  const old = layHistory(made, "piece", planHistory(made, "piece", told, paints));
  const cells = [];
  for (const [name, lights] of list) {
    const job = lights.reduce((current: Job, light) => {
      const own = { ...newLight(current, current.surfaces[0]!, "Light"), ...light };
      const lit = withLight(current, current.figures[0]!.id, own);
      return layGlow(lit, planGlow(lit, own.id, paints));
    }, old);
    cells.push({ name, png: await surfacePng(job, paints, "piece", size) });
  }
  return cells;
}
