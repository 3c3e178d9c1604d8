import { server } from "../../testing/server";
import { FakeWorker } from "../../testing/worker";
import { fireEvent, screen, waitFor } from "@testing-library/react";
import type { UserEvent } from "@testing-library/user-event";
import { beforeEach, describe, expect, it } from "vitest";
import { parseJob } from "../../../core/formats/job-json/jobSchema";
import type { Surface } from "../../../core/job";
import { defaultPainter } from "../../../core/painter";
import { strokeMinutes } from "../../../core/plan/work";
import { tideHound } from "../../../data/demo/tideHound";
import { job, look, openJob, overtype, show } from "../../testing/open";
import { undo } from "../jobStore";
import { useSurface } from "../useSurface";
import { useView } from "../viewStore";
import { EffortView } from "./EffortView";

const tail = (): Surface => job().surfaces.find(({ id }) => id === "tail")!;

function Opened() {
  const surface = useSurface();
  return surface ? <EffortView surface={surface} /> : null;
}

function open(surfaceId = "tail"): UserEvent {
  openJob(tideHound());
  look({ surfaceId, light: "colour" });
  return show(<Opened />).user;
}

/** The tail with a budget, once its marks are counted. */
async function begun(): Promise<UserEvent> {
  const user = open();
  const begin = screen.getByRole("button", { name: "Keep to a budget" });
  await waitFor(() => expect(begin).toBeEnabled());
  await user.click(begin);
  return user;
}

const strokesTold = async (pattern: RegExp): Promise<number> => {
  const status = await screen.findByText(pattern);
  return Number(pattern.exec(status.textContent)![1]!.replaceAll(/\D/g, ""));
};

beforeEach(() => {
  server.down = false;
  FakeWorker.ready.add("effort");
  FakeWorker.ready.add("figureEffort");
});

describe("a budget of strokes", () => {
  it("begins with half of what there is, is kept with the job, and goes again by undo", async () => {
    await begun();
    const all = await strokesTold(/Painted are [\d\s,.]+ of ([\d\s,.]+) strokes/);
    expect(tail().effort!.marks / all).toBeCloseTo(0.5, 1);
    expect(parseJob(job())).toEqual(job());
    undo();
    expect(tail().effort).toBeNull();
  });

  it("is told in minutes by the painter's own rates, or in strokes", async () => {
    const user = await begun();
    await overtype(user, screen.getByLabelText("Minutes at most"), "2");
    expect(tail().effort!.marks).toBe(Math.round(2 / strokeMinutes(defaultPainter)));
    await overtype(user, screen.getByLabelText("Strokes at most"), "60");
    expect(tail().effort!.marks).toBe(60);
    await waitFor(async () => expect(await strokesTold(/Painted are ([\d\s,.]+) of/)).toBeGreaterThan(57));
    expect(await strokesTold(/Painted are ([\d\s,.]+) of/)).toBeLessThan(63);
  });

  it("refuses what is no number of strokes, and says what is allowed", async () => {
    const user = await begun();
    const { marks } = tail().effort!;
    await overtype(user, screen.getByLabelText("Strokes at most"), "0");
    expect(screen.getByText(/Allowed: 1 to 1000000/)).toBeInTheDocument();
    expect(tail().effort!.marks).toBe(marks);
  });

  it("says where the strokes go, which follows what they are kept for", async () => {
    await begun();
    const best = () => strokesTold(/the third that is worth most gets (\d+)/);
    const before = await best();
    for (const name of ["Kept for what is seen", "Kept for what is lit"])
      fireEvent.change(screen.getByRole("slider", { name }), { target: { value: 100 } });
    await waitFor(async () => expect(await best()).toBeGreaterThan(before));
    expect(tail().effort).toMatchObject({ seen: 100, lit: 100 });
  });

  it("shows its map over the picture, and takes it off with the budget", async () => {
    const user = await begun();
    await user.click(screen.getByRole("button", { name: "Show the map" }));
    expect(useView.getState().light).toBe("effort");
    await user.click(screen.getByRole("button", { name: "Without a budget" }));
    expect(useView.getState().light).toBe("colour");
    expect(tail().effort).toBeNull();
  });

  it("is shared over all pieces of the figure in one step, told piece by piece", async () => {
    const user = open();
    await overtype(user, screen.getByLabelText("Minutes for the whole figure"), "90");
    await user.click(screen.getByRole("button", { name: "Share over its pieces" }));
    const said = await screen.findByText(/^Shared out: /, {}, { timeout: 20_000 });
    expect(said).toHaveTextContent(/Body .*min/);
    for (const { id, effort } of job().surfaces) if (id !== "neck") expect(effort, id).not.toBeNull();
    expect(parseJob(job())).toEqual(job());
    undo();
    for (const { effort } of job().surfaces) expect(effort).toBeNull();
  });

  it("for the whole figure is refused where it is no number of minutes, and not offered to a piece that lies aside", async () => {
    const user = open();
    await overtype(user, screen.getByLabelText("Minutes for the whole figure"), "0");
    expect(screen.getByText(/Allowed: 1 to 10000/)).toBeInTheDocument();
    const hound = tideHound();
    openJob({ ...hound, surfaces: hound.surfaces.map((one) => ({ ...one, seat: null })) });
    await waitFor(() => expect(screen.queryByLabelText("Minutes for the whole figure")).toBeNull());
  });

  it("is not offered where no coat sets its marks one by one", async () => {
    const hound = tideHound();
    openJob({
      ...hound,
      surfaces: hound.surfaces.map((one) => ({ ...one, coats: one.coats.slice(0, 1) })),
    });
    look({ surfaceId: "tail" });
    show(<Opened />);
    expect(await screen.findByText("No coat here sets its marks one by one.")).toBeInTheDocument();
    expect(screen.getByRole("button", { name: "Keep to a budget" })).toBeDisabled();
  });
});
