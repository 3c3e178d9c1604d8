import { FakeWorker } from "../../testing/worker";
import { act, screen, waitFor, within } from "@testing-library/react";
import { beforeEach, describe, expect, it } from "vitest";
import type { FigureJudgement } from "../../../core/figure/judge";
import type { Fault } from "../../../core/figure/judge/faults";
import { LOOKED_FROM_MM, OTHER_EYES } from "../../../core/figure/judge/otherwise";
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
      {judged.answer && <FigurePanel answer={judged.answer} figure={figure} />}
      <FigureMarks answer={judged.answer} />
    </>
  );
}

/** Answers the newest question of a kind. */
function answer(kind: "figureJudged" | "figureMended" | "figureOtherwise", value: unknown): void {
  const asked = FakeWorker.of(kind).at(-1)!;
  act(() => asked.worker.tell({ kind: "answer", id: asked.id, value } as never));
}

beforeEach(() => {
  openJob(wholeSergeant());
  useFigureLook.setState({ turnDeg: 90, tiltDeg: 40, judgedFrom: "Front", mark: null, drawn: false });
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

  it("is judged from another side where that is asked for, and marks its places there", async () => {
    const { user } = show(<Judged />);
    answer("figureJudged", judgement([]));
    await user.click(screen.getByRole("combobox", { name: "Judged from" }));
    await user.click(screen.getByRole("option", { name: "Player's side" }));
    const [, back] = SIDES;
    expect(useFigureLook.getState()).toMatchObject({ turnDeg: back.turnDeg, tiltDeg: back.tiltDeg });
    expect(FakeWorker.of("figureJudged").at(-1)!.input).toMatchObject({
      view: { turnDeg: back.turnDeg, tiltDeg: back.tiltDeg },
    });
    answer("figureJudged", judgement([FAULT]));
    act(() => useFigureLook.getState().set({ turnDeg: 90 }));
    await user.click(screen.getByRole("button", { name: "Show where" }));
    expect(useFigureLook.getState().turnDeg).toBe(back.turnDeg);
    expect(screen.getByRole("img", { name: "Marked: Coat skirt and Shoulder strap" })).toBeInTheDocument();
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

  it("is told from afar and through other eyes, as it is turned now", async () => {
    const { user } = show(<Judged />);
    answer("figureJudged", judgement([]));
    await user.click(screen.getByRole("tab", { name: "From afar, other eyes" }));
    expect(FakeWorker.of("figureOtherwise").at(-1)!.input).toMatchObject({
      view: { turnDeg: 90, tiltDeg: 40 },
    });
    const picture = { rgba: new Uint8ClampedArray(4), width: 1, height: 1, pxPerMm: 1, leftMm: 0, topMm: 0 };
    const border = (one: string, other: string, ordinary: number, seen: number) => ({
      one,
      other,
      ordinary,
      seen,
    });
    const apart = [border("coat-skirt", "satchel", 12, 9)];
    answer("figureOtherwise", {
      distances: LOOKED_FROM_MM.map((mm) => ({ mm, picture })),
      textures: [
        { id: "coat-skirt", name: "Coat skirt", from: [6, 3, 0.8] },
        { id: "strap", name: "Shoulder strap", from: [0.5, 0.4, 0.2] },
      ],
      eyes: OTHER_EYES.map((eyes) => ({
        ...{ eyes, picture },
        borders: eyes === "red-weak" ? [border("strap", "coat-skirt", 8, 2.5), ...apart] : apart,
      })),
    });
    const panel = screen.getByRole("tabpanel");
    expect(within(panel).getAllByRole("img")).toHaveLength(LOOKED_FROM_MM.length + OTHER_EYES.length);
    expect(panel).toHaveTextContent(/gone from 120.cm/);
    expect(panel).toHaveTextContent("plain");
    expect(panel).toHaveTextContent("Shoulder strap and Coat skirt run together, 2.5 apart instead of 8.0");
    expect(panel).toHaveTextContent("Coat skirt and Satchel are nearest, 9.0 apart instead of 12.0");
  });
});
