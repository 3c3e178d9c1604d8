import { describe, expect, it } from "vitest";
import { demoShelf } from "../../data/demo/shelf";
import type { Paint } from "../../core/job";
import { potLook } from "../pots/potLooks";
import { findDoubles, findPots, labOfPot, type Wanted } from "./finding";

const any: Wanted = { text: "", kind: "", state: "", near: null };
const names = (wanted: Partial<Wanted>) =>
  findPots(demoShelf, { ...any, ...wanted }).map(({ paint }) => paint.name);

describe("finding pots", () => {
  it("shows all of them in their order where nothing is asked", () => {
    expect(names({})).toEqual(demoShelf.map((paint) => paint.name));
  });

  it("asks every word of name, range or property, whatever the case", () => {
    expect(names({ text: "CLEAR umber" })).toEqual(["Clear Umber"]);
    expect(names({ text: "wharf matt" })).toEqual(["Wharf Matt"]);
    expect(names({ text: "transparent ink" })).toEqual(["Marsh Ink"]);
    expect(names({ text: "nothing at all" })).toEqual([]);
  });

  it("asks kind and state, have and low together as at hand", () => {
    expect(names({ kind: "metal" })).toEqual(["Lode Grey", "Lode Bronze"]);
    expect(names({ kind: "metal", state: "hand" })).toEqual(["Lode Grey"]);
    expect(names({ state: "out" })).toEqual(["Lichen Yellow"]);
    expect(names({ state: "hand" })).toContain("Sluice Violet");
  });

  it("puts the nearest to a colour first, with how far off each is", () => {
    const found = findPots(demoShelf, { ...any, near: "#a8432a" });
    expect(found[0]!.paint.name).toBe("Rust Red");
    const off = found.map((one) => one.off!);
    expect([...off].sort((a, b) => a - b)).toEqual(off);
    expect(found).toHaveLength(demoShelf.length);
  });
});

describe("doubles", () => {
  const rust = demoShelf.find((paint) => paint.name === "Rust Red")!;
  const own = (id: string, change: Partial<Paint>): Paint => ({ ...rust, id, ...change });

  it("are pots that look alike thick and thin, nearest first", () => {
    const shelf = [...demoShelf, own("a", { thick: "#aa452b" }), own("b", { thick: "#a8432a" })];
    const found = findDoubles(shelf, 3);
    expect(found[0]!.off).toBeLessThan(0.001);
    expect(found.map(({ one, other }) => [one.id, other.id].sort())).toContainEqual(["a", "b"]);
    expect(found.every((one, at) => at === 0 || one.off >= found[at - 1]!.off)).toBe(true);
  });

  it("are not pots that only look alike thick, nor a metal beside a paint", () => {
    const thin = own("thin", { hiding: "transparent", overWhite: "#e0a090" });
    expect(findDoubles([rust, thin], 3)).toEqual([]);
    expect(findDoubles([rust, own("metal", { kind: "metal" })], 3)).toEqual([]);
  });

  it("are not a gloss and a matt varnish, nor a powder beside a paint", () => {
    const varnish = (id: string, finish: Paint["finish"]) => own(id, { kind: "varnish", finish });
    expect(findDoubles([varnish("gloss", "gloss"), varnish("matt", "matt")], 3)).toEqual([]);
    expect(findDoubles([varnish("gloss", "gloss"), varnish("other", "gloss")], 3)).toHaveLength(1);
    expect(findDoubles([rust, own("powder", { kind: "powder" })], 3)).toEqual([]);
  });
});

describe("looks of a pot", () => {
  it("are lighter over white than over black, more so where it hides less", () => {
    const gap = (name: string) => {
      const look = potLook(demoShelf.find((paint) => paint.name === name)!);
      return parseInt(look.overWhite.slice(3, 5), 16) - parseInt(look.overBlack.slice(3, 5), 16);
    };
    expect(gap("Clear Umber")).toBeGreaterThan(gap("Straw"));
    expect(gap("Straw")).toBeGreaterThan(gap("Slate"));
    expect(gap("Slate")).toBeGreaterThanOrEqual(0);
  });

  it("and lightness are remembered for the same pot only", () => {
    const first = demoShelf[0]!;
    expect(labOfPot(first)).toBe(labOfPot(first));
    expect(labOfPot({ ...first, thick: "#ffffff" })[0]).toBeGreaterThan(labOfPot(first)[0]);
  });
});
