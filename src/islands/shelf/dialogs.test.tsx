import { server } from "../testing/server";
import { act, screen, waitFor, within } from "@testing-library/react";
import type { UserEvent } from "@testing-library/user-event";
import { beforeEach, describe, expect, it } from "vitest";
import type { Paint } from "../../core/job";
import { demoShelf } from "../../data/demo/shelf";
import { call } from "../../ui/api";
import { show, overtype } from "../testing/open";
import { BulkBar } from "./BulkBar";
import { DoublesDialog } from "./DoublesDialog";
import { ImportDialog } from "./ImportDialog";
import { useShelf } from "./shelfStore";

const stored = async () => (await call<{ paints: Paint[] }>("/api/paints")).paints;
const named = async (name: string) => (await stored()).find((paint) => paint.name === name);
const pot = (id: string, name: string, thick: string): Paint => ({
  ...demoShelf[0]!,
  ...{ id, name, thick, overWhite: null, overBlack: null },
});
const put = (paints: readonly Paint[]) =>
  call("/api/paints", { method: "PUT", json: { put: paints, remove: [] } });

async function pick(user: UserEvent, label: string, option: string): Promise<void> {
  await user.click(screen.getByRole("combobox", { name: label }));
  await user.click(within(await screen.findByRole("listbox")).getByRole("option", { name: option }));
}

beforeEach(async () => {
  server.down = false;
  const own = (await stored()).filter(({ id }) => !demoShelf.some((one) => one.id === id));
  await call("/api/paints", { method: "PUT", json: { put: demoShelf, remove: own.map(({ id }) => id) } });
  useShelf.setState(useShelf.getInitialState(), true);
  await useShelf.getState().load();
});

describe("a shelf file", () => {
  const moss = demoShelf.find(({ name }) => name === "Moss")!;
  const TABLE = `name,range,colour,state\nQuarry Grey,,#70706c,have\nMoss,${moss.range},#445533,low\nNo Colour,,mossy,have\n`;
  const file = (text: string, name = "shelf.csv") => new File([text], name, { type: "text/csv" });
  const lines = () =>
    within(screen.getByRole("list", { name: "What comes of each line" }))
      .getAllByRole("listitem")
      .map((line) => line.textContent);

  it("tells what would come of each line, worst first, and changes nothing until it is told to", async () => {
    const before = await stored();
    let closed = false;
    const { user } = show(<ImportDialog file={file(TABLE)} onClose={() => (closed = true)} />);
    expect(await screen.findByText("1 pot taken, 1 pot merged, 1 line refused.")).toBeVisible();
    expect(lines()[0]).toMatch(/line 4.*refused.*colour/);
    expect(await stored()).toEqual(before);
    await user.click(screen.getByRole("button", { name: "Leave the shelf as it is" }));
    expect(closed).toBe(true);
  });

  it("is taken in as far as it can be used, as one step that can be undone", async () => {
    const { user } = show(<ImportDialog file={file(TABLE)} onClose={() => undefined} />);
    await screen.findByText(/^1 pot taken/);
    await user.click(screen.getByRole("button", { name: "Take in what can be used" }));
    expect(await screen.findByText(/^Done: 1 pot taken/)).toBeVisible();
    expect(await named("Quarry Grey")).toMatchObject({ thick: "#70706c" });
    expect(await named("Moss")).toMatchObject({ thick: "#445533", state: "low" });
    await waitFor(() => expect(useShelf.getState().past).toHaveLength(1));
    await act(() => useShelf.getState().undo());
    expect(await named("Quarry Grey")).toBeUndefined();
    expect((await named("Moss"))!.thick).toBe(moss.thick);
  });

  it("with nothing to use in it is told to be so, and cannot be taken in", async () => {
    show(<ImportDialog file={file("words,only\na,b\n")} onClose={() => undefined} />);
    expect(await screen.findByText(/0 pots taken, 0 pots merged, 1 line refused/)).toBeVisible();
    expect(lines()[0]).toMatch(/must name the columns/);
    expect(screen.getByRole("button", { name: "Take in what can be used" })).toBeDisabled();
  });

  it("with other headings is matched by hand, a column being one heading's only", async () => {
    const odd = "title,opacity,hue,shade\nQuarry Grey,opaque,grey,#70706c\n";
    const { user } = show(<ImportDialog file={file(odd)} onClose={() => undefined} />);
    expect(await screen.findByText(/1 column read by a usual other word, 3 columns left out/)).toBeVisible();
    await pick(user, "title", "Name");
    await pick(user, "hue", "Thick colour");
    expect(await screen.findByText(/it is "grey"/)).toBeVisible();
    await pick(user, "shade", "Thick colour");
    expect(await screen.findByText("1 pot taken, 0 pots merged, 0 lines refused.")).toBeVisible();
    expect(screen.getByRole("combobox", { name: "hue" })).toHaveTextContent("left out");
    await user.click(screen.getByRole("button", { name: "Take in what can be used" }));
    await screen.findByText(/^Done: 1 pot taken/);
    expect(await named("Quarry Grey")).toMatchObject({ thick: "#70706c", hiding: "opaque" });
  });

  it("of very many lines shows the worst ones and counts the rest", async () => {
    const many = Array.from({ length: 450 }, (_, at) => `Pot ${at},${at < 3 ? "mossy" : "#70706c"}`);
    show(<ImportDialog file={file(`name,colour\n${many.join("\n")}\n`)} onClose={() => undefined} />);
    expect(await screen.findByText(/447 pots taken, 0 pots merged, 3 lines refused/)).toBeVisible();
    expect(lines()).toHaveLength(400);
    expect(screen.getByText("and 50 more lines, all taken.")).toBeVisible();
  });

  it("says when the server cannot be reached", async () => {
    server.down = true;
    show(<ImportDialog file={file(TABLE)} onClose={() => undefined} />);
    expect(await screen.findByText(/server cannot be reached/)).toBeVisible();
  });
});

