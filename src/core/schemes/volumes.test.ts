import { describe, expect, it } from "vitest";
import { ferrySergeant } from "../../data/demo/ferrySergeant";
import { demoShelf } from "../../data/demo/shelf";
import { newPlainSurface } from "../newJob";
import { startKernel } from "../simulate/compositor";
import { Simulator } from "../simulate/simulator";
import { stepCount, stepShares, valuePlan } from "../surface/volumes/valuePlan";
import type { FormId } from "../surface/forms";
import { schemeIds, schemes, type SchemeId } from ".";
import { lightness } from "./testing";
import { planStart, roomFor, startSurface, type StartPlan } from "./start";
import { stepsIn, valueTones } from "./volumes";

const demo = ferrySergeant();
const kernel = startKernel();

const bareOf = (formId: FormId) => {
  const plain = newPlainSurface("piece", "Piece", formId, []);
  return { plain, bare: { ...demo, mixes: [], surfaces: [plain] } };
};

/** Tones and coats of a scheme as the look is plain: the same on all these forms. */
const planned = new Map<SchemeId, StartPlan>();
function planOf(id: SchemeId): StartPlan {
  const known = planned.get(id);
  if (known) return known;
  const { plain, bare } = bareOf("cloak");
  const answers = { age: "used", look: "plain", colour: schemes[id].startColour } as const;
  const plan = planStart(bare, plain, schemes[id], answers, demoShelf);
  planned.set(id, plan);
  return plan;
}

/** A piece painted by a scheme, laid and as a picture without light. */
async function painted(id: SchemeId, formId: FormId) {
  const { bare } = bareOf(formId);
  const plan = planOf(id);
  const job = startSurface(bare, "piece", plan);
  const request = { job, paints: demoShelf, surfaceId: "piece", upTo: null, lit: false };
  const simulator = new Simulator(await kernel);
  const laid = (await simulator.lay(request, true, () => Promise.resolve(true)))!;
  const { rgba } = simulator.picture(request, laid);
  const surface = job.surfaces[0]!;
  const count = stepCount(surface.volumes, demo.figures[0]!.standard);
  const steps = valuePlan(laid.grid, surface.volumes).map((place) =>
    Math.min(count - 1, Math.floor(place * count)),
  );
  return { laid, rgba, steps, count, surface };
}

const FORMS: readonly FormId[] = ["cone-band", "sleeve", "hood", "cloak"];
/** Shell, horn and what is sculpted are lit otherwise; they have tests of their own. */
const OTHERWISE: readonly string[] = [
  "shell",
  "painted metal",
  "stone",
  "slate",
  "rock and soil",
  "horn",
  "sculpted fur",
  "scaled hide",
  "dead skin",
];
const stepped = schemeIds.filter((id) => !OTHERWISE.includes(schemes[id].material));
const CASES = stepped.flatMap((id) => FORMS.map((form) => [id, form] as const));

describe("volumes that schemes paint", () => {
  it.each(CASES)(
    "%s has a light and a dark side on a %s, in the shares of its value plan",
    async (id, form) => {
      const { laid, rgba, steps, count, surface } = await painted(id, form);
      const { inside } = laid.grid;
      const ofStep = (step: number) => {
        let [sum, area] = [0, 0];
        for (let at = 0; at < steps.length; at++) {
          if (steps[at] !== step) continue;
          sum += lightness(rgba, at) * inside[at]!;
          area += inside[at]!;
        }
        return sum / area;
      };
      const tones = Array.from({ length: count }, (_, step) => ofStep(step));
      expect(tones.at(-1)! - tones[0]!).toBeGreaterThan(20);
      for (let step = 1; step < count; step++) expect(tones[step]).toBeGreaterThan(tones[step - 1]!);

      const whole = inside.reduce((sum, share) => sum + share, 0);
      const shares = stepShares(surface.volumes, count);
      const covered = (key: string) => {
        const film = laid.coats.find(({ coat }) => coat.id === `piece-${key}`)!.film;
        let area = 0;
        for (let at = 0; at < inside.length; at++) if (film.cover[at]! >= 128) area += inside[at]!;
        return area / whole;
      };
      const above = (step: number) => shares.slice(step).reduce((sum, share) => sum + share, 0);
      expect(Math.abs(covered("depth") - shares[0]!)).toBeLessThan(0.03);
      for (let step = 2; step < count; step++)
        expect(Math.abs(covered(`light-${step - 1}`) - above(step)), `light ${step - 1}`).toBeLessThan(0.03);
    },
  );

  it("have tones whose mean is the colour that was asked for, lighter step by step", () => {
    const plain = newPlainSurface("piece", "Piece", "cloak", []);
    for (const look of ["quiet", "plain", "striking"] as const)
      for (const material of ["leather", "wool", "worn cloth", "velvet", "plain cloth"] as const) {
        const room = roomFor(demo, plain, { age: "used", look, colour: "#777777" });
        const tones = Object.values(valueTones(room, { material, name: "piece" }));
        const count = stepsIn(room, material);
        expect(tones.length).toBe(count);
        for (let step = 1; step < count; step++)
          expect(tones[step]!.lighter).toBeGreaterThan(tones[step - 1]!.lighter);
        const importance = { quiet: "quiet", plain: "usual", striking: "looked-at" } as const;
        const kinds = {
          leather: "leather",
          wool: "wool",
          "worn cloth": "dull-cloth",
          velvet: "pile-cloth",
          "plain cloth": "dull-cloth",
        } as const;
        const shares = stepShares({ material: kinds[material], importance: importance[look] }, count);
        expect(tones.reduce((sum, tone, step) => sum + tone.lighter * shares[step]!, 0)).toBeCloseTo(0, 6);
      }
  });
});
