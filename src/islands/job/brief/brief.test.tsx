import { screen, within } from "@testing-library/react";
import type { UserEvent } from "@testing-library/user-event";
import { beforeEach, describe, expect, it } from "vitest";
import { parseJob } from "../../../core/formats/job-json/jobSchema";
import { piecesOf } from "../../../core/figure/pairs";
import { FIRST_FIGURE, type Job } from "../../../core/job";
import { newJob, withNewPiece } from "../../../core/newJob";
import { defaultPainter } from "../../../core/painter";
import { forms } from "../../../core/surface/forms";
import { wholeSergeant } from "../../../data/demo/company";
import { job, look, openJob, show, overtype } from "../../testing/open";
import { demoShelf } from "../../../data/demo/shelf";
import { undo } from "../jobStore";
import { useStageStates } from "../useStageStates";
import { useView } from "../viewStore";
import { BriefStage } from "./BriefStage";

const field = (label: string) => screen.getByLabelText(label);
async function put(user: UserEvent, label: string, text: string): Promise<void> {
  await overtype(user, field(label), text);
}
async function pick(user: UserEvent, label: string, option: string): Promise<void> {
  await user.click(screen.getByRole("combobox", { name: label }));
  await user.click(within(await screen.findByRole("listbox")).getByRole("option", { name: option }));
}

beforeEach(() => openJob(wholeSergeant()));

describe("the brief", () => {
  it("sets the figure: name, scale either way round, primer, distance, hand", async () => {
    const { user } = show(<BriefStage />);
    await put(user, "Name of the job", "Ferry sergeant, second");
    await user.tab();
    await put(user, "Ground to eyes", "40");
    expect(field("Scale 1 :")).toHaveValue("40.8");
    await put(user, "Scale 1 :", "72");
    expect(job().figures[0]!.eyeHeightMm).toBeCloseTo(1630 / 72, 2);
    await pick(user, "Primer", "black");
    await put(user, "Looked at from", "60");
    await put(user, "Finest line", "0.2");
    expect(job()).toMatchObject({
      name: "Ferry sergeant, second",
      figures: [{ primer: "black", viewingDistanceMm: 600 }],
      hand: { finestLineMm: 0.2 },
    });
    expect(parseJob(job())).toEqual(job());
  });

  it("is told what a surface is made of and how much it is looked at, and shows its steps of light", async () => {
    const { user } = show(<BriefStage />);
    const steps = () =>
      within(screen.getByRole("list", { name: /^Steps of light/ }))
        .getAllByRole("listitem")
        .map((item) => item.getAttribute("aria-label"));
    const before = steps();
    expect(before).toHaveLength(5);
    await pick(user, "Made of", "Velvet, pile");
    await pick(user, "On the figure it is", "stays quiet");
    expect(job().surfaces[0]!.volumes).toEqual({ material: "pile-cloth", importance: "quiet" });
    expect(steps()).toHaveLength(4);
    expect(steps()[0]).not.toBe(before[0]);
    expect(parseJob(job())).toEqual(job());
  });

  it("measures a surface, refuses sizes that cannot be, and leaves them as typed", async () => {
    const { user } = show(<BriefStage />);
    await put(user, "Round the hem", "60");
    expect(job().surfaces[0]!.form.params.hemMm).toBe(60);
    await put(user, "Round the hem", "9000");
    expect(field("Round the hem")).toHaveValue("9000");
    expect(screen.getByText(/^Allowed: /)).toBeVisible();
    expect(job().surfaces[0]!.form.params.hemMm).not.toBe(9000);
  });

  it("makes two of a piece that has another side, and one again; others are not asked", async () => {
    look({ surfaceId: "gloves" });
    const { user } = show(<BriefStage />);
    const seat = () => job().surfaces.find(({ id }) => id === "gloves")!.seat!;
    const pair = screen.getByRole("switch", { name: /^A pair: / });
    expect(pair).toBeChecked();
    await user.click(pair);
    expect(pair).not.toBeChecked();
    expect(seat().both).toBe(false);
    await user.click(pair);
    expect(seat().both).toBe(true);
    expect(parseJob(job())).toEqual(job());
    await pick(user, "Seat", "waist");
    expect(screen.queryByRole("switch", { name: /^A pair: / })).toBeNull();
  });

  it("says that two are planned where no body shows the other, and lets it be one", async () => {
    const whole = wholeSergeant();
    openJob({ ...whole, figures: whole.figures.map((figure) => ({ ...figure, body: null })) });
    look({ surfaceId: "gloves" });
    const { user } = show(<BriefStage />);
    const pair = screen.getByRole("switch", {
      name: "A pair: two alike are planned, though only one is shown",
    });
    expect(pair).toBeChecked();
    await user.click(pair);
    expect(pair).not.toBeChecked();
    expect(piecesOf(job().surfaces.find(({ id }) => id === "gloves")!)).toBe(1);
  });

  it("adds a surface of any form, bare, and takes it off again", async () => {
    const { user } = show(<BriefStage />);
    const before = job().surfaces.length;
    for (const { label } of [forms.cloak, forms.limb, forms.dome]) {
      await user.click(screen.getByRole("button", { name: "Add a surface" }));
      await user.click(screen.getByRole("menuitem", { name: new RegExp(`^${label}`) }));
    }
    expect(job().surfaces).toHaveLength(before + 3);
    const added = job().surfaces.at(-1)!;
    expect(added).toMatchObject({ pattern: null, figureId: "figure-1" });
    expect(useView.getState().surfaceId).toBe(added.id);
    await user.click(screen.getByRole("button", { name: `Remove ${added.name}` }));
    expect(job().surfaces).toHaveLength(before + 2);
    undo();
    expect(job().surfaces).toHaveLength(before + 3);
  });
});

