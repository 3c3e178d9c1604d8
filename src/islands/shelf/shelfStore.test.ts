// @vitest-environment jsdom
import { server } from "../testing/server";
import { beforeEach, describe, expect, it } from "vitest";
import type { Paint } from "../../core/job";
import { demoShelf } from "../../data/demo/shelf";
import { call } from "../../ui/api";
import { useShelf } from "./shelfStore";

const state = () => useShelf.getState();
const pot = (id: string, name: string): Paint => ({ ...demoShelf[0]!, id, name });
const stored = async () => (await call<{ paints: Paint[] }>("/api/paints")).paints;
const nameOf = async (id: string) => (await stored()).find((one) => one.id === id)?.name ?? null;

beforeEach(async () => {
  server.down = false;
  const own = (await stored()).filter(({ id }) => id.startsWith("own-")).map(({ id }) => id);
  await call("/api/paints", { method: "PUT", json: { put: demoShelf, remove: own } });
  useShelf.setState(useShelf.getInitialState(), true);
  await state().load();
});

describe("the shelf", () => {
  it("is loaded with who uses each pot", () => {
    expect(state().ready).toBe(true);
    expect(state().paints.map(({ id }) => id)).toEqual(expect.arrayContaining(demoShelf.map(({ id }) => id)));
    expect(state().users["paint-straw"]!.map(({ name }) => name)).toContain("Ferry sergeant");
  });

  it("keeps a change of many pots at once, and takes it back and forward as one step", async () => {
    const moss = demoShelf.find(({ id }) => id === "paint-moss")!;
    await state().change([pot("own-1", "Own Grey"), { ...moss, name: "Moss, old" }]);
    expect([await nameOf("own-1"), await nameOf("paint-moss")]).toEqual(["Own Grey", "Moss, old"]);
    await state().undo();
    expect([await nameOf("own-1"), await nameOf("paint-moss")]).toEqual([null, "Moss"]);
    await state().redo();
    expect([await nameOf("own-1"), await nameOf("paint-moss")]).toEqual(["Own Grey", "Moss, old"]);
    expect(state().past).toHaveLength(1);
    await state().redo();
    expect(state().past).toHaveLength(1);
  });

  it("brings a pot back with all that was known of it, readings too", async () => {
    const fit = {
      ...{ absorption: Array<number>(12).fill(0.02), scattering: Array<number>(12).fill(0.1) },
      ...{ meanDifference: 0.4, largestDifference: 0.9 },
      readings: [{ laid: "black" as const, filmUm: 25, whiteParts: null, lab: [30, 1, 2] as const }],
    };
    const read = { ...pot("own-2", "Read Grey"), fit };
    await state().change([read]);
    await state().change([], ["own-2"]);
    expect(await nameOf("own-2")).toBeNull();
    await state().undo();
    expect((await stored()).find(({ id }) => id === "own-2")).toEqual(read);
  });

  it("forgets the way forward on a new change, and makes no step of one that changes nothing", async () => {
    await state().change([pot("own-3", "First")]);
    await state().undo();
    expect(state().future).toHaveLength(1);
    await state().change([pot("own-4", "Second")]);
    expect(state().future).toEqual([]);
    await state().change([pot("own-4", "Second")]);
    expect(state().past).toHaveLength(1);
  });

  it("leaves everything as it was where the server refuses or cannot be reached", async () => {
    const before = state().paints;
    await expect(state().change([], ["paint-straw"])).rejects.toThrow(/Ferry sergeant/);
    await expect(state().change([{ ...pot("own-5", "Bad"), thick: "blue" }])).rejects.toThrow(/hexadecimal/);
    server.down = true;
    await expect(state().change([pot("own-5", "Late")])).rejects.toThrow(/cannot be reached/);
    expect(state().paints).toBe(before);
    expect(state().past).toEqual([]);
  });

  it("notes what the server changed by itself as a step", async () => {
    await call("/api/paints", { method: "PUT", json: { put: [pot("own-6", "Imported")], remove: [] } });
    await state().noteServerChange();
    expect(state().past).toHaveLength(1);
    await state().undo();
    expect(await nameOf("own-6")).toBeNull();
  });
});
