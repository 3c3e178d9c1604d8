import { server } from "../../../testing/server";
import { act, cleanup, fireEvent, screen, within } from "@testing-library/react";
import { beforeEach, describe, expect, it, vi } from "vitest";
import { defaultPainter } from "../../../../core/painter";
import { cardsOf } from "../../../../core/plan/cards";
import { wholeSergeant } from "../../../../data/demo/company";
import { demoShelf } from "../../../../data/demo/shelf";
import { openJob, show } from "../../../testing/open";
import { useHistoryStore } from "../../historyStore";
import { useJudged } from "../../useJudged";
import { BenchStage } from "../BenchStage";
import { useAtBench } from "./benchStore";
import { leftText } from "./Clocks";

const sergeant = wholeSergeant();
const cards = cardsOf(sergeant, demoShelf, defaultPainter);
const log = () => useHistoryStore.getState().history.log;

function open() {
  openJob(sergeant);
  useJudged.setState({ cards, jobId: sergeant.id, settled: true });
  return show(<BenchStage />);
}

async function sit() {
  const shown = open();
  await shown.user.click(screen.getByRole("button", { name: "At the bench" }));
  return { ...shown, bench: within(screen.getByRole("dialog", { name: "At the bench" })) };
}

beforeEach(() => {
  server.down = true;
  useAtBench.setState({ jobId: null, turnId: null, sound: true });
});

describe("at the bench", () => {
  it("shows one card, ticks it off by its large button and goes on, back, and untick what was a slip", async () => {
    const { user, bench } = await sit();
    expect(bench.getByRole("article", { name: `Card 1, ${cards[0]!.title}` })).toBeVisible();
    expect(bench.getByRole("button", { name: "Back" })).toBeDisabled();
    await user.click(bench.getByRole("button", { name: "Done, on to the next" }));
    expect(log().map(({ cardId }) => cardId)).toEqual([cards[0]!.id]);
    // Its second pass, then the next card.
    expect(bench.getByRole("article", { name: `Card 2, ${cards[0]!.title}` })).toBeVisible();
    await user.click(bench.getByRole("button", { name: "Done, on to the next" }));
    expect(bench.getByRole("article", { name: `Card 3, ${cards[1]!.title}` })).toBeVisible();
    for (const at of [2, 1]) {
      await user.click(bench.getByRole("button", { name: "Back" }));
      expect(bench.getByRole("article", { name: `Card ${at}, ${cards[0]!.title}` })).toBeVisible();
    }
    await user.click(bench.getByRole("button", { name: "On" }));
    await user.click(bench.getByRole("button", { name: "Not done" }));
    expect(log().map(({ pass }) => pass)).toEqual([1]);
    await user.click(bench.getByRole("button", { name: "Back" }));
    await user.click(bench.getByRole("button", { name: "Not done" }));
    expect(log()).toEqual([]);
  });

  it("goes on by any key that a foot switch may send, once for a foot that rests on it", async () => {
    const { bench } = await sit();
    const press = (key: string, timeStamp: number, more: object = {}) => {
      const event = new KeyboardEvent("keydown", { key, bubbles: true, ...more });
      Object.defineProperty(event, "timeStamp", { value: timeStamp });
      fireEvent(document.body, event);
    };
    press("PageDown", 5000);
    press("PageDown", 5100, { repeat: true });
    press("PageDown", 5300);
    expect(log()).toHaveLength(1);
    press("b", 7000);
    expect(log()).toHaveLength(2);
    for (const key of ["Shift", "Tab", "F5", "ArrowDown"]) press(key, 9000);
    expect(log()).toHaveLength(2);
    press("ArrowLeft", 11_000);
    expect(bench.getByRole("article", { name: /^Card 2, / })).toBeVisible();
  });

  it("comes back to its card after a reload, and is left without losing it", async () => {
    const first = await sit();
    await first.user.click(first.bench.getByRole("button", { name: "Done, on to the next" }));
    cleanup();
    const { user } = show(<BenchStage />);
    const bench = within(screen.getByRole("dialog", { name: "At the bench" }));
    expect(bench.getByRole("article", { name: /^Card 2, / })).toBeVisible();
    await user.click(bench.getByRole("button", { name: "Leave" }));
    expect(useAtBench.getState().jobId).toBeNull();
  });
});

describe("its clocks", () => {
  const entry = (minutesAgo: number) => ({
    ...{
      id: "entry-1",
      cardId: cards[0]!.id,
      cardTitle: cards[0]!.title,
      note: "",
      recipe: null,
      minutes: null,
    },
    doneAt: new Date(Date.now() - minutesAgo * 60_000).toISOString(),
  });

  it("run from when a card was ticked, whenever that was, and sound softly once it is touch dry", () => {
    const heard = vi.fn();
    vi.stubGlobal(
      "AudioContext",
      class extends EventTarget {
        constructor() {
          super();
          heard();
        }
      },
    );
    vi.useFakeTimers({ shouldAdvanceTime: true, toFake: ["Date", "setInterval", "clearInterval"] });
    const { touchDry } = cards[0]!.drying;
    open();
    act(() => {
      useHistoryStore.setState({ history: { log: [entry(touchDry - 0.05)], wells: [], sittings: [] } });
      useAtBench.setState({ jobId: sergeant.id });
    });
    const clocks = () => within(screen.getByRole("list", { name: "What dries" })).getByRole("listitem");
    expect(clocks()).toHaveTextContent(/sets: leave it alone.*touch dry in 0:0[1-3]/);
    expect(heard).not.toHaveBeenCalled();
    act(() => void vi.advanceTimersByTime(5000));
    expect(clocks()).toHaveTextContent("touch dry: paint on");
    expect(heard).toHaveBeenCalledTimes(1);
    act(() => void vi.advanceTimersByTime(3000));
    expect(heard).toHaveBeenCalledTimes(1);
    vi.useRealTimers();
    // This one alone: what stands in for the browser stays for the files that come after.
    Reflect.deleteProperty(globalThis, "AudioContext");
  });

  it("tell seconds while there are few minutes, hours while there are many", () => {
    expect([0.5, 4.1, 59.99, 90].map(leftText).map((text) => text.replaceAll("\u202f", " "))).toEqual([
      "0:30",
      "4:06",
      "60:00",
      "1 h 30",
    ]);
  });
});
