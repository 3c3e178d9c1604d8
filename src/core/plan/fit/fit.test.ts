import { describe, expect, it } from "vitest";
import { ferryWatch, wholeSergeant } from "../../../data/demo/company";
import { demoShelf } from "../../../data/demo/shelf";
import { InputError } from "../../errors";
import { leaveOut } from "../../edits/leaveOut";
import type { Job } from "../../job";
import { defaultPainter } from "../../painter";
import { cardsOf, type Card } from "../cards";
import { worthWhile } from "./choices";
import { fitTo, minutesOn } from "./fit";
import { missingOn } from "./missed";

/** The sergeant with some surfaces, each with its first coats only. */
function small(pieces: Readonly<Record<string, number>>): Job {
  const whole = wholeSergeant();
  return {
    ...whole,
    touching: [],
    surfaces: whole.surfaces
      .filter(({ id }) => id in pieces)
      .map((surface) => ({ ...surface, coats: surface.coats.slice(0, pieces[surface.id]) })),
  };
}

const cardsIn = (job: Job) => cardsOf(job, demoShelf, defaultPainter);
const minutesIn = (cards: readonly Card[]) => cards.reduce((sum, card) => sum + minutesOn(card), 0);
const fitted = (job: Job, minutes: number, cards = cardsIn(job)) =>
  fitTo({ job, paints: demoShelf, figureId: job.figures[0]!.id, cards, minutes });

/** What a job misses without some cards: area times mean difference times what each piece counts, painted anew. */
function missedWithout(job: Job, cards: readonly Card[]): number {
  return job.surfaces.reduce((sum, surface) => {
    const out = cards.filter((card) => card.surface.id === surface.id).map(({ coat }) => coat.id);
    return sum + missingOn(job, surface, demoShelf).of(new Set(out));
  }, 0);
}

describe("what is left out to fit some minutes", () => {
  const job = small({ satchel: 5, strap: 5 });
  const cards = cardsIn(job);
  const full = minutesIn(cards);
  const missing = new Map(job.surfaces.map((surface) => [surface.id, missingOn(job, surface, demoShelf)]));
  /** Every choice of cards there is: what it takes, and what is missed. */
  const every = Array.from({ length: 2 ** cards.length }, (_, mask) => {
    const out = cards.filter((__, at) => (mask >> at) & 1);
    const missed = [...missing].reduce((sum, [surfaceId, of]) => {
      const own = out.filter(({ surface }) => surface.id === surfaceId).map(({ coat }) => coat.id);
      return sum + of.of(new Set(own));
    }, 0);
    return { minutes: full - minutesIn(out), missed };
  });

  it.each([0.9, 0.75, 0.6, 0.45, 0.3, 0.15])(
    "misses no more than any other choice that takes %d of the time or less",
    (share) => {
      const allowed = share * full;
      const { cards: out, minutes } = fitted(job, allowed, cards);
      expect(minutes).toBeLessThanOrEqual(allowed + 1e-9);
      expect(minutes).toBeCloseTo(full - minutesIn(out), 9);
      const best = Math.min(
        ...every.filter((one) => one.minutes <= allowed + 1e-9).map(({ missed }) => missed),
      );
      expect(missedWithout(job, out)).toBeLessThanOrEqual(best + 1e-9);
    },
  );

  it("is nothing where all of it fits, and more and more the less time there is", () => {
    expect(fitted(job, full, cards)).toMatchObject({ cards: [], meanMissed: 0, missed: {} });
    const missed = [0.8, 0.5, 0.2].map((share) => fitted(job, share * full, cards).meanMissed);
    expect(missed).toEqual(missed.toSorted((a, b) => a - b));
    expect(missed[2]).toBeGreaterThan(0);
  });

  it("is refused where nothing is left that may be, with the least there must be", () => {
    const some = cards.slice(0, 2);
    expect(() => fitted(job, -1, some)).toThrow(InputError);
  });

  it("never leaves out what the hand measures by: guides are covered in the end, and needed before", () => {
    const cloth = small({ "coat-skirt": 5 });
    const own = cardsIn(cloth);
    expect(own.map(({ title }) => title)).toContain("Guides");
    const { cards: out } = fitted(cloth, 0.5 * minutesIn(own), own);
    expect(out.length).toBeGreaterThan(0);
    expect(out.map(({ title }) => title)).not.toContain("Guides");
  });

  it("keeps what is painted already: only cards that are left are given", () => {
    const left = cards.slice(3);
    const { cards: out } = fitted(job, 0.3 * minutesIn(left), left);
    for (const card of out) expect(left).toContain(card);
  });

  it("counts a piece by how much it is to be looked at", () => {
    const by = (importance: "looked-at" | "quiet") => {
      const [surface] = job.surfaces;
      const seen = { ...surface!, volumes: { ...surface!.volumes, importance } };
      return missingOn(job, seen, demoShelf).of(new Set([seen.coats.at(-1)!.id]));
    };
    expect(by("looked-at")).toBeGreaterThan(2 * by("quiet"));
  });

  it("is held back by the edit, and what it takes is then what was told", () => {
    const { cards: out, minutes } = fitted(job, 0.5 * full, cards);
    const after = leaveOut(
      job,
      out.map(({ id }) => id),
    );
    expect(minutesIn(cardsIn(after))).toBeCloseTo(minutes, 6);
  });
});

describe("a surface with more coats than can all be combined", () => {
  it("misses less than leaving out its last coats, for the same time", () => {
    const job = small({ gloves: 9 });
    const cards = cardsIn(job);
    const full = minutesIn(cards);
    const last: Card[] = [];
    for (const card of cards.toReversed()) if (full - minutesIn(last) > 0.6 * full) last.push(card);
    const { cards: out } = fitted(job, full - minutesIn(last), cards);
    expect(missedWithout(job, out)).toBeLessThanOrEqual(missedWithout(job, last) + 1e-9);
  });
});

describe("a unit", () => {
  it("shares set-ups: a figure of five takes less than one alone", () => {
    const watch = ferryWatch();
    const alone = { ...watch, figures: watch.figures.map((figure) => ({ ...figure, count: 1 })) };
    const first = ({ surface: { id } }: Card) => id === watch.surfaces[1]!.id;
    expect(minutesIn(cardsIn(watch).filter(first))).toBeLessThan(minutesIn(cardsIn(alone).filter(first)));
  });
});

describe("choices that are worth while", () => {
  it("save more only by missing more", () => {
    const choices = [
      { saves: 0, missed: 0 },
      { saves: 5, missed: 2 },
      { saves: 4, missed: 3 },
      { saves: 5, missed: 4 },
      { saves: 9, missed: 2 },
    ];
    expect(worthWhile(choices)).toEqual([
      { saves: 0, missed: 0 },
      { saves: 9, missed: 2 },
    ]);
  });
});
