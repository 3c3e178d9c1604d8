import { growthOf } from "../growth/growthOf";
import { InputError } from "../errors";
import { lightOf } from "../figure/light";
import { activeCoats, isMishap, type Job, type Paint, type Surface } from "../job";
import { familyIn } from "../patterns";
import { patternOf } from "../patterns/bind";
import { reliefKey } from "../surface/keptHeights";
import { buildForm } from "../surface/forms/buildForm";
import type { Check, CheckContext } from "./check";
import { cover } from "./cover";
import { evenness } from "./evenness";
import { feetLevel } from "./feetLevel";
import { filmBuildUp } from "./filmBuildUp";
import { gapsOpen } from "./gapsOpen";
import { GRAVITIES, type CheckResult, type Finding, type Remedy } from "./finding";
import { aboutWhatIsLeft, sizeChanges, type PaintedCard } from "./painted";
import { pots } from "./pots";
import { hashText } from "../random";
import { deriveCoats } from "../patterns/derive";
import { sampledSurface, type SampledSurface } from "../simulate/sampled";
import { applyRemedy } from "./applyRemedy";
import { baseHue } from "./baseHue";
import { blocksApart } from "./blocksApart";
import { brushedApart } from "./brushedApart";
import { buried } from "./buried";
import { finerThanHand } from "./finerThanHand";
import { lostHighlight } from "./lostHighlight";
import { glowOutshone } from "./glowOutshone";
import { glowShows } from "./glowShows";
import { hairLiesEven } from "./hairLiesEven";
import { hairReads } from "./hairReads";
import { mediumAlone } from "./mediumAlone";
import { olderBelow } from "./olderBelow";
import { overTheRim } from "./overTheRim";
import { pasteAtScale } from "./pasteAtScale";
import { pasteOverPaint } from "./pasteOverPaint";
import { platesInLight } from "./platesInLight";
import { touchingAlike, TOUCHING } from "./touching";
import { unseen } from "./unseen";
import { unseenMarks } from "./unseenMarks";
import { washTooDark } from "./washTooDark";
import { wetBlendDry } from "./wetBlendDry";

/** Every check that any surface can have. A new one is one file and one line here; a family brings its own. */
export const checks: readonly Check[] = [
  pots,
  cover,
  filmBuildUp,
  gapsOpen,
  evenness,
  unseen,
  buried,
  baseHue,
  mediumAlone,
  finerThanHand,
  wetBlendDry,
  pasteOverPaint,
  washTooDark,
  lostHighlight,
  hairReads,
  hairLiesEven,
  brushedApart,
  platesInLight,
  unseenMarks,
  olderBelow,
  glowShows,
  glowOutshone,
  blocksApart,
  feetLevel,
  overTheRim,
  pasteAtScale,
];

/**
 * Checks that have something to look at on a surface: its pattern's own among them.
 * @throws InputError where it cannot be built
 */
export function checksOf(surface: Surface): readonly { id: string; label: string }[] {
  const concerned = checks.filter(({ concerns }) => !concerns || concerns(buildForm(surface), surface));
  return [...concerned, ...(familyIn(surface)?.checks ?? []), TOUCHING];
}

/** A surface that cannot be built or read is itself the finding. */
function unusable(surface: Surface, error: Error): Finding {
  return {
    id: `${surface.id}/unusable`,
    gravity: "must",
    surfaceId: surface.id,
    coatId: null,
    where: surface.name,
    sentence: error.message,
    reason: "Until this is mended the surface keeps its last coats and cannot be checked.",
    remedies: [],
  };
}

type Found = CheckResult & { readonly check: string };

/** What all checks of a surface find, or one of them alone. */
function runAll(context: CheckContext, only: string | null): Found[] {
  const { pattern } = context;
  const wanted = ({ id }: { readonly id: string }) => only === null || id === only;
  const common = checks
    .filter(wanted)
    .flatMap((check) => check.run(context).map((found) => ({ ...found, check: check.id })));
  if (!pattern) return common;
  const { params, layout, family } = pattern;
  const own = family.checks
    .filter(wanted)
    .flatMap((check) =>
      check.run({ ...context, pattern, params, layout }).map((found) => ({ ...found, check: check.id })),
    );
  return [...common, ...own];
}

/** What is found on one surface of a job. @throws InputError where it cannot be built or read */
function foundOn(job: Job, surface: Surface, paints: readonly Paint[], only: string | null = null): Found[] {
  const form = buildForm(surface);
  const pattern = patternOf(job, surface, form);
  let looked: SampledSurface | null = null;
  const sampled = () => (looked ??= sampledSurface(job, surface, paints));
  const found = runAll({ job, surface, form, paints, coats: activeCoats(surface), pattern, sampled }, only);
  // What lies there by mishap is judged by what it does to the others: it cannot be planned otherwise.
  const byMishap = new Set(surface.coats.filter(isMishap).map(({ id }) => id));
  return byMishap.size === 0 ? found : found.filter(({ coatId }) => coatId === null || !byMishap.has(coatId));
}

const worstFirst = (found: readonly Finding[]): Finding[] =>
  [...found].sort((a, b) => GRAVITIES.indexOf(a.gravity) - GRAVITIES.indexOf(b.gravity));

/** Whether a remedy does away with what was found, tried on the job itself. */
function cures(job: Job, surface: Surface, paints: readonly Paint[], found: Found, remedy: Remedy): boolean {
  try {
    const mended = deriveCoats(applyRemedy(job, remedy), paints, job);
    const after = mended.surfaces.find(({ id }) => id === surface.id);
    return !after || !foundOn(mended, after, paints, found.check).some(({ key }) => key === found.key);
  } catch (error) {
    if (error instanceof InputError) return false;
    throw error;
  }
}

