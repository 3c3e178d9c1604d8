import { screen, waitFor, within } from "@testing-library/react";
import type { UserEvent } from "@testing-library/user-event";
import { afterEach, beforeEach, describe, expect, it } from "vitest";
import { changeFigure } from "../../../../core/edits/figures";
import { putPattern } from "../../../../core/edits/patterns";
import type { Surface } from "../../../../core/job";
import { newPlainSurface } from "../../../../core/newJob";
import { families } from "../../../../core/patterns";
import type { CamouflageParams } from "../../../../core/patterns/camouflage/params";
import { presets } from "../../../../core/patterns/camouflage/presets";
import type { PatternFamily } from "../../../../core/patterns/family";
import {
  mapMixesOfFields,
  schemaOfFields,
  startOfFields,
  type FieldSpecs,
} from "../../../../core/patterns/fields";
import type { SettParams } from "../../../../core/patterns/sett/params";
import { ferrySergeant } from "../../../../data/demo/ferrySergeant";
import { demoShelf } from "../../../../data/demo/shelf";
import { job, openJob, show, overtype } from "../../../testing/open";
import { FakeWorker } from "../../../testing/worker";
import { redo, undo, useJobStore } from "../../jobStore";
import { askJudgement } from "../../useJudged";
import { useSurface } from "../../useSurface";
import { useView } from "../../viewStore";
import { PatternView } from "../PatternView";

function Opened() {
  const surface = useSurface();
  return surface ? <PatternView surface={surface} /> : null;
}

const surface = (): Surface =>
  job().surfaces.find(({ id }) => id === useView.getState().surfaceId) ?? job().surfaces[0]!;
const field = (label: string | RegExp) => screen.getByLabelText(label);

/** Types a number over what a field says. */
async function put(user: UserEvent, label: string | RegExp, text: string): Promise<void> {
  await overtype(user, field(label), text);
}

async function pick(user: UserEvent, label: string, option: string | RegExp): Promise<void> {
  await user.click(screen.getByRole("combobox", { name: label }));
  await user.click(within(await screen.findByRole("listbox")).getByRole("option", { name: option }));
}

describe("the choice of a pattern", () => {
  it("offers every family, puts one on at a click and takes it off again", async () => {
    const bare = newPlainSurface("sleeve", "Sleeve", "limb", ferrySergeant().mixes);
    openJob({ ...ferrySergeant(), surfaces: [bare], touching: [] });
    const { user } = show(<Opened />);
    for (const { label } of Object.values(families))
      expect(screen.getByRole("button", { name: label })).toBeEnabled();
    await user.click(screen.getByRole("button", { name: families.sett!.label }));
    expect(surface().pattern?.id).toBe("sett");
    expect(surface().coats.length).toBeGreaterThan(3);
    await user.click(await screen.findByRole("button", { name: "Take the pattern off" }));
    expect(surface().pattern).toBeNull();
    expect(surface().coats).toEqual([]);
    undo();
    undo();
    expect(surface().coats).toEqual(bare.coats);
    redo();
    expect(surface().pattern?.id).toBe("sett");
  });
});

