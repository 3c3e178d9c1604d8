import { act, render } from "@testing-library/react";
import userEvent, { PointerEventsCheckLevel, type UserEvent } from "@testing-library/user-event";
import type { ReactElement } from "react";
import { NO_HISTORY, type History, type Job } from "../../core/job";
import { defaultPainter } from "../../core/painter";
import { ferrySergeant } from "../../data/demo/ferrySergeant";
import { demoShelf } from "../../data/demo/shelf";
import { AppFrame } from "../../ui/AppFrame";
import { openHistory, useHistoryStore } from "../job/historyStore";
import { useJobStore } from "../job/jobStore";
import { useJudged } from "../job/useJudged";
import { useView } from "../job/viewStore";

/** Opens a job as if it had been loaded, without a server. */
export function openJob(job: Job = ferrySergeant(), history: History = NO_HISTORY): void {
  useView.setState(useView.getInitialState(), true);
  useJudged.setState(useJudged.getInitialState(), true);
  useHistoryStore.setState(useHistoryStore.getInitialState(), true);
  useJobStore
    .getState()
    .open({ job, paints: demoShelf, painter: defaultPainter, revision: 1, updatedAt: "" });
  useJobStore.temporal.getState().clear();
  openHistory(job.id, history);
}

/** The open job as it is now. */
export const job = (): Job => useJobStore.getState().job!;

/** Looks at something else, as a click elsewhere on the page would. */
export const look = (at: Parameters<ReturnType<typeof useView.getState>["set"]>[0]): void =>
  act(() => useView.getState().set(at));

/** Whether an element can be pressed is worked out once for each: without layout it takes a sixth of all tests' time. */
const ONCE_PER_TARGET = { pointerEventsCheck: PointerEventsCheckLevel.EachTarget };

/** Shows a view in the application's frame. */
export function show(view: ReactElement): { readonly user: UserEvent } {
  render(view, { wrapper: AppFrame });
  return { user: userEvent.setup(ONCE_PER_TARGET) };
}

/** Puts a text over what a field says, in one go: a page is rendered once for it, not for every key. */
export async function overtype(user: UserEvent, field: HTMLElement, text: string): Promise<void> {
  await user.clear(field);
  await user.paste(text);
}
