import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { onSeat, type SeatId, type SeatUse, type Surface } from "../job";
import { newFigure, newPlainSurface } from "../newJob";
import { formIds, forms, type FormId } from "../surface/forms";
import { buildForm } from "../surface/forms/buildForm";
import type { SpacePoint } from "../surface/forms/form";
import { add, lengthOf, minus } from "../surface/vector";
import { bodyOf } from "./bodies";
import { offerSeat } from "./offer";
import { seatedAt, seatingOf, type Seating } from "./seated";

const figure = newFigure("figure-1", "Figure");
const body = bodyOf(figure)!;

const pieceOn = (form: FormId, seat: SeatUse): Surface => ({
  ...newPlainSurface("piece", "Piece", form, [], figure.id),
  seat,
});

function seatingFor(surface: Surface): Seating {
  const seated = seatedAt(figure, surface)!;
  return seatingOf(buildForm(surface), seated, { outMm: seated.seat.outMm, tiltDeg: 0 });
}

const anySeat = fc.record({
  id: fc.constantFrom(...body.seats.map(({ id }) => id)),
  turnDeg: fc.double({ min: -180, max: 180, noNaN: true }),
  tiltDeg: fc.double({ min: -180, max: 180, noNaN: true }),
  leanDeg: fc.double({ min: -180, max: 180, noNaN: true }),
  asideMm: fc.double({ min: -20, max: 20, noNaN: true }),
  upMm: fc.double({ min: -20, max: 20, noNaN: true }),
  outMm: fc.double({ min: -20, max: 20, noNaN: true }),
  both: fc.boolean(),
});
const share = () => fc.double({ min: 0.01, max: 0.99, noNaN: true });

/** The middle of a closed form's ring at a share of its height, in the room. */
function ringMiddle(surface: Surface, at: number): SpacePoint {
  const form = buildForm(surface);
  const seating = seatingFor(surface);
  let sum: SpacePoint = [0, 0, 0];
  for (let step = 0; step < 72; step++) {
    const place = { turnDeg: (step / 72) * form.turnDeg, heightMm: at * form.slantMm };
    sum = add(sum, seating(form.inSpace(place)), 1 / 72);
  }
  return sum;
}

