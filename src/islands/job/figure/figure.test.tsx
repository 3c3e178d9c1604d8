import { act, fireEvent, screen, within } from "@testing-library/react";
import type { UserEvent } from "@testing-library/user-event";
import { beforeEach, describe, expect, it } from "vitest";
import { EVENTS } from "../../../core/ageing/events";
import { withSurface } from "../../../core/edits/surfaces";
import { wholeSergeant } from "../../../data/demo/company";
import type { FigureInput } from "../../../worker/questions/figure";
import { look, openJob, show } from "../../testing/open";
import { FakeWorker } from "../../testing/worker";
import { useJobStore } from "../jobStore";
import { useView } from "../viewStore";
import { CoatsStage } from "../coats/CoatsStage";
import { useFigureLook } from "./figureLook";

/** The newest thing that was asked of the figure. */
const asked = (): FigureInput => FakeWorker.of("figure").at(-1)!.input as FigureInput;

function open(): UserEvent {
  openJob(wholeSergeant());
  useFigureLook.setState(useFigureLook.getInitialState(), true);
  useFigureLook.setState({ whole: true });
  look({ surfaceId: "satchel" });
  return show(<CoatsStage />).user;
}

const button = (name: string | RegExp) => screen.getByRole("button", { name });

async function shown(user: UserEvent, as: string): Promise<void> {
  await user.click(screen.getByRole("combobox", { name: "Shown" }));
  await user.click(await screen.findByRole("option", { name: as }));
}

describe("the whole figure beside the coats", () => {
  let user: UserEvent;
  beforeEach(() => {
    user = open();
  });

  it("is asked for with its surface as far as it is painted, and before a coat while that is held", async () => {
    expect(asked()).toMatchObject({ as: "paint", step: null });
    const { coats } = asked().job.surfaces.find(({ id }) => id === "satchel")!;
    await user.click(button("One coat back"));
    expect(asked().step).toEqual({ surfaceId: "satchel", upTo: coats.length - 1 });
    look({ coatId: coats[1]!.id });
    fireEvent.pointerDown(button("Hold: before it"));
    expect(asked().step).toEqual({ surfaceId: "satchel", upTo: 1 });
    fireEvent.pointerUp(button("Hold: before it"));
    expect(asked().step).toEqual({ surfaceId: "satchel", upTo: coats.length - 1 });
  });

  it("is seen as all of it was made, and as it stands again", () => {
    const coatsOf = (id: string) => asked().job.surfaces.find((one) => one.id === id)!.coats;
    const stands = ["satchel", "strap"].map((id) => coatsOf(id));
    const slider = screen.getByRole("slider", { name: "Time" });
    fireEvent.change(slider, { target: { value: 0 } });
    const made = ["satchel", "strap"].map((id) => coatsOf(id));
    made.forEach((coats, at) => {
      expect(coats.length).toBeLessThan(stands[at]!.length);
      expect(coats.every(({ event }) => event === null || EVENTS[event].time !== "used")).toBe(true);
    });
    expect(
      screen.getByText(new RegExp(`after coat ${made[0]!.length} of ${made[0]!.length}`)),
    ).toBeInTheDocument();
    fireEvent.change(slider, { target: { value: 2 } });
    expect(["satchel", "strap"].map((id) => coatsOf(id))).toEqual(stands);
  });

  it("has no steps of paint while it is looked at bare", async () => {
    for (const bare of ["primed", "white over black", "steps of light"]) {
      await shown(user, bare);
      expect(screen.getByText("before any coat")).toBeInTheDocument();
      expect(button("One coat back")).toBeDisabled();
      expect(button("One coat on")).toBeDisabled();
      expect(button("Hold: before it")).toBeDisabled();
    }
    expect(asked().as).toBe("values");
    await shown(user, "painted");
    expect(button("One coat back")).toBeEnabled();
  });

  it("is turned by keys and by its named sides, and says what could not be drawn", async () => {
    fireEvent.keyDown(screen.getByRole("group", { name: /^The whole figure/ }), { key: "ArrowRight" });
    expect(asked().view).toMatchObject({ turnDeg: 15, tiltDeg: 12 });
    await user.click(button("Above"));
    expect(asked().view).toMatchObject({ turnDeg: 0, tiltDeg: 65 });
    const { worker, id } = FakeWorker.of("figure").at(-1)!;
    act(() => worker.tell({ kind: "failed", id, message: "no room for so many cells" }));
    expect(screen.getByRole("alert")).toHaveTextContent("no room for so many cells");
  });

  it("goes out as a file once something is seated on it", () => {
    expect(button("Export glTF")).toBeEnabled();
    act(() =>
      useJobStore.getState().edit((job) => ({
        ...job,
        surfaces: job.surfaces.map((surface) => ({ ...surface, seat: null })),
      })),
    );
    expect(screen.queryByRole("button", { name: "Export glTF" })).toBeNull();
    expect(screen.getByText("Nothing is seated on it yet.")).toBeInTheDocument();
  });

  it("says which piece is left out as its sizes cannot be, and why; it can be chosen there", async () => {
    expect(screen.queryByText(/is left out/)).toBeNull();
    act(() =>
      useJobStore.getState().edit((job) =>
        withSurface(job, "coat-skirt", (skirt) => ({
          ...skirt,
          form: { ...skirt.form, params: { ...skirt.form.params, hemMm: 2 } },
        })),
      ),
    );
    const alert = screen.getByRole("alert");
    expect(alert).toHaveTextContent(/^Coat skirt is left out\. .*2 mm/);
    await user.click(within(alert).getByRole("button", { name: "Choose it" }));
    expect(useView.getState().surfaceId).toBe("coat-skirt");
  });
});
