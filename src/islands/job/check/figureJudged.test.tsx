import "../../testing/page";
import { FakeWorker } from "../../testing/worker";
import { act, screen, waitFor, within } from "@testing-library/react";
import { beforeEach, describe, expect, it } from "vitest";
import type { FigureJudgement } from "../../../core/figure/judge";
import type { Fault } from "../../../core/figure/judge/faults";
import type { PartLook } from "../../../core/figure/judge/looks";
import { remediesFor } from "../../../core/figure/judge/remedies";
import { wholeSergeant } from "../../../data/demo/company";
import { demoShelf } from "../../../data/demo/shelf";
import { job, openJob, show } from "../../testing/open";
import { SIDES, useFigureLook } from "../figure/figureLook";
import { useFigureJudged } from "../figure/useFigureJudged";
import { FigureFaults } from "./FigureFaults";
import { FigureMarks } from "./FigureMarks";
import { FigurePanel } from "./FigurePanel";

const FAULT: Fault = {
  ...{ kind: "outshouts", gravity: "look", partId: "coat-skirt", otherId: "strap" },
  ...{ sentence: "The eye goes to Coat skirt before Shoulder strap.", reason: "It does.", at: [0.5, 0.6] },
};

const look = (id: string, name: string, draw: number): PartLook => ({
  ...{ id, name, importance: "usual", share: 0.5, lab: [40, 0, 0], spread: 10, texture: 3, draw },
  ...{ at: [0.5, 0.6], hues: [] },
});

const plane = { width: 2, height: 2, values: new Float32Array([0, 1, 0.5, 0]) };
const judgement = (faults: readonly Fault[]): FigureJudgement => ({
  looks: [look("coat-skirt", "Coat skirt", 1), look("strap", "Shoulder strap", 0.4)],
  borders: [
    {
      ...{ one: "coat-skirt", other: "satchel", lengthMm: 5, apart: 12.3, lightness: 9, hueDeg: null },
      ...{ texture: 0.4, at: [0.7, 0.5] },
    },
  ],
  echoes: [
    { surfaceId: "strap", hue: { hueDeg: 40, share: 0.4, lab: [40, 20, 20] }, with: ["satchel"] },
    { surfaceId: "coat-skirt", hue: { hueDeg: 250, share: 0.3, lab: [40, 0, -30] }, with: [] },
  ],
  balance: { dark: 0.3, middle: 0.6, light: 0.1, warm: 0.5, cold: 0.2, busy: 0.25, quiet: 0.5 },
  ...{ faults, salience: plane, figure: plane },
});

function Judged() {
  const figure = job().figures[0]!;
  const judged = useFigureJudged(figure, true);
  return (
    <>
      <FigureFaults figure={figure} {...judged} />
      {judged.answer && <FigurePanel answer={judged.answer} />}
      <FigureMarks answer={judged.answer} />
    </>
  );
}

/** Answers the newest question of a kind. */
function answer(kind: "figureJudged" | "figureMended", value: unknown): void {
  const asked = FakeWorker.of(kind).at(-1)!;
  act(() => asked.worker.tell({ kind: "answer", id: asked.id, value } as never));
}

beforeEach(() => {
  openJob(wholeSergeant());
  useFigureLook.setState({ turnDeg: 90, tiltDeg: 40, mark: null, drawn: false });
});

describe("the figure judged as one", () => {
  it("is asked for once, from its front and from its viewing distance, and says that it is being judged", () => {
    show(<Judged />);
    expect(screen.getByRole("status")).toHaveTextContent("The figure is being judged.");
    const { view } = FakeWorker.of("figureJudged").at(-1)!.input as { view: Record<string, number> };
    expect(view).toMatchObject({ turnDeg: SIDES[0].turnDeg, viewMm: job().figures[0]!.viewingDistanceMm });
    answer("figureJudged", judgement([]));
    expect(screen.getByRole("status")).toHaveTextContent("Nothing found on the figure as one.");
  });

  it("tells a fault, then what mends it; a remedy changes the design", async () => {
    const { user } = show(<Judged />);
    answer("figureJudged", judgement([FAULT]));
    const line = screen.getByRole("article", { name: "Look: Coat skirt and Shoulder strap" });
    expect(screen.getByRole("status")).toHaveTextContent("being tried on the figure");
    await waitFor(() => expect(FakeWorker.of("figureMended").length).toBeGreaterThan(0));
    const [remedy] = remediesFor(job(), demoShelf, FAULT);
    answer("figureMended", [[remedy]]);
    const before = job().surfaces[0]!.coats.length;
    await user.click(within(line).getByRole("button", { name: remedy!.label }));
    expect(job().surfaces[0]!.coats).toHaveLength(before + 1);
    expect(job().surfaces[0]!.coats.at(-1)!.name).toBe("Calming coat");
  });

  it("marks a place on the figure as it is seen from its front", async () => {
    const { user } = show(<Judged />);
    answer("figureJudged", judgement([FAULT]));
    await user.click(screen.getByRole("button", { name: "Show where" }));
    expect(useFigureLook.getState()).toMatchObject({ turnDeg: SIDES[0].turnDeg, tiltDeg: SIDES[0].tiltDeg });
    expect(screen.getByRole("img", { name: "Marked: Coat skirt and Shoulder strap" })).toBeInTheDocument();
    act(() => useFigureLook.getState().set({ turnDeg: 90 }));
    expect(screen.queryByRole("img", { name: /^Marked/ })).toBeNull();
  });

  it("tells the order of its parts, their borders, and which colours are alone", async () => {
    const { user } = show(<Judged />);
    answer("figureJudged", judgement([]));
    const [first] = screen.getAllByRole("listitem");
    expect(first).toHaveTextContent("Coat skirt");
    expect(first).toHaveTextContent("wanted as most");
    await user.click(screen.getByRole("tab", { name: "Borders" }));
    expect(screen.getByRole("tabpanel")).toHaveTextContent("differ by 12.3");
    expect(screen.getByRole("tabpanel")).toHaveTextContent("no hue to part them");
    await user.click(screen.getByRole("tab", { name: "Colours and balance" }));
    expect(screen.getByRole("tabpanel")).toHaveTextContent("again on Satchel");
    expect(screen.getByRole("tabpanel")).toHaveTextContent("found nowhere else");
    expect(screen.getByRole("tabpanel")).toHaveTextContent(/30.%, 60.%, 10.%/);
  });
});
