import { act, screen, waitFor, within } from "@testing-library/react";
import { describe, expect, it } from "vitest";
import { parsePaint } from "../../core/formats/job-json/jobSchema";
import type { Paint } from "../../core/job";
import { demoShelf } from "../../data/demo/shelf";
import { show, overtype } from "../testing/open";
import { PotDialog } from "./PotDialog";

const straw = demoShelf.find(({ id }) => id === "paint-straw")!;

function open(first: Paint = straw, refuse: string | null = null) {
  const heard = { saved: null as Paint | null, removed: null as Paint | null, closed: false };
  const take = (key: "saved" | "removed") => (paint: Paint) => {
    if (refuse !== null) return Promise.reject(new Error(refuse));
    heard[key] = paint;
    return Promise.resolve();
  };
  const { user } = show(
    <PotDialog
      first={first}
      isNew={false}
      shelf={demoShelf}
      onClose={() => (heard.closed = true)}
      onSave={take("saved")}
      onRemove={take("removed")}
    />,
  );
  return { user, heard };
}

describe("a pot by eye", () => {
  it("is kept as typed, colours as #rrggbb or L*a*b*", async () => {
    const { user, heard } = open();
    await overtype(user, screen.getByLabelText("Name"), "  Straw, old ");
    const thick = screen.getByLabelText("Dry colour of a thick coat");
    await overtype(user, thick, "lab(60 5 30)");
    await user.click(screen.getByRole("button", { name: "Change" }));
    expect(heard.closed).toBe(true);
    expect(heard.saved).toMatchObject({ name: "Straw, old", fit: null });
    expect(heard.saved!.thick).toMatch(/^#[0-9a-f]{6}$/);
    expect(parsePaint(heard.saved)).toEqual(heard.saved);
  });

  it("cannot be kept while a colour is none or the name is missing, and says so", async () => {
    const { user } = open();
    const keep = screen.getByRole("button", { name: "Change" });
    const thick = screen.getByLabelText("Dry colour of a thick coat");
    await overtype(user, thick, "straw");
    expect(screen.getByText(/^#rrggbb like/)).toBeVisible();
    expect(keep).toBeDisabled();
    await overtype(user, thick, "#cbb67e");
    expect(keep).toBeEnabled();
    await user.clear(screen.getByLabelText("Name"));
    expect(keep).toBeDisabled();
  });

  it("stays open with the reason where it cannot be kept", async () => {
    const { user, heard } = open(straw, "Mixes of Ferry sergeant use this pot.");
    await user.click(screen.getByRole("button", { name: "Take off the shelf" }));
    expect(await screen.findByText("Mixes of Ferry sergeant use this pot.")).toBeVisible();
    expect(heard.closed).toBe(false);
  });
});

describe("readings of a pot", () => {
  const list = () => within(screen.getByRole("list", { name: "Readings" }));
  async function typed(user: ReturnType<typeof open>["user"], lab: readonly number[]) {
    for (const [at, name] of ["L*", "a*", "b*"].entries()) {
      await overtype(user, screen.getByLabelText(name), String(lab[at]));
    }
    await user.click(screen.getByRole("button", { name: "Add as typed" }));
  }
  async function laid(user: ReturnType<typeof open>["user"], how: string) {
    await user.click(screen.getByRole("combobox", { name: "Put down on" }));
    await user.click(screen.getByRole("option", { name: how }));
  }

  it("are typed, dropped, and fitted; what remains between them and the model is told", async () => {
    const { user, heard } = open();
    await user.click(screen.getByRole("tab", { name: "Readings" }));
    const fit = screen.getByRole("button", { name: "Fit the pot to these readings" });
    expect(fit).toBeDisabled();
    await typed(user, [74, 2, 30]);
    await laid(user, "a film over black");
    await typed(user, [70, 1, 27]);
    await laid(user, "a film over white");
    await typed(user, [75, 2, 29]);
    await typed(user, [1, 0, 0]);
    await user.click(list().getByRole("button", { name: "Drop reading 4" }));
    expect(
      list()
        .getAllByRole("listitem")
        .map((item) => item.textContent),
    ).toEqual([
      expect.stringMatching(/^thick/),
      expect.stringMatching(/over black/),
      expect.stringMatching(/over white/),
    ]);
    await user.click(fit);
    expect(await screen.findByText(/^Fitted to 3 readings/)).toBeVisible();
    await user.click(screen.getByRole("button", { name: "Change" }));
    expect(heard.saved!.fit!.readings.map((reading) => reading.laid)).toEqual(["thick", "black", "white"]);
    expect(parsePaint(heard.saved)).toEqual(heard.saved);
  });

  it("come from the reader once it has seen its white tile", async () => {
    const { user } = open();
    await user.click(screen.getByRole("tab", { name: "Readings" }));
    await user.click(screen.getByRole("button", { name: "Read" }));
    expect(await screen.findByText(/has to see its white tile first/)).toBeVisible();
    // A reader fails now and then, by stray light or lifted too soon: it is put down again, as at the bench.
    const putDown = async (button: string, until: () => number) => {
      for (let turn = 0; turn < 40 && until() === 0; turn++) {
        await user.click(screen.getByRole("button", { name: button }));
        // It takes its time; until then it cannot be put down again.
        await waitFor(() => expect(screen.getByRole("button", { name: button })).toBeEnabled());
        await act(() => Promise.resolve());
      }
      expect(until()).toBe(1);
    };
    await putDown(
      "Calibrate on the white tile",
      () => screen.queryAllByText(/^\d+ readings until the white tile/).length,
    );
    await putDown("Read", () => list().queryAllByRole("listitem").length);
  });

  it("give way to a colour given by eye, with a word of warning", async () => {
    const fit = {
      ...{ absorption: Array<number>(12).fill(0.02), scattering: Array<number>(12).fill(0.1) },
      ...{ meanDifference: 0.4, largestDifference: 0.9, readings: [] },
    };
    const { user, heard } = open({ ...straw, fit });
    expect(screen.getByText(/This pot was read/)).toBeVisible();
    const thick = screen.getByLabelText("Dry colour of a thick coat");
    await overtype(user, thick, "#112233");
    await user.click(screen.getByRole("button", { name: "Change" }));
    expect(heard.saved!.fit).toBeNull();
  });
});
