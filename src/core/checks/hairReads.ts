import { opticsOfMix } from "../colour/appearance";
import { ciede2000 } from "../colour/difference";
import { layFilm, masstone, type Optics } from "../colour/film";
import { CHART_BLACK, CHART_WHITE, luminance } from "../colour/paint";
import { spectrumToLab } from "../colour/spaces";
import { uniformSpectrum, type Spectrum } from "../colour/spectrum";
import { figureOf, mixById, ratioOf, type Coat, type Surface } from "../job";
import { completeParams } from "../params";
import { coatMeets } from "../patterns/pattern";
import { techniques } from "../techniques";
import { coatPassUm } from "../techniques/passUm";
import { formatNumber, formatThinning, withUnit } from "../units";
import type { Check, CheckContext } from "./check";
import { coatChange, type Change, type CheckResult } from "./finding";
import { tonesOf } from "./tones";

/** A stroke that takes less than this share of its ground's place is a glaze; set by eye. */
const LEAST_HIDDEN = 0.35;
/** Strokes longer than this share of the piece's shorter side hide its form, and than this of the height to the eyes read as a mane. */
const [OF_PIECE, OF_HEIGHT] = [0.4, 0.12] as const;
/** Two sets of strokes whose mixes differ by less (CIEDE2000) read as one: as many as leathers that touch have to, less than half. */
const ALIKE = 3;
/** Strokes that lie further off the lie than this lie across it, degrees. */
const ACROSS_DEG = 60;

const isHair = ({ technique: { id } }: Coat): boolean => id === "hair";
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

/** The strokes that a set falls on: those right before it, or of a pattern the last ones on the same colour. */
function setBefore({ pattern }: CheckContext, earlier: readonly Coat[], coat: Coat): Coat | undefined {
  if (!pattern || coat.place.kind !== "pattern") return earlier.slice(-1).find(isHair);
  const own = tonesOf(pattern).filter(({ key }) => coatMeets(pattern, coat, key));
  return earlier.findLast((one) => isHair(one) && own.some(({ key }) => coatMeets(pattern, one, key)));
}

/** Sets of strokes on each other that nobody tells apart. */
function alikeSets(context: CheckContext): CheckResult[] {
  const { job, paints, surface, coats } = context;
  return coats.flatMap((coat, at): CheckResult[] => {
    const before = isHair(coat) && setBefore(context, coats.slice(0, at), coat);
    if (!before) return [];
    const [here, there] = [coat, before].map(({ mixId }) =>
      spectrumToLab(masstone(opticsOfMix(mixById(job, mixId), paints))),
    );
    const apart = ciede2000(here!, there!);
    if (apart >= ALIKE) return [];
    return [
      {
        ...about(coat, surface, "alike"),
        sentence: `${before.name} and ${coat.name} differ by ${formatNumber(apart, 1)} only: two sets of strokes, one tone.`,
        reason: `Below ${ALIKE} (CIEDE2000) strokes over strokes cannot be told apart; the tone has to rise more, or one set is work for nothing.`,
        remedies: [
          {
            label: `Hold ${coat.name} back`,
            changes: [{ path: ["surfaces", surface.id, "coats", coat.id, "held"], value: true }],
          },
        ],
      },
    ];
  });
}

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

/** Do strokes of hair read as hair: thick enough, not too long, along the growth, each tone a step from the one before? */
export const hairReads: Check = {
  id: "hair-reads",
  label: "Strokes read as hair",
  concerns: (_form, surface) => surface.growth !== null || surface.coats.some(isHair),
  run: (context) => [
    ...thinStrokes(context),
    ...longStrokes(context),
    ...alikeSets(context),
    ...acrossStrokes(context),
  ],
};
