import { USUAL_LAMP, type Job, type Mix, type Paint, type Surface } from "./job";
import type { Painter } from "./painter";
import { deriveCoats } from "./patterns/derive";
import { hashText } from "./random";
import { forms, type FormId } from "./surface/forms";
import { USUAL_WEAR } from "./surface/wear";

/** A plain two-tone check on a band, to be changed to the painter's own. */
export function newSkirt(id: string, name: string, mixes: readonly Mix[]): Surface {
  const [light, dark] = [mixes[0]?.id ?? "", mixes[1]?.id ?? mixes[0]?.id ?? ""];
  return {
    id,
    name,
    form: {
      id: "cone-band",
      version: 1,
      params: { waistMm: 30, hemMm: 44, slantMm: 9, gapDeg: 0, pleats: 0, pleatDepthMm: 0.6, seams: 1 },
    },
    pattern: {
      id: "sett",
      version: 1,
      params: {
        threadCount: "A24 B24",
        rowThreadCount: null,
        pivots: "full",
        colours: { A: light, B: dark },
        crossings: {},
        periods: 12,
        spread: "fan",
        rowPeriodMm: null,
        rowStartMm: 0,
        columnStartDeg: 0,
        threadsPerCm: 16,
        method: "boxes",
        baseMixId: light,
        guideMixId: dark,
        glazeMixId: null,
      },
    },
    coats: [],
    parked: [],
    variants: [],
    relief: null,
    wear: USUAL_WEAR,
    seed: hashText(id) % 10000,
  };
}

/** A surface of a form, with one base coat. */
export function newPlainSurface(id: string, name: string, formId: FormId, mixes: readonly Mix[]): Surface {
  const seed = hashText(id) % 10000;
  return {
    id,
    name,
    form: {
      id: formId,
      version: forms[formId].version,
      params: Object.fromEntries(
        Object.entries(forms[formId].params).map(([size, spec]) => [size, spec.default]),
      ),
    },
    pattern: null,
    coats: [
      {
        id: `${id}-base`,
        name: "Base coat",
        technique: { id: "base-coat", version: 1, params: {} },
        mixId: mixes[0]?.id ?? "",
        water: 1,
        passes: 2,
        held: false,
        target: { kind: "everywhere" },
        role: null,
        overSeams: false,
        seed,
      },
    ],
    parked: [],
    variants: [],
    relief: null,
    wear: USUAL_WEAR,
    seed,
  };
}

/** Two mixes to start with: the lightest and the darkest opaque-looking pots at hand. */
function startMixes(paints: readonly Paint[]): Mix[] {
  const usable = paints.filter((paint) => paint.kind === "paint" && paint.state !== "out");
  const brightness = (paint: Paint) =>
    [1, 3, 5].reduce((sum, at) => sum + parseInt(paint.thick.slice(at, at + 2), 16), 0);
  const sorted = [...usable].sort((a, b) => brightness(b) - brightness(a));
  const light = sorted[Math.floor(sorted.length * 0.2)];
  const dark = sorted[Math.floor(sorted.length * 0.8)];
  return [
    {
      id: "light",
      name: "Light",
      parts: light ? [{ paintId: light.id, parts: 1 }] : [],
      water: 1,
      goal: null,
    },
    { id: "dark", name: "Dark", parts: dark ? [{ paintId: dark.id, parts: 1 }] : [], water: 1, goal: null },
  ];
}

/** A job to start from: one skirt with a plain check, ready to be measured. */
export function newJob(id: string, name: string, painter: Painter, paints: readonly Paint[]): Job {
  const mixes = startMixes(paints);
  return deriveCoats(
    {
      format: "crenna-job",
      version: 2,
      id,
      name,
      figure: {
        eyeHeightMm: 28,
        standard: "tabletop",
        primer: "grey",
        viewingDistanceMm: 600,
        lamp: USUAL_LAMP,
        notes: "",
        count: 1,
      },
      hand: painter.hand,
      mixes,
      wells: [],
      references: [],
      targets: [],
      surfaces: [newSkirt("skirt", "Skirt", mixes)],
      touching: [],
      log: [],
    },
    paints,
    null,
  );
}
