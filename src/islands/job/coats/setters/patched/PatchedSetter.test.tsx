import { fireEvent, screen, within } from "@testing-library/react";
import type { UserEvent } from "@testing-library/user-event";
import { afterEach, beforeEach, describe, expect, it } from "vitest";
import { putPattern } from "../../../../../core/edits/patterns";
import type { Surface } from "../../../../../core/job";
import { newPlainSurface } from "../../../../../core/newJob";
import type { PatchedParams } from "../../../../../core/patterns/patched/params";
import { presets } from "../../../../../core/patterns/patched/presets";
import { ferrySergeant } from "../../../../../data/demo/ferrySergeant";
import { demoShelf } from "../../../../../data/demo/shelf";
import { job, openJob, overtype, show } from "../../../../testing/open";
import { FakeWorker } from "../../../../testing/worker";
import { undo, useJobStore } from "../../../jobStore";
import { askJudgement } from "../../../useJudged";
import { useSurface } from "../../../useSurface";
import { PatternView } from "../../PatternView";

function Opened() {
  const own = useSurface();
  return own ? <PatternView surface={own} /> : null;
}

const surface = (): Surface => job().surfaces[0]!;
const field = (label: string | RegExp) => screen.getByLabelText(label);
const put = (user: UserEvent, label: string, text: string) => overtype(user, field(label), text);

async function pick(user: UserEvent, label: string, option: string): Promise<void> {
  await user.click(screen.getByRole("combobox", { name: label }));
  await user.click(within(await screen.findByRole("listbox")).getByRole("option", { name: option }));
}

describe("the patched coat's setter", () => {
  const params = () => surface().pattern!.params as PatchedParams;
  const colour = (name: string) => params().colours.find((one) => one.name === name)!;
  beforeEach(() => {
    FakeWorker.ready.add("judge");
    const plain = newPlainSurface("sleeve", "Sleeve", "limb", []);
    const bare = { ...ferrySergeant(), surfaces: [plain], touching: [] };
    openJob(putPattern(bare, "sleeve", "patched", demoShelf));
  });
  afterEach(() => FakeWorker.ready.clear());
  async function open(): Promise<UserEvent> {
    const { user } = show(<Opened />);
    await screen.findByRole("table", { name: "Colours of the coat" });
    return user;
  }
  /** The map, once the pattern is laid out. */
  async function map(): Promise<HTMLElement> {
    const { job: now, paints, painter } = useJobStore.getState();
    askJudgement({ job: now!, paints, painter: painter!, painted: [] });
    return screen.findByRole("region", { name: "Map of the blocks" });
  }

  it("starts from any kind of coat, mixed and in coats of its own", async () => {
    const user = await open();
    for (const preset of presets) {
      await user.click(screen.getByRole("button", { name: preset.label }));
      expect(params().colours.map(({ name }) => name)).toEqual(preset.colours.map(({ name }) => name));
      const roles = surface().coats.map(({ role }) => role);
      for (const { id } of preset.colours) expect(roles).toContain(`hairs:${id}:1`);
    }
    // Its hairs bring the light: none is offered over them.
    expect(screen.queryByRole("button", { name: "Light and shade over it" })).toBeNull();
  });

  it("sets shares, places and colours, which are mixed anew; the first takes the rest", async () => {
    const user = await open();
    await put(user, "Share of Rust", "20");
    expect(colour("Rust").share).toBe(20);
    expect(screen.getByText(/the rest, 55\.0/)).toBeVisible();
    await pick(user, "Where Rust sits", "at the lower end");
    await put(user, "How far Rust keeps to it", "80");
    expect(colour("Rust")).toMatchObject({ sits: "hem", keeps: 80 });
    const before = colour("Dark").mixIds;
    fireEvent.change(field("Colour of Dark"), { target: { value: "#445566" } });
    expect(colour("Dark").colour).toBe("#445566");
    expect(colour("Dark").mixIds).toHaveLength(before.length);
    expect(colour("Dark").mixIds.some((id) => before.includes(id))).toBe(false);
    undo();
    expect(colour("Dark").mixIds).toEqual(before);
  });

  it("adds a colour and takes one away, two at least", async () => {
    const user = await open();
    await user.click(screen.getByRole("button", { name: "Add a colour" }));
    expect(params().colours).toHaveLength(4);
    for (const name of ["Colour 4", "Dark"])
      await user.click(screen.getByRole("button", { name: `Remove ${name}` }));
    expect(params().colours.map(({ name }) => name)).toEqual(["Pale", "Rust"]);
    expect(screen.getByRole("button", { name: "Remove Rust" })).toBeDisabled();
    expect(surface().coats.some(({ role }) => role?.includes("dark"))).toBe(false);
  });

  it("refuses a size that cannot be, says what is allowed, and keeps what is typed", async () => {
    const user = await open();
    const before = params().largeMm;
    await put(user, "Large blocks", "90");
    expect(screen.getByText("Allowed: 1 to 30 mm.")).toBeVisible();
    expect(field("Large blocks")).toHaveValue("90");
    expect(params().largeMm).toBe(before);
  });

  it("sets spots on the map, moves them by keys and takes them away", async () => {
    const user = await open();
    const own = within(await map());
    await user.click(own.getByRole("button", { name: "Dark" }));
    await user.click(own.getByRole("button", { name: "Set one in the middle" }));
    expect(params().spots).toEqual([{ id: "spot-1", colourId: "dark", x: 0.5, y: 0.5, widthMm: 3 }]);
    const spot = own.getByRole("slider", { name: /^Spot 1/ });
    spot.focus();
    await user.keyboard("{ArrowRight}{ArrowUp}+");
    expect(params().spots[0]!.x).toBeGreaterThan(0.5);
    expect(params().spots[0]!.y).toBeGreaterThan(0.5);
    expect(params().spots[0]!.widthMm).toBe(3.5);
    expect(spot).toHaveAttribute("aria-valuetext", expect.stringContaining("Dark, 3.5 mm"));
    await user.keyboard("{Delete}");
    expect(params().spots).toEqual([]);
  });

  it("tells what came of it: shares that show, blocks, hairs over every border", async () => {
    await open();
    await map();
    expect(screen.getByText(/hairs of a colour cross every millimetre of its border/)).toBeVisible();
    const table = within(screen.getByRole("table", { name: "Colours of the coat" }));
    expect(table.getByText(/^32\.\d.%, \d+$/)).toBeVisible();
  });
});
