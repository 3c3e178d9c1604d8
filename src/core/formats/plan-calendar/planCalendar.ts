import { createEvents, type DateArray, type EventAttributes } from "ics";
import { InputError } from "../../errors";
import { namesOf, type PlannedTurn } from "../../plan/planRows";
import type { Window } from "../../plan/schedule/task";
import { formatMinutes } from "../../units";

/** What a calendar is written of. */
export interface CalendarInput {
  readonly jobId: string;
  readonly jobName: string;
  /** In the order of painting. */
  readonly turns: readonly PlannedTurn[];
  readonly sittings: readonly Window[];
}

/** Tells a time of the plan, minutes from its beginning, as year, month from 1, day, hour and minute, UTC. */
export type UtcOf = (minutes: number) => readonly [number, number, number, number, number];

/** An event that is short, so that calendars show it: minutes. */
const MOMENT = 5;

/** Thin no-break spaces before units are more than many a calendar shows. */
const plain = (text: string): string => text.replaceAll("\u202f", " ");

const lineOf = ({ number, cards, part, turn }: PlannedTurn): string =>
  `${number} ${cards[0]!.surface.name}: ${namesOf(cards)}${part === "" ? "" : ` (${part})`}, ${formatMinutes(turn.end - turn.setUpAt)}`;

/** Sittings in which something is painted, with their cards. */
function sittingEvents({ jobId, jobName, turns, sittings }: CalendarInput, utc: UtcOf): EventAttributes[] {
  return sittings.flatMap((sitting, at) => {
    const own = turns.filter(({ turn }) => turn.sitting === at);
    const last = own.at(-1);
    if (!last) return [];
    // A plan without sittings of its own goes on without an end: it is over when its last card is.
    const end = Number.isFinite(sitting.end) ? sitting.end : last.turn.end;
    const start = Number.isFinite(sitting.end) ? sitting.start : own[0]!.turn.setUpAt;
    return [
      {
        uid: `${jobId}-sitting-${at + 1}@crenna`,
        title: `${jobName}: sitting ${at + 1}`,
        description: plain(own.map(lineOf).join("\n")),
        ...{ start: [...utc(start)] as DateArray, end: [...utc(end)] as DateArray },
      },
    ];
  });
}

/** When each surface may be gone on with after its last turn in a sitting, and when it is dry through in the end. */
function dryEvents({ jobId, jobName, turns }: CalendarInput, utc: UtcOf): EventAttributes[] {
  const lasts = new Map<string, PlannedTurn>();
  for (const one of turns) lasts.set(`${one.cards[0]!.surface.id}/${one.turn.sitting}`, one);
  const ends = new Map<string, PlannedTurn>();
  for (const one of turns) ends.set(one.cards[0]!.surface.id, one);
  return [...lasts].map(([key, one]) => {
    const card = one.cards.at(-1)!;
    const isEnd = ends.get(card.surface.id) === one;
    const at = one.turn.end + (isEnd ? card.drying.fullyDry : card.drying.touchDry);
    return {
      uid: `${jobId}-dry-${key.replaceAll("/", "-")}@crenna`,
      title: `${card.surface.name} is ${isEnd ? "dry through" : "touch dry"} (${jobName})`,
      description: `After ${namesOf(one.cards)}.`,
      ...{ start: [...utc(at)] as DateArray, end: [...utc(at + MOMENT)] as DateArray },
      transp: "TRANSPARENT",
    };
  });
}

/**
 * Sittings of a plan, and when what of it is dry, as iCalendar. Source of the format: RFC 5545.
 * @throws InputError where it could not be written
 */
export function writePlanCalendar(input: CalendarInput, utc: UtcOf): string {
  const events = [...sittingEvents(input, utc), ...dryEvents(input, utc)].map((event) => ({
    ...event,
    ...{ startInputType: "utc", startOutputType: "utc", endInputType: "utc", endOutputType: "utc" },
    productId: "crenna",
    calName: input.jobName,
  }));
  const { value, error } = createEvents(events as EventAttributes[]);
  if (error || typeof value !== "string")
    throw new InputError([
      { field: "plan", message: `The calendar could not be written: ${error?.message ?? "no events"}.` },
    ]);
  return value;
}