describe("pots that look alike", () => {
  it("are shown side by side; one is taken off, one in use is not", async () => {
    const straw = demoShelf.find(({ id }) => id === "paint-straw")!;
    await put([{ ...straw, id: "twin-straw", name: "Straw, second" }]);
    await act(() => useShelf.getState().load());
    const { user } = show(<DoublesDialog onClose={() => undefined} />);
    expect(screen.getAllByText(/^0\.0 apart/).length).toBeGreaterThan(0);
    await user.click(screen.getAllByRole("button", { name: "Take Straw off the shelf" })[0]!);
    expect(await screen.findByText(/Mixes of .*Ferry sergeant.* use this pot/)).toBeVisible();
    await user.click(screen.getAllByRole("button", { name: "Take Straw, second off the shelf" })[0]!);
    await waitFor(async () => expect(await named("Straw, second")).toBeUndefined());
    await waitFor(() => expect(screen.queryByText(/use this pot/)).toBeNull());
    expect(await named("Straw")).toBeDefined();
  });

  it("are more the further apart they may be", async () => {
    await put([pot("grey-1", "Grey", "#808080"), pot("grey-2", "Greyer", "#8c8c8c")]);
    await act(() => useShelf.getState().load());
    const { user } = show(<DoublesDialog onClose={() => undefined} />);
    const pairs = () => screen.queryAllByText(/^\d+\.\d apart/).length;
    const limit = screen.getByLabelText("Alike below (CIEDE2000)");
    await overtype(user, limit, "0.5");
    const few = pairs();
    await overtype(user, limit, "9");
    expect(pairs()).toBeGreaterThan(few);
  });
});

describe("marked pots", () => {
  const marked = () => useShelf.getState().paints.filter(({ id }) => id.startsWith("own-"));
  async function open() {
    await put([pot("own-1", "One", "#111111"), pot("own-2", "Two", "#222222")]);
    await act(() => useShelf.getState().load());
    let done = false;
    const { user } = show(<BulkBar pots={marked()} onDone={() => (done = true)} />);
    expect(screen.getByText("2 pots marked")).toBeVisible();
    return { user, isDone: () => done };
  }

  it("are changed together, and taken off together", async () => {
    const { user, isDone } = await open();
    await pick(user, "To", "low");
    await user.click(screen.getByRole("button", { name: "Change all marked" }));
    await waitFor(() => expect(marked().map(({ state }) => state)).toEqual(["low", "low"]));
    await user.click(screen.getByRole("button", { name: "Take off the shelf" }));
    await waitFor(() => expect(marked()).toEqual([]));
    expect(isDone()).toBe(true);
    await act(() => useShelf.getState().undo());
    expect(marked().map(({ state }) => state)).toEqual(["low", "low"]);
  });

  it("take no drop that no pot has, and say what is allowed", async () => {
    const { user } = await open();
    await pick(user, "Change", "One drop, µl");
    const to = screen.getByLabelText("To");
    await overtype(user, to, "900");
    expect(screen.getByText("Allowed: 5 to 200 µl.")).toBeVisible();
    expect(screen.getByRole("button", { name: "Change all marked" })).toBeDisabled();
    await overtype(user, to, "32,5");
    await user.click(screen.getByRole("button", { name: "Change all marked" }));
    await waitFor(() => expect(marked().map(({ dropUl }) => dropUl)).toEqual([32.5, 32.5]));
  });

  it("stay as they are where the server cannot be reached, and it is said", async () => {
    const { user } = await open();
    server.down = true;
    await user.click(screen.getByRole("button", { name: "Take off the shelf" }));
    expect(await screen.findByText(/server cannot be reached/)).toBeVisible();
    expect(marked()).toHaveLength(2);
  });
});
