import { FakeWorker } from "../../testing/worker";
import { fireEvent, screen, waitFor, within } from "@testing-library/react";
import { useState } from "react";
import { afterEach, beforeEach, describe, expect, it } from "vitest";
import { changeLight, newLight, withLight } from "../../../core/edits/paintedLights";
import { inZones, type Job } from "../../../core/job";
import { layGlow, planGlow } from "../../../core/schemes/glow";
import { wholeSergeant } from "../../../data/demo/company";
import { demoShelf } from "../../../data/demo/shelf";
import { job, look, openJob, show } from "../../testing/open";
import { useSurface } from "../useSurface";
import { AddCoat } from "./AddCoat";
import { CoatInspector } from "./CoatInspector";
import { LightPlace } from "./LightPlace";

const satchel = () => job().surfaces.find(({ id }) => id === "satchel")!;

/** A job of one piece alone. */
function bag(): Job {
  const whole = wholeSergeant();
  return { ...whole, surfaces: whole.surfaces.filter(({ id }) => id === "satchel"), touching: [] };
}

/** The same with a lantern on it, its light laid. */
function litBag(): Job {
  const plain = bag();
  const lantern = newLight(plain, plain.surfaces[0]!, "Lantern");
  const lit = withLight(plain, plain.figures[0]!.id, lantern);
  return layGlow(lit, planGlow(lit, lantern.id, demoShelf));
}

function Added() {
  const surface = useSurface();
  return surface && <AddCoat surface={surface} />;
}
function Inspected() {
  const surface = useSurface();
  return surface && <CoatInspector surface={surface} />;
}

function opened(design: Job, coatId: string | null = null) {
  openJob(design);
  look({ surfaceId: "satchel", coatId });
}

beforeEach(() => {
  FakeWorker.ready.add("glow");
});
afterEach(() => FakeWorker.ready.clear());

describe("a painted light", () => {
  it("is put on a piece and laid with its coats, all in one step", async () => {
    opened(bag());
    const before = satchel().coats;
    const { user } = show(<Added />);
    await user.click(screen.getByRole("button", { name: "A painted light" }));
    const dialog = await screen.findByRole("dialog", { name: /A light painted on/ });
    await waitFor(() => expect(within(dialog).getByRole("list", { name: "Where it falls" })).toBeVisible());
    expect(within(dialog).getByRole("list", { name: "Where it falls" })).toHaveTextContent(
      /Satchel: reaches \d+/,
    );
    await waitFor(() => expect(within(dialog).getByRole("button", { name: "Lay its coats" })).toBeEnabled());
    await user.click(within(dialog).getByRole("button", { name: "Lay its coats" }));
    expect(satchel().coats.slice(0, before.length)).toEqual(before);
    expect(
      satchel()
        .coats.slice(before.length)
        .map(({ event }) => event),
    ).toContain("glowing");
    expect(job().figures[0]!.lights.map(({ surfaceId }) => surfaceId)).toEqual(["satchel"]);
  });

  it("sits where the flat piece is pressed, is dragged, and moved by arrow keys", async () => {
    FakeWorker.ready.add("specimen");
    opened(litBag());
    let now = job().figures[0]!.lights[0]!;
    function Put() {
      const [light, setLight] = useState(now);
      return <LightPlace light={light} onMove={(place) => setLight((now = { ...light, ...place }))} />;
    }
    const { user } = show(<Put />);
    const mark = await screen.findByRole("button", { name: "Lantern: arrow keys move it" });
    const flat = mark.closest("svg")!;
    const [, , wide, high] = flat.getAttribute("viewBox")!.split(" ").map(Number);
    const heightPx = (300 * high!) / wide!;
    flat.getBoundingClientRect = () => new DOMRect(0, 0, 300, heightPx);
    flat.setPointerCapture = () => {};
    const at = (kind: string, x: number, y: number) =>
      fireEvent(
        flat,
        new MouseEvent(kind, { bubbles: true, buttons: 1, clientX: 300 * x, clientY: heightPx * y }),
      );
    at("pointerdown", 0.25, 0.25);
    expect(now.along).toBeCloseTo(0.25, 1);
    expect(now.up).toBeCloseTo(0.75, 1);
    at("pointermove", 0.75, 0.25);
    expect(now.along).toBeCloseTo(0.75, 1);
    const there = now;
    mark.focus();
    await user.keyboard("{ArrowLeft}{Shift>}{ArrowDown}{/Shift}");
    expect(now.along).toBeCloseTo(there.along - 0.02, 6);
    expect(now.up).toBeCloseTo(there.up - 0.005, 6);
    // Beyond the piece it stays on its rim.
    at("pointerdown", 1.4, -0.3);
    expect([now.along, now.up]).toEqual([1, 1]);
  });

  it("needs a name, asks anew as it is moved, and is taken off with all that was laid for it", async () => {
    const plain = bag();
    opened(litBag());
    const { user } = show(<Added />);
    await user.click(screen.getByRole("button", { name: "A painted light" }));
    await user.clear(screen.getByLabelText("Name"));
    expect(screen.getByText("It needs a name.")).toBeVisible();
    await waitFor(() => expect(FakeWorker.of("glow").length).toBeGreaterThan(0));
    expect(screen.getByRole("button", { name: "Lay its coats" })).toBeDisabled();
    await user.type(screen.getByLabelText("Name"), "Lamp");
    fireEvent.change(screen.getByRole("slider", { name: "Up the piece" }), { target: { value: 80 } });
    await waitFor(() => {
      const { job: asked } = FakeWorker.of("glow").at(-1)!.input as { job: Job };
      expect(asked.figures[0]!.lights[0]).toMatchObject({ name: "Lamp", up: 0.8 });
    });
    await user.click(screen.getByRole("button", { name: "Take it off" }));
    expect(job().figures[0]!.lights).toEqual([]);
    expect(satchel().coats).toEqual(plain.surfaces[0]!.coats);
  });

  it("is a place for any coat, which says so where the light is gone", async () => {
    const design = changeLight(litBag(), "light-1", { name: "Lantern" });
    const [first] = design.surfaces[0]!.coats;
    const coats = [{ ...first!, place: inZones([], 0) }, ...design.surfaces[0]!.coats.slice(1)];
    opened({ ...design, surfaces: [{ ...design.surfaces[0]!, coats }] }, first!.id);
    const { user } = show(<Inspected />);
    const place = () => satchel().coats[0]!.place;
    await user.click(await screen.findByRole("switch", { name: "Only where a painted light falls" }));
    expect(place()).toMatchObject({ shed: { lightId: "light-1", from: 0.2, to: 1 } });
    fireEvent.change(screen.getByRole("slider", { name: "Light from" }), { target: { value: 50 } });
    expect(place()).toMatchObject({ shed: { from: 0.5, to: 1 } });
    opened({ ...job(), figures: job().figures.map((one) => ({ ...one, lights: [] })) }, first!.id);
    expect(await screen.findByText("It is not on this figure any more.")).toBeVisible();
    await user.click(screen.getByRole("switch", { name: "Only where a painted light falls" }));
    expect(place()).toMatchObject({ shed: null });
  });
});
