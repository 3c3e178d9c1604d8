import { swatchOfMix, opticsOfMix } from "../colour/appearance";
import { covers, findClear, findMix, labToSpectrum, tints } from "../colour/chosenMix";
import { ciede2000 } from "../colour/difference";
import { layFilm } from "../colour/film";
import { labToHex, spectrumToLab, type Triple } from "../colour/spaces";
import type { Mix, OwnScheme, Paint } from "../job";
import { mixesIn } from "../patterns/mixes";

/** No paint is lighter or darker than this, L*. */
const LIGHTEST = 94;
const DARKEST = 6;
/** A colour of less chroma has no hue of its own. */
const GREY = 5;
/** Mixes of a hue no further than this from the main one's are tones of one material, degrees. */
const ONE_MATERIAL_DEG = 45;
/** Tones of one material differ less than this in chroma. */
const ONE_MATERIAL_CHROMA = 18;
/** Clear mixes are looked at as a film of this, µm dry, over the main colour. */
const FILM_UM = 7;

const chromaOf = ([, a, b]: Triple): number => Math.hypot(a, b);
const hueOf = ([, a, b]: Triple): number => Math.atan2(b, a);

/** Whether all pots of a mix are of a kind; what is left in them does not count. */
const isAll = (mix: Mix, paints: readonly Paint[], kind: (paint: Paint) => boolean): boolean =>
  mix.parts.length > 0 &&
  mix.parts.every(({ paintId }) => {
    const pot = paints.find(({ id }) => id === paintId);
    return pot !== undefined && kind({ ...pot, state: "have" });
  });

/** Whether a mix tints what lies below: all of its pots do. */
export const isClearMix = (mix: Mix, paints: readonly Paint[]): boolean => isAll(mix, paints, tints);

/** Whether a mix can be found in another colour: metal, paste and powder cannot. */
const canMove = (mix: Mix, paints: readonly Paint[]): boolean =>
  isClearMix(mix, paints) || isAll(mix, paints, covers);

/** A mix as it counts in a scheme: a covering one thick, a clear one as a film over the main colour, L*a*b*. */
function shown(mix: Mix, main: Triple, paints: readonly Paint[]): Triple {
  if (!isClearMix(mix, paints)) return spectrumToLab(swatchOfMix(mix, paints));
  return spectrumToLab(layFilm(opticsOfMix(mix, paints), FILM_UM, labToSpectrum(main)));
}

/** The mix most of a scheme's surface is painted with: that of its first covering coat laid everywhere. */
export function mainMix(scheme: OwnScheme, paints: readonly Paint[]): Mix | null {
  const covering = scheme.mixes.filter((mix) => !isClearMix(mix, paints));
  const first = scheme.coats.find(
    ({ place, held, mixId }) =>
      place.kind === "everywhere" && !held && covering.some(({ id }) => id === mixId),
  );
  return covering.find(({ id }) => id === first?.mixId) ?? covering[0] ?? scheme.mixes[0] ?? null;
}

/** Mixes that are tones of the main one's material: of its hue and about as vivid, or of too little chroma to have one beside a main grey. */
export function tonesOf(scheme: OwnScheme, main: Mix, paints: readonly Paint[]): string[] {
  const lab = shown(main, [50, 0, 0], paints);
  const near = (mix: Mix): boolean => {
    const own = shown(mix, lab, paints);
    if (chromaOf(lab) < GREY || chromaOf(own) < GREY) return chromaOf(lab) < GREY && chromaOf(own) < GREY;
    if (Math.abs(chromaOf(own) - chromaOf(lab)) > ONE_MATERIAL_CHROMA) return false;
    const apart = Math.abs(hueOf(own) - hueOf(lab));
    return (Math.min(apart, 2 * Math.PI - apart) * 180) / Math.PI <= ONE_MATERIAL_DEG;
  };
  return scheme.mixes
    .filter((mix) => mix.id === main.id || (canMove(mix, paints) && near(mix)))
    .map(({ id }) => id);
}

/** A duller tone is as much duller as it was, by ratio; a more vivid one by as much more. */
const movedChroma = (main: number, goal: number, own: number): number =>
  own > main ? goal + (own - main) : (goal * own) / main;

