import { create } from "zustand";
import { entriesOf, entryFor, freeWellId, withItem, type PaintedPart } from "../../core/edits/history";
import { NO_HISTORY, type History, type LogEntry, type Sitting, type Well } from "../../core/job";
import type { Told } from "../../core/mishaps/mishap";
import type { Card } from "../../core/plan/cards";
import { figuresOf } from "../../core/plan/progress";
import { entriesIn, openSitting } from "../../core/record/sittings";
import type { Turn } from "../../core/plan/schedule/turns";
import { ALL_TOLD, Outbox, type HistoryItems, type HistoryKind, type OutboxState } from "./historyOutbox";

/** What was done last, so that a slip of the hand can be taken back. */
interface LastDone {
  readonly words: string;
  readonly kind: HistoryKind;
  readonly id: string;
  /** What was there before; null for nothing. */
  readonly before: LogEntry | Sitting | Well | null;
}

interface HistoryState {
  readonly jobId: string | null;
  readonly history: History;
  readonly sent: OutboxState;
  readonly last: LastDone | null;
}

/** What happened while the open job was painted. It stands outside the job's undo: what is done is done. */
export const useHistoryStore = create<HistoryState>()(() => ({
  jobId: null,
  history: NO_HISTORY,
  sent: ALL_TOLD,
  last: null,
}));

export const useHistory = (): History => useHistoryStore((state) => state.history);

let outbox: Outbox | null = null;

type List = (LogEntry | Sitting | Well)[];

function withTold(
  history: History,
  kind: HistoryKind,
  id: string,
  item: LogEntry | Sitting | Well | null,
): History {
  const list = history[kind] as List;
  const next = item === null ? list.filter((one) => one.id !== id) : withItem(list, item);
  return { ...history, [kind]: next };
}

/** Takes over what the server knows; what it has not heard yet stays on top. */
export function openHistory(jobId: string, history: History, heard: () => void = () => undefined): void {
  if (useHistoryStore.getState().jobId !== jobId || !outbox) {
    outbox?.stop();
    outbox = new Outbox(jobId, (sent) => useHistoryStore.setState({ sent }), heard);
    useHistoryStore.setState({ jobId, last: null });
  }
  const waiting = outbox.all();
  useHistoryStore.setState({
    history: waiting.reduce((now, { kind, id, item }) => withTold(now, kind, id, item), history),
    sent: { ...ALL_TOLD, waiting: waiting.length },
  });
}

/** Sends what waits while the page is left. */
export const leaveHistory = (): void => outbox?.leave();

/**
 * Notes that something happened.
 * @param words what can be taken back, as the painter is told; none for what is typed
 */
function tell<K extends HistoryKind>(
  kind: K,
  id: string,
  item: HistoryItems[K] | null,
  words: string | null = null,
): void {
  const { history } = useHistoryStore.getState();
  const before = (history[kind] as List).find((one) => one.id === id) ?? null;
  useHistoryStore.setState({
    history: withTold(history, kind, id, item),
    ...(words === null ? {} : { last: { words, kind, id, before } }),
  });
  outbox?.tell({ kind, id, item });
}

/** Takes back what was done last. */
export function takeBack(): void {
  const { last } = useHistoryStore.getState();
  if (!last) return;
  useHistoryStore.setState({ last: null });
  tell(last.kind, last.id, last.before as never);
}

export const forgetLast = (): void => useHistoryStore.setState({ last: null });

/** Notes a card, or a part of it, as painted now. */
export function tickCard(card: Card, part?: PaintedPart): void {
  const made = { id: `entry-${crypto.randomUUID()}`, at: new Date().toISOString() };
  tell("log", made.id, entryFor(card, useHistoryStore.getState().history, made, part));
}

/** Notes a turn of the plan as painted now: each of its cards, on its figures. */
export function tickTurn({ cards, turn }: { readonly cards: readonly Card[]; readonly turn: Turn }): void {
  const work = cards.reduce((sum, { work: { handMinutes } }) => sum + handMinutes, 0);
  for (const [at, card] of cards.entries()) {
    const { passes } = card.coat;
    const all = turn.figures.length === figuresOf(card).length;
    // Of a pair the first is painted with its last pass, the other with its first.
    const pass = at === 0 ? turn.pass : passes > 1 ? 1 : null;
    const share = work > 0 ? card.work.handMinutes / work : 1 / cards.length;
    tickCard(card, {
      ...(all ? {} : { figures: turn.figures }),
      ...(pass === null ? {} : { pass }),
      minutes: share * (turn.end - turn.setUpAt),
      // A pair is made ready once; a brush that goes on with its mix not at all.
      setUps: turn.start > turn.setUpAt || turn.id === card.id ? 1 / cards.length : 0,
    });
  }
}

export const removeEntry = ({ id, cardTitle }: LogEntry): void =>
  tell("log", id, null, `${cardTitle} was taken off the log.`);

