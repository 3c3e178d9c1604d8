import { mudDrake } from "../../data/demo/mudDrake";
import { describe, expect, it } from "vitest";
import { reedScout, wholeSergeant } from "../../data/demo/company";
import { demoShelf } from "../../data/demo/shelf";
import { seatAll, withSeat } from "../edits/seats";
import { changeFigure } from "../edits/figures";
import { onSeat, type Job, type Surface } from "../job";
import { buildForm } from "../surface/forms/buildForm";
import { inZones } from "../job";
import { placeShare } from "../plan/placeShare";
import type { PieceSkin } from "../piece/skin";
import { referenceCompositor } from "../simulate/compositor";
import { filmKey } from "../simulate/layCoat";
import { Simulator } from "../simulate/simulator";
import { bodyUse } from "./bodies";
import { drawFigure, type FigureView } from "./figureStill";
import { lampInRoom, lightOf } from "./light";
import { withPairs } from "./pairs";
import { standingFigure } from "./standingFigure";

const job = wholeSergeant();
const figure = job.figures[0]!;
const surfaceOf = (of: Job, id: string): Surface => of.surfaces.find((one) => one.id === id)!;

const VIEW: FigureView = { turnDeg: 0, tiltDeg: 12, pxPerMm: 200, mostPx: 240, viewMm: null };

async function skinsOf(of: Job): Promise<Map<string, PieceSkin>> {
  const sim = new Simulator(referenceCompositor);
  const skins = new Map<string, PieceSkin>();
  for (const { id } of withPairs(of).surfaces) {
    const request = { job: of, paints: demoShelf, surfaceId: id, upTo: 0, lit: true, mostCells: 10_000 };
    const laid = await sim.lay({ ...request, job: bare(of) }, false, () => Promise.resolve(true));
    skins.set(id, sim.skin({ ...request, job: bare(of) }, laid!));
  }
  return skins;
}

/** The job with nothing painted: pictures of how pieces stand need no paint. */
const bare = (of: Job): Job => ({
  ...of,
  surfaces: of.surfaces.map((surface) => ({ ...surface, coats: [], pattern: null })),
});

/** Mean brightness of a surface in a picture. */
function meanOf(still: ReturnType<typeof drawFigure>, id: string): number {
  const number = still.surfaceIds.indexOf(id) + 1;
  let [sum, count] = [0, 0];
  still.owners.forEach((owner, at) => {
    if (owner !== number) return;
    sum += still.picture.rgba[at * 4 + 1]!;
    count++;
  });
  return sum / count;
}

describe("a figure with its pieces", () => {
  it("shows every piece from one side or another, its own colour and the body's beside it", async () => {
    const skins = await skinsOf(job);
    const standing = standingFigure(job, figure)!;
    const seen = new Set<string>();
    for (const turnDeg of [0, 90, 180, 270]) {
      const still = drawFigure(standing, figure, skins, { ...VIEW, turnDeg });
      expect(Math.max(still.picture.width, still.picture.height)).toBeLessThanOrEqual(240);
      expect(still.owners).toHaveLength(still.picture.width * still.picture.height);
      still.owners.forEach((owner) => {
        if (owner > 0) seen.add(still.surfaceIds[owner - 1]!);
      });
      // Where nothing is, nothing is owned.
      expect(still.owners.some((owner, at) => owner !== 0 && still.picture.rgba[at * 4 + 3] === 0)).toBe(
        false,
      );
    }
    expect([...seen].sort()).toEqual(job.surfaces.map(({ id }) => id).sort());
  });

  it("is lit by one lamp: turned round the figure, it lights other pieces", async () => {
    const gloves = job.surfaces.find(({ id }) => id === "gloves")!;
    const single = withSeat(job, "gloves", { ...gloves.seat!, both: false });
    const skins = await skinsOf(single);
    const from = (fromDeg: number) => {
      const turned = changeFigure(single, figure.id, { lamp: { fromDeg, heightDeg: 20 } });
      return drawFigure(standingFigure(turned, figure)!, turned.figures[0]!, skins, VIEW);
    };
    const [right, left] = [from(0), from(180)];
    expect(meanOf(left, "gloves")).toBeGreaterThan(1.05 * meanOf(right, "gloves"));
    expect(meanOf(right, "satchel")).toBeGreaterThan(1.05 * meanOf(left, "satchel"));
  });

  it("has no stand without a body, and leaves out what lies aside or cannot be built", () => {
    expect(standingFigure(job, { ...figure, body: null })).toBeNull();
    const aside = withSeat(job, "satchel", null);
    expect(standingFigure(aside, figure)!.pieces.map(({ surface }) => surface.id)).not.toContain("satchel");
    const broken = {
      ...job,
      surfaces: job.surfaces.map((one) =>
        // Fingers of 2.5 mm have no room for knuckles of 2.
        one.id === "gloves"
          ? { ...one, form: { ...one.form, params: { ...one.form.params, knuckleMm: 2 } } }
          : one,
      ),
    };
    expect(standingFigure(broken, figure)!.pieces.map(({ surface }) => surface.id)).not.toContain("gloves");
  });

  it("keeps its body inside what it wears", () => {
    const standing = standingFigure(job, figure)!;
    const waist = standing.pieces.find(({ surface }) => surface.id === "coat-skirt")!;
    const { points } = waist.mesh;
    let nearest = Infinity;
    for (let at = 0; at < points.length; at += 3)
      nearest = Math.min(nearest, Math.hypot(points[at]!, points[at + 2]!));
    const [low, high] = [waist.mesh.points[1]!, waist.seating([0, 10, 0])[1]];
    const middle = (low + high) / 2;
    for (const { points: own, columns } of standing.body)
      for (let at = 0; at < own.length; at += 3) {
        const level = Math.abs(own[at + 1]! - middle) < 1;
        const near = Math.hypot(own[at]!, own[at + 2]!) < nearest * 1.3;
        // Arms hang beside the skirt: what is about its axis is what wears it.
        if (level && near && columns > 0)
          expect(Math.hypot(own[at]!, own[at + 2]!)).toBeLessThan(nearest * 1.3);
      }
  });

  it("holds the arms inside a cloak that has no room for them", () => {
    const scout = reedScout();
    const cloaked = standingFigure(scout, scout.figures[0]!)!;
    const without = withSeat(scout, "cloak", null);
    const open = standingFigure(without, without.figures[0]!)!;
    expect(cloaked.body.length).toBeLessThan(open.body.length);
  });
});