describe("a job with nothing on it yet", () => {
  const empty = () => newJob("own", "Own", defaultPainter, demoShelf);
  function State() {
    return <p>{useStageStates().brief}</p>;
  }

  it("asks what is painted first, and is not complete until that is measured", async () => {
    openJob(empty());
    const { user } = show(
      <>
        <State />
        <BriefStage />
      </>,
    );
    expect(screen.getByText("no surface yet")).toBeVisible();
    const pieces = within(screen.getByRole("group", { name: "Pieces" }));
    expect(pieces.getAllByRole("button")).toHaveLength(Object.keys(forms).length);
    await user.click(pieces.getByRole("button", { name: /^Skirt/ }));
    expect(job().surfaces).toMatchObject([{ id: "skirt", name: "Skirt", form: { params: {} } }]);
    expect(screen.getByText("1 not measured")).toBeVisible();
    expect(screen.getByText("Usual sizes: measure yours.")).toBeVisible();
    await put(user, "Round the hem", "61");
    expect(screen.getByText("complete")).toBeVisible();
    expect(screen.queryByText("Usual sizes: measure yours.")).toBeNull();
    expect(parseJob(job())).toEqual(job());
  });

  it("takes the usual sizes where they fit, and can be emptied again", async () => {
    openJob(empty());
    const { user } = show(<BriefStage />);
    await user.click(screen.getByRole("button", { name: /^Skirt/ }));
    await user.click(screen.getByRole("button", { name: "They fit" }));
    expect(job().surfaces[0]!.form.params).toMatchObject({ hemMm: forms["cone-band"].params.hemMm!.default });
    await user.click(screen.getByRole("button", { name: "Remove Skirt" }));
    expect(screen.getByRole("group", { name: "Pieces" })).toBeVisible();
  });

  it("gives pieces of one form names and ids of their own", () => {
    const add = (now: Job) => withNewPiece(now, "bag", FIRST_FIGURE).job;
    const { surfaces } = add(add(add(empty())));
    expect(surfaces.map(({ id }) => id)).toEqual(["bag", "bag-2", "bag-3"]);
    expect(new Set(surfaces.map(({ name }) => name)).size).toBe(3);
  });
});

describe("several figures", () => {
  it("have a brief each, and surfaces that are a part of one of them", async () => {
    const { user } = show(<BriefStage />);
    expect(screen.queryByRole("combobox", { name: "Part of" })).toBeNull();
    await user.click(screen.getByRole("button", { name: "Add a figure" }));
    expect(screen.getByRole("combobox", { name: "Figure of this job" })).toHaveTextContent("Figure 2");
    await put(user, "Name of the figure", "Tide hound");
    await user.tab();
    await put(user, "Figures alike", "3");
    await pick(user, "Standard", "tabletop");
    expect(job().figures).toMatchObject([
      { name: "Ferry sergeant", count: 1, standard: "display" },
      { name: "Tide hound", count: 3, standard: "tabletop" },
    ]);
    await pick(user, "Part of", "Tide hound");
    expect(job().surfaces[0]!.figureId).toBe("figure-2");
    expect(screen.queryByRole("button", { name: "Remove Tide hound" })).toBeNull();
    await pick(user, "Figure of this job", "Ferry sergeant");
    expect(field("Figures alike")).toHaveValue("1");
    expect(useView.getState().surfaceId).toBe("satchel");
    expect(parseJob(job())).toEqual(job());
  });

  it("without surfaces are removed again", async () => {
    const { user } = show(<BriefStage />);
    await user.click(screen.getByRole("button", { name: "Add a figure" }));
    await user.click(screen.getByRole("button", { name: "Remove Figure 2" }));
    expect(job().figures).toHaveLength(1);
    expect(screen.queryByRole("combobox", { name: "Figure of this job" })).toBeNull();
  });
});
