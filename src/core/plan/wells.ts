import { paintOptics } from "../colour/appearance";
import { ciede2000 } from "../colour/difference";
import { masstone } from "../colour/film";
import { mixOptics } from "../colour/mix";
import { rankStep } from "../colour/search";
import { spectrumToLab, type Triple } from "../colour/spaces";
import type { Addition, Mix, Paint, Well } from "../job";
import type { Batch } from "./drops";

/** Water drops into a well have the painter's own size. */
export interface DropSizes {
  readonly paints: readonly Paint[];
  readonly waterDropUl: number;
}

const dropOf = ({ paints, waterDropUl }: DropSizes, paintId: string | null): number =>
  paintId === null ? waterDropUl : (paints.find((paint) => paint.id === paintId)?.dropUl ?? 40);

/** Paint in a well, µl. */
export const paintUl = (well: Pick<Well, "content">): number =>
  well.content.reduce((sum, part) => sum + part.ul, 0);
/** Paint and water in a well, µl. */
export const volumeUl = (well: Pick<Well, "content" | "waterUl">): number => paintUl(well) + well.waterUl;
/** Parts of water to one of paint in the well now; 0 without paint. */
export const thinningOf = (well: Pick<Well, "content" | "waterUl">): number =>
  paintUl(well) > 0 ? well.waterUl / paintUl(well) : 0;

/** A well with whole drops more in it. @throws RangeError unless drops are whole and above 0 */
export function withDrops(well: Well, paintId: string | null, drops: number, sizes: DropSizes): Well {
  if (!Number.isInteger(drops) || drops < 1)
    throw new RangeError(`drops must be a whole number above 0, got ${drops}`);
  const ul = drops * dropOf(sizes, paintId);
  const last = well.added.at(-1);
  const added =
    last?.paintId === paintId
      ? [...well.added.slice(0, -1), { paintId, drops: last.drops + drops }]
      : [...well.added, { paintId, drops }];
  if (paintId === null) return { ...well, added, waterUl: well.waterUl + ul };
  const known = well.content.some((part) => part.paintId === paintId);
  const content = known
    ? well.content.map((part) => (part.paintId === paintId ? { ...part, ul: part.ul + ul } : part))
    : [...well.content, { paintId, ul }];
  return { ...well, added, content };
}

/** A well begun with the drops of a batch. */
export function wellFrom(id: string, mix: Mix, batch: Batch, sizes: DropSizes): Well {
  const empty: Well = { id, name: mix.name, mixId: mix.id, added: [], content: [], waterUl: 0 };
  const mixed = batch.drops.reduce((well, pot) => withDrops(well, pot.paintId, pot.drops, sizes), empty);
  return batch.waterDrops > 0 ? withDrops(mixed, null, batch.waterDrops, sizes) : mixed;
}

/** A well after some of it was used; what is left keeps its colour. */
export function withUsed(well: Well, usedUl: number): Well {
  const volume = volumeUl(well);
  const left = volume > 0 ? Math.max(0, 1 - usedUl / volume) : 0;
  return {
    ...well,
    content: well.content.map((part) => ({ ...part, ul: part.ul * left })),
    waterUl: well.waterUl * left,
  };
}

/** All drops that went in, water last, each pot once: the recipe as really mixed. */
export function recipeOf(well: Pick<Well, "added">): Addition[] {
  const sums = new Map<string | null, number>();
  for (const { paintId, drops } of well.added) sums.set(paintId, (sums.get(paintId) ?? 0) + drops);
  return [...sums]
    .map(([paintId, drops]) => ({ paintId, drops }))
    .sort((a, b) => Number(a.paintId === null) - Number(b.paintId === null));
}

/** Parts of water to one of paint that drops make; null where there is no paint among them. */
export function waterOfRecipe(
  recipe: readonly Addition[],
  paints: readonly Paint[],
  sizes: Pick<DropSizes, "waterDropUl">,
): number | null {
  const of = { paints, waterDropUl: sizes.waterDropUl };
  const ulOf = (list: readonly Addition[]) =>
    list.reduce((sum, { paintId, drops }) => sum + drops * dropOf(of, paintId), 0);
  const paint = ulOf(recipe.filter(({ paintId }) => paintId !== null));
  return paint > 0 ? ulOf(recipe.filter(({ paintId }) => paintId === null)) / paint : null;
}

