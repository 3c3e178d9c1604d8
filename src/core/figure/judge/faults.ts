import type { Gravity } from "../../checks/finding";
import { formatNumber } from "../../units";
import { BUSY_FROM, echoesOf, type Echo } from "./balance";
import type { Border } from "./borders";
import type { PartLook } from "./looks";

/** What can be wrong with a figure as a whole. */
export type FaultKind = "outshouts" | "run-together" | "equally-busy" | "colour-alone";

/** Something wrong with a figure as a whole, as it is seen in one picture of it. */
export interface Fault {
  readonly kind: FaultKind;
  readonly gravity: Gravity;
  /** The part it is about, and the one beside it where there is one. */
  readonly partId: string;
  readonly otherId: string | null;
  readonly sentence: string;
  readonly reason: string;
  /** Where, from the picture's upper left corner, 0…1 each way. */
  readonly at: readonly [x: number, y: number];
}

/** Whether two faults, of two states of a figure, are one and the same. Parts that run together do so either way round. */
export function isSameFault(one: Fault, other: Fault): boolean {
  if (one.kind !== other.kind) return false;
  const same = one.partId === other.partId && one.otherId === other.otherId;
  const turned = one.partId === other.otherId && one.otherId === other.partId;
  return same || (one.kind === "run-together" && turned);
}

/** A part draws the eye before another where it does so by this much more. */
const BEFORE = 1.5;
/** Parts on both sides of a border that differ by less run into one another (CIEDE2000), unless one is so much busier. */
const [APART, UNLIKE_TEXTURE] = [4, 2] as const;
/** Textures that spread by less than this share of their mean are alike; so many parts make a figure of them. */
const [ALIKE, FEW] = [0.12, 3] as const;
/** Parts smaller than this share of the figure are details, and need no echo. */
const LEAST_SHARE = 0.04;

const ORDER = { "looked-at": 0, usual: 1, quiet: 2 } as const;

/** A part that is to stay back and draws the eye before one that is to be looked at; where none is, before all usual ones. */
function outshouting(looks: readonly PartLook[]): Fault[] {
  const stars = looks.filter(({ importance }) => importance === "looked-at");
  return looks.flatMap((loud): Fault[] => {
    const wanted = (stars.length > 0 ? stars : looks).filter(
      ({ importance }) => ORDER[importance] < ORDER[loud.importance],
    );
    const beaten = wanted.filter(({ draw }) => draw * BEFORE < loud.draw);
    // A thin dark strap crosses a plain coat more sharply than the coat stands out: only what is wanted most counts.
    const first = beaten.sort((a, b) => b.draw - a.draw)[0];
    if (!first || (stars.length === 0 && beaten.length < wanted.length)) return [];
    const times = formatNumber(loud.draw / Math.max(0.01, first.draw), 1);
    return [
      {
        ...{ kind: "outshouts", gravity: "look", partId: loud.id, otherId: first.id, at: loud.at },
        sentence: `The eye goes to ${loud.name} before ${first.name}.`,
        reason: `${loud.name} ${loud.importance === "quiet" ? "is to stay quiet" : "is as important as most"} and draws ${times} times as strongly as ${first.name}, which is ${stars.length > 0 ? "to be looked at" : "to come before it"}. Calm the one or raise the other.`,
      },
    ];
  });
}

/** Parts that meet and cannot be told apart there. */
function runningTogether(looks: readonly PartLook[], borders: readonly Border[]): Fault[] {
  const nameOf = (id: string) => looks.find((look) => look.id === id)?.name ?? id;
  return borders
    .filter(({ apart, texture }) => apart < APART && texture < UNLIKE_TEXTURE)
    .map(({ one, other, apart, lightness, lengthMm, at }): Fault => ({
      ...{ kind: "run-together", gravity: "look", partId: one, otherId: other, at },
      sentence: `${nameOf(one)} and ${nameOf(other)} run into one another where they meet.`,
      reason: `Along ${formatNumber(lengthMm, 1)}\u202fmm they differ by ${formatNumber(apart, 1)} (CIEDE2000; lightness by ${formatNumber(lightness, 0)} L*), less than ${APART}. Darken the join, or give one another tone, hue or more wear.`,
    }));
}

/** Every part as busy as every other: nothing rests the eye, nothing is set off. */
function equallyBusy(looks: readonly PartLook[]): Fault[] {
  const parts = looks.filter(({ share }) => share >= LEAST_SHARE);
  if (parts.length < FEW || parts.some(({ texture }) => texture < BUSY_FROM)) return [];
  const mean = parts.reduce((sum, { texture }) => sum + texture, 0) / parts.length;
  const spread = Math.sqrt(parts.reduce((sum, { texture }) => sum + (texture - mean) ** 2, 0) / parts.length);
  if (spread > ALIKE * mean) return [];
  const least = [...parts].sort((a, b) => ORDER[b.importance] - ORDER[a.importance] || a.draw - b.draw)[0]!;
  return [
    {
      ...{ kind: "equally-busy", gravity: "look", partId: least.id, otherId: null, at: least.at },
      sentence: `All ${parts.length} parts are equally busy.`,
      reason: `Their fine contrasts spread by ${formatNumber(mean, 1)} L* each, and differ by ${formatNumber((100 * spread) / mean, 0)}\u202f% only: nothing rests the eye. Smooth beside rough draws it; ${least.name} matters least.`,
    },
  ];
}

/** A vivid colour of a part that is not to be looked at, found nowhere else. */
function alone(looks: readonly PartLook[], echoes: readonly Echo[]): Fault[] {
  if (looks.length < FEW) return [];
  return echoes
    .filter((echo) => echo.with.length === 0)
    .flatMap(({ surfaceId, hue }): Fault[] => {
      const look = looks.find(({ id }) => id === surfaceId)!;
      if (look.importance === "looked-at" || look.share < LEAST_SHARE) return [];
      return [
        {
          ...{ kind: "colour-alone", gravity: "note", partId: look.id, otherId: null, at: look.at },
          sentence: `The colour of ${look.name} is found nowhere else on the figure.`,
          reason: `Its hue (${formatNumber(hue.hueDeg, 0)}°) covers ${formatNumber(100 * hue.share, 0)}\u202f% of it and no other part shows it. Repeated once, however small, it belongs.`,
        },
      ];
    });
}

/** All faults of a figure, by what its parts look like and where they meet. */
export const faultsOf = (looks: readonly PartLook[], borders: readonly Border[]): Fault[] => [
  ...outshouting(looks),
  ...runningTogether(looks, borders),
  ...equallyBusy(looks),
  ...alone(looks, echoesOf(looks)),
];
