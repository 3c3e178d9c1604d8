import { server } from "../testing/server";
import { FakeWorker } from "../testing/worker";
import { screen, waitFor, within } from "@testing-library/react";
import { beforeEach, describe, expect, it, vi } from "vitest";
import { schemeOf } from "../../core/edits/ownSchemes";
import { mainMix, mixesInUse } from "../../core/edits/recolour";
import { writeSchemeFile } from "../../core/formats/scheme-json/schemeFile";
import type { OwnScheme } from "../../core/job";
import { wholeSergeant } from "../../data/demo/company";
import { demoShelf } from "../../data/demo/shelf";
import { tideHound } from "../../data/demo/tideHound";
import { call } from "../../ui/api";
import { overtype, show } from "../testing/open";
import { ANYTHING, findSchemes, mainColour } from "./finding";
import { labToHex } from "../../core/colour/spaces";
import { Schemes } from "./Schemes";

const sources = [wholeSergeant(), tideHound()];
const schemes: OwnScheme[] = sources.flatMap((job, at) =>
  job.surfaces.slice(0, 2).map((surface) =>
    schemeOf(job, surface, {
      ...{ id: `own-${surface.id}`, name: `${surface.name} of ${job.name}` },
      at: `2026-05-0${at + 1}T09:30:00Z`,
    }),
  ),
);
const [cloth, satchel] = schemes as [OwnScheme, OwnScheme, OwnScheme];
const kept = async () => (await call<{ schemes: OwnScheme[] }>("/api/schemes")).schemes;
const card = (name: string) => screen.findByRole("listitem", { name });

async function open(list: readonly OwnScheme[]) {
  for (const { id } of await kept()) await call(`/api/schemes/${id}`, { method: "DELETE" });
  for (const scheme of list) await call(`/api/schemes/${scheme.id}`, { method: "PUT", json: scheme });
  return show(<Schemes />).user;
}

beforeEach(() => {
  server.down = false;
  FakeWorker.ready.clear();
});

describe("schemes are found", () => {
  const ids = (change: Partial<typeof ANYTHING>) =>
    findSchemes(schemes, { ...ANYTHING, ...change }, demoShelf).map(({ scheme }) => scheme.id);

  it("by words, material and job, newest first", () => {
    expect(ids({})).toHaveLength(schemes.length);
    expect(ids({})[0]).toBe(schemes[2]!.id);
    expect(ids({ text: "ferry SATCHEL" })).toEqual([satchel.id]);
    expect(ids({ material: "Leather" })).toEqual([satchel.id]);
    expect(ids({ job: "Tide hound" })).toEqual(schemes.slice(2).map(({ id }) => id));
    expect(ids({ job: "Tide hound", material: "Leather" })).toEqual([]);
  });

  it("by colour, nearest first, and none that is far off", () => {
    for (const scheme of schemes) {
      const found = findSchemes(
        schemes,
        { ...ANYTHING, colour: labToHex(mainColour(scheme, demoShelf)) },
        demoShelf,
      );
      expect(found[0]!.away).toBeLessThan(1);
      expect(found.map(({ away }) => away)).toEqual(found.map(({ away }) => away).toSorted((a, b) => a - b));
    }
    expect(ids({ colour: "#ff00ff" })).toEqual([]);
  });
});