/** L*a*b* of what is in a well, laid thick and dry; null where there is no paint in it. */
export function wellLab(content: Well["content"], paints: readonly Paint[]): Triple | null {
  const parts = content.flatMap((part) => {
    const paint = paints.find((one) => one.id === part.paintId);
    return paint && part.ul > 0
      ? [{ optics: paintOptics(paint), parts: part.ul, strength: paint.strength }]
      : [];
  });
  return parts.length > 0 ? spectrumToLab(masstone(mixOptics(parts))) : null;
}

/** Drops to add to a well, the colour they give, and how far it is off, CIEDE2000. */
export interface FoundAddition {
  readonly additions: readonly Addition[];
  readonly difference: number;
  readonly lab: Triple;
  /** Volume of the well after it, µl. */
  readonly volumeUl: number;
}

/** Water that keeps the thinning, in whole drops. */
const waterFor = (well: Well, paintAddedUl: number, sizes: DropSizes) =>
  Math.round((thinningOf(well) * paintAddedUl) / sizes.waterDropUl);

interface PotDrops {
  readonly paint: Paint;
  readonly drops: number;
}

/** A well with whole drops of its pots more in it, and the water that keeps its thinning. */
export function withToppedUp(
  well: Well,
  pots: readonly { readonly paintId: string; readonly drops: number }[],
  sizes: DropSizes,
): Well {
  const addedUl = pots.reduce((sum, { paintId, drops }) => sum + drops * dropOf(sizes, paintId), 0);
  const water = waterFor(well, addedUl, sizes);
  const topped = pots.reduce((next, { paintId, drops }) => withDrops(next, paintId, drops, sizes), well);
  return water > 0 ? withDrops(topped, null, water, sizes) : topped;
}

/** Every one and two pots in 1 to so many whole drops. */
function* dropsToTry(pots: readonly Paint[], mostDrops: number): Generator<readonly PotDrops[]> {
  for (const [first, paint] of pots.entries()) {
    for (let drops = 1; drops <= mostDrops; drops++) {
      yield [{ paint, drops }];
      for (const other of pots.slice(first + 1)) {
        for (let more = 1; more <= mostDrops; more++)
          yield [
            { paint, drops },
            { paint: other, drops: more },
          ];
      }
    }
  }
}

const dropsOf = ({ additions }: FoundAddition) => additions.reduce((sum, part) => sum + part.drops, 0);
/** Nearest first, fewer drops first where two cannot be told apart. */
const byNearness = (a: FoundAddition, b: FoundAddition) =>
  rankStep(a.difference) - rankStep(b.difference) || dropsOf(a) - dropsOf(b) || a.difference - b.difference;

/**
 * What to add to a well to come nearest to a tone: every one and two pots in whole drops, with the water that keeps the
 * thinning. Nothing can be taken out of a well, so far goals may be out of reach.
 * @param mostDrops largest number of drops of one pot
 * @param mostUl largest volume the well may grow to
 * @returns at most `keep` answers, nearest first, fewer drops first where two cannot be told apart
 */
export function whatToAdd(
  well: Well,
  goal: Triple,
  pots: readonly Paint[],
  sizes: DropSizes,
  limits: { readonly mostDrops: number; readonly mostUl: number; readonly keep: number },
): FoundAddition[] {
  const found: FoundAddition[] = [];
  for (const additions of dropsToTry(pots, limits.mostDrops)) {
    const ul = additions.reduce((sum, { paint, drops }) => sum + paint.dropUl * drops, 0);
    const water = waterFor(well, ul, sizes);
    const volume = volumeUl(well) + ul + water * sizes.waterDropUl;
    if (volume > limits.mostUl) continue;
    const added = additions.map(({ paint, drops }) => ({ paintId: paint.id, ul: paint.dropUl * drops }));
    const lab = wellLab([...well.content, ...added], sizes.paints);
    if (!lab) continue;
    const list: Addition[] = additions.map(({ paint, drops }) => ({ paintId: paint.id, drops }));
    if (water > 0) list.push({ paintId: null, drops: water });
    found.push({ additions: list, difference: ciede2000(lab, goal), lab, volumeUl: volume });
  }
  return found.sort(byNearness).slice(0, limits.keep);
}
