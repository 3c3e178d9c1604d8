import { server } from "../../testing/server";
import { act, fireEvent, screen, waitFor, within } from "@testing-library/react";
import type { UserEvent } from "@testing-library/user-event";
import { beforeEach, describe, expect, it } from "vitest";
import { parseJob } from "../../../core/formats/job-json/jobSchema";
import type { Coat, Surface } from "../../../core/job";
import { techniques } from "../../../core/techniques";
import { wholeSergeant } from "../../../data/demo/company";
import { job, look, openJob, show, overtype } from "../../testing/open";
import { undo } from "../jobStore";
import { useSimulation } from "../useSimulation";
import { useSurface } from "../useSurface";
import { useView } from "../viewStore";
import { AddCoat } from "./AddCoat";
import { CoatList } from "./CoatList";
import { CoatInspector } from "./CoatInspector";
import { VariantsView } from "./VariantsView";

const satchel = (): Surface => job().surfaces.find(({ id }) => id === "satchel")!;
const coat = (): Coat => satchel().coats.find(({ id }) => id === useView.getState().coatId)!;

function Opened() {
  const surface = useSurface();
  if (!surface) return null;
  return (
    <>
      <AddCoat surface={surface} />
      <CoatInspector surface={surface} />
      <VariantsView surface={surface} />
    </>
  );
}

function open(): UserEvent {
  openJob(wholeSergeant());
  look({ surfaceId: "satchel" });
  return show(<Opened />).user;
}

async function pick(user: UserEvent, label: string, option: string | RegExp): Promise<void> {
  await user.click(screen.getByRole("combobox", { name: label }));
  await user.click(within(await screen.findByRole("listbox")).getByRole("option", { name: option }));
}

beforeEach(() => {
  server.down = false;
});

describe("a coat of the painter's own", () => {
  async function added(label: string): Promise<UserEvent> {
    const user = open();
    await user.click(screen.getByRole("button", { name: "Add a coat" }));
    await user.click(screen.getByRole("menuitem", { name: label }));
    return user;
  }

  it("is put after the chosen one, chosen, and gone again by undo", async () => {
    const before = wholeSergeant().surfaces.find(({ id }) => id === "satchel")!.coats;
    const user = open();
    look({ coatId: before[1]!.id });
    await user.click(screen.getByRole("button", { name: "Add a coat" }));
    await user.click(screen.getByRole("menuitem", { name: techniques.glaze.label }));
    expect(satchel().coats).toHaveLength(before.length + 1);
    expect(satchel().coats[2]).toMatchObject({ technique: { id: "glaze" }, role: null });
    expect(coat().technique.id).toBe("glaze");
    expect(parseJob(job())).toEqual(job());
    undo();
    expect(satchel().coats).toEqual(before);
  });

  it("is named, mixed, thinned, laid in passes and held back", async () => {
    const user = await added(techniques.stipple.label);
    await overtype(user, screen.getByLabelText("Name of the coat"), "Dust");
    await user.tab();
    await pick(user, "Mix", "Straw");
    await overtype(user, screen.getByLabelText("Water to 1 paint"), "2.5");
    await overtype(user, screen.getByLabelText("Passes"), "3");
    await user.click(screen.getByRole("switch", { name: "Hold back" }));
    expect(coat()).toMatchObject({ name: "Dust", mixId: "straw", water: 2.5, passes: 3, held: true });
  });

  it("has a slider with its unit for everything its technique can be set to", async () => {
    await added(techniques.stipple.label);
    for (const [name, spec] of Object.entries(techniques.stipple.params)) {
      const slider = screen.getByRole("slider", { name: spec.label });
      fireEvent.change(slider, { target: { value: spec.range[1] } });
      expect(coat().technique.params[name]).toBe(spec.range[1]);
    }
    expect(parseJob(job())).toEqual(job());
  });

  it("goes where zones, a stretch or an earlier coat's marks say", async () => {
    const user = await added(techniques.glaze.label);
    await pick(user, "Where", "in zones");
    const place = () => coat().place;
    expect(place().kind).toBe("zones");
    await user.click(screen.getByRole("checkbox", { name: "hollows" }));
    await user.click(screen.getByRole("checkbox", { name: "raised ground" }));
    expect(place()).toMatchObject({ kind: "zones", zones: ["hollow"] });
    await pick(user, "Where", "everywhere");
    expect(place()).toEqual({ kind: "everywhere" });
  });

  it("can fall where an earlier coat's marks fell, or where chance has them", async () => {
    const user = await added(techniques.stipple.label);
    const first = coat();
    await user.click(screen.getByRole("button", { name: "Add a coat" }));
    await user.click(screen.getByRole("menuitem", { name: techniques.stipple.label }));
    expect(coat().seed).not.toBe(first.seed);
    await pick(user, "Its marks fall", `where those of ${first.name} do`);
    expect(coat().seed).toBe(first.seed);
    await pick(user, "Its marks fall", "where chance has them");
    expect(coat().seed).not.toBe(first.seed);
    await user.click(screen.getByRole("button", { name: "Remove" }));
    expect(satchel().coats.at(-1)!.id).toBe(first.id);
  });

  it("is copied to another surface of the job", async () => {
    const user = await added(techniques.glaze.label);
    const count = (id: string) => job().surfaces.find((one) => one.id === id)!.coats.length;
    const before = count("gloves");
    await user.click(screen.getByRole("button", { name: "Copy to" }));
    await user.click(screen.getByRole("menuitem", { name: "Gloves: this coat" }));
    expect(count("gloves")).toBe(before + 1);
  });
});

