import { server } from "../../../testing/server";
import { FakeWorker } from "../../../testing/worker";
import { act, fireEvent, screen, waitFor, within } from "@testing-library/react";
import type { UserEvent } from "@testing-library/user-event";
import { beforeEach, describe, expect, it } from "vitest";
import { parseJob } from "../../../../core/formats/job-json/jobSchema";
import { flatOfHandle, wayOfHandle } from "../../../../core/growth/field";
import type { Growth, Surface } from "../../../../core/job";
import { buildForm } from "../../../../core/surface/forms/buildForm";
import { wholeSergeant } from "../../../../data/demo/company";
import { job, look, openJob, show } from "../../../testing/open";
import { undo } from "../../jobStore";
import { useBuilt, useSurface } from "../../useSurface";
import { useView } from "../../viewStore";
import { GrowthMarks } from "./GrowthMarks";
import { GrowthView } from "./GrowthView";
import { placeUnder } from "./placeUnder";

const PX = 20;
const surface = (): Surface => job().surfaces.find(({ id }) => id === "satchel")!;
const growth = (): Growth => surface().growth!;

/** The tab with the picture above it, at so many pixels to the mm. */
function Opened() {
  const own = useSurface();
  const { form } = useBuilt(own);
  if (!own || !form) return null;
  const seenAt = (x: number, y: number) => ({ x: x * PX, y: y * PX, faces: true });
  return (
    <>
      <svg>
        <GrowthMarks {...{ form, seenAt }} surface={own} placeAt={(x, y) => [x / PX, y / PX]} scale={PX} />
      </svg>
      <GrowthView surface={own} />
    </>
  );
}

function open(): UserEvent {
  openJob(wholeSergeant());
  look({ surfaceId: "satchel", handleId: null });
  return show(<Opened />).user;
}

async function started(map = "Down the piece"): Promise<UserEvent> {
  const user = open();
  await user.click(screen.getByRole("button", { name: map }));
  await waitFor(() => expect(surface().growth).not.toBeNull());
  return user;
}

const grip = (name: RegExp) => screen.getByRole("slider", { name });

beforeEach(() => {
  server.down = false;
  FakeWorker.ready.add("growth").add("growthMap");
});

