import { server } from "../testing/server";
import { FakeWorker } from "../testing/worker";
import { render, screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { beforeAll, beforeEach, describe, expect, it } from "vitest";
import { database } from "../../data";
import { call } from "../../ui/api";
import type { PlanInput } from "../../worker/questions/benchPdf";
import { Desk } from "./Desk";

const strip = (name: string) => screen.findByRole("article", { name });
const jobs = async () => (await call<{ jobs: { id: string; name: string }[] }>("/api/jobs")).jobs;

function open() {
  render(<Desk />);
  return userEvent.setup();
}

// The demo is made when the server is first asked: it is not what these tests wait for.
beforeAll(async () => {
  await jobs();
});

beforeEach(() => {
  server.down = false;
  server.instead = null;
  server.calls.length = 0;
  FakeWorker.ready.clear();
});

describe("the desk", () => {
  it("lists jobs by what stands beside them, and reads each when it comes into view", async () => {
    open();
    const sergeant = await strip("Ferry sergeant");
    expect(
      within(sergeant).getByText(/1 : 51, 32.mm to the eyes, display, grey primer, 1 figure, 4 surfaces/),
    ).toBeVisible();
    expect(within(await strip("Ferry watch")).getByText(/5 figures, 2 surfaces/)).toBeVisible();
    // Cards are worked out where the page is here: only one job's are.
    const asked = await waitFor(() => {
      const own = FakeWorker.of("cards").find(
        ({ input }) => (input as PlanInput).job.id === "ferry-sergeant",
      );
      expect(own).toBeDefined();
      return own!;
    });
    await asked.worker.answer(asked.id);
    expect(await within(sergeant).findByText("Base", {}, { timeout: 120_000 })).toBeVisible();
    expect(within(sergeant).getByText(/1 of \d+\. .* of painting left/)).toBeVisible();
    expect(server.calls.filter((made) => /^GET \/api\/jobs\/.+/.test(made))).toHaveLength(9);
  });

  it("goes on where a card was ticked off", async () => {
    const { job } = await call<{ job: { id: string } }>("/api/jobs/ferry-watch?bare");
    open();
    const watch = await strip("Ferry watch");
    expect(await within(watch).findByRole("link", { name: "Open" })).toHaveAttribute(
      "href",
      `/job/${job.id}/brief`,
    );
  });

  it("renames, copies, deletes and brings back", async () => {
    const user = open();
    const scout = within(await strip("Reed scout"));
    await scout.findByRole("link", { name: "Open" });
    await user.click(scout.getByRole("button", { name: "Rename" }));
    const field = scout.getByLabelText("Name");
    await user.clear(field);
    expect(scout.getByText("A job needs a name.")).toBeVisible();
    await user.type(field, "Reed scout, old{Enter}");
    const renamed = within(await strip("Reed scout, old"));
    await user.click(renamed.getByRole("button", { name: "Copy" }));
    const copy = within(await strip("Reed scout, old copy"));
    await user.click(copy.getByRole("button", { name: "Delete" }));
    await waitFor(async () =>
      expect((await jobs()).map(({ name }) => name)).not.toContain("Reed scout, old copy"),
    );
    await user.click(await screen.findByRole("button", { name: "Undo" }));
    await strip("Reed scout, old copy");
    await waitFor(async () =>
      expect((await jobs()).map(({ name }) => name)).toContain("Reed scout, old copy"),
    );
  });

  it("shows a damaged job as such, with the way to get it out, and all others beside it", async () => {
    await call("/api/jobs", { method: "POST", json: { from: "new", name: "Torn" } });
    database().$client.prepare("update jobs set document = '{' where id = 'torn'").run();
    const user = open();
    const torn = within(await strip("Torn, damaged"));
    expect(torn.getByText(/This job cannot be read/)).toBeVisible();
    expect(torn.getByRole("link", { name: "Save it as it is" })).toHaveAttribute(
      "href",
      "/api/jobs/torn/raw",
    );
    await strip("Ferry sergeant");
    await user.click(torn.getByRole("button", { name: "Delete" }));
    await waitFor(() => expect(screen.queryByRole("article", { name: "Torn, damaged" })).toBeNull());
  });

  it("takes a job file, or says why not and changes nothing", async () => {
    const user = open();
    await strip("Ferry sergeant");
    const before = (await jobs()).length;
    const input = screen.getByLabelText("Job file");
    await user.upload(input, new File(["{}"], "broken.json", { type: "application/json" }));
    expect(await screen.findByText(/broken.json was not taken, nothing was changed/)).toBeVisible();
    expect((await jobs()).length).toBe(before);
    const file = await (await fetch("/api/jobs/ferry-sergeant/export")).text();
    await user.upload(input, new File([file], "whole.json", { type: "application/json" }));
    await waitFor(async () => expect((await jobs()).length).toBe(before + 1));
  });

  it("says when the server cannot be reached", async () => {
    server.down = true;
    open();
    expect(await screen.findByText(/server cannot be reached/)).toBeVisible();
  });
});
