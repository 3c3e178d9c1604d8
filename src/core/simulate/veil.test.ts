import { describe, expect, it } from "vitest";
import { ferrySergeant } from "../../data/demo/ferrySergeant";
import { demoShelf } from "../../data/demo/shelf";
import { inZones } from "../job";
import { zoneWeights } from "../surface/zones";
import { startKernel } from "./compositor";
import { Simulator, type SpecimenRequest } from "./simulator";
import { sameBytes } from "./testing";
import { goesOn, layVeil } from "./veil";

const job = ferrySergeant();
const skirt = job.surfaces[0]!;
const request: SpecimenRequest = {
  ...{ job, paints: demoShelf, surfaceId: skirt.id, upTo: null, lit: false },
};
const simulator = new Simulator(await startKernel());
const laid = (await simulator.lay(request, true, () => Promise.resolve(true)))!;

describe("where a coat goes", () => {
  it("is its place where it goes by area, whether it is painted or held back", () => {
    const coat = {
      ...skirt.coats.find((one) => one.role === "glaze")!,
      id: "own",
      place: inZones(["hollow"], 0.1),
    };
    for (const held of [false, true]) {
      const surface = { ...skirt, coats: [...skirt.coats, { ...coat, held }] };
      const weights = goesOn(job, surface, laid, "own")!;
      const zone = zoneWeights(laid.grid, ["hollow"], 0);
      for (let at = 0; at < weights.length; at += 37)
        expect(weights[at]).toBeCloseTo(laid.grid.inside[at]! > 0 ? 0.1 + 0.9 * zone[at]! : 0, 5);
    }
  });

  it("is what its marks cover where it is one of marks, and nothing for a coat that is not there", () => {
    const lines = skirt.coats.find((one) => one.role === "lines:D")!;
    const film = laid.coats.find((one) => one.coat.id === lines.id)!.film;
    const weights = goesOn(job, skirt, laid, lines.id)!;
    for (let at = 0; at < weights.length; at += 37) expect(weights[at]).toBeCloseTo(film.cover[at]! / 255, 6);
    expect(goesOn(job, skirt, laid, "nowhere")).toBeNull();
  });
});

describe("a veil over the picture", () => {
  it("leaves the outside alone, tints what is within and pales what is beside", () => {
    const rgba = Uint8ClampedArray.from([200, 60, 40, 255, 200, 60, 40, 255, 9, 9, 9, 0]);
    layVeil(rgba, Float32Array.of(1, 1, 0), Float32Array.of(1, 0, 1));
    const [within, beside, outside] = [0, 4, 8].map((at) => [...rgba.subarray(at, at + 3)]);
    expect(outside).toEqual([9, 9, 9]);
    // More blue and less red within; nearly grey and darker beside.
    expect(within![2]! - 40).toBeGreaterThan(80);
    expect(within![0]).toBeLessThan(200);
    expect(Math.max(...beside!) - Math.min(...beside!)).toBeLessThan(0.6 * (200 - 40));
    expect(Math.max(...beside!)).toBeLessThan(200 - 40);
  });

  it("is laid on the picture and on the piece alike, and only where it is asked for", () => {
    const glaze = skirt.coats.find((one) => one.role === "glaze")!.id;
    const plain = simulator.picture(request, laid).rgba;
    const veiled = simulator.picture({ ...request, veilCoatId: glaze }, laid).rgba;
    expect(veiled).not.toEqual(plain);
    expect(sameBytes(simulator.skin({ ...request, veilCoatId: glaze }, laid).rgba, veiled)).toBe(true);
    expect(sameBytes(simulator.picture({ ...request, veilCoatId: "nowhere" }, laid).rgba, plain)).toBe(true);
  });
});
