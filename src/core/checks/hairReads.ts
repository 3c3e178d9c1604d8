import { opticsOfMix } from "../colour/appearance";
import { layFilm, type Optics } from "../colour/film";
import { CHART_BLACK, CHART_WHITE, luminance } from "../colour/paint";
import { uniformSpectrum, type Spectrum } from "../colour/spectrum";
import { figureOf, mixById, ratioOf, type Coat, type Surface } from "../job";
import { completeParams } from "../params";
import { techniques } from "../techniques";
import { isToShade } from "../techniques/toShade";
import { coatPassUm } from "../techniques/passUm";
import { formatNumber, formatThinning, withUnit } from "../units";
import type { Check, CheckContext } from "./check";
import { coatChange, type Change, type CheckResult, type Remedy } from "./finding";
import { setsAlike } from "./tones";

/** A stroke that takes less than this share of its ground's place is a glaze; set by eye. */
const LEAST_HIDDEN = 0.35;
/** Strokes longer than this share of the piece's shorter side hide its form, and than this of the height to the eyes read as a mane. */
const [OF_PIECE, OF_HEIGHT] = [0.4, 0.12] as const;
/** Two sets of strokes whose mixes differ by less (CIEDE2000) read as one: as many as leathers that touch have to, less than half. */
const ALIKE = 3;
/** Strokes that lie further off the lie than this lie across it, degrees. */
const ACROSS_DEG = 60;

/** Whether a coat is of strokes of hair. */
export const isHair = ({ technique: { id } }: Coat): boolean => id === "hair";
const paramsOf = ({ technique: { params } }: Coat) => completeParams(techniques.hair.params, params);
const paramChange = (surface: Surface, coat: Coat, name: string, value: number): Change => ({
  path: ["surfaces", surface.id, "coats", coat.id, "technique", "params", name],
  value,
});
const about = ({ id, name }: Coat, surface: Surface, key: string) => ({
  ...{ key: `${id}/${key}`, gravity: "look" as const, coatId: id, where: `${surface.name}, ${name}` },
});

const [BLACK, WHITE] = [CHART_BLACK, CHART_WHITE].map((level) => uniformSpectrum(level)) as [
  Spectrum,
  Spectrum,
];
const DARK_TO_LIGHT = luminance(WHITE) - luminance(BLACK);

/** How much of a drawdown chart a film hides, 0…1: what it takes off the difference of its black and white. */
const hiding = (optics: Optics, um: number): number =>
  1 - (luminance(layFilm(optics, um, WHITE)) - luminance(layFilm(optics, um, BLACK))) / DARK_TO_LIGHT;

/** Strokes so thin that they only tint. */
function thinStrokes({ job, paints, surface, coats }: CheckContext): CheckResult[] {
  return coats.filter(isHair).flatMap((coat): CheckResult[] => {
    const optics = opticsOfMix(mixById(job, coat.mixId), paints);
    const stroke = paramsOf(coat).hides! / 100;
    const hidden = (water: number) => stroke * hiding(optics, coatPassUm({ ...coat, water }));
    if (hidden(coat.water) >= LEAST_HIDDEN) return [];
    const thicker = [3, 2, 1, 0.5, 0].find((water) => water < coat.water && hidden(water) >= LEAST_HIDDEN);
    return [
      {
        ...about(coat, surface, "thin"),
        sentence: `A stroke of ${coat.name} hides ${formatNumber(100 * hidden(coat.water), 0)} % of what lies below: a glaze, no hair.`,
        reason: `${formatNumber(coatPassUm(coat), 1)} µm of this mix, laid as the stroke is, let the ground through; from ${formatNumber(100 * LEAST_HIDDEN, 0)} % on it reads as a stroke.`,
        remedies:
          thicker === undefined
            ? []
            : [
                {
                  label: thicker === 0 ? "No water in it" : `Less water: ${formatThinning(thicker)}`,
                  changes: [coatChange(surface.id, coat.id, "water", thicker)],
                },
              ],
      },
    ];
  });
}

/** Strokes longer than the piece or the figure bears. */
function longStrokes({ job, surface, form, coats }: CheckContext): CheckResult[] {
  const { eyeHeightMm } = figureOf(job, surface);
  const side = Math.min(form.slantMm, form.lengthAt(form.slantMm / 2));
  const most = Math.floor(20 * Math.min(OF_PIECE * side, OF_HEIGHT * eyeHeightMm)) / 20;
  const grown = Math.max(1, ...(surface.growth?.handles.map(({ lengthPct }) => lengthPct / 100) ?? []));
  return coats.filter(isHair).flatMap((coat): CheckResult[] => {
    const longest = paramsOf(coat).length! * grown;
    if (longest <= most + 1e-9 || most < 0.1) return [];
    const real = (longest * ratioOf(figureOf(job, surface))) / 10;
    return [
      {
        ...about(coat, surface, "long"),
        sentence: `Strokes of ${coat.name} grow ${withUnit(longest, 2, "mm")} long: hair of ${formatNumber(real, 0)} cm at this scale, on a piece of ${withUnit(side, 1, "mm")}.`,
        reason: `Longer than ${withUnit(most, 2, "mm")} they run over the volumes below and read as scratches.`,
        remedies: [
          {
            label: `Make them ${withUnit(Math.max(0.1, Math.floor((20 * most) / grown) / 20), 2, "mm")}`,
            changes: [
              paramChange(surface, coat, "length", Math.max(0.1, Math.floor((20 * most) / grown) / 20)),
            ],
          },
        ],
      },
    ];
  });
}