describe("light on a figure's pieces", () => {
  it("is the lamp's alone for what lies aside", () => {
    const aside = withSeat(job, "satchel", null);
    expect(lightOf(aside, surfaceOf(aside, "satchel")).room()).toBeNull();
    const bodiless = changeFigure(job, figure.id, { body: null });
    expect(lightOf(bodiless, surfaceOf(bodiless, "satchel")).room()).toBeNull();
  });

  it("lays anew what follows it when the lamp is turned, and nothing else", () => {
    const satchel = surfaceOf(job, "satchel");
    const [first, second, third] = satchel.coats;
    const coats = [
      { ...first!, place: { kind: "everywhere" } as const },
      { ...second!, place: inZones(["lit"], 0.2) },
      { ...third!, place: inZones([], 0, { values: { from: 0.6, to: 1, fade: 0.1 } }) },
      { ...first!, technique: { id: "airbrush", version: 1, params: {} }, place: inZones(["raised"], 0) },
    ];
    const turned = changeFigure(job, figure.id, { lamp: { fromDeg: 20, heightDeg: 30 } });
    const same = coats.map(
      (coat) => filmKey(job, satchel, coat, 0.1) === filmKey(turned, surfaceOf(turned, "satchel"), coat, 0.1),
    );
    expect(same).toEqual([true, false, false, false]);
    // What a piece is made of moves the steps of its value plan, and only what keeps to them.
    const woolen = { ...satchel, volumes: { ...satchel.volumes, material: "wool" as const } };
    const kept = coats.map((coat) => filmKey(job, satchel, coat, 0.1) === filmKey(job, woolen, coat, 0.1));
    expect(kept).toEqual([true, true, false, true]);
  });

  it("falls on paste as on bare ground: what is painted on it follows a turned lamp", async () => {
    const satchel = surfaceOf(job, "satchel");
    const [base] = satchel.coats;
    const coats = [
      { ...base!, id: "paste", technique: { id: "texture-paste", version: 1, params: {} } },
      { ...base!, id: "lights", place: inZones(["lit"], 0) },
    ];
    const onPaste: Job = {
      ...job,
      surfaces: job.surfaces.map((one) => (one === satchel ? { ...one, coats } : one)),
    };
    const turned = changeFigure(onPaste, figure.id, { lamp: { fromDeg: 20, heightDeg: 30 } });
    const lights = async (sim: Simulator, of: Job) => {
      const request = {
        job: of,
        paints: demoShelf,
        surfaceId: "satchel",
        upTo: null,
        lit: false,
        mostCells: 10_000,
      };
      const laid = await sim.lay(request, false, () => Promise.resolve(true));
      return laid!.coats[1]!.film.level;
    };
    const sim = new Simulator(referenceCompositor);
    const before = await lights(sim, onPaste);
    const after = await lights(sim, turned);
    expect(after).toEqual(await lights(new Simulator(referenceCompositor), turned));
    expect(after).not.toEqual(before);
  });

  it("comes to each piece from where the lamp stands as the piece is seated", () => {
    const [x, y, z] = lampInRoom(figure);
    const own = lightOf(job, surfaceOf(job, "coat-skirt")).room()!.lampInForm;
    // The skirt stands upright and ahead, but for the wearer's slight stoop.
    expect(own[0]).toBeCloseTo(x, 1);
    expect(own[1]).toBeCloseTo(y, 1);
    expect(own[2]).toBeCloseTo(z, 1);
    const turned = withSeat(job, "coat-skirt", { ...onSeat("waist"), turnDeg: 180 });
    const behind = lightOf(turned, surfaceOf(turned, "coat-skirt")).room()!.lampInForm;
    expect(behind[0]).toBeCloseTo(-own[0], 1);
    expect(behind[2]).toBeCloseTo(-own[2], 1);
  });

  it("tells each piece where its figure looks, which turns with the body and against a piece's own turn", () => {
    const aheadOn = (of: Job, id: string) => lightOf(of, surfaceOf(of, id)).room()!.aheadInForm;
    const own = aheadOn(job, "coat-skirt");
    expect(own[2]).toBeGreaterThan(0.9);
    const turned = withSeat(job, "coat-skirt", { ...onSeat("waist"), turnDeg: 180 });
    expect(aheadOn(turned, "coat-skirt")[2]).toBeLessThan(-0.9);
    const [before, after] = [0, 90].map((turnDeg) => {
      const drake = mudDrake();
      const body = drake.figures[0]!.body!;
      const figures = [{ ...drake.figures[0]!, body: { ...body, params: { ...body.params, turnDeg } } }];
      return aheadOn({ ...drake, figures }, "head");
    });
    after!.forEach((part, axis) => expect(part).toBeCloseTo(before![axis]!, 6));
  });

  it.each<[string, (of: Job) => Job]>([
    ["lamp", (of) => changeFigure(of, figure.id, { lamp: { fromDeg: 20, heightDeg: 30 } })],
    [
      "pose",
      (of) =>
        changeFigure(of, figure.id, {
          body: { ...figure.body!, params: { ...figure.body!.params, stoopDeg: 50 } },
        }),
    ],
    ["seat", (of) => withSeat(of, "satchel", onSeat("right-hip"))],
    [
      "body",
      (of) => seatAll(changeFigure(of, figure.id, { body: bodyUse("person-kneeling", figure) }), figure.id),
    ],
  ])("changes with the %s, and where a coat goes with it", (_, change) => {
    const share = (of: Job) => {
      const surface = surfaceOf(of, "satchel");
      const coat = { ...surface.coats[0]!, place: inZones(["lit"], 0) };
      return placeShare(of, surface, buildForm(surface), coat);
    };
    const changed = change(job);
    expect(lightOf(changed, surfaceOf(changed, "satchel")).key).not.toBe(
      lightOf(job, surfaceOf(job, "satchel")).key,
    );
    expect(Math.abs(share(changed) - share(job))).toBeGreaterThan(0.002);
  });

  it("lays anew only the coats whose places follow it", () => {
    const moved = withSeat(job, "satchel", onSeat("right-hip"));
    const keys = (of: Job) => {
      const surface = surfaceOf(of, "satchel");
      const everywhere = { ...surface.coats[0]!, place: { kind: "everywhere" } as const };
      const inLight = { ...surface.coats[0]!, place: inZones(["lit"], 0) };
      return [everywhere, inLight].map((coat) => filmKey(of, surface, coat, 0.1));
    };
    const [before, after] = [keys(job), keys(moved)];
    expect(after[0]).toBe(before[0]);
    expect(after[1]).not.toBe(before[1]);
  });
});

describe("seating all", () => {
  it("leaves those that sit where they sit and finds another seat for those that cannot", () => {
    const machine = changeFigure(job, figure.id, { body: bodyUse("machine", figure) });
    const seated = seatAll(machine, figure.id);
    const body = standingFigure(seated, seated.figures[0]!)!;
    expect(body.pieces).toHaveLength(job.surfaces.length);
    expect(seatAll(job, figure.id)).toEqual(job);
  });
});