/** Takes a card's newest entry off the log. */
export function untickCard(card: Pick<Card, "id">): void {
  const entry = entriesOf(useHistoryStore.getState().history, card.id).at(-1);
  if (entry) removeEntry(entry);
}

/** What of an entry the painter tells afterwards. */
export type EntryTold = Pick<
  LogEntry,
  "minutes" | "note" | "dryAfter" | "water" | "loads" | "brush" | "readings"
>;

/** Changes an entry; what is undefined is left out of it. */
export function changeEntry(entry: LogEntry, part: Partial<EntryTold>): void {
  const all: readonly (readonly [string, unknown])[] = Object.entries({ ...entry, ...part });
  const next = all.filter(([, value]) => value !== undefined);
  tell("log", entry.id, Object.fromEntries(next) as unknown as LogEntry);
}

/** An entry or a sitting with other photos; without the field where there is none. */
function withPhotos<T extends LogEntry | Sitting>(item: T, photos: readonly string[]): T {
  const { photos: _before, ...rest } = item;
  return { ...rest, ...(photos.length > 0 && { photos: [...photos] }) } as unknown as T;
}

/** What photos are kept of: an entry of the log, or a sitting. */
export type PhotoKind = "log" | "sittings";

/**
 * Changes the photos of an entry or a sitting, as it stands now: a photo takes a while to arrive.
 * @param words what is told of it, so that it can be taken back
 */
export function changePhotos(
  kind: PhotoKind,
  id: string,
  change: (photos: readonly string[]) => readonly string[],
  words: string | null = null,
): void {
  const { history } = useHistoryStore.getState();
  const list: readonly (LogEntry | Sitting)[] = history[kind];
  const item = list.find((one) => one.id === id);
  if (item) tell(kind, id, withPhotos(item, change(item.photos ?? [])) as never, words);
}

/** After so long without anything a sitting that was not ended is taken to be over, ms. */
const OVER_MS = 4 * 60 * 60_000;

/** When something happened last in a sitting that goes on. */
function lastIn({ startedAt }: Sitting): string {
  const { log } = useHistoryStore.getState().history;
  return log.reduce((last, { doneAt }) => (doneAt > last ? doneAt : last), startedAt);
}

/** Begins a sitting, or goes on with the one that is open. */
export function beginSitting(): void {
  const now = new Date();
  const open = openSitting(useHistoryStore.getState().history.sittings);
  if (open) {
    const last = lastIn(open);
    if (now.getTime() - Date.parse(last) < OVER_MS) return;
    tell("sittings", open.id, { ...open, endedAt: last });
  }
  const id = `sitting-${crypto.randomUUID()}`;
  tell("sittings", id, { id, startedAt: now.toISOString(), endedAt: null, note: "" });
}

/** Ends the sitting that goes on; one in which nothing was painted leaves nothing behind. */
export function endSitting(): void {
  const { sittings, log } = useHistoryStore.getState().history;
  const open = openSitting(sittings);
  if (!open) return;
  const isEmpty = open.note === "" && entriesIn(open, log).length === 0;
  tell("sittings", open.id, isEmpty ? null : { ...open, endedAt: new Date().toISOString() });
}

export const changeSitting = (sitting: Sitting, part: Partial<Omit<Sitting, "id">>): void =>
  tell("sittings", sitting.id, { ...sitting, ...part });

export const removeSitting = ({ id }: Sitting): void =>
  tell("sittings", id, null, "A sitting was taken off the log.");

/**
 * Notes that something went wrong with a card: on the entry that tells it was painted, which is made where there is none
 * yet. A coat that was left out has no entry.
 */
export function noteMishap(
  item: { readonly cards: readonly Card[]; readonly turn: Turn },
  { kind, figures }: Pick<Told, "kind" | "figures">,
  words: string,
): void {
  if (kind === "forgotten") return;
  const card = item.cards.at(-1)!;
  const known = () => entriesOf(useHistoryStore.getState().history, card.id).at(-1);
  if (!known() && figures)
    tickCard(card, { figures, ...(item.turn.pass !== null && { pass: item.turn.pass }) });
  else if (!known()) tickTurn(item);
  const entry = known();
  if (!entry) return;
  const note = entry.note === "" ? words : `${entry.note}\n${words}`;
  tell("log", entry.id, { ...entry, mishap: kind, note: note.slice(0, 4000) });
}

/** Begins a well under a free id. */
export function beginWell(make: (id: string) => Well): Well {
  const well = make(freeWellId(useHistoryStore.getState().history.wells));
  tell("wells", well.id, well);
  return well;
}

/** @param words what happened to it; none for a name that is typed */
export const changeWell = (well: Well, words: string | null = null): void =>
  tell("wells", well.id, well, words);

export const washOut = ({ id, name }: Well): void => tell("wells", id, null, `${name} was washed out.`);
