import { settParams } from "../../core/patterns/sett/testing";
import { beforeEach, describe, expect, it, vi } from "vitest";
import { defaultPainter } from "../../core/painter";
import { ferrySergeant } from "../../data/demo/ferrySergeant";
import { demoShelf } from "../../data/demo/shelf";
import { keepHistory, onHistory, redo, restoreHistory, undo, useJobStore } from "./jobStore";

/** What a window keeps until it is closed. */
function fakeSession(): Map<string, string> {
  const kept = new Map<string, string>();
  vi.stubGlobal("sessionStorage", {
    getItem: (key: string) => kept.get(key) ?? null,
    setItem: (key: string, value: string) => void kept.set(key, value),
    removeItem: (key: string) => void kept.delete(key),
  });
  return kept;
}

const state = () => useJobStore.getState();
const hem = () => state().job!.surfaces[0]!.form.params.hemMm;
const setHem = (hemMm: number) =>
  state().edit((job) => ({
    ...job,
    surfaces: job.surfaces.map((surface) => ({
      ...surface,
      form: { ...surface.form, params: { ...surface.form.params, hemMm } },
    })),
  }));

let session = new Map<string, string>();

beforeEach(() => {
  session = fakeSession();
  state().open({
    job: ferrySergeant(),
    paints: demoShelf,
    painter: defaultPainter,
    revision: 1,
    updatedAt: "",
  });
  restoreHistory("ferry-sergeant");
});

describe("the open job", () => {
  it("takes edits back and forward, one by one, and forgets the way forward on a new edit", () => {
    for (const size of [59, 60, 61]) setHem(size);
    undo();
    undo();
    expect(hem()).toBe(59);
    redo();
    expect(hem()).toBe(60);
    setHem(70);
    redo();
    expect(hem()).toBe(70);
    for (let step = 0; step < 10; step++) undo();
    expect(hem()).toBe(58);
  });

  it("lets the coats follow from the cloth in the same step", () => {
    state().edit((job) => ({
      ...job,
      surfaces: job.surfaces.map((surface) => ({
        ...surface,
        pattern: { ...surface.pattern!, params: { ...settParams(surface), glazeMixId: null } },
      })),
    }));
    expect(state().job!.surfaces[0]!.coats.some((coat) => coat.role === "glaze")).toBe(false);
    undo();
    expect(state().job!.surfaces[0]!.coats.some((coat) => coat.role === "glaze")).toBe(true);
  });

  it("makes no step of an edit that changes nothing, nor of saving", () => {
    state().edit((job) => job);
    state().setSave({ kind: "saving" });
    state().setSave({ kind: "saved", at: "" }, 2);
    expect(useJobStore.temporal.getState().pastStates).toHaveLength(0);
    expect(state().revision).toBe(2);
  });

  it("keeps its steps over a reload of the window", () => {
    const heard: number[] = [];
    const stop = onHistory(() => heard.push(1));
    setHem(59);
    setHem(60);
    undo();
    stop();
    expect(heard.length).toBeGreaterThanOrEqual(3);
    keepHistory("ferry-sergeant");
    const job = state().job!;
    state().open({ job, paints: demoShelf, painter: defaultPainter, revision: 3, updatedAt: "" });
    restoreHistory("ferry-sergeant");
    redo();
    expect(hem()).toBe(60);
    undo();
    undo();
    expect(hem()).toBe(58);
  });

  it("starts without steps for another job, and lives without a place to keep them", () => {
    setHem(59);
    keepHistory("ferry-sergeant");
    restoreHistory("other");
    undo();
    expect(hem()).toBe(59);
    vi.stubGlobal("sessionStorage", {
      setItem: () => {
        throw new Error("full");
      },
      removeItem: (key: string) => void session.delete(key),
    });
    setHem(60);
    expect(() => keepHistory("ferry-sergeant")).not.toThrow();
    expect(session.size).toBe(0);
  });

  it("brings the own job back by undo after another window's was taken", () => {
    setHem(61);
    const theirs = { ...state().job!, name: "Theirs" };
    state().replace(theirs, 9);
    expect(state()).toMatchObject({ revision: 9, job: { name: "Theirs" } });
    undo();
    expect(state().job!.name).toBe("Ferry sergeant");
    expect(hem()).toBe(61);
  });
});
