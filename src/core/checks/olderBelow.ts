import { EVENTS } from "../ageing/events";
import { liesBelow } from "../ageing/order";
import type { Coat, Surface } from "../job";
import { glanceAt } from "../simulate/glance";
import type { FilmPlanes } from "../simulate/planes";
import type { Check, CheckContext } from "./check";
import type { CheckResult, Remedy } from "./finding";

/** Coats that share less of their place than this never meet: their order is not seen. */
const LEAST_SHARED = 0.01;

/** Of the place of the smaller of two films, the share that both cover. */
function shared(one: FilmPlanes, other: FilmPlanes): number {
  let [both, a, b] = [0, 0, 0];
  for (let at = 0; at < one.cover.length; at++) {
    a += one.cover[at]!;
    b += other.cover[at]!;
    both += Math.min(one.cover[at]!, other.cover[at]!);
  }
  return both / Math.max(1, Math.min(a, b));
}

/** Two coats that lie the wrong way round. */
interface Wrong {
  /** Painted earlier, and should lie above. */
  readonly early: Coat;
  readonly late: Coat;
  readonly because: string;
}

function wrongPairs({ job, surface }: CheckContext): Wrong[] {
  const { coats } = glanceAt(job, surface);
  return coats.flatMap(({ coat: late, film }, at) =>
    coats.slice(0, at).flatMap(({ coat: early, film: below }): Wrong[] => {
      const because = late.event && early.event && liesBelow(late.event, early.event);
      if (!because || shared(below, film) < LEAST_SHARED) return [];
      return [{ early, late, because }];
    }),
  );
}

/** Ids of a surface's coats with one moved right before another. */
function movedBefore({ coats }: Surface, late: Coat, early: Coat): string[] {
  const ids = coats.map(({ id }) => id).filter((id) => id !== late.id);
  return ids.toSpliced(ids.indexOf(early.id), 0, late.id);
}

function remediesFor(surface: Surface, { early, late }: Wrong): Remedy[] {
  const path = ["surfaces", surface.id, "coats"];
  const { place } = late;
  // A coat that goes by another one's marks has to stay behind it.
  const near = place.kind === "zones" ? place.near?.coatId : undefined;
  const ids = movedBefore(surface, late, early);
  const stays = near === undefined || ids.indexOf(near) < ids.indexOf(late.id);
  return [
    ...(stays ? [{ label: `Paint ${late.name} before ${early.name}`, changes: [{ path, value: ids }] }] : []),
    {
      label: `Meant so: ${late.name} is of no time`,
      changes: [{ path: [...path, late.id, "event"], value: null }],
    },
  ];
}

const nameOf = ({ event }: Coat): string => (event ? EVENTS[event].label.toLowerCase() : "");

/** Does older lie below newer, and what lasts below what passes? */
export const olderBelow: Check = {
  id: "older-below",
  label: "Older below newer",
  concerns: (_form, { coats }) => coats.filter(({ event, held }) => event !== null && !held).length > 1,
  run: (context) =>
    wrongPairs(context).map((wrong): CheckResult => {
      const { early, late, because } = wrong;
      return {
        ...{ key: `${early.id}/${late.id}`, gravity: "look", coatId: late.id, where: context.surface.name },
        sentence: `${late.name} (${nameOf(late)}) is painted over ${early.name} (${nameOf(early)}).`,
        reason: `It has to lie below: ${because}.`,
        remedies: remediesFor(context.surface, wrong),
      };
    }),
};