describe("variants", () => {
  it("are kept, painted instead, and removed", async () => {
    const user = open();
    const before = satchel().coats;
    await user.click(screen.getByRole("button", { name: "Keep as a variant" }));
    expect(satchel().variants.map(({ name }) => name)).toEqual(["Variant A"]);
    look({ coatId: before[0]!.id });
    await user.click(screen.getByRole("switch", { name: "Hold back" }));
    await user.click(
      within(screen.getByRole("region", { name: "Variant A" })).getByRole("button", {
        name: "Paint this one",
      }),
    );
    expect(satchel().coats).toEqual(before);
    expect(satchel().variants[0]!.coats[0]!.held).toBe(true);
    await user.click(
      within(screen.getByRole("region", { name: "Painted before" })).getByRole("button", { name: "Remove" }),
    );
    expect(satchel().variants).toEqual([]);
  });
});

describe("base tones", () => {
  it("are laid side by side, and one is taken with the coats that were in the old one", async () => {
    const user = open();
    await user.click(screen.getByRole("button", { name: "Base tones" }));
    const before = satchel().coats;
    const base = before[0]!.mixId;
    const name = job().mixes.find((mix) => mix.id !== base && mix.parts.length > 0)!.name;
    await user.click(screen.getAllByRole("checkbox", { name })[0]!);
    const beside = screen.getByRole("region", { name });
    expect(within(beside).getByText("as its base")).toBeInTheDocument();
    await user.click(within(beside).getByRole("button", { name: "Take this base" }));
    const chosen = job().mixes.find((mix) => mix.name === name)!.id;
    expect(satchel().coats.map(({ mixId }) => mixId)).toEqual(
      before.map(({ mixId }) => (mixId === base ? chosen : mixId)),
    );
  });
});

describe("schemes of the painter's own", () => {
  it("are kept from one piece and painted on another, and undo brings the former coats back", async () => {
    const user = open();
    await user.click(screen.getByRole("button", { name: "Own schemes" }));
    expect(await screen.findByText(/^None yet/)).toBeVisible();
    const name = screen.getByLabelText("Name of the scheme");
    await user.clear(name);
    expect(screen.getByText("A scheme needs a name.")).toBeVisible();
    await user.type(name, "Old leather");
    await user.click(screen.getByRole("button", { name: /^Keep these \d+ coats/ }));
    const row = within(await screen.findByRole("listitem", { name: "Old leather" }));
    expect(row.getByText(/^\d+ coats in \d+ mixes/)).toBeVisible();
    await user.click(screen.getByRole("button", { name: "Close" }));
    look({ surfaceId: "gloves" });
    const gloves = () => job().surfaces.find(({ id }) => id === "gloves")!;
    const before = gloves().coats;
    await user.click(await screen.findByRole("button", { name: "Own schemes" }));
    await user.click(await screen.findByRole("button", { name: "Paint it so" }));
    expect(gloves().coats.map((one) => one.name)).toEqual(satchel().coats.map((one) => one.name));
    expect(parseJob(job())).toEqual(job());
    undo();
    expect(gloves().coats).toEqual(before);
    await user.click(screen.getByRole("button", { name: "Own schemes" }));
    await user.click(await screen.findByRole("button", { name: "Remove" }));
    await waitFor(() => expect(screen.queryByRole("listitem", { name: "Old leather" })).toBeNull());
  });

  it("say when the server cannot be reached, and keep the name that was typed", async () => {
    const user = open();
    server.down = true;
    await user.click(screen.getByRole("button", { name: "Own schemes" }));
    expect(await screen.findByText(/server cannot be reached/)).toBeVisible();
    await overtype(user, screen.getByLabelText("Name of the scheme"), "Mine");
    await user.click(screen.getByRole("button", { name: /^Keep these/ }));
    expect(await screen.findByText(/server cannot be reached/)).toBeVisible();
    expect(screen.getByLabelText("Name of the scheme")).toHaveValue("Mine");
  });
});