/**
 * Where tones go when their main one goes to another colour: each as much lighter or darker than the main one as it was,
 * its hue turned and its chroma moved with it. Steps that would end above or below what paint can show are all made
 * smaller alike on that side, so that their order is kept.
 * @param tones L*a*b*
 * @returns L*a*b* of each, in their order
 */
export function movedTones(main: Triple, goal: Triple, tones: readonly Triple[]): Triple[] {
  const steps = tones.map(([l]) => l - main[0]);
  const up = Math.max(0, ...steps);
  const down = Math.max(0, ...steps.map((step) => -step));
  const room = { up: Math.max(0, LIGHTEST - goal[0]), down: Math.max(0, goal[0] - DARKEST) };
  const scale = { up: up > room.up ? room.up / up : 1, down: down > room.down ? room.down / down : 1 };
  const turn = chromaOf(main) < GREY ? null : hueOf(goal) - hueOf(main);
  return tones.map((tone, at) => {
    const step = steps[at]!;
    const l = goal[0] + step * (step > 0 ? scale.up : scale.down);
    // A grey main colour has no hue to turn from: its tones take the goal's.
    const hue = turn === null ? hueOf(goal) : hueOf(tone) + turn;
    const chroma =
      turn === null ? chromaOf(goal) : movedChroma(chromaOf(main), chromaOf(goal), chromaOf(tone));
    return [l, chroma * Math.cos(hue), chroma * Math.sin(hue)];
  });
}

/** One tone of a recoloured scheme. */
export interface MovedTone {
  readonly mixId: string;
  readonly was: Triple;
  /** Where it was to go, and what the mix that was found shows, L*a*b*. */
  readonly goal: Triple;
  readonly got: Triple;
  /** CIEDE2000 between the two. */
  readonly difference: number;
}

/** A scheme in another colour, and what became of each mix that went along. */
export interface Recoloured {
  readonly scheme: OwnScheme;
  readonly tones: readonly MovedTone[];
}

/** What is to be recoloured, and how. */
export interface RecolourWish {
  readonly scheme: OwnScheme;
  readonly mainMixId: string;
  /** What the main mix is to be, L*a*b*. */
  readonly goal: Triple;
  /** Mixes that go along; the main one always does. */
  readonly mixIds: readonly string[];
}

/**
 * A scheme in another colour, its steps of lightness kept, with mixes found in pots that are at hand. A mix for which no pot
 * is at hand stays as it was.
 * @throws RangeError where the scheme has no such main mix
 */
export function recoloured(
  { scheme, mainMixId, goal, mixIds }: RecolourWish,
  paints: readonly Paint[],
): Recoloured {
  const main = scheme.mixes.find(({ id }) => id === mainMixId);
  if (!main) throw new RangeError(`The scheme has no mix "${mainMixId}".`);
  const was = shown(main, [50, 0, 0], paints);
  const moving = scheme.mixes
    .filter(({ id }) => id === mainMixId || mixIds.includes(id))
    .filter((mix) => canMove(mix, paints));
  const labs = moving.map((mix) => shown(mix, was, paints));
  const goals = movedTones(was, goal, labs);
  const inUse = new Set<string>();
  const pots = { clear: paints.filter(tints), covering: paints.filter(covers) };
  const found = new Map<string, Mix>();
  const tones = moving.map((mix, at): MovedTone => {
    const to = goals[at]!;
    const best = isClearMix(mix, paints)
      ? findClear(pots.clear, goal, to, inUse)
      : findMix(pots.covering, to, { kind: "thick" }, inUse, { care: 3 });
    if (best) {
      best.parts.forEach(({ paintId }) => inUse.add(paintId));
      found.set(mix.id, { ...mix, parts: best.parts, goal: mix.goal === null ? null : labToHex(to) });
    }
    const got = shown(found.get(mix.id) ?? mix, goal, paints);
    return { mixId: mix.id, was: labs[at]!, goal: to, got, difference: ciede2000(to, got) };
  });
  return { scheme: { ...scheme, mixes: scheme.mixes.map((mix) => found.get(mix.id) ?? mix) }, tones };
}

/** Mixes of a scheme that something is painted with. */
export function mixesInUse(scheme: OwnScheme): Mix[] {
  const used = new Set([
    ...scheme.coats.filter(({ held }) => !held).map(({ mixId }) => mixId),
    ...mixesIn(scheme.pattern),
  ]);
  return scheme.mixes.filter(({ id }) => used.has(id));
}
