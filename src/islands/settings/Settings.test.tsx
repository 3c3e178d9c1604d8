import { server } from "../testing/server";
import { overtype } from "../testing/open";
import { render, screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { beforeEach, describe, expect, it } from "vitest";
import { defaultPainter, type Painter } from "../../core/painter";
import { call } from "../../ui/api";
import { usePrefs } from "../../ui/prefs";
import { Settings } from "./Settings";

const stored = async () => (await call<{ painter: Painter }>("/api/painter")).painter;

async function open() {
  render(<Settings />);
  await screen.findByLabelText("One drop of water");
  return userEvent.setup();
}

beforeEach(async () => {
  server.down = false;
  await call("/api/painter", { method: "PUT", json: defaultPainter });
});

describe("the painter's settings", () => {
  it("are kept as they are typed, and say so", async () => {
    const user = await open();
    await overtype(user, screen.getByLabelText("One drop of water"), "45");
    await waitFor(() => expect(screen.getByRole("status")).toHaveTextContent("Saved"));
    expect((await stored()).waterDropUl).toBe(45);
  });

  it("typed key by key arrive in order, the last one last", async () => {
    const user = await open();
    await user.clear(screen.getByLabelText("One drop of water"));
    await user.type(screen.getByLabelText("One drop of water"), "45.25");
    await waitFor(async () => expect((await stored()).waterDropUl).toBe(45.25));
    await waitFor(() => expect(screen.getByRole("status")).toHaveTextContent("Saved"));
    expect((await stored()).waterDropUl).toBe(45.25);
  });

  it("say when they could not be kept, and keep them with the next change", async () => {
    const user = await open();
    server.down = true;
    await overtype(user, screen.getByLabelText("One dot"), "4");
    expect(await screen.findByText(/server cannot be reached/)).toBeVisible();
    expect(screen.getByLabelText("One dot")).toHaveValue("4");
    server.down = false;
    await overtype(user, screen.getByLabelText("One box, one pass"), "6");
    await waitFor(async () => expect(await stored()).toMatchObject({ secondsPerDot: 4, secondsPerBox: 6 }));
    expect(screen.queryByText(/server cannot be reached/)).toBeNull();
  });

  it("of the screen stay in this browser", async () => {
    const user = await open();
    await user.click(screen.getByRole("button", { name: "Dark" }));
    await user.click(screen.getByRole("button", { name: "Quick, on a slow machine" }));
    expect(usePrefs.getState()).toMatchObject({ mode: "dark", fineness: "quick" });
    expect(localStorage.getItem("crenna-prefs")).toContain('"mode":"dark"');
    await user.click(screen.getByRole("button", { name: "Light" }));
  });
});
