import type { EventId } from "./events";

/** Of two events the one that has to be painted before the other, and why. */
interface Rule {
  readonly below: readonly EventId[];
  readonly above: readonly EventId[];
  readonly because: string;
}

const USE: readonly EventId[] = ["dented", "scratched", "rubbed", "chipped", "bared"];
const WEATHER: readonly EventId[] = ["rusted", "run", "worn-again", "dirtied", "grown"];

/** Every pair that has an order; all others may come either way. The first that fits tells why. */
const RULES: readonly Rule[] = [
  {
    below: ["painted"],
    above: ["marked"],
    because: "markings are put on the paint",
  },
  {
    below: ["painted", "marked"],
    above: [...USE, "mended"],
    because: "use takes off what was there: paint and markings go together",
  },
  {
    below: ["painted", "marked", "mended"],
    above: [...WEATHER, "dusted"],
    because: "weather and ground lie on whatever was painted before",
  },
  {
    below: ["chipped", "dented"],
    above: ["bared"],
    because: "the bare metal shows inside the chip, a little smaller than its rim",
  },
  {
    below: ["chipped", "bared", "scratched", "dented"],
    above: ["rusted"],
    because: "rust grows where the paint has gone; below it there would be nothing to rust",
  },
  {
    below: ["rusted"],
    above: ["run"],
    because: "runs come down from rust that is there",
  },
  {
    below: ["rusted", "run"],
    above: ["worn-again"],
    because: "what is worn bright again is worn out of the rust that was there",
  },
  {
    below: USE,
    above: ["run", "dirtied", "grown"],
    because: "a knock takes the dirt off with the paint: a clean one over old dirt is one of today",
  },
  {
    below: [...USE, "mended", ...WEATHER],
    above: ["dusted"],
    because: "dust lies down last, on all that was there; whatever comes later would have wiped it away",
  },
  {
    below: ["bared"],
    above: ["metal-shade"],
    because: "there is no bare metal yet to be shaded",
  },
  {
    below: ["dirtied"],
    above: ["metal-shade"],
    because: "bare metal may wait for the dirt, which is to shade it: what is painted before is shaded twice",
  },
  {
    below: ["painted", "marked", "mended", ...USE, ...WEATHER, "dusted"],
    above: ["glowing"],
    because: "light falls on what is there, dirt and dust too; what is laid over a glow puts it out",
  },
  {
    below: ["painted"],
    above: ["shown", "mirrored"],
    because: "it is seen on a glass that has to be there",
  },
  {
    below: ["glowing"],
    above: ["shown"],
    because: "what lasts lies below what is shown for now",
  },
  {
    below: ["glowing", "shown"],
    above: ["mirrored"],
    because: "a reflection is on the glass, over all that shines behind it",
  },
];

/** Why one event has to be painted before another; null where it need not be. */
export const liesBelow = (one: EventId, other: EventId): string | null =>
  RULES.find(({ below, above }) => below.includes(one) && above.includes(other))?.because ?? null;
