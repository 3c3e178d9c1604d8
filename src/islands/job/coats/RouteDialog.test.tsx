import { server } from "../../testing/server";
import { FakeWorker } from "../../testing/worker";
import { screen, waitFor, within } from "@testing-library/react";
import { beforeEach, describe, expect, it } from "vitest";
import { parseJob } from "../../../core/formats/job-json/jobSchema";
import type { Painter } from "../../../core/painter";
import { hasRoutes } from "../../../core/routes/doubts";
import { wholeSergeant } from "../../../data/demo/company";
import { job, look, openJob, show } from "../../testing/open";
import { call } from "../../../ui/api";
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
  server.down = false;
  FakeWorker.ready.clear();
  openJob(sergeant);
  look({ surfaceId: "satchel", coatId: first.id });
});

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
    const kept = async () => (await call<{ painter: Painter }>("/api/painter")).painter.without;
    await waitFor(async () => expect(await kept()).toEqual(["no-airbrush"]));
    await user.click(dialog.getByRole("checkbox", { name: "no airbrush" }));
    await waitFor(async () => expect(await kept()).toEqual([]));
  });

  it("says where what is done without could not be kept, and goes by it all the same", async () => {
    server.down = true;
    const { user } = show(<Inspector />);
    await user.click(screen.getByRole("button", { name: "Another route" }));
    const dialog = within(screen.getByRole("dialog"));
    const box = dialog.getByRole("checkbox", { name: "no blending wet in wet" });
    await user.click(box);
    expect(await dialog.findByText(/^It could not be kept/)).toBeVisible();
    expect(box).toBeChecked();
  });
});
