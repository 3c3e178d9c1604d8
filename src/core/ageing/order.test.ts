import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { EVENT_IDS, EVENTS, TIMES, type EventId } from "./events";
import { liesBelow } from "./order";

/** What a painter would say of two events: the first below the second, above it, or either way. */
const JUDGED: readonly (readonly [EventId, "below" | "above" | "either", EventId])[] = [
  ["painted", "below", "marked"],
  ["painted", "below", "chipped"],
  ["painted", "below", "rubbed"],
  ["painted", "below", "rusted"],
  ["painted", "below", "dusted"],
  ["painted", "below", "glowing"],
  ["painted", "below", "shown"],
  ["painted", "below", "mended"],
  ["marked", "below", "scratched"],
  ["marked", "below", "chipped"],
  ["marked", "below", "dirtied"],
  ["marked", "below", "run"],
  ["marked", "below", "mended"],
  ["marked", "above", "painted"],
  ["chipped", "above", "marked"],
  ["chipped", "below", "bared"],
  ["dented", "below", "bared"],
  ["dented", "either", "chipped"],
  ["scratched", "either", "chipped"],
  ["scratched", "either", "dented"],
  ["rubbed", "either", "scratched"],
  ["mended", "either", "chipped"],
  ["mended", "either", "scratched"],
  ["mended", "below", "dirtied"],
  ["chipped", "below", "rusted"],
  ["bared", "below", "rusted"],
  ["scratched", "below", "rusted"],
  ["rusted", "above", "chipped"],
  ["rusted", "below", "run"],
  ["rusted", "below", "worn-again"],
  ["worn-again", "above", "run"],
  ["worn-again", "below", "dusted"],
  ["worn-again", "either", "dirtied"],
  ["run", "above", "rusted"],
  ["rusted", "either", "dirtied"],
  ["rusted", "either", "grown"],
  ["run", "either", "dirtied"],
  ["dirtied", "either", "grown"],
  ["chipped", "below", "dirtied"],
  ["dirtied", "above", "scratched"],
  ["chipped", "below", "dusted"],
  ["dusted", "above", "chipped"],
  ["dusted", "above", "rusted"],
  ["dusted", "above", "run"],
  ["dusted", "above", "grown"],
  ["dirtied", "below", "dusted"],
  ["bared", "below", "metal-shade"],
  ["metal-shade", "above", "dirtied"],
  ["metal-shade", "either", "dusted"],
  ["metal-shade", "either", "rusted"],
  ["glowing", "below", "shown"],
  ["glowing", "below", "mirrored"],
  ["shown", "below", "mirrored"],
  ["mirrored", "above", "glowing"],
  ["glowing", "above", "dirtied"],
  ["glowing", "above", "dusted"],
  ["shown", "either", "dusted"],
  ["mirrored", "either", "dirtied"],
];

describe("the order of events", () => {
  it.each(JUDGED)("has %s %s %s", (one, how, other) => {
    expect(liesBelow(one, other) !== null).toBe(how === "below");
    expect(liesBelow(other, one) !== null).toBe(how === "above");
  });

  it("has one way round for every pair, a reason for each, and nothing below itself", () => {
    for (const one of EVENT_IDS) {
      expect(liesBelow(one, one)).toBeNull();
      for (const other of EVENT_IDS) {
        const [there, back] = [liesBelow(one, other), liesBelow(other, one)];
        expect(there !== null && back !== null, `${one} and ${other}`).toBe(false);
        if (there !== null) expect(there.length).toBeGreaterThan(10);
      }
    }
  });

  it("never puts what is older over what is newer", () => {
    for (const one of EVENT_IDS)
      for (const other of EVENT_IDS) {
        const [a, b] = [EVENTS[one].time, EVENTS[other].time];
        if (a && b && TIMES.indexOf(a) > TIMES.indexOf(b)) expect(liesBelow(one, other)).toBeNull();
      }
  });

  it("runs in no circle: of any events one can always be painted first", () => {
    fc.assert(
      fc.property(fc.uniqueArray(fc.constantFrom(...EVENT_IDS), { minLength: 1 }), (events) => {
        const first = events.filter((one) => events.every((other) => liesBelow(other, one) === null));
        expect(first.length).toBeGreaterThan(0);
      }),
    );
  });
});
