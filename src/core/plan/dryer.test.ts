import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { SOLIDS_SHARE } from "../colour/mix";
import { dryerAmong } from "./clocks";
import { dryerAt, dryingInRoom, type BlownAt, type DryerSays } from "./dryer";
import { dryingOf, USUAL_ROOM } from "./drying";
import type { Card } from "./cards";

const film = {
  dryUm: 18,
  water: 1,
  solids: SOLIDS_SHARE,
  binder: "water",
  mediumShare: 0,
  paste: false,
} as const;
const coat = (more: Partial<BlownAt> = {}, ofFilm: Partial<BlownAt["film"]> = {}): BlownAt => ({
  ...{ loose: false, settles: false, film: { ...film, ...ofFilm } },
  ...more,
});
const blowing = { ...USUAL_ROOM, airMps: 1.5 };
const forbidden = [
  coat({}, { paste: true, dryUm: 800, solids: 0.7 }),
  coat({}, { binder: "solvent" }),
  coat({}, { binder: "oil" }),
  coat({ loose: true }),
  coat({ settles: true }),
];

describe("a dryer", () => {
  it("takes minutes off thin water-based coats: each is touch dry in a few, and sooner than in the room", () => {
    fc.assert(
      fc.property(
        fc.double({ min: 2, max: 40, noNaN: true }),
        fc.double({ min: 0, max: 3, noNaN: true }),
        (dryUm, water) => {
          const one = coat({}, { dryUm, water });
          const says = dryerAt(one, 1);
          expect(says.kind).toBe("may");
          if (says.kind !== "may") return;
          expect(says.minutes).toBeGreaterThanOrEqual(0.5);
          expect(says.minutes).toBeLessThanOrEqual(Math.max(1, dryingOf(one.film, USUAL_ROOM).touchDry));
        },
      ),
    );
  });

  it("has no place at paste, solvents, oil, loose powder and what has to settle, and each is told why", () => {
    const why = forbidden.map((one) => {
      const says = dryerAt(one, 1);
      return says.kind === "no" ? says.why : "";
    });
    expect(new Set(why).size).toBe(forbidden.length);
    expect(why.every((words) => words.length > 10)).toBe(true);
  });

  it("does not hurry them in the plan either, where the painter's air comes from one", () => {
    for (const one of forbidden) expect(dryingInRoom(one, blowing)).toEqual(dryingOf(one.film, USUAL_ROOM));
    expect(dryingInRoom(coat(), blowing).touchDry).toBeLessThan(dryingOf(film, USUAL_ROOM).touchDry / 1.5);
    // A fan across the room is no dryer.
    const paste = forbidden[0]!;
    const fan = { ...USUAL_ROOM, airMps: 0.5 };
    expect(dryingInRoom(paste, fan)).toEqual(dryingOf(paste.film, fan));
  });

  it("is used near nothing that gives off vapour", () => {
    const clock = (dryer: DryerSays, state: "setting" | "dry through") => ({
      card: { dryer, title: "Varnish", surface: { name: "Lens" } } as Card,
      state,
    });
    const may = clock(dryerAt(coat(), 1), "setting");
    const vapour = dryerAt(coat({}, { binder: "solvent" }), 1);
    expect(dryerAmong(may, [may, clock(vapour, "dry through")]).kind).toBe("may");
    const near = dryerAmong(may, [may, clock(vapour, "setting")]);
    expect(near).toMatchObject({ kind: "no" });
    expect(near.kind === "no" && near.why).toContain("Varnish, Lens");
    const paste = clock(dryerAt(forbidden[0]!, 1), "setting");
    expect(dryerAmong(may, [may, paste]).kind).toBe("may");
  });
});
