import fc from "fast-check";
import { encode } from "fast-png";
import { zlibSync } from "fflate";
import { describe, expect, it } from "vitest";
import { InputError } from "../../errors";
import { forms } from "../../surface/forms";
import { withHeightMap } from "../../surface/reliefPicture";
import { MOST_RELIEF_CELLS } from "./pngLimits";
import { readReliefPng, writeReliefPng } from "./reliefPng";

const ramp = (width: number, height: number) => ({
  width,
  height,
  values: Float32Array.from({ length: width * height }, (_, at) => (at % width) / (width - 1)),
});
const said = (bytes: Uint8Array): string => {
  try {
    readReliefPng(bytes);
  } catch (error) {
    if (error instanceof InputError) return error.message;
    throw error;
  }
  return "";
};

describe("a relief picture", () => {
  it("keeps its heights to one part in 65 535", () => {
    const map = ramp(40, 12);
    const back = readReliefPng(writeReliefPng(map));
    expect([back.width, back.height]).toEqual([40, 12]);
    back.values.forEach((value, at) => expect(Math.abs(value - map.values[at]!)).toBeLessThan(1 / 65000));
  });

  it("is made smaller without losing its mean height", () => {
    const back = readReliefPng(writeReliefPng(ramp(1200, 600)));
    expect(Math.max(back.width, back.height)).toBeLessThanOrEqual(MOST_RELIEF_CELLS);
    const mean = back.values.reduce((sum, value) => sum + value, 0) / back.values.length;
    expect(mean).toBeCloseTo(0.5, 2);
  });

  it("is refused with the reason where it is none", () => {
    expect(said(new Uint8Array([1, 2, 3]))).toMatch(/cannot be read as a PNG/);
    const coloured = encode({
      width: 4,
      height: 4,
      channels: 3,
      depth: 8,
      data: Uint8Array.from({ length: 48 }, (_, at) => at),
    });
    expect(said(coloured)).toMatch(/has colours/);
    const tiny = encode({ width: 2, height: 2, channels: 1, depth: 8, data: new Uint8Array(4) });
    expect(said(tiny)).toMatch(/at least 4 × 4/);
  });

  it("is refused by its head alone where it would take too long or too much to decode", () => {
    const bomb = (width: number, height: number) => {
      const bytes = new Uint8Array(
        encode({ width: 8, height: 8, channels: 1, depth: 8, data: new Uint8Array(64) }),
      );
      const head = new DataView(bytes.buffer);
      head.setUint32(16, width);
      head.setUint32(20, height);
      return bytes;
    };
    expect(said(bomb(20_000, 20_000))).toMatch(/20000 × 20000 pixels; 16 million are the most/);
    expect(said(bomb(50_000, 50_000))).toMatch(/million are the most/);
    expect(said(bomb(0, 0))).toMatch(/PNG|at least/);
    expect(said(bomb(8, 8).slice(0, 20))).toMatch(/cannot be read/);
  });

  /** A chunk of a PNG; nobody looks at its checksum before it is refused. */
  const chunk = (kind: string, data: Uint8Array): Buffer => {
    const head = Buffer.alloc(8);
    head.writeUInt32BE(data.length);
    head.write(kind, 4, "latin1");
    return Buffer.concat([head, data, Buffer.alloc(4)]);
  };
  const HEAD = 33;

  it("is refused where it unpacks to more than its head tells, before memory is spent on it", () => {
    const small = encode({ width: 64, height: 64, channels: 1, depth: 8, data: new Uint8Array(4096) });
    const zeros = zlibSync(new Uint8Array(40_000_000), { level: 9 });
    expect(zeros.length).toBeLessThan(80_000);
    const bomb = Buffer.concat([
      small.subarray(0, HEAD),
      chunk("IDAT", zeros),
      chunk("IEND", new Uint8Array()),
    ]);
    expect(said(bomb)).toMatch(/more than its size tells/);
  });

  it("is read without what else is packed into the file", () => {
    const plain = writeReliefPng(ramp(40, 12));
    // A colour profile that is no profile at all: unpacking it would fail.
    const odd = chunk("iCCP", Buffer.from("odd\0\0 not packed"));
    const padded = Buffer.concat([plain.subarray(0, HEAD), odd, plain.subarray(HEAD), Buffer.from("more")]);
    expect(readReliefPng(padded)).toEqual(readReliefPng(plain));
  });

  it("is refused by what a pixel takes", () => {
    const head = (depth: number, colourType: number, side: number) => {
      const bytes = new Uint8Array(writeReliefPng(ramp(8, 8)));
      const view = new DataView(bytes.buffer);
      [16, 20].forEach((at) => view.setUint32(at, side));
      view.setUint8(24, depth);
      view.setUint8(25, colourType);
      return bytes;
    };
    expect(said(head(16, 6, 3900))).toMatch(/unpacks to 122 MB; 36 are the most/);
    expect(said(head(1, 0, 8))).toMatch(/1 bits a pixel; 8 or 16/);
    expect(said(head(8, 5, 8))).toMatch(/cannot be read/);
  });

  it("gives heights or a reason for any bytes behind its beginning", () => {
    const whole = writeReliefPng(ramp(40, 12));
    fc.assert(
      fc.property(fc.nat(whole.length - 9), fc.uint8Array({ maxLength: 60 }), (at, noise) => {
        const bytes = new Uint8Array(whole);
        bytes.set(noise.subarray(0, whole.length - 8 - at), 8 + at);
        said(bytes);
      }),
      { numRuns: 300 },
    );
  });

  it("lies on the form at the size asked for, on top of its own relief", () => {
    const panel = forms.panel.build({ lengthMm: 20, widthMm: 10, dents: 0 }, 1);
    const use = { pictureId: "0".repeat(64), name: "Ramp", widthMm: 10, depthMm: 2 };
    const raised = withHeightMap(panel, use, ramp(101, 101));
    const up = (alongMm: number) => {
      const place = { turnDeg: (alongMm / 20) * 360, heightMm: 5 };
      return raised.relief(place) - panel.relief(place);
    };
    // 0 at its left, the full depth at its right, and again from 10 mm on.
    expect(up(0)).toBeCloseTo(0, 2);
    expect(up(5)).toBeCloseTo(1.01, 2);
    expect(up(9.8)).toBeGreaterThan(1.9);
    expect(up(15)).toBeCloseTo(up(5), 6);
  });
});
