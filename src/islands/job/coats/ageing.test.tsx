import { fireEvent, screen, within } from "@testing-library/react";
import { describe, expect, it } from "vitest";
import { EVENTS, TIME_NAMES } from "../../../core/ageing/events";
import { parseJob } from "../../../core/formats/job-json/jobSchema";
import { wholeSergeant } from "../../../data/demo/company";
import { job, look, openJob, show } from "../../testing/open";
import { useSurface } from "../useSurface";
import { useView } from "../viewStore";
import { CoatInspector } from "./CoatInspector";
import { CoatList } from "./CoatList";
import { TimeSlider } from "./TimeSlider";

function Inspector() {
  const surface = useSurface();
  return surface ? <CoatInspector surface={surface} /> : null;
}

describe("what a coat stands for", () => {
  it("is chosen from plain words, explained, kept, and taken away again", async () => {
    openJob(wholeSergeant());
    const satchel = () => job().surfaces.find(({ id }) => id === "satchel")!;
    const first = satchel().coats[0]!;
    look({ surfaceId: "satchel", coatId: first.id });
    const { user } = show(<Inspector />);
    const choose = async (name: string) => {
      await user.click(screen.getByRole("combobox", { name: "Stands for" }));
      await user.click(within(await screen.findByRole("listbox")).getByRole("option", { name }));
    };
    await choose(EVENTS.dusted.label);
    expect(satchel().coats[0]!.event).toBe("dusted");
    expect(screen.getByText(EVENTS.dusted.about)).toBeVisible();
    expect(parseJob(job())).toEqual(job());
    await choose("nothing that happened");
    expect(satchel().coats[0]).toEqual(first);
  });
});

describe("the slider over time", () => {
  const sergeant = wholeSergeant();
  const over = (id: string) =>
    show(
      <TimeSlider surfaces={sergeant.surfaces.filter((one) => one.id === id)} at={{ left: 0, bottom: 0 }} />,
    );

  it("goes back to how the surface was made, forth to how it stands, and forgets the step it was shown at", () => {
    look({ upTo: 3 });
    over("satchel");
    const slider = screen.getByRole("slider", { name: "Time" });
    expect(slider).toHaveAttribute("aria-valuetext", TIME_NAMES.left);
    fireEvent.change(slider, { target: { value: 0 } });
    expect(useView.getState()).toMatchObject({ time: "made", upTo: null });
    expect(screen.getByText("as it was made")).toBeVisible();
    fireEvent.change(slider, { target: { value: 1 } });
    expect(useView.getState().time).toBe("used");
    fireEvent.change(slider, { target: { value: 2 } });
    expect(useView.getState().time).toBeNull();
  });

  it("is back at how the surface stands once a coat is chosen: its step is one of all coats", async () => {
    openJob(sergeant);
    look({ surfaceId: "satchel", time: "made" });
    const { user } = show(<CoatList surface={sergeant.surfaces.find(({ id }) => id === "satchel")!} />);
    await user.click(screen.getByRole("button", { name: /^Coat 10,/ }));
    expect(useView.getState()).toMatchObject({ time: null, upTo: 10 });
  });

  it("is not there where nothing has happened to the surface", () => {
    over("coat-skirt");
    expect(screen.queryByRole("slider", { name: "Time" })).toBeNull();
  });
});
