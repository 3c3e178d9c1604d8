import type { LogEntry, Paint, UnitWay } from "../../job";
import type { Painter } from "../../painter";
import { isTechniqueId, techniques } from "../../techniques";
import type { TechniqueDefinition } from "../../techniques/technique";
import type { Card } from "../cards";
import { binderOf } from "../drying";
import type { InMinutes } from "../inPlan";
import { doneOf, figuresOf, type DoneOn } from "../progress";
import type { Go, Task } from "./task";

/** More goes than this are planned card by card: all figures of a unit in a row. */
const MOST_GOES = 3000;

/** What tasks are made of. */
export interface Planning {
  readonly cards: readonly Card[];
  readonly paints: readonly Paint[];
  readonly log: readonly LogEntry[];
  readonly unit: UnitWay;
  readonly painter: Pick<Painter, "setUpMinutes" | "handlingMinutes">;
  /** In how many minutes a time of the log comes: below 0, as it is over. */
  readonly inMinutes: InMinutes;
  /** Cards after which their surface may be left for another day; left out while that is not known. */
  readonly rests?: ReadonlySet<string>;
}

const techniqueOf = ({ coat: { technique } }: Card): TechniqueDefinition | null =>
  isTechniqueId(technique.id) ? techniques[technique.id] : null;

/** Whether a card waits until what is below is dry through. */
function onDry(card: Card, paints: readonly Paint[]): boolean {
  return techniqueOf(card)?.onDry === true || binderOf(card.mix, paints) !== "water";
}

/** A pass of a card on one figure that is still to be painted. */
interface Pass {
  readonly card: Card;
  readonly pass: number;
  readonly figure: number;
  readonly mixId: string | null;
  readonly wet: boolean;
  readonly go: Go;
}

/** One surface of one figure: what is left to paint on it, and from when on. */
interface Line {
  readonly passes: Pass[];
  readonly from: number;
}

/** Hand time of one pass on one figure, minutes. */
const goMinutes = ({ work, pieces, figures }: Card, { handlingMinutes }: Planning["painter"]): number =>
  work.handMinutes * pieces + (figures > 1 ? handlingMinutes : 0);

/** Drying of a card before whatever follows it, minutes. */
function waitsAfter(card: Card, next: Card | undefined, paints: readonly Paint[]): number {
  if (!next) return 0;
  if (techniqueOf(next)?.wetInWet) return 0;
  return onDry(next, paints) ? card.drying.fullyDry : card.drying.touchDry;
}

function lineOf(
  own: readonly Card[],
  figure: number,
  { paints, log, inMinutes, painter, rests }: Planning,
): Line {
  const passes: Pass[] = [];
  let from = 0;
  own.forEach((card, at) => {
    const done: DoneOn | undefined = doneOf(card, log).get(figure);
    const mixId =
      card.onFigures.find(({ figures }) => figures.includes(figure))?.mixId ?? card.mix?.id ?? null;
    for (let pass = 1; pass <= card.coat.passes; pass++) {
      const waits = pass < card.coat.passes ? card.drying.touchDry : waitsAfter(card, own[at + 1], paints);
      if (pass <= (done?.passes ?? 0)) {
        if (pass === done!.passes) from = Math.max(0, waits + inMinutes(done!.at));
        continue;
      }
      const wet = pass === 1 && at > 0 && techniqueOf(card)?.wetInWet === true;
      const go = {
        ...{ line: `${card.surface.id}/${figure}`, minutes: goMinutes(card, painter), waits },
        ...(rests && { rests: pass === card.coat.passes && rests.has(card.id) }),
      };
      passes.push({ card, pass, figure, mixId, wet, go });
    }
  });
  return { passes, from };
}

/** Mix and brush of a pass. */
const kitOf = ({ card, mixId }: Pass): string => `${mixId ?? ""}/${card.way.tool}`;

/** Passes that are painted without a break: what is laid wet with what it is laid into. */
function runsOf({ passes }: Line): Pass[][] {
  const runs: Pass[][] = [];
  for (const pass of passes) {
    const last = runs.at(-1);
    if (pass.wet && last) last.push(pass);
    else runs.push([pass]);
  }
  return runs;
}

/** Names the figures too, where one task is of one of them. */
const idOf = (run: readonly Pass[], figures: boolean): string =>
  run.map(({ card, pass, figure }) => `${card.id}#${pass}${figures ? `@${figure}` : ""}`).join("+");

function taskOf(
  runs: readonly (readonly Pass[])[],
  from: number,
  group: number,
  { painter: { setUpMinutes } }: Planning,
): Task {
  const [run] = runs;
  return {
    id: idOf(run!, runs.length === 1),
    cardId: run![0]!.card.id,
    cardIds: [...new Set(run!.map(({ card }) => card.id))],
    goes: runs.flat().map(({ go }) => go),
    pass: run![0]!.card.coat.passes > 1 ? run![0]!.pass : null,
    kit: run!.map(kitOf).join("+"),
    ...{ setUp: setUpMinutes, from, group },
  };
}

function grouped<T>(list: readonly T[], keyOf: (one: T) => string): Map<string, T[]> {
  const groups = new Map<string, T[]>();
  for (const one of list) {
    const key = keyOf(one);
    groups.set(key, [...(groups.get(key) ?? []), one]);
  }
  return groups;
}

/** Every figure's passes of one card and mix, or of a pair laid wet into wet, as one task. */
function inLine(lines: readonly Line[], planning: Planning): Task[] {
  const together = new Map<string, { runs: Pass[][]; from: number }>();
  for (const line of lines)
    runsOf(line).forEach((run, at) => {
      const key = `${idOf(run, false)}/${kitOf(run[0]!)}`;
      const known = together.get(key) ?? { runs: [], from: 0 };
      known.runs.push(run);
      if (at === 0) known.from = Math.max(known.from, line.from);
      together.set(key, known);
    });
  return [...together.values()].map(({ runs, from }) => taskOf(runs, from, 0, planning));
}

/** All that is left to paint, each surface's in its order. */
export function tasksOf(planning: Planning): Task[] {
  const { cards, unit } = planning;
  const surfaces = grouped(cards, ({ surface }) => surface.id);
  const lines: { line: Line; group: number }[] = [];
  const groups = new Map<string, number>();
  for (const own of surfaces.values()) {
    const figures = [...new Set(own.flatMap(figuresOf))].toSorted((a, b) => a - b);
    for (const figure of figures) {
      const key = `${own[0]!.surface.figureId}/${figure}`;
      if (!groups.has(key)) groups.set(key, groups.size);
      const getting = own.filter((card) => figuresOf(card).includes(figure));
      lines.push({ line: lineOf(getting, figure, planning), group: groups.get(key)! });
    }
  }
  const goes = lines.reduce((sum, { line }) => sum + line.passes.length, 0);
  if (unit === "line" || (unit === "mixed" && goes > MOST_GOES))
    return [...grouped(lines, ({ line }) => line.passes[0]?.card.surface.id ?? "").values()].flatMap((of) =>
      inLine(
        of.map(({ line }) => line),
        planning,
      ),
    );
  return lines.flatMap(({ line, group }) =>
    runsOf(line).map((run, at) =>
      taskOf([run], at === 0 ? line.from : 0, unit === "figures" ? group : 0, planning),
    ),
  );
}
