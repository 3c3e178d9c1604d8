import { describe, expect, it } from "vitest";
import { ciede2000 } from "../colour/difference";
import { readingLab } from "../colour/fit";
import type { Triple } from "../colour/spaces";
import { createRandom } from "../random";
import { demoShelf } from "../../data/demo/shelf";
import { READER_FAILURES, ReaderError, type ColourReader, type Spot } from "./colourReader";
import { realPot, simulatedReader } from "./simulatedReader";

const paint = demoShelf[0]!;
const spot: Spot = { laid: "thick", filmUm: null, whiteParts: null };

async function calibrated(reader: ColourReader): Promise<void> {
  for (;;) {
    try {
      await reader.calibrate();
      return;
    } catch (error) {
      expect((error as ReaderError).reason).toBe("light");
    }
  }
}

/** Reads until the reader has seen so many spots, calibrating whenever it asks for it. */
async function readings(
  reader: ColourReader,
  count: number,
): Promise<{ labs: Triple[]; failures: string[] }> {
  const labs: Triple[] = [];
  const failures: string[] = [];
  while (labs.length < count) {
    if (reader.readingsLeft === 0) await calibrated(reader);
    try {
      labs.push(await reader.read(spot));
    } catch (error) {
      failures.push((error as ReaderError).reason);
    }
  }
  return { labs, failures };
}

describe("the simulated reader", () => {
  it("says what it is, and reads nothing before it has seen its white tile", async () => {
    const reader = simulatedReader(paint, null, createRandom(1));
    expect(reader.simulated).toBe(true);
    expect(reader.readingsLeft).toBe(0);
    await expect(reader.read(spot)).rejects.toThrow(READER_FAILURES.uncalibrated);
    await calibrated(reader);
    expect(reader.readingsLeft).toBe(12);
  });

  it("wants its tile again after twelve readings; failed ones do not count", async () => {
    const reader = simulatedReader(paint, null, createRandom(2));
    await calibrated(reader);
    let [read, failed] = [0, 0];
    while (reader.readingsLeft > 0) {
      try {
        await reader.read(spot);
        read++;
      } catch {
        failed++;
      }
    }
    expect(read).toBe(12);
    expect(failed).toBeLessThan(12);
    await expect(reader.read(spot)).rejects.toMatchObject({ reason: "uncalibrated" });
  });

  it("scatters about what is really in the pot, by a few tenths", async () => {
    const reader = simulatedReader(paint, null, createRandom(3));
    const { labs } = await readings(reader, 200);
    const real = realPot(paint);
    const truth = readingLab({ ...spot, lab: [0, 0, 0] }, real.optics, real.strength, null);
    const mean = [0, 1, 2].map(
      (axis) => labs.reduce((sum, lab) => sum + lab[axis]!, 0) / labs.length,
    ) as unknown as Triple;
    // The drift of one device goes one way; noise evens out.
    expect(ciede2000(mean, truth)).toBeLessThan(0.6);
    for (const axis of [0, 1, 2]) {
      const spread = Math.sqrt(
        labs.reduce((sum, lab) => sum + (lab[axis]! - mean[axis]!) ** 2, 0) / (labs.length - 1),
      );
      expect(spread).toBeGreaterThan(0.12);
      expect(spread).toBeLessThan(0.5);
    }
  });

  it("fails now and then in words that say what to do", async () => {
    const { failures } = await readings(simulatedReader(paint, null, createRandom(4)), 400);
    expect(failures.length).toBeGreaterThan(8);
    expect(failures.length).toBeLessThan(60);
    expect(new Set(failures)).toEqual(new Set(["lifted", "light"]));
    for (const text of Object.values(READER_FAILURES)) expect(text).toMatch(/\.$/);
  });

  it("reads a pot alike every day, near its label but not as it", () => {
    for (const one of demoShelf.slice(0, 12)) {
      expect(realPot(one)).toEqual(realPot(one));
      const real = realPot(one);
      const truth = readingLab({ ...spot, lab: [0, 0, 0] }, real.optics, real.strength, null);
      const again = realPot({ ...one, id: `${one.id}-of-another-batch` });
      const other = readingLab({ ...spot, lab: [0, 0, 0] }, again.optics, again.strength, null);
      expect(ciede2000(truth, other)).toBeGreaterThan(0);
      expect(ciede2000(truth, other)).toBeLessThan(20);
    }
  });
});
