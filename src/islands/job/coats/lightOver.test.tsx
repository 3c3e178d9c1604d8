import { FakeWorker } from "../../testing/worker";
import { act, screen, waitFor, within } from "@testing-library/react";
import { afterEach, beforeEach, describe, expect, it } from "vitest";
import { isOver } from "../../../core/job";
import { wholeSergeant } from "../../../data/demo/company";
import { job, look, openJob, show } from "../../testing/open";
import { undo } from "../jobStore";
import { useSurface } from "../useSurface";
import { LightOver } from "./LightOver";

const skirt = () => job().surfaces.find(({ id }) => id === "coat-skirt")!;
const over = () => skirt().coats.filter(({ id }) => isOver("coat-skirt", id));

function Opened() {
  const surface = useSurface();
  return surface && <LightOver surface={surface} />;
}

beforeEach(() => {
  FakeWorker.ready.add("lightOver");
  openJob(wholeSergeant());
  look({ surfaceId: "coat-skirt" });
});
afterEach(() => FakeWorker.ready.clear());

describe("light and shade over a pattern", () => {
  it("is shown as mixes of the painter's own pots, laid at one click, and taken off again", async () => {
    const before = skirt().coats;
    const { user } = show(<Opened />);
    expect(screen.queryByRole("button", { name: "Take light and shade off" })).toBeNull();
    await user.click(screen.getByRole("button", { name: "Light and shade over it" }));
    const dialog = await screen.findByRole("dialog", { name: "Light and shade over Coat skirt" });
    const tones = within(dialog).getByRole("list", { name: "Its tones" });
    await waitFor(() => expect(within(tones).getAllByRole("listitem").length).toBeGreaterThan(3));
    expect(tones).toHaveTextContent("shade over it, clear");
    expect(tones).toHaveTextContent("Straw, light");
    await user.click(within(dialog).getByRole("button", { name: "Lay it" }));
    expect(over().length).toBeGreaterThan(4);
    expect(skirt().coats.filter((coat) => before.includes(coat))).toEqual(before);
    await user.click(screen.getByRole("button", { name: "Take light and shade off" }));
    expect(skirt().coats).toEqual(before);
    act(() => undo());
    expect(over().length).toBeGreaterThan(4);
  });

  it("asks anew for another look, and changes nothing where it is left", async () => {
    const { user } = show(<Opened />);
    await user.click(screen.getByRole("button", { name: "Light and shade over it" }));
    await waitFor(() => expect(FakeWorker.of("lightOver")).toHaveLength(1));
    await user.click(screen.getByRole("button", { name: "draws the eye" }));
    await waitFor(() => expect(FakeWorker.of("lightOver").at(-1)!.input).toMatchObject({ look: "striking" }));
    await user.click(screen.getByRole("button", { name: "Leave it" }));
    await waitFor(() => expect(screen.queryByRole("dialog")).toBeNull());
    expect(over()).toEqual([]);
  });
});
