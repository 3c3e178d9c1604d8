import { act, render, screen } from "@testing-library/react";
import { afterAll, describe, expect, it, vi } from "vitest";
import { NearView } from "./NearView";

type Seen = (entries: { isIntersecting: boolean }[]) => void;
let tell: Seen = () => undefined;
// Files of tests share their window: the next one finds it as it was.
const before = globalThis.IntersectionObserver;
afterAll(() => void vi.stubGlobal("IntersectionObserver", before));
vi.stubGlobal(
  "IntersectionObserver",
  class {
    constructor(seen: Seen) {
      tell = seen;
    }
    observe(): void {}
    disconnect(): void {}
  },
);

/** Drawn, and looked at from the next frame on. */
async function show(atOnce: boolean) {
  render(
    <NearView atOnce={atOnce} height={200} standIn={<p>Straw</p>}>
      <input aria-label="Name" />
    </NearView>,
  );
  await act(() => new Promise((frame) => requestAnimationFrame(() => frame(undefined))));
}
const isNear = (isIntersecting: boolean) => act(() => tell([{ isIntersecting }]));

describe("an entry of a long list", () => {
  it("is drawn while it is near, and has a stand-in otherwise", async () => {
    await show(false);
    expect(screen.getByText("Straw")).toBeVisible();
    isNear(true);
    expect(screen.getByRole("textbox")).toBeVisible();
    isNear(false);
    expect(screen.queryByRole("textbox")).toBeNull();
    expect(screen.getByText("Straw")).toBeVisible();
  });

  it("stays while it has the focus", async () => {
    await show(true);
    act(() => screen.getByRole("textbox").focus());
    isNear(false);
    expect(screen.getByRole("textbox")).toHaveFocus();
  });
});
