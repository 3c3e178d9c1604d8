import { server } from "../../testing/server";
import "../../testing/worker";
import { act, screen, within } from "@testing-library/react";
import { beforeEach, describe, expect, it } from "vitest";
import { defaultPainter } from "../../../core/painter";
import { cardsOf } from "../../../core/plan/cards";
import { ferrySergeant } from "../../../data/demo/ferrySergeant";
import { demoShelf } from "../../../data/demo/shelf";
import { openJob, show } from "../../testing/open";
import { changePhotos, takeBack, tickCard, useHistoryStore } from "../historyStore";
import { useJudged } from "../useJudged";
import { LogStage } from "./LogStage";

const demo = ferrySergeant();
const cards = cardsOf(demo, demoShelf, defaultPainter);
const entry = () => useHistoryStore.getState().history.log[0]!;

function open() {
  openJob(demo);
  useJudged.setState({ cards, jobId: demo.id, settled: true });
  tickCard(cards[0]!);
  return show(<LogStage />);
}

beforeEach(() => {
  server.down = true;
});

const addressOf = (photo: string) => `/api/pictures/${photo}`;

describe("photos in the log", () => {
  it("are looked at large, taken off, and put back", async () => {
    const { user } = open();
    expect(screen.getByRole("button", { name: "Add a photo" })).toBeEnabled();
    const photos = ["a".repeat(64), "b".repeat(64)];
    act(() => changePhotos("log", entry().id, () => photos));
    const title = cards[0]!.title.toLowerCase();
    await user.click(screen.getByRole("button", { name: `Look at photo 2 of ${title}` }));
    const large = within(screen.getByRole("dialog"));
    expect(large.getByRole("img")).toHaveAttribute("src", addressOf(photos[1]!));
    await user.click(large.getByRole("button", { name: "Take it off" }));
    expect(entry().photos).toEqual([photos[0]]);
    act(takeBack);
    expect(entry().photos).toEqual(photos);
  });

  it("are six at most, and the last that goes leaves no trace", () => {
    open();
    const six = Array.from({ length: 6 }, (_, at) => String(at).repeat(64));
    act(() => changePhotos("log", entry().id, () => six));
    expect(screen.getByRole("button", { name: "6 photos at most" })).toBeDisabled();
    act(() => changePhotos("log", entry().id, () => []));
    expect(entry()).not.toHaveProperty("photos");
  });
});