/** What was tried before, by surface, finding and remedy: most edits leave most findings as they are. */
const tried = new Map<string, boolean>();
const MOST_TRIED = 2000;

function curesOnce(key: string, find: () => boolean): boolean {
  const known = tried.get(key);
  if (known !== undefined) return known;
  if (tried.size >= MOST_TRIED) tried.clear();
  const found = find();
  tried.set(key, found);
  return found;
}

/** Remedies that cure, of each ladder the first that does; those after it need not be tried. @yields after each try */
function* firstCures({ remedies }: Found, isCure: (remedy: Remedy) => boolean): Generator<void, Remedy[]> {
  const climbed = new Set<string>();
  const curing: Remedy[] = [];
  for (const remedy of remedies) {
    const { ladder } = remedy;
    if (ladder !== undefined && climbed.has(ladder)) continue;
    if (isCure(remedy)) {
      curing.push(remedy);
      if (ladder !== undefined) climbed.add(ladder);
    }
    yield;
  }
  return curing;
}

/** Findings with those of their remedies that cure them. @yields after each that was tried */
function* withCures(
  job: Job,
  surface: Surface,
  paints: readonly Paint[],
  all: readonly Found[],
): Generator<void, Found[]> {
  if (!all.some(({ remedies }) => remedies.length > 0)) return [...all];
  const { hand, figures, mixes, touching } = job;
  const on = JSON.stringify([
    surface,
    reliefKey(surface),
    lightOf(job, surface).key,
    growthOf(job, surface).key,
    hand,
    figures,
    mixes,
    touching,
    paints.map((paint) => [paint.id, paint.thick, paint.fit]),
  ]);
  const short = `${hashText(on)}-${on.length}`;
  const cured: Found[] = [];
  for (const found of all) {
    const isCure = (remedy: Remedy) =>
      curesOnce(JSON.stringify([short, found.check, found.key, remedy.changes]), () =>
        cures(job, surface, paints, found, remedy),
      );
    cured.push({ ...found, remedies: yield* firstCures(found, isCure) });
  }
  return cured;
}

const asFindings = (surface: Surface, found: readonly Found[]): Finding[] =>
  worstFirst(
    found.map(({ key, check, ...rest }) => ({
      ...rest,
      id: `${surface.id}/${check}/${key}`,
      surfaceId: surface.id,
    })),
  );

/** What is found on a surface, its remedies still to be tried; what is wrong with it where it cannot be looked at. */
function lookAt(
  job: Job,
  surface: Surface,
  paints: readonly Paint[],
  only: string | null = null,
): Found[] | InputError {
  try {
    return foundOn(job, surface, paints, only);
  } catch (error) {
    // Sizes and settings that cannot be used are expected; a slip in code is not, and is shown as one.
    if (error instanceof InputError) return error;
    throw error;
  }
}

/** What was found on a surface as findings, every remedy offered one that cures. @yields after each that was tried */
function* cured(
  job: Job,
  surface: Surface,
  paints: readonly Paint[],
  found: Found[] | InputError,
): Generator<void, Finding[]> {
  if (found instanceof InputError) return [unusable(surface, found)];
  return asFindings(surface, yield* withCures(job, surface, paints, found));
}

/** Goes through all steps of something at once. */
function atOnce<T>(steps: Generator<unknown, T>): T {
  for (let step = steps.next(); ; step = steps.next()) if (step.done) return step.value;
}

/**
 * All findings on one surface, worst first; every remedy offered cures its finding.
 * @param only id of the one check that is asked, null for all
 */
export const checkSurface = (
  job: Job,
  surface: Surface,
  paints: readonly Paint[],
  only: string | null = null,
): Finding[] => atOnce(cured(job, surface, paints, lookAt(job, surface, paints, only)));

/**
 * All findings of a job, worst first, in small steps, so that whoever asked can go on in between.
 * @param painted cards that are done: nothing is found about them, and nothing mended by painting them otherwise
 * @yields once all findings without remedies, which take longer; null after every other step
 */
export function* checkSteps(
  job: Job,
  paints: readonly Paint[],
  painted: readonly PaintedCard[] = [],
): Generator<Finding[] | null, Finding[]> {
  const looked: (readonly [Surface, Found[] | InputError])[] = [];
  for (const surface of job.surfaces) {
    looked.push([surface, lookAt(job, surface, paints)]);
    yield null;
  }
  const together = [...sizeChanges(job, painted)];
  const sum = (own: readonly Finding[], touching: readonly Finding[]) =>
    worstFirst([...together, ...aboutWhatIsLeft([...own, ...touching], painted)]);
  const plain = looked.flatMap(([surface, found]) =>
    found instanceof InputError ? [unusable(surface, found)] : asFindings(surface, found),
  );
  yield sum(
    plain.map((finding) => ({ ...finding, remedies: [] })),
    touchingAlike(job, paints),
  );
  const found: Finding[] = [];
  for (const [surface, own] of looked) {
    const trying = cured(job, surface, paints, own);
    let step = trying.next();
    for (; !step.done; step = trying.next()) yield null;
    found.push(...step.value);
  }
  return sum(found, touchingAlike(job, paints, true));
}

/** All findings of a job at once, worst first. @param painted cards that are done */
export const checkJob = (
  job: Job,
  paints: readonly Paint[],
  painted: readonly PaintedCard[] = [],
): Finding[] => atOnce(checkSteps(job, paints, painted));