describe("a growth map", () => {
  it("is begun from a usual one, kept with the job, taken off, and comes back by undo", async () => {
    const user = await started("A parting");
    expect(growth().handles.length).toBeGreaterThan(4);
    expect(parseJob(job())).toEqual(job());
    await screen.findByRole("img", { name: /Which way it grows/ });
    await user.click(screen.getByRole("button", { name: "Without a map" }));
    expect(surface().growth).toBeNull();
    expect(screen.getByText(/falls down the piece/)).toBeInTheDocument();
    act(undo);
    expect(growth().handles.length).toBeGreaterThan(4);
  });

  it("tells which coats follow it", async () => {
    await started();
    const touched = surface().coats.filter(({ technique: { id } }) =>
      ["touch", "hatch", "hair"].includes(id),
    );
    expect(touched.length).toBeGreaterThan(0);
    expect(screen.getByText(new RegExp(`^Followed by ${touched[0]!.name}`))).toBeInTheDocument();
    act(() => {
      openJob({
        ...job(),
        surfaces: job().surfaces.map((one) => ({ ...one, coats: one.coats.slice(0, 1) })),
      });
      look({ surfaceId: "satchel" });
    });
    expect(screen.getByText(/No coat follows it yet/)).toBeInTheDocument();
  });

  it("has its handles moved and turned by keys, made longer, and taken away", async () => {
    await started();
    const before = growth().handles[0]!;
    const form = buildForm(surface());
    const from = flatOfHandle(form, before);
    fireEvent.keyDown(grip(/^Handle 1: place/), { key: "ArrowRight" });
    fireEvent.keyDown(grip(/^Handle 1: place/), { key: "ArrowUp", shiftKey: true });
    const [x, y] = flatOfHandle(form, growth().handles[0]!);
    expect(x - from[0]).toBeCloseTo(0.5, 2);
    expect(y - from[1]).toBeCloseTo(-0.1, 2);
    fireEvent.keyDown(grip(/^Handle 1: direction/), { key: "ArrowRight" });
    fireEvent.keyDown(grip(/^Handle 1: direction/), { key: "ArrowRight", shiftKey: true });
    fireEvent.keyDown(grip(/^Handle 1: direction/), { key: "ArrowUp" });
    expect(growth().handles[0]).toMatchObject({ angleDeg: before.angleDeg + 6, lengthPct: 110 });
    fireEvent.keyDown(grip(/^Handle 1: place/), { key: "Delete" });
    expect(growth().handles).toEqual([]);
  });

  it("has its handles dragged: the foot to a place, the tip to point at one", async () => {
    await started();
    const form = buildForm(surface());
    const drag = (name: RegExp, x: number, y: number) => {
      const on = grip(name);
      on.setPointerCapture = () => undefined;
      // The test's browser knows no place of a pointer, but that of a mouse.
      const at = { bubbles: true, clientX: x * PX, clientY: y * PX };
      for (const kind of ["pointerdown", "pointermove", "pointerup"]) fireEvent(on, new MouseEvent(kind, at));
    };
    const goal = flatOfHandle(form, { x: 0.3, y: 0.7 });
    drag(/^Handle 1: place/, ...goal);
    expect(growth().handles[0]!.x).toBeCloseTo(0.3, 2);
    expect(growth().handles[0]!.y).toBeCloseTo(0.7, 2);
    drag(/^Handle 1: direction/, goal[0] + 2, goal[1]);
    const [wayX, wayY] = wayOfHandle(form, growth().handles[0]!);
    expect(wayX).toBeGreaterThan(0.99);
    expect(Math.abs(wayY)).toBeLessThan(0.05);
  });

  it("is set by sliders: the chosen handle, and the whole of it", async () => {
    const user = await started();
    expect(screen.queryByRole("slider", { name: "Length there" })).toBeNull();
    act(() => grip(/^Handle 1: place/).focus());
    expect(screen.getByText("Handle 1 of 1")).toBeInTheDocument();
    const set = (name: string, value: number) =>
      fireEvent.change(screen.getByRole("slider", { name }), { target: { value } });
    set("Length there", 150);
    set("Stands off", 30);
    set("Direction", -45);
    set("Pulled down by weight", 40);
    set("Strays in waves", 12);
    expect(growth()).toMatchObject({ pull: 40, sway: 12 });
    expect(growth().handles[0]).toMatchObject({ lengthPct: 150, liftDeg: 30, angleDeg: -45 });
    await user.click(screen.getByRole("button", { name: "Remove this handle" }));
    expect(growth().handles).toEqual([]);
  });

  it("gets a handle more where it tells most, pointing as it grew there", async () => {
    const user = await started();
    const add = screen.getByRole("button", { name: "Add a handle" });
    await waitFor(() => expect(add).toBeEnabled());
    await user.click(add);
    const [first, second] = growth().handles;
    expect(Math.hypot(second!.x - first!.x, second!.y - first!.y)).toBeGreaterThan(0.4);
    expect(Math.abs(second!.angleDeg)).toBeLessThan(20);
    expect(within(document.body).getByText("Handle 2 of 2")).toBeInTheDocument();
    expect(useView.getState().handleId).toBe(second!.id);
  });
});

describe("the place under a pointer", () => {
  it("is found again from where it is seen, and is none beside the piece", () => {
    const form = buildForm(wholeSergeant().surfaces.find(({ id }) => id === "satchel")!);
    const seenAt = (x: number, y: number) => ({ x: 40 + x * PX, y: 300 + y * PX, faces: true });
    for (const [x, y] of [
      [0.3, 0.4],
      [0.72, 0.81],
    ] as const) {
      const at = flatOfHandle(form, { x, y });
      const seen = seenAt(...at);
      const found = placeUnder(form, seenAt, seen.x, seen.y)!;
      expect(Math.hypot(found[0] - at[0], found[1] - at[1])).toBeLessThan(0.1);
    }
    expect(placeUnder(form, seenAt, -500, -500)).toBeNull();
  });
});
