import { server } from "../testing/server";
import { FakeWorker } from "../testing/worker";
import { act, fireEvent, screen, waitFor, within } from "@testing-library/react";
import { beforeEach, describe, expect, it } from "vitest";
import { defaultPainter, type Painter } from "../../core/painter";
import type { PlateReading } from "../../core/plate/reading";
import { call } from "../../ui/api";
import type { PlateAnswer } from "../../worker/questions/plate";
import { overtype, show } from "../testing/open";
import { Settings } from "./Settings";

const picture = { rgba: new Uint8ClampedArray(40 * 30 * 4), width: 40, height: 30 };
const reading: PlateReading = {
  marks: [
    [3, 3],
    [37, 3],
    [37, 27],
    [3, 27],
  ],
  lines: { count: 5, widthMm: 0.183, wobbleMm: 0.02 },
  dots: { count: 18, acrossMm: 0.41 },
  strokes: { count: 17, lengthMm: 3, offMm: 0.12 },
  thinning: null,
};

async function answer(value: PlateAnswer): Promise<void> {
  await waitFor(() => expect(FakeWorker.of("plate").length).toBeGreaterThan(0));
  const { id, worker } = FakeWorker.of("plate").at(-1)!;
  act(() => worker.tell({ kind: "answer", id, value }));
}

const stored = async () => (await call<{ painter: Painter }>("/api/painter")).painter;

beforeEach(async () => {
  server.down = false;
  FakeWorker.ready.clear();
  await call("/api/painter", { method: "PUT", json: defaultPainter });
});

describe("the test plate", () => {
  it("tells what its photo says, takes numbers over and puts the painter's own back", async () => {
    const { user } = show(<Settings />);
    const plate = within(await screen.findByRole("region", { name: "Test plate" }));
    await user.click(plate.getByRole("button", { name: "Try a simulated photo" }));
    await answer({ picture, reading, problem: null });
    expect(plate.getByText(/^5 lines, 0.18.mm wide, 0.020.mm off straight/)).toBeVisible();
    expect(plate.getByText(/^18 dots, 0.41.mm across$/)).toBeVisible();
    expect(plate.getByText(/fewer than three boxes tell anything/)).toBeVisible();
    await overtype(user, plate.getByRole("textbox", { name: "All lines took" }), "40");
    const offers = within(plate.getByRole("list", { name: "What the plate says of your numbers" }));
    const pull = within(await waitFor(() => offers.getByText("One pull of a line").closest("li")!));
    expect(pull.getByText(/^8.00.s$/)).toBeVisible();
    await user.click(offers.getByRole("button", { name: "Take all 3 over" }));
    await waitFor(async () =>
      expect(await stored()).toMatchObject({ hand: { finestLineMm: 0.18 }, secondsPerPull: 8 }),
    );
    expect(offers.getAllByText("as you have it")).toHaveLength(3);
    await user.click(plate.getByRole("button", { name: "Put my numbers back" }));
    await waitFor(async () => expect(await stored()).toEqual(defaultPainter));
  });

  it("says what is missing in a photo, and reads it by marks that are pointed at", async () => {
    const { user } = show(<Settings />);
    const plate = within(await screen.findByRole("region", { name: "Test plate" }));
    await user.click(plate.getByRole("button", { name: "Try a simulated photo" }));
    await answer({ picture, reading: null, problem: "3 of the four ring marks were found." });
    expect(plate.getByText("3 of the four ring marks were found.")).toBeVisible();
    await user.click(plate.getByRole("button", { name: "Point at the marks" }));
    const photo = plate.getByRole("img", { name: "Photo of a test plate, simulated" });
    const box = photo.parentElement!;
    box.getBoundingClientRect = () => ({ left: 0, top: 0, width: 400, height: 300 }) as DOMRect;
    for (const [clientX, clientY] of [
      [30, 30],
      [370, 30],
      [370, 270],
      [30, 270],
    ]) {
      expect(plate.getByText(/^Press the middle of mark \d of 4/)).toBeVisible();
      fireEvent(box, new MouseEvent("pointerdown", { bubbles: true, clientX: clientX!, clientY: clientY! }));
    }
    expect(FakeWorker.of("plate").at(-1)!.input).toMatchObject({ photo: null, marks: reading.marks });
    await answer({ picture, reading, problem: null });
    expect(plate.getByText(/hand that does not exist: taken over, they replace yours/)).toBeVisible();
  });
});