/** Sets of strokes on each other that nobody tells apart. */
const alikeSets = (context: CheckContext): CheckResult[] =>
  setsAlike(context, {
    is: isHair,
    alike: ALIKE,
    sentence: (before, coat, apart) =>
      `${before} and ${coat} differ by ${apart} only: two sets of strokes, one tone.`,
    reason: `Below ${ALIKE} (CIEDE2000) strokes over strokes cannot be told apart; the tone has to rise more, or one set is work for nothing.`,
  });

/** Hatching that lies across the way hair grows. */
function acrossStrokes({ surface, coats }: CheckContext): CheckResult[] {
  if (!surface.growth || surface.volumes.material !== "fur") return [];
  return coats.flatMap((coat): CheckResult[] => {
    if (coat.technique.id !== "hatch") return [];
    const angle = completeParams(techniques.hatch.params, coat.technique.params).angle!;
    if (Math.abs(angle) <= ACROSS_DEG) return [];
    return [
      {
        ...about(coat, surface, "across"),
        sentence: `${coat.name} lies ${formatNumber(Math.abs(angle), 0)}° off the way hair grows here.`,
        reason: "Strokes against the growth read as scratches in the coat, however fine they are.",
        remedies: [{ label: "Lay it along the growth", changes: [paramChange(surface, coat, "angle", 0)] }],
      },
    ];
  });
}

/** Strokes that lie this much apart in light (L*) before a glaze have to keep this share of it. */
const [LEAST_SPAN, KEPT] = [6, 0.75] as const;
/** Lights are restored where strokes laid after the glaze come back to this share of what it took. */
const RESTORED = 0.5;
const WATERS = [4, 5, 6, 8, 10, 14, 20] as const;

/** The strokes of one more coat like this, laid after all others. */
function again(surface: Surface, coat: Coat): Remedy[] {
  const id = `${coat.id}-again`;
  if (surface.coats.some((one) => one.id === id)) return [];
  // A coat of the painter's own: a pattern has each of its roles once.
  const value = { ...coat, id, name: `${coat.name}, again`, role: null, seed: coat.seed + 1 };
  return [
    {
      label: `${coat.name} once more after it`,
      changes: [{ path: ["surfaces", surface.id, "coats"], value }],
    },
  ];
}

/** Glazes over all that take the contrast of the strokes below, where no light comes after them. */
function dulledStrokes({ surface, sampled }: CheckContext): CheckResult[] {
  const seen = sampled().coats;
  return seen.flatMap(({ coat }, at): CheckResult[] => {
    const sets = seen.slice(0, at).filter((one) => isHair(one.coat));
    if (!isToShade(coat) || sets.length < 2) return [];
    const order = [...sets].sort((a, b) => a.lightness[at - 1]! - b.lightness[at - 1]!);
    const [dark, light] = [order[0]!, order.at(-1)!];
    const span = (after: number) => light.lightness[after]! - dark.lightness[after]!;
    const [was, is] = [light.lightness[at - 1]!, light.lightness[at]!];
    if (span(at - 1) < LEAST_SPAN || span(at) >= KEPT * span(at - 1)) return [];
    const goal = is + RESTORED * (was - is);
    const restored = seen.slice(at + 1).some((one) => isHair(one.coat) && one.lightness.at(-1)! >= goal);
    if (restored) return [];
    const told = (value: number) => formatNumber(value, 0);
    return [
      {
        ...about(coat, surface, "dulls"),
        sentence: `${coat.name} takes the contrast of the strokes from ${told(span(at - 1))} to ${told(span(at))} L*.`,
        reason: `${light.coat.name} falls from L* ${told(was)} to ${told(is)}; strokes so fine need all of their contrast. Thin it, or restore lights after it, up to L* ${told(was)} again.`,
        remedies: [
          ...again(surface, light.coat),
          ...WATERS.filter((water) => water > coat.water).map((water) => ({
            label: `Thin it ${formatThinning(water)}`,
            ladder: "water",
            changes: [coatChange(surface.id, coat.id, "water", water)],
          })),
        ],
      },
    ];
  });
}

/** Do strokes of hair read as hair: thick enough, not too long, along the growth, each tone a step from the one before, none dulled by a glaze? */
export const hairReads: Check = {
  id: "hair-reads",
  label: "Strokes read as hair",
  concerns: (_form, surface) => surface.growth !== null || surface.coats.some(isHair),
  run: (context) => [
    ...thinStrokes(context),
    ...longStrokes(context),
    ...alikeSets(context),
    ...acrossStrokes(context),
    ...dulledStrokes(context),
  ],
};