describe("a seated piece", () => {
  it.each(formIds.filter((id) => forms[id].worn.how !== "bent"))(
    "%s keeps its shape on every seat, however it is turned and moved",
    (id) => {
      fc.assert(
        fc.property(anySeat, share(), share(), share(), share(), (seat, a, b, c, d) => {
          const surface = pieceOn(id, seat);
          const form = buildForm(surface);
          const seating = seatingFor(surface);
          const at = (turn: number, up: number) =>
            form.inSpace({ turnDeg: turn * form.turnDeg, heightMm: up * form.slantMm });
          const [one, other] = [at(a, b), at(c, d)];
          const before = lengthOf(minus(one, other));
          expect(lengthOf(minus(seating(one), seating(other)))).toBeCloseTo(before, 6);
        }),
        { numRuns: 30 },
      );
    },
  );

  it("hangs by its top from the middle of its seat", () => {
    const waist = body.seats.find(({ id }) => id === "waist")!;
    const skirt = pieceOn("cone-band", onSeat("waist"));
    expect(lengthOf(minus(ringMiddle(skirt, 0.9999), waist.at.origin))).toBeLessThan(0.05);
    // Its hem hangs below.
    expect(ringMiddle(skirt, 0.0001)[1]).toBeLessThan(waist.at.origin[1] - 5);
  });

  it.each<[SeatId]>([["left-arm"], ["right-arm"], ["left-leg"], ["right-leg"]])(
    "a sleeve runs along the %s from joint to end",
    (id) => {
      const seat = body.seats.find((one) => one.id === id)!;
      const sleeve = pieceOn("sleeve", onSeat(id));
      const [top, hem] = [ringMiddle(sleeve, 0.9999), ringMiddle(sleeve, 0.0001)];
      const along = minus(top, hem);
      const cosine =
        (along[0] * seat.at.up[0] + along[1] * seat.at.up[1] + along[2] * seat.at.up[2]) / lengthOf(along);
      expect(cosine).toBeGreaterThan(0.999);
    },
  );

  it("is moved by what it is told: up, aside, outwards, turned round", () => {
    const at = (change: Partial<SeatUse>) =>
      ringMiddle(pieceOn("cone-band", { ...onSeat("waist"), ...change }), 0.5);
    const still = at({});
    expect(minus(at({ upMm: 3 }), still)[1]).toBeCloseTo(3, 1);
    expect(minus(at({ asideMm: 3 }), still)[0]).toBeCloseTo(3, 1);
    expect(minus(at({ outMm: 3 }), still)[2]).toBeCloseTo(3, 1);
    // Turned by half it stays round its axis.
    expect(lengthOf(minus(at({ turnDeg: 180 }), still))).toBeLessThan(0.05);
  });

  it("a strap is bent round its seat and keeps its length", () => {
    const surface = pieceOn("strap", onSeat("chest"));
    const form = buildForm(surface);
    const seating = seatingFor(surface);
    const at = (share: number) =>
      seating(form.inSpace({ turnDeg: share * form.turnDeg, heightMm: form.slantMm / 2 }));
    let length = 0;
    for (let step = 0; step < 200; step++) length += lengthOf(minus(at((step + 1) / 200), at(step / 200)));
    // Its relief is bent with it: what stands out is a little longer.
    expect(length / form.lengthAt(0)).toBeGreaterThan(0.98);
    expect(length / form.lengthAt(0)).toBeLessThan(1.15);
    expect(lengthOf(minus(at(0.999), at(0.001)))).toBeLessThan(0.75 * form.lengthAt(0));
  });

  it("lies aside where the body has no such seat, or the figure no body", () => {
    expect(seatedAt(figure, pieceOn("panel", onSeat("roof")))).toBeNull();
    expect(seatedAt({ ...figure, body: null }, pieceOn("cone-band", onSeat("waist")))).toBeNull();
  });
});

describe("the seat that is offered", () => {
  const offered = (name: string, form: FormId, taken: readonly SeatId[] = []) =>
    offerSeat(body, { name, form: { id: form, version: 1, params: {} } }, taken)?.id;

  it.each<[string, FormId, SeatId]>([
    ["Coat skirt", "cone-band", "waist"],
    ["Hood", "hood", "head"],
    ["Marsh cloak", "cloak", "shoulders"],
    ["Velvet collar", "limb", "neck"],
    ["Trouser leg", "sleeve", "left-leg"],
    ["Right sleeve", "sleeve", "right-arm"],
    ["Left glove", "glove", "left-hand"],
    ["Satchel", "bag", "left-hip"],
    ["Shoulder strap", "strap", "chest"],
    ["Mudflat base", "base", "base"],
    ["Thing without a name that helps", "bag", "left-hip"],
  ])("for “%s”, a %s, is the %s", (name, form, seat) => {
    expect(offered(name, form)).toBe(seat);
  });

  it("is the other one of a pair where one is taken", () => {
    expect(offered("Trouser leg", "sleeve", ["left-leg"])).toBe("right-leg");
    expect(offered("Glove", "glove", ["right-hand"])).toBe("left-hand");
  });

  it("is one that the body has, for every form", () => {
    for (const id of formIds) {
      const seat = offered("Piece", id);
      expect(body.seats.some((one) => one.id === seat)).toBe(true);
    }
  });

  it("lets a strap over the shoulder run aslant", () => {
    const piece = { name: "Shoulder strap", form: { id: "strap", version: 1, params: {} } };
    expect(offerSeat(body, piece)!.leanDeg).not.toBe(0);
  });
});
