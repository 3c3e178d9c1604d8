import { server } from "../../testing/server";
import { FakeWorker } from "../../testing/worker";
import { act, screen, waitFor, within } from "@testing-library/react";
import { beforeEach, describe, expect, it } from "vitest";
import { wholeSergeant } from "../../../data/demo/company";
import { openJob, show } from "../../testing/open";
import { StartDialog } from "./StartDialog";

const job = wholeSergeant();
const strap = job.surfaces.find(({ id }) => id === "strap")!;

beforeEach(() => {
  server.down = true;
});

describe("a scheme that is worked out", () => {
  it("can be started while it is the one asked for, and not a moment longer", async () => {
    openJob(job);
    const { user } = show(<StartDialog surface={strap} onClose={() => undefined} />);
    const dialog = within(screen.getByRole("dialog"));
    const start = dialog.getByRole("button", { name: "Start" });
    expect(start).toBeDisabled();
    await waitFor(() => expect(FakeWorker.of("start").length).toBeGreaterThan(0));
    const { id, worker } = FakeWorker.of("start").at(-1)!;
    await act(() => worker.answer(id));
    expect(start).toBeEnabled();
    await user.click(dialog.getByRole("button", { name: "old" }));
    // Before the next is even asked for: what is there is of another age.
    expect(start).toBeDisabled();
  });
});
