import type { Random } from "../../random";
import { smoothstep } from "../../units";
import type { Field } from "./field";
import { xOf, yOf, type Panel } from "../panel";
import type { Layer } from "./params";
import type { Seat, Shape } from "./shapes";
import { smoothNoise } from "./smooth";

/** How strongly a kind gathers in places, 0…1, and how wide those are, mm. */
const GATHERING = {
  patch: { strength: 0.45, mm: 5.5 },
  bar: { strength: 0, mm: 5.5 },
  dot: { strength: 0.8, mm: 1.7 },
  edge: { strength: 0, mm: 1 },
} as const;

const TRIES = 30;
const ROUNDS = 9;
/** Where it grows crowded, marks may come this much closer than asked for, each round. */
const LOOSER = 0.78;

/** Whether a place may hold a mark of this layer. */
export type Allowed = (at: number) => boolean;

/**
 * Seats for marks of one layer: thrown at random and kept apart by their sizes (variable-radius dart throwing; Mitchell
 * and others, "Variable Radii Poisson-Disk Sampling", 2012), thinned where the kind gathers elsewhere.
 */
export class Seats {
  private readonly shift: number;
  private loosened = 1;
  constructor(
    private readonly panel: Panel,
    private readonly layer: Layer,
    private readonly random: Random,
    private readonly allowed: Allowed,
  ) {
    this.shift = random.range(0, 60);
  }

  /** A seat for a mark that reaches so far; null where no room is left. */
  next(reachMm: number, taken: readonly Shape[], field: Field): Seat | null {
    const { panel, random } = this;
    for (let round = 0; round < ROUNDS; round++) {
      for (let tried = 0; tried < TRIES; tried++) {
        const at = panel.cells[Math.floor(random.next() * panel.cells.length)]!;
        const [x, y] = [
          xOf(panel, at) + (random.next() - 0.5) * panel.pitchMm,
          yOf(panel, at) + (random.next() - 0.5) * panel.pitchMm,
        ];
        if (!this.gathers(x, y, random.next()) || !this.allowed(at)) continue;
        const piece = panel.piece[at]!;
        if (this.free(x, y, piece, reachMm, taken, field.depthMm[at]!)) return { x, y, piece };
      }
      this.loosened *= LOOSER;
    }
    return null;
  }

  private gathers(x: number, y: number, chance: number): boolean {
    const { strength, mm } = GATHERING[this.layer.kind];
    const dense =
      1 - strength + 2 * strength * smoothstep(-0.45, 0.5, smoothNoise(x / mm + this.shift, y / mm));
    return chance * (1 + strength) < dense;
  }

  private free(
    x: number,
    y: number,
    piece: number,
    reachMm: number,
    taken: readonly Shape[],
    depth: number,
  ): boolean {
    const apart = (this.layer.apart / 100) * this.loosened;
    if (this.layer.kind === "bar") return depth < -apart * this.layer.sizeMm * 0.9;
    return taken.every(
      (one) => one.piece !== piece || Math.hypot(one.x - x, one.y - y) >= apart * (one.reachMm + reachMm),
    );
  }
}
