import { FakeWorker } from "../../testing/worker";
import { screen, waitFor, within } from "@testing-library/react";
import { afterEach, beforeEach, describe, expect, it } from "vitest";
import { parseJob } from "../../../core/formats/job-json/jobSchema";
import { hasRoutes } from "../../../core/routes/doubts";
import { wholeSergeant } from "../../../data/demo/company";
import { usePrefs } from "../../../ui/prefs";
import { job, look, openJob, show } from "../../testing/open";
import { undo } from "../jobStore";
import { useSurface } from "../useSurface";
import { CoatInspector } from "./CoatInspector";

const sergeant = wholeSergeant();
const satchel = () => job().surfaces.find(({ id }) => id === "satchel")!;
const first = sergeant.surfaces
  .find(({ id }) => id === "satchel")!
  .coats.find(({ technique, ...one }) => technique.id === "stipple" && hasRoutes(one))!;
const coat = () => satchel().coats.find(({ id }) => id === first.id)!;

function Inspector() {
  const surface = useSurface();
  return surface && <CoatInspector surface={surface} />;
}

beforeEach(() => {
  FakeWorker.ready.clear();
  openJob(sergeant);
  look({ surfaceId: "satchel", coatId: first.id });
});
afterEach(() => usePrefs.setState({ without: [] }));

describe("another route for a coat", () => {
  it("is told nearest first, and taken in one step that undo takes back", async () => {
    FakeWorker.ready.add("routes");
    const { user } = show(<Inspector />);
    await user.click(screen.getByRole("button", { name: "Another route" }));
    const dialog = within(screen.getByRole("dialog"));
    const ways = within(await dialog.findByRole("radiogroup", { name: "Other techniques" }));
    expect(ways.getAllByText(/^\d+\.\d CIEDE2000 off/).length).toBeGreaterThan(2);
    expect(
      dialog.getByText(/^Left out altogether, the surface would be \d+\.\d CIEDE2000 off/),
    ).toBeVisible();
    const second = ways.getAllByRole("radio")[1]!;
    await user.click(second);
    expect(second).toBeChecked();
    const before = coat();
    const take = dialog.getByRole("button", { name: "Take this route" });
    await waitFor(() => expect(take).toBeEnabled());
    await user.click(take);
    expect(coat().technique.id).toBe((second as HTMLInputElement).value);
    expect(coat().name).toBe(before.name);
    expect(parseJob(job())).toEqual(job());
    undo();
    expect(coat()).toEqual(before);
  });

  it("asks anew for what the painter does without, and remembers it", async () => {
    const { user } = show(<Inspector />);
    await user.click(screen.getByRole("button", { name: "Another route" }));
    const dialog = within(screen.getByRole("dialog"));
    await user.click(dialog.getByRole("checkbox", { name: "no airbrush" }));
    await waitFor(() =>
      expect(FakeWorker.of("routes").at(-1)?.input).toMatchObject({
        without: ["no-airbrush"],
        coatId: first.id,
      }),
    );
    expect(dialog.getByRole("button", { name: "Take this route" })).toBeDisabled();
    expect(usePrefs.getState().without).toEqual(["no-airbrush"]);
  });
});