describe("the page of one's own schemes", () => {
  it("says how to get some where there are none", async () => {
    await open([]);
    expect(await screen.findByText(/None yet/)).toBeVisible();
    expect(screen.queryByRole("link", { name: "All as a file" })).toBeNull();
  });

  it("shows where each comes from, renames it, removes it and takes that back", async () => {
    const user = await open([cloth, satchel]);
    const own = await card(satchel.name);
    expect(within(own).getByText(/Ferry sergeant, Satchel, 1 May 2026: as it was planned/)).toBeVisible();
    expect(within(own).getByText(/^Leather · \d+ coats in \d+ mixes$/)).toBeVisible();
    const name = within(own).getByLabelText("Name");
    await overtype(user, name, " ");
    expect(within(own).getByText("A scheme needs a name.")).toBeVisible();
    await overtype(user, name, "Old bag");
    await user.tab();
    await user.click(within(await card("Old bag")).getByRole("button", { name: "Remove" }));
    expect(await screen.findByText("Old bag was removed.")).toBeVisible();
    expect((await kept()).map(({ id }) => id)).toEqual([cloth.id]);
    await user.click(screen.getByRole("button", { name: "Undo" }));
    expect(await card("Old bag")).toBeVisible();
  });

  it("starts a job with those that are chosen", async () => {
    const go = vi.fn();
    const place = vi.spyOn(window, "location", "get").mockReturnValue({ assign: go } as unknown as Location);
    const user = await open([cloth, satchel]);
    await user.click(await screen.findByRole("checkbox", { name: `Choose ${cloth.name}` }));
    await user.click(screen.getByRole("checkbox", { name: `Choose ${satchel.name}` }));
    await user.click(screen.getByRole("button", { name: "Start a job with 2 schemes" }));
    await waitFor(() => expect(go).toHaveBeenCalled());
    place.mockRestore();
    const [, id] = /^\/job\/(.+)\/brief$/.exec(String(go.mock.calls[0]![0]))!;
    const { job } = await call<{ job: (typeof sources)[0] }>(`/api/jobs/${id}?bare`);
    expect(job.surfaces.map(({ name }) => name)).toEqual([cloth.from!.surface, satchel.from!.surface]);
  });

  it("takes in a file, and says what is wrong with one that cannot be read", async () => {
    const user = await open([cloth]);
    await card(cloth.name);
    const input = screen.getByLabelText("Scheme file");
    await user.upload(input, new File(["{}"], "odd.json", { type: "application/json" }));
    expect(
      await screen.findByText(/odd.json was not taken, nothing was changed. This is no scheme file/),
    ).toBeVisible();
    const text = writeSchemeFile([satchel], demoShelf);
    await user.upload(input, new File([text], "own.json", { type: "application/json" }));
    expect(await card(satchel.name)).toBeVisible();
  });

  it("tells of the wells as they were mixed, beside what was planned and read", async () => {
    const mix = mixesInUse(satchel)[0]!;
    const pot = mix.parts[0]!.paintId;
    const added = [
      { paintId: pot, drops: 9 },
      { paintId: "gone", drops: 1 },
      { paintId: null, drops: 4 },
    ];
    const batch = {
      mix: mix.name,
      coats: ["Leather"],
      added,
      water: 1.5,
      read: [40, 9, 9],
      at: satchel.keptAt!,
    } as const;
    const user = await open([{ ...satchel, notes: "Stippled twice.", batches: [batch] }]);
    const own = await card(satchel.name);
    await user.click(within(own).getByRole("button", { name: "Match it" }));
    expect(within(own).getByText("Stippled twice.")).toBeVisible();
    const line = within(own).getByRole("listitem", { name: `Batch 1, ${mix.name}` });
    expect(within(line).getByText(/^9 drops .+, 1 drop a pot that is gone, 4 drops water$/)).toBeVisible();
    expect(within(line).getByText(/Thinned with 1.5 parts of water to 1. For Leather./)).toBeVisible();
    for (const name of ["as mixed", "read, dry", "as planned"])
      expect(within(line).getByText(name)).toBeVisible();
  });
});

describe("a scheme in another colour", () => {
  it("is worked out as it is set, and kept as one of its own with the steps it has", async () => {
    FakeWorker.ready.add("recolour");
    const user = await open([satchel]);
    await user.click(within(await card(satchel.name)).getByRole("button", { name: "In another colour" }));
    const dialog = screen.getByRole("dialog");
    await overtype(user, within(dialog).getByLabelText("Its new colour"), "#4c5a55");
    const keep = within(dialog).getByRole("button", { name: "Keep it" });
    await waitFor(() => expect(within(dialog).getAllByText(/^L\* \d+ → \d+/).length).toBeGreaterThan(3));
    await waitFor(() => expect(keep).toBeEnabled());
    await user.click(keep);
    expect(await card(`${satchel.name}, recoloured`)).toBeVisible();
    const made = (await kept()).find(({ id }) => id !== satchel.id)!;
    const main = mainMix(satchel, demoShelf)!;
    expect(made.mixes.find(({ id }) => id === main.id)!.parts).not.toEqual(main.parts);
    expect(made.coats).toEqual(satchel.coats);
    expect(await kept()).toContainEqual(satchel);
  });

  it("leaves alone the mixes that are not to go along", async () => {
    FakeWorker.ready.add("recolour");
    const user = await open([satchel]);
    await user.click(within(await card(satchel.name)).getByRole("button", { name: "In another colour" }));
    const dialog = screen.getByRole("dialog");
    const other = mixesInUse(satchel).find(({ id }) => id !== mainMix(satchel, demoShelf)!.id)!;
    await waitFor(() => expect(within(dialog).queryByText("stays as it is")).toBeNull());
    await user.click(within(dialog).getByRole("checkbox", { name: other.name }));
    expect(await within(dialog).findByText("stays as it is")).toBeVisible();
    const asked = FakeWorker.of("recolour").at(-1)!.input as { mixIds: readonly string[] };
    expect(asked.mixIds).not.toContain(other.id);
  });

  it("is not offered for one that is painted with nothing, as a file may bring", async () => {
    await open([{ ...satchel, coats: [], mixes: [] }]);
    const own = within(await card(satchel.name));
    expect(own.getByRole("button", { name: "In another colour" })).toBeDisabled();
  });
});