describe("the small picture of a coat", () => {
  it("is its own, and none while only those of other coats are worked out", () => {
    openJob(wholeSergeant());
    look({ surfaceId: "satchel", coatId: null });
    show(<CoatList surface={satchel()} />);
    const [base] = satchel().coats;
    const of = (coatId: string) =>
      ({
        ...{ width: 10, height: 10, pitchMm: 0.1, baseHue: null },
        effects: [{ coatId, coveredShare: 1, earlier: [], above: [] }],
        pictures: [0, 1].map(() => new Uint8ClampedArray(400).fill(255)),
      }) as never;
    act(() => useSimulation.setState({ steps: of("another"), settled: false }));
    expect(screen.queryByRole("img", { name: `after ${base!.name}` })).toBeNull();
    act(() => useSimulation.setState({ steps: of(base!.id), settled: true }));
    expect(screen.getByRole("img", { name: `after ${base!.name}` })).toBeVisible();
    act(() => useSimulation.setState({ steps: null }));
  });
});

describe("what a coat does", () => {
  it("is told to be that of before, as long as the change is being worked out", () => {
    open();
    look({ coatId: satchel().coats[0]!.id });
    const effect = {
      ...{ coatId: satchel().coats[0]!.id, coveredShare: 0.8, meanUm: 12, showing: 0.4, change: 20 },
      ...{ earlier: [], above: [], before: [50, 0, 0], after: [40, 0, 0] },
    };
    const steps = { effects: [effect], pictures: [], baseHue: null } as never;
    act(() => useSimulation.setState({ steps, settled: false }));
    expect(screen.getByText("as it was before this change")).toBeVisible();
    act(() => useSimulation.setState({ settled: true }));
    expect(screen.queryByText("as it was before this change")).toBeNull();
    expect(screen.getByText(/80\.0/)).toBeVisible();
  });

  it("tells of a glaze what it takes from the strokes below", () => {
    open();
    const touched = satchel().coats.filter(
      ({ technique: { id } }) => techniques[id as keyof typeof techniques].marksOn !== undefined,
    );
    const [low, high] = [touched[0]!, touched[1]!];
    look({ coatId: satchel().coats.at(-1)!.id });
    const earlier = (coatId: string, lightness: readonly [number, number] | null) => ({
      ...{ coatId, share: 0.8, lightness },
    });
    const showing = (told: boolean) => {
      const effect = {
        ...{ coatId: satchel().coats.at(-1)!.id, coveredShare: 0.8, meanUm: 3, showing: 0.4, change: 4 },
        earlier: [
          earlier(satchel().coats[0]!.id, told ? [20, 18] : null),
          earlier(low.id, told ? [30, 28] : null),
          earlier(high.id, told ? [62, 51] : null),
        ],
        ...{ above: [], before: [50, 0, 0], after: [40, 0, 0] },
      };
      const steps = { effects: [effect], pictures: [], baseHue: null } as never;
      act(() => useSimulation.setState({ steps, settled: true }));
    };
    showing(true);
    expect(screen.getByText("Contrast of strokes below").nextSibling).toHaveTextContent("L* 32 → 23");
    expect(screen.getByText(/80.%, L\* 62 → 51/)).toBeInTheDocument();
    // What paints over tells how much it leaves, not how far it dulls.
    showing(false);
    expect(screen.queryByText("Contrast of strokes below")).toBeNull();
  });
});
