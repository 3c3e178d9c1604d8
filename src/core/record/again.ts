import { schemeOf, type KeptAs } from "../edits/ownSchemes";
import {
  MOST_BATCHES,
  type Coat,
  type History,
  type Job,
  type LogEntry,
  type MixPart,
  type OwnScheme,
  type Paint,
  type Surface,
} from "../job";
import { batchesOf } from "./batches";
import { partsOf, sharesApart } from "./mixedParts";

/** A mix whose pots have these shares or nearer was mixed as planned: a drop more or less is no correction. */
const AS_PLANNED = 0.04;
/** Thinning noted this near to the plan is as planned, parts of water. */
const AS_THIN = 0.05;

/** Something that was done otherwise than planned, and is to be done so the next time. */
export type Correction = {
  /** Tells corrections of one surface apart. */
  readonly id: string;
  /** The mix or the coat it is about. */
  readonly of: string;
} & (
  | {
      readonly kind: "mix";
      readonly mixId: string;
      readonly planned: readonly MixPart[];
      readonly parts: readonly MixPart[];
    }
  | { readonly kind: "water"; readonly coatId: string; readonly planned: number; readonly water: number }
  | {
      readonly kind: "unpainted";
      readonly coatId: string;
      /** A later coat was painted: it was left out, not yet to come. */
      readonly skipped: boolean;
    }
);

/** Entries of the log that tell of a coat of a surface, first to last. */
const entriesOf = (
  log: readonly LogEntry[],
  surface: Pick<Surface, "id">,
  coat: Pick<Coat, "id">,
): LogEntry[] =>
  log
    .filter(({ cardId }) => cardId === `${surface.id}/${coat.id}`)
    .toSorted((a, b) => a.doneAt.localeCompare(b.doneAt));

function mixCorrections(
  scheme: OwnScheme,
  surface: Surface,
  log: readonly LogEntry[],
  paints: readonly Paint[],
): Correction[] {
  return scheme.mixes.flatMap((mix) => {
    const entries = scheme.coats
      .filter(({ mixId }) => mixId === mix.id)
      .flatMap((coat) => entriesOf(log, surface, coat))
      .filter(({ recipe }) => recipe?.some(({ paintId }) => paintId !== null));
    const newest = entries.toSorted((a, b) => a.doneAt.localeCompare(b.doneAt)).at(-1);
    if (!newest) return [];
    const parts = partsOf(newest.recipe!, paints);
    if (sharesApart(parts, mix.parts) <= AS_PLANNED) return [];
    return [
      { kind: "mix", id: `mix/${mix.id}`, of: mix.name, mixId: mix.id, planned: mix.parts, parts } as const,
    ];
  });
}

/** Coats that nobody is to paint, or that are there because something went wrong, have no card. */
const hasCard = ({ held, mishap }: Coat): boolean => !held && mishap === undefined;

function coatCorrections(scheme: OwnScheme, surface: Surface, log: readonly LogEntry[]): Correction[] {
  const told = scheme.coats.map((coat) => ({ coat, entries: entriesOf(log, surface, coat) }));
  const last = told.findLastIndex(({ entries }) => entries.length > 0);
  return told.flatMap(({ coat, entries }, at): Correction[] => {
    if (!hasCard(coat)) return [];
    if (entries.length === 0)
      return last >= 0
        ? [
            {
              kind: "unpainted",
              id: `unpainted/${coat.id}`,
              of: coat.name,
              coatId: coat.id,
              skipped: at < last,
            },
          ]
        : [];
    const water = entries.findLast((entry) => entry.water !== undefined)?.water;
    if (water === undefined || Math.abs(water - coat.water) <= AS_THIN) return [];
    return [
      { kind: "water", id: `water/${coat.id}`, of: coat.name, coatId: coat.id, planned: coat.water, water },
    ];
  });
}

/** What was done otherwise on a surface than it is planned now: mixes as dropped, thinning, coats that were never painted. */
export function correctionsOf(
  job: Job,
  surface: Surface,
  { log }: History,
  paints: readonly Paint[],
): Correction[] {
  const scheme = schemeOf(job, surface, { id: "as-planned", name: surface.name, at: "" });
  return [...mixCorrections(scheme, surface, log, paints), ...coatCorrections(scheme, surface, log)];
}

const corrected = (scheme: OwnScheme, correction: Correction): OwnScheme => {
  switch (correction.kind) {
    case "mix":
      return {
        ...scheme,
        mixes: scheme.mixes.map((mix) =>
          mix.id === correction.mixId ? { ...mix, parts: correction.parts } : mix,
        ),
      };
    case "water":
      return {
        ...scheme,
        coats: scheme.coats.map((coat) =>
          coat.id === correction.coatId ? { ...coat, water: correction.water } : coat,
        ),
      };
    case "unpainted":
      return {
        ...scheme,
        coats: scheme.coats.map((coat) => (coat.id === correction.coatId ? { ...coat, held: true } : coat)),
      };
  }
};

/** What was noted of a surface's coats, a line each. */
const notesOf = (entries: readonly LogEntry[]): string =>
  entries
    .filter(({ note }) => note.trim() !== "")
    .map(({ cardTitle, note }) => `${cardTitle}: ${note.trim()}`)
    .join("\n")
    .slice(0, 20_000);

/**
 * A surface as a scheme of one's own with what was done otherwise made part of it, what was noted and the wells as they
 * were mixed. What went wrong, and what mended it, is left out.
 * @param corrections those of `correctionsOf` that are to be made
 */
export function paintedAgain(
  job: Job,
  surface: Surface,
  { log }: History,
  corrections: readonly Correction[],
  keptAs: KeptAs,
): OwnScheme {
  const scheme = corrections.reduce(corrected, schemeOf(job, surface, keptAs));
  const own = log
    .filter(({ cardId }) => cardId.startsWith(`${surface.id}/`))
    .toSorted((a, b) => a.doneAt.localeCompare(b.doneAt));
  return {
    ...scheme,
    asPainted: own.length > 0,
    notes: notesOf(own),
    batches: batchesOf(own).slice(-MOST_BATCHES),
  };
}
