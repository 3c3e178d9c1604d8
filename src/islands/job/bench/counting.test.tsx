import { server } from "../../testing/server";
import "../../testing/worker";
import { screen, within } from "@testing-library/react";
import { beforeEach, describe, expect, it } from "vitest";
import { defaultPainter } from "../../../core/painter";
import { cardsOf, type Card } from "../../../core/plan/cards";
import { wellFrom } from "../../../core/plan/wells";
import { wholeSergeant } from "../../../data/demo/company";
import { demoShelf } from "../../../data/demo/shelf";
import { openJob, show } from "../../testing/open";
import { beginWell, useHistoryStore } from "../historyStore";
import { useJudged } from "../useJudged";
import { useView } from "../viewStore";
import { BenchStage } from "./BenchStage";

const sergeant = wholeSergeant();
const cards = cardsOf(sergeant, demoShelf, defaultPainter);
const boxes = cards.find(({ countFirst }) => countFirst.length > 0)!;

/** Enough figures that paint is counted in drops. */
const unit = { ...sergeant, figures: sergeant.figures.map((figure) => ({ ...figure, count: 40 })) };
const many = cardsOf(unit, demoShelf, defaultPainter);

function open(card: Card, of = sergeant, its = cards) {
  openJob(of);
  useJudged.setState({ cards: its, jobId: sergeant.id, settled: true });
  useView.setState({ cardId: card.coat.passes > 1 ? `${card.id}#1` : card.id, surfaceId: card.surface.id });
  return show(<BenchStage />);
}

beforeEach(() => {
  server.down = true;
});

describe("counting before full paint", () => {
  it("says at once whether the lines are right, and what to do while they are thin", async () => {
    const { user } = open(boxes);
    const box = within(screen.getByRole("region", { name: `Count before ${boxes.title}` }));
    const { what, count } = boxes.countFirst[0]!;
    const field = box.getByLabelText(`Counted ${what}`);
    await user.type(field, String(count - 1));
    expect(box.getByText(/missing: find the gap/)).toBeVisible();
    await user.clear(field);
    await user.type(field, String(count));
    expect(box.getByText(/As many as planned/)).toBeVisible();
    await user.type(field, ".5");
    expect(box.getByText("A whole number, 0 to 9999.")).toBeVisible();
    expect(field).toHaveValue(`${count}.5`);
  });
});

describe("a well that runs short", () => {
  it("is topped up with its own parts, and the drops go into the well that is kept", async () => {
    const needed = ({ needs: [need], batch }: Card) => (batch && need ? need.paintUl : 0);
    const large = many.toSorted((a, b) => needed(b) - needed(a))[0]!;
    const { user } = open(large, unit, many);
    const { mix, batch } = large;
    beginWell((id) => wellFrom(id, mix!, batch!, { paints: demoShelf, waterDropUl: 40 }));
    const before = useHistoryStore.getState().history.wells.at(-1)!;
    await user.click(screen.getByRole("button", { name: "The well runs short" }));
    const add = () => screen.getByText(/^Add /).textContent;
    const half = add();
    const percent = screen.getByLabelText("Still to paint of this card");
    await user.clear(percent);
    await user.type(percent, "100");
    expect(half).toMatch(/drop|brush-load/);
    expect(add()).toMatch(/^Add \d+ drops?/);
    const put = screen.getByRole("button", { name: new RegExp(`^It went into ${before.name}`) });
    await user.click(put);
    const after = useHistoryStore.getState().history.wells.at(-1)!;
    expect(after.content.reduce((sum, { ul }) => sum + ul, 0)).toBeGreaterThan(
      before.content.reduce((sum, { ul }) => sum + ul, 0),
    );
  });
});
