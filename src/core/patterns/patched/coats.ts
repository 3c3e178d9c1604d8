import { inZones, figureOf, mixById, type Place } from "../../job";
import { hexToLab } from "../../colour/spaces";
import type { FamilyContext, PatternPlace, PatternTone, PlannedCoat } from "../family";
import { hairTones, type HairTone } from "./hairs";
import { blockKey, hairsKey, placeOfKey, SHEEN } from "./keys";
import type { PatchedLayout } from "./layout";
import type { CoatColour, PatchedParams } from "./params";

type Context = FamilyContext<PatchedParams, PatchedLayout>;

const use = (id: string, params: Record<string, number> = {}) => ({ id, version: 1, params });
const to = (key: string): Place => ({ kind: "pattern", key });

/** How far borders of blocks are drawn out with a damp brush, mm. */
const SOFT_MM = 0.07;
/** At a border hairs stand so many times as close as within a block. */
export const AT_BORDERS = 2;
/** For the table hairs are fewer and broader. */
const TABLE = { fewer: 0.6, wider: 1.2 } as const;
/** A stroke hides so much, %; pale paint has to be laid fuller. */
const HIDES = { most: 80, pale: 92, paleFrom: 66 } as const;
/** Shade below the hairs reaches up to here in the value plan. */
const SHADE_TO = 0.45;

/** The order in which one tone's hairs are set, by lightness: now the darkest first, now last, so that neither lies on top everywhere. */
export function inTurn(colours: readonly CoatColour[], tone: number): CoatColour[] {
  const byLight = [...colours].sort((a, b) => hexToLab(a.colour)[0] - hexToLab(b.colour)[0]);
  return tone % 2 === 1 ? byLight : byLight.reverse();
}

/** The mix of a colour's ground, 0, or of its hairs, from 1. */
const mixOf = ({ mixIds }: CoatColour, at: number): string => mixIds[at] ?? mixIds[0] ?? "";

function blockCoats({ params: { colours } }: Context): PlannedCoat[] {
  const [first, ...others] = colours as [CoatColour, ...CoatColour[]];
  return [
    {
      ...{ role: "base", name: `${first.name} ground`, technique: use("base-coat") },
      ...{ place: { kind: "everywhere" }, mixId: mixOf(first, 0), water: 1, passes: 2 },
    },
    ...others.map((one) => ({
      ...{ role: blockKey(one.id), name: `${one.name} blocks`, technique: use("fill", { soften: SOFT_MM }) },
      ...{ place: to(blockKey(one.id)), mixId: mixOf(one, 0), water: 1, passes: 2 },
    })),
  ];
}

/** The mix a colour's tone is painted in shows this, L*; told by the colour the tone is meant to have. */
const isPale = ({ colour }: CoatColour, { lighter, ofRoom }: HairTone): boolean => {
  const [l] = hexToLab(colour);
  return l + Math.min(lighter, ofRoom * (97 - l)) > HIDES.paleFrom;
};

function hairCoats({ params, job, surface }: Context): PlannedCoat[] {
  const { standard, eyeHeightMm } = figureOf(job, surface);
  const [fewer, wider] = standard === "tabletop" ? [TABLE.fewer, TABLE.wider] : [1, 1];
  const grown = Math.min(1.8, Math.max(0.7, eyeHeightMm / 32));
  const finest = job.hand.finestLineMm * 0.45;
  return hairTones(params.tones).flatMap((tone, at) =>
    inTurn(params.colours, at).map((one): PlannedCoat => ({
      role: hairsKey(one.id, at),
      name: `${one.name} hairs, ${tone.name}`,
      technique: use("hair", {
        density: Math.min(
          30,
          Math.max(0.2, Math.round((10 * AT_BORDERS * fewer * tone.perMm2) / grown ** 1.5) / 10),
        ),
        length: Math.round(100 * tone.long * params.hairMm) / 100,
        width: Math.round(100 * Math.max(finest, tone.widthMm * wider * Math.sqrt(grown))) / 100,
        hides: isPale(one, tone) ? HIDES.pale : HIDES.most,
      }),
      place: to(hairsKey(one.id, at)),
      mixId: mixOf(one, at + 1),
      water: 0.5,
      passes: 1,
    })),
  );
}

const shadeCoats = ({ params: { shadeMixId } }: Context): PlannedCoat[] =>
  shadeMixId === null
    ? []
    : [
        {
          ...{ role: "shade", name: "Shade below the hairs", technique: use("glaze") },
          place: inZones([], 0, { values: { from: 0, to: SHADE_TO, fade: 0.5 } }),
          ...{ mixId: shadeMixId, water: 3, passes: 2 },
        },
      ];

const sheenCoats = ({ params: { sheenMixId, hairMm } }: Context): PlannedCoat[] =>
  sheenMixId === null
    ? []
    : [
        {
          ...{ role: SHEEN, name: "Sheen on the high points", place: to(SHEEN), mixId: sheenMixId },
          technique: use("hair", {
            ...{ density: 5, width: 0.07, hides: 75 },
            length: Math.round(60 * hairMm) / 100,
          }),
          ...{ water: 1, passes: 1 },
        },
      ];

/** Grounds and blocks, shade, hairs tone by tone in every colour, the sheen. */
export const patchedCoats = (context: Context): PlannedCoat[] =>
  [...blockCoats(context), ...shadeCoats(context), ...hairCoats(context), ...sheenCoats(context)].filter(
    (coat) => mixById(context.job, coat.mixId) !== undefined || coat.role === "base",
  );

/** Every place of the pattern. */
export function patchedPlaces({ params: { colours, tones } }: PatchedLayout): PatternPlace[] {
  const blocks = colours.slice(1).map(({ id, name }) => ({
    ...{ key: blockKey(id), label: `${name.toLowerCase()} blocks` },
    ...{ lays: "regions" as const, covers: true },
  }));
  const hairs = hairTones(tones).flatMap((tone, at) =>
    colours.map(({ id, name }) => ({
      ...{ key: hairsKey(id, at), label: `${name.toLowerCase()} hairs, ${tone.name}` },
      ...{ lays: "field" as const, covers: false },
    })),
  );
  return [
    ...blocks,
    ...hairs,
    { key: SHEEN, label: "high points of the dark colours", lays: "field", covers: false },
  ];
}

/** One tone for each colour. */
export const patchedTones = ({ params: { colours } }: PatchedLayout): PatternTone[] =>
  colours.map(({ id, name }) => ({ key: id, label: name.toLowerCase() }));

/** Blocks and hairs lie on their own colour, the sheen on all. */
export function patchedMeets(key: string, tone: string): boolean {
  const place = placeOfKey(key);
  return place !== null && (place.kind === "sheen" || place.id === tone);
}

/** Hairs of one colour fall on each other, tone by tone. */
export const patchedCrossings = ({ params: { colours, tones } }: PatchedLayout): string[][] =>
  colours.map(({ id }) => [...Array.from({ length: tones }, (_, at) => hairsKey(id, at)), SHEEN]);
