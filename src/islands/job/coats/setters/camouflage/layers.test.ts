import { describe, expect, it } from "vitest";
import { withParams } from "../../../../../core/edits/patterns";
import { withSurface } from "../../../../../core/edits/surfaces";
import { mixById, type Job } from "../../../../../core/job";
import { camouflageSchema, type CamouflageParams } from "../../../../../core/patterns/camouflage/params";
import { jobWith, started } from "../../../../../core/patterns/camouflage/testing";
import { deriveCoats } from "../../../../../core/patterns/derive";
import { demoShelf } from "../../../../../data/demo/shelf";
import { movedLayer, withBaseMix, withLayerMix, withNewLayer, withoutLayer } from "./layers";

const start = jobWith(demoShelf, started(0));
const paramsOf = (job: Job) => job.surfaces[0]!.pattern!.params as CamouflageParams;
const params = paramsOf(start);
/** The job after a change of the pattern, as the page makes it. */
const after = (part: Partial<CamouflageParams>): Job =>
  deriveCoats(
    withSurface(start, "piece", (now) => withParams(now, () => ({ ...params, ...part }))),
    demoShelf,
    start,
  );
const ids = (part: Partial<CamouflageParams>) => part.layers?.map((layer) => layer.id);

describe("layers of a camouflage", () => {
  it("are added over all others, may cover them, and stay within what a job may hold", () => {
    let grown = params;
    for (let count = 0; count < 12; count++)
      grown = { ...grown, ...withNewLayer(grown, (["patch", "bar", "dot", "edge"] as const)[count % 4]!) };
    expect(grown.layers).toHaveLength(8);
    expect(new Set(ids(grown)).size).toBe(8);
    expect(grown.layers[4]!.over).toEqual(["base", ...ids(grown)!.slice(0, 4)]);
    expect(grown.layers.find((layer) => layer.kind === "edge")!.follows).not.toBeNull();
    expect(camouflageSchema.isValidSync(grown)).toBe(true);
  });

  it("are moved, and cover only what is painted before them", () => {
    const moved = movedLayer(params, "dark", -1);
    expect(ids(moved)).toEqual(["green", "dark", "brown"]);
    expect(moved.layers!.find((layer) => layer.id === "dark")!.over).toEqual(["base", "green"]);
    expect(moved.layers!.find((layer) => layer.id === "brown")!.over).toContain("dark");
    expect(movedLayer(params, "green", -1)).toEqual({});
    expect(movedLayer(params, "dark", 1)).toEqual({});
  });

  it("go without leaving their name behind", () => {
    const left = withoutLayer(params, "green");
    expect(ids(left)).toEqual(["brown", "dark"]);
    expect(JSON.stringify(left)).not.toContain('"green"');
  });
});

describe("mixes of a camouflage", () => {
  const lightOf = (job: Job, id: string) => {
    const { mixId } = paramsOf(job).lights.find((light) => light.id === id)!;
    return mixById(job, mixId)!.goal;
  };

  it("bring their light with them when another one is chosen for a layer", () => {
    const changed = after(withLayerMix(params, "green", params.layers[1]!.mixId));
    expect(paramsOf(changed).layers[0]!.mixId).toBe(params.layers[1]!.mixId);
    expect(lightOf(changed, "green")).toBe(lightOf(start, "brown"));
    expect(lightOf(changed, "green")).not.toBe(lightOf(start, "green"));
    expect(lightOf(changed, "dark")).toBe(lightOf(start, "dark"));
  });

  it("bring light, wash and lines with them when another base is chosen; what was left out stays out", () => {
    const changed = after(withBaseMix(params, params.layers[2]!.mixId));
    expect(lightOf(changed, "base")).toBe(lightOf(start, "dark"));
    const wash = (job: Job) => mixById(job, paramsOf(job).washMixId!)!.goal;
    expect(wash(changed)).not.toBe(wash(start));
    expect(withBaseMix({ ...params, washMixId: null }, "dark").washMixId).toBeNull();
  });
});
