import { fireEvent, screen } from "@testing-library/react";
import { beforeEach, describe, expect, it } from "vitest";
import type { SettParams } from "../../core/patterns/sett/params";
import { ferrySergeant } from "../../data/demo/ferrySergeant";
import { job, openJob, show } from "../testing/open";
import { PatternView } from "./coats/PatternView";
import { undo } from "./jobStore";
import { useSurface } from "./useSurface";

function Opened() {
  const surface = useSurface();
  return surface ? <PatternView surface={surface} /> : null;
}

const params = () => job().surfaces[0]!.pattern!.params as SettParams;
const halfTone = () => job().mixes.find(({ id }) => id === params().crossings["D+S"])!.parts;

beforeEach(() => openJob(ferrySergeant()));

describe("the choice of a mix", () => {
  it("offers pots of the shelf as they are: one becomes a mix in one step for undo, and half-tones follow", async () => {
    const { user } = show(<Opened />);
    await screen.findByRole("table", { name: "Stripes" });
    const before = job();
    const was = halfTone();
    await user.click(screen.getAllByRole("combobox", { name: "Mix of stripe S" })[0]!);
    await user.click(screen.getByRole("option", { name: "Clay (pot)" }));
    const mix = job().mixes.find(({ id }) => id === params().colours.S)!;
    expect(mix).toMatchObject({ name: "Clay", parts: [{ parts: 1 }] });
    expect(halfTone()).not.toEqual(was);
    undo();
    expect(job()).toBe(before);
  });

  it("takes nothing where a press on the field lets go late, on an option that opened under it", async () => {
    const { user } = show(<Opened />);
    await screen.findByRole("table", { name: "Stripes" });
    const before = job();
    fireEvent.mouseDown(screen.getAllByRole("combobox", { name: "Mix of stripe S" })[0]!, { button: 0 });
    const option = screen.getByRole("option", { name: "Clay (pot)" });
    // Longer than the list waits until it takes letting go for a choice.
    await new Promise((resolve) => setTimeout(resolve, 500));
    fireEvent.mouseUp(option);
    expect(job()).toBe(before);
    await user.click(option);
    expect(job().mixes.find(({ id }) => id === params().colours.S)!.name).toBe("Clay");
  });

  it("offers a pot once: what a mix of the job stands for already is that mix", async () => {
    const { user } = show(<Opened />);
    await screen.findByRole("table", { name: "Stripes" });
    const choose = async (option: string) => {
      await user.click(screen.getAllByRole("combobox", { name: "Mix of stripe S" })[0]!);
      await user.click(screen.getByRole("option", { name: option }));
    };
    await choose("Clay (pot)");
    const count = job().mixes.length;
    await user.click(screen.getAllByRole("combobox", { name: "Mix of stripe S" })[0]!);
    expect(screen.queryByRole("option", { name: "Clay (pot)" })).toBeNull();
    await user.click(screen.getByRole("option", { name: "Clay" }));
    expect(job().mixes).toHaveLength(count);
  });
});