describe("the check cloth's setter", () => {
  const params = () => surface().pattern!.params as SettParams;
  beforeEach(() => openJob());
  async function open(): Promise<UserEvent> {
    const { user } = show(<Opened />);
    await screen.findByLabelText("Thread count");
    return user;
  }

  it("takes a thread count as soon as it can be read, and keeps what is typed until then", async () => {
    const user = await open();
    await put(user, "Thread count", "R/4 D12 S");
    expect(field("Thread count")).toHaveValue("R/4 D12 S");
    expect(field("Thread count")).toBeInvalid();
    const before = params().threadCount;
    await user.type(field("Thread count"), "/8");
    expect(params().threadCount).toBe("R/4 D12 S/8");
    expect(before).not.toBe(params().threadCount);
    expect(screen.getByText(/symmetrical, mirrored at both pivots/)).toBeVisible();
  });

  it("says whether the repeats close, and offers the next numbers that do", async () => {
    const user = await open();
    expect(screen.getByText(/^Closes: /)).toBeVisible();
    await put(user, "Repeats round the band", "9.5");
    expect(screen.getByText(/^Does not close: 9.5/)).toBeVisible();
    await user.click(screen.getByRole("button", { name: /^10 repeats \(/ }));
    expect(params().periods).toBe(10);
    expect(screen.getByText(/^Closes: /)).toBeVisible();
  });

  it("sets stripes, their mixes and new ones in the table", async () => {
    const user = await open();
    const table = within(screen.getByRole("table", { name: "Stripes" }));
    await put(user, "Threads of stripe 2, D", "14");
    expect(params().threadCount).toContain("D14");
    await user.click(table.getAllByRole("combobox", { name: "Mix of stripe S" })[0]!);
    await user.click(screen.getByRole("option", { name: "Rust" }));
    expect(params().colours.S).toBe("rust");
    await user.click(screen.getByRole("button", { name: "Add a stripe" }));
    expect(params().threadCount.split(" ")).toHaveLength(6);
    await user.click(screen.getByRole("button", { name: /^Remove stripe 6/ }));
    expect(params().threadCount.split(" ")).toHaveLength(5);
  });

  it("says whether a thin stripe is a line or boxes, and paints it as told", async () => {
    const user = await open();
    const roles = () => surface().coats.map(({ role }) => role);
    expect(roles()).toContain("lines:R");
    await pick(user, "Stripe 1, R is painted as", "always boxes");
    expect(params().painted).toEqual({ R: "boxes" });
    expect(roles()).toContain("boxes:R:R");
    expect(roles()).not.toContain("lines:R");
    await pick(user, "Stripe 1, R is painted as", /by its width$/);
    expect(params().painted).toEqual({});
    expect(roles()).toContain("lines:R");
  });

  it("lets the coats follow: by bands, without glaze, rows of their own", async () => {
    const user = await open();
    const roles = () => surface().coats.map(({ role }) => role);
    await user.click(screen.getByRole("button", { name: "bands, overpainted" }));
    expect(roles().some((role) => role?.startsWith("boxes:"))).toBe(false);
    await pick(user, "Fold glaze", "none");
    expect(roles()).not.toContain("glaze");
    await user.click(screen.getByRole("button", { name: "Give the rows another count" }));
    await put(user, "Thread count of the rows", "D/4 S/4");
    expect(params().rowThreadCount).toBe("D/4 S/4");
    const rows = within(screen.getByRole("table", { name: "Stripes of the rows" }));
    await put(user, "Threads of stripe 2, S, rows", "6");
    expect(params().rowThreadCount).toBe("D/4 S/6");
    expect(rows.getAllByRole("combobox", { name: /^Mix of stripe / })).toHaveLength(2);
    await put(user, "Thread count of the rows", "D/4 G6 S/4");
    await pick(user, "Mix of stripe G", "Rust");
    expect(params().colours.G).toBe("rust");
    await user.click(screen.getByRole("button", { name: "Rows as columns" }));
    expect(params().rowThreadCount).toBeNull();
  });
});

describe("the camouflage's setter", () => {
  const params = () => surface().pattern!.params as CamouflageParams;
  const layer = (name: string) => params().layers.find((one) => one.name === name)!;
  beforeEach(() => {
    FakeWorker.ready.add("judge");
    const plain = newPlainSurface("sleeve", "Sleeve", "limb", []);
    const bare = { ...ferrySergeant(), surfaces: [plain], touching: [] };
    openJob(putPattern(bare, "sleeve", "camouflage", demoShelf));
  });
  afterEach(() => FakeWorker.ready.clear());
  async function open(): Promise<UserEvent> {
    const { user } = show(<Opened />);
    await screen.findByRole("table", { name: "Layers" });
    return user;
  }
  const judge = () => {
    const { job: now, paints, painter } = useJobStore.getState();
    askJudgement({ job: now!, paints, painter: painter!, painted: [] });
  };

  it("starts from a preset and keeps what holds for the whole", async () => {
    const user = await open();
    await user.click(screen.getByRole("button", { name: "run on" }));
    for (const preset of presets) {
      await user.click(screen.getByRole("button", { name: preset.label }));
      expect(params().layers.map(({ name }) => name)).toEqual(preset.layers.map(({ name }) => name));
      expect(params().seams).toBe("over");
      expect(params().layers.every(({ mixId }) => job().mixes.some(({ id }) => id === mixId))).toBe(true);
    }
    expect(surface().coats.length).toBeGreaterThan(3);
  });

  it("tells shares asked and reached, and how much of the base still shows", async () => {
    const user = await open();
    const first = params().layers[0]!;
    await put(user, `Share of ${first.name}`, "35");
    expect(layer(first.name).share).toBe(35);
    judge();
    await waitFor(() => expect(screen.getByText(/of the base still shows/)).toBeVisible());
    await waitFor(() => expect(screen.getAllByText(/^35\.0.%$/).length).toBeGreaterThan(0));
    expect(screen.getByRole("img", { name: new RegExp(`${first.name} 35.0 %`) })).toBeVisible();
    expect(screen.getByRole("region", { name: `Numbers of ${first.name}` })).toHaveTextContent(
      /On the real cloth/,
    );
  });

  it("adds a layer of every kind, sets it, moves it and removes it", async () => {
    const user = await open();
    for (const kind of ["Patches", "Bars", "Dots", "Edge lines"]) {
      const before = params().layers.length;
      await user.click(screen.getByRole("button", { name: "Add a layer" }));
      await user.click(screen.getByRole("menuitem", { name: kind }));
      expect(params().layers).toHaveLength(before + 1);
      const made = screen.getByRole("region", { name: `Layer ${kind}` });
      await user.click(within(made).getByRole("button", { name: "Paint it earlier" }));
      expect(params().layers.at(-2)!.name).toBe(kind);
      await user.click(within(made).getByRole("button", { name: "Paint it later" }));
      if (kind !== "Edge lines") {
        const group = within(made).getByRole("group", { name: `What ${kind} may cover` });
        await user.click(within(group).getByRole("checkbox", { name: "Base" }));
        expect(params().layers.at(-1)!.over).not.toContain("base");
      } else expect(params().layers.at(-1)!.follows).not.toBeNull();
      await user.click(within(made).getByRole("button", { name: "Remove it" }));
      expect(params().layers).toHaveLength(before);
    }
  });

  it("gives another try by seed, and the same one back by undo", async () => {
    const user = await open();
    const { seed } = params();
    await user.click(screen.getByRole("button", { name: "Another try" }));
    expect(params().seed).toBe(seed + 1);
    undo();
    expect(params().seed).toBe(seed);
  });

  it("has a row for every figure of a unit, where one can be told apart", async () => {
    openJob(changeFigure(job(), "figure-1", { count: 3 }));
    const user = await open();
    const unit = within(screen.getByRole("region", { name: "The unit" }));
    expect(unit.getAllByRole("row")).toHaveLength(4);
    expect(unit.getByText(/No two have the same/)).toBeVisible();
    await user.click(unit.getByRole("checkbox", { name: "Figure 2 without a pattern on this piece" }));
    expect(params().figures).toEqual([expect.objectContaining({ id: "f2", plain: true })]);
    expect(useView.getState().figure).toBe(2);
    await user.click(unit.getByRole("button", { name: "Another try for figure 3" }));
    expect(params().figures.map(({ id }) => id)).toContain("f3");
    await user.click(unit.getByRole("button", { name: "Figure 1" }));
    expect(useView.getState().figure).toBe(1);
  });
});

describe("a setter made of fields", () => {
  const specs = {
    share: {
      kind: "number",
      label: "Stripe",
      unit: "%",
      range: [5, 90],
      step: 5,
      default: 40,
      about: "High.",
    },
    way: {
      kind: "choice",
      label: "Way",
      about: "Which.",
      options: [
        ["round", "round the piece"],
        ["along", "along it"],
      ],
      default: "round",
    },
    word: { kind: "text", label: "Word", about: "Any.", most: 20, default: "none" },
    soft: { kind: "yes", label: "Soft", about: "Or not.", default: false },
    mixId: { kind: "mix", label: "Stripe's mix", about: "What it is painted in.", startAt: 1 },
  } as const satisfies FieldSpecs;
  const plain: PatternFamily<Record<string, unknown>, null> = {
    ...{ id: "plain", version: 1, label: "One stripe", about: "A stripe.", fields: specs, checks: [] },
    schema: schemaOfFields(specs),
    start: ({ mixes }) => startOfFields(specs, mixes),
    layout: () => null,
    coats: () => [],
    places: () => [],
    marks: () => ({ kind: "strokes", strokes: [] }),
    tones: () => [{ key: "all", label: "all" }],
    meets: () => true,
    work: () => null,
    lookAt: () => [],
    mapMixes: (params, change) => mapMixesOfFields(specs, params, change),
    filmParams: (params) => params,
  };
  const registry = families as Record<string, PatternFamily>;
  beforeEach(() => {
    registry.plain = plain;
    openJob(putPattern(ferrySergeant(), "coat-skirt", "plain", demoShelf));
  });
  afterEach(() => {
    delete registry.plain;
  });

  it("has a control of its own for every kind of setting", async () => {
    const { user } = show(<Opened />);
    await put(user, "Stripe", "55");
    await pick(user, "Way", "along it");
    await overtype(user, field("Word"), "bold");
    await user.tab();
    await user.click(screen.getByRole("switch", { name: "Soft" }));
    await pick(user, "Stripe's mix", "Rust");
    expect(surface().pattern!.params).toEqual({
      ...{ share: 55, way: "along", word: "bold", soft: true, mixId: "rust" },
    });
    await user.clear(field("Stripe"));
    await user.type(field("Stripe"), "99");
    expect(screen.getByText("Allowed: 5 to 90 %.")).toBeVisible();
    expect(surface().pattern!.params).toMatchObject({ share: 9 });
  });
});
