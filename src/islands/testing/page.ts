import { cleanup, configure } from "@testing-library/react";
import * as React from "react";
import { vi } from "vitest";
import { afterEveryTest } from "./leftovers";
import { FakeWorker } from "./worker";

/** What a browser has and jsdom has not. Run before any file of tests that has a page. */

class Observer {
  observe(): void {}
  unobserve(): void {}
  disconnect(): void {}
}

/**
 * The labels of a field, by its id and around it. jsdom walks the whole page for each label of each field, which took
 * half of the time of tests that look for fields by their labels.
 */
function labelsOf(field: HTMLElement): HTMLLabelElement[] {
  const named = field.id ? `label[for="${CSS.escape(field.id)}"]` : "";
  const found = named ? [...field.ownerDocument.querySelectorAll<HTMLLabelElement>(named)] : [];
  const around = field.closest("label");
  return around && !around.htmlFor ? [around, ...found] : found;
}

/** Everything that is looked for comes into view at once. */
class InView extends Observer {
  constructor(private readonly seen: IntersectionObserverCallback) {
    super();
  }
  override observe(): void {
    const entries = [{ isIntersecting: true }] as IntersectionObserverEntry[];
    queueMicrotask(() => this.seen(entries, this as unknown as IntersectionObserver));
  }
}

configure({
  asyncUtilTimeout: 20_000,
  getElementError: (message) => new Error(message ?? "not found"),
});

vi.stubGlobal("ResizeObserver", Observer);
vi.stubGlobal("IntersectionObserver", InView);
vi.stubGlobal("Worker", FakeWorker);
vi.stubGlobal("matchMedia", (query: string) => ({
  ...{ media: query, matches: false, addEventListener: () => {}, removeEventListener: () => {} },
}));

// Asked for every name and every click; jsdom would match all rules of all sheets each time. What hides or moves
// something by its class is looked at in a real browser.
window.getComputedStyle = (element) => (element as HTMLElement).style;

for (const { prototype } of [HTMLInputElement, HTMLTextAreaElement, HTMLSelectElement, HTMLButtonElement]) {
  Object.defineProperty(prototype, "labels", {
    get(this: HTMLElement) {
      return this.matches("[type=hidden]") ? null : labelsOf(this);
    },
  });
}

// For each of the first ten thousand elements of a second React notes the calls that made it, which took a seventh of
// the time. Nothing here reads them: it is told that they have been. Where a later React knows no such count, they are
// noted again.
const inner = Object.entries(React).find(([name]) => name.startsWith("__CLIENT_INTERNALS"))?.[1] as object;
Object.defineProperty(inner, "recentlyCreatedOwnerStacks", { get: () => 10_000, set: () => {} });

Element.prototype.scrollIntoView = () => undefined;

// Nothing is drawn here; what pictures show is looked at in a real browser.
HTMLCanvasElement.prototype.getContext = () => null;

Blob.prototype.text = function text(this: Blob): Promise<string> {
  return new Promise((resolve) => {
    const reader = new FileReader();
    reader.onload = () => resolve(reader.result as string);
    reader.readAsText(this);
  });
};

afterEveryTest.add(() => {
  cleanup();
  localStorage.clear();
  sessionStorage.clear();
});
