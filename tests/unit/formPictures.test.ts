import { readFile } from "node:fs/promises";
import path from "node:path";
import sharp from "sharp";
import { describe, expect, it } from "vitest";
import { formIds } from "../../src/core/surface/forms";

describe("the pictures that forms are chosen by", () => {
  it.each(formIds)("%s has one, on nothing, small enough for a menu", async (id) => {
    // Made by `npm run pictures`.
    const file = await readFile(path.join(process.cwd(), "public/forms", `${id}.png`));
    const { width, height, hasAlpha } = await sharp(file).metadata();
    expect(Math.max(width, height)).toBeLessThanOrEqual(220);
    expect(Math.max(width, height)).toBeGreaterThan(200);
    expect(hasAlpha).toBe(true);
    expect(file.length).toBeLessThan(60_000);
  });
});
