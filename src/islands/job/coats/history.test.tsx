import { FakeWorker } from "../../testing/worker";
import { act, screen, waitFor, within } from "@testing-library/react";
import { afterEach, beforeEach, describe, expect, it } from "vitest";
import { MOST_COATS } from "../../../core/job";
import { isTold } from "../../../core/schemes/history";
import { wholeSergeant } from "../../../data/demo/company";
import { job, look, openJob, show } from "../../testing/open";
import { undo } from "../jobStore";
import { useSurface } from "../useSurface";
import { AddCoat } from "./AddCoat";
import { useTold } from "./toldStore";

const satchel = () => job().surfaces.find(({ id }) => id === "satchel")!;
const told = () => satchel().coats.filter(({ id }) => isTold("satchel", id));

function Opened() {
  const surface = useSurface();
  return surface && <AddCoat surface={surface} />;
}

beforeEach(() => {
  FakeWorker.ready.add("history");
  useTold.setState({ told: {} });
  openJob(wholeSergeant());
  look({ surfaceId: "satchel" });
});
afterEach(() => FakeWorker.ready.clear());

describe("a history told in words", () => {
  it("gives coats over those that are there, by one step back, and is taken off again", async () => {
    const before = satchel().coats;
    const { user } = show(<Opened />);
    await user.click(screen.getByRole("button", { name: "Its history" }));
    const dialog = await screen.findByRole("dialog", { name: `What happened to ${satchel().name}` });
    await user.click(within(dialog).getByRole("button", { name: "painted metal" }));
    await waitFor(() =>
      expect(within(dialog).getByRole("list", { name: "Its tones" })).toHaveTextContent("rust, bright"),
    );
    await waitFor(() => expect(within(dialog).getByRole("button", { name: "Lay its coats" })).toBeEnabled());
    await user.click(within(dialog).getByRole("button", { name: "Lay its coats" }));
    expect(satchel().coats.slice(0, before.length)).toEqual(before);
    expect(told().map(({ event }) => event)).toContain("rusted");
    act(() => undo());
    expect(satchel().coats).toEqual(before);
  });

  it("asks anew for each answer, keeps what was told, and takes the history off", async () => {
    const { user } = show(<Opened />);
    await user.click(screen.getByRole("button", { name: "Its history" }));
    await user.click(screen.getByRole("button", { name: "wood" }));
    await user.click(screen.getByRole("button", { name: "by the sea" }));
    await waitFor(() =>
      expect(FakeWorker.of("history").at(-1)!.input).toMatchObject({
        told: { stuff: "wood", weather: "sea", made: "years" },
      }),
    );
    expect(screen.getAllByLabelText(/Dust of that ground/).length).toBeGreaterThan(0);
    await user.click(screen.getByRole("button", { name: "on clean floors" }));
    expect(screen.queryAllByLabelText(/Dust of that ground/)).toEqual([]);
    await waitFor(() => expect(screen.getByRole("button", { name: "Lay its coats" })).toBeEnabled());
    await user.click(screen.getByRole("button", { name: "Lay its coats" }));
    await waitFor(() => expect(screen.queryByRole("dialog")).toBeNull());
    expect(told().length).toBeGreaterThan(2);
    await user.click(screen.getByRole("button", { name: "Its history" }));
    expect(screen.getByRole("button", { name: "wood" })).toHaveAttribute("aria-pressed", "true");
    await user.click(screen.getByRole("button", { name: "Take its history off" }));
    await waitFor(() => expect(screen.queryByRole("dialog")).toBeNull());
    expect(told()).toEqual([]);
  });

  it("is not laid where the surface would have more coats than it can, and says how many", async () => {
    const [first] = satchel().coats;
    const many = Array.from({ length: MOST_COATS }, (_, at) => ({
      ...first!,
      id: `coat-${at}`,
      held: at > 0,
    }));
    openJob({
      ...job(),
      surfaces: job().surfaces.map((one) => (one.id === "satchel" ? { ...one, coats: many } : one)),
    });
    look({ surfaceId: "satchel" });
    const { user } = show(<Opened />);
    await user.click(screen.getByRole("button", { name: "Its history" }));
    expect(await screen.findByText(/would have [67]\d coats; 64 is the most/)).toBeVisible();
    expect(screen.getByRole("button", { name: "Lay its coats" })).toBeDisabled();
  });
});
