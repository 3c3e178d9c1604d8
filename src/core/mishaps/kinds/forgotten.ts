import { after, figuresOf, lastPainted } from "../coats";
import { freeId } from "../../edits/surfaces";
import type { Coat, Surface } from "../../job";
import type { MishapContext, MishapDefinition, Repair } from "../mishap";

/** Coats painted since that are laid once more over one that was forgotten, at most. */
const MOST_AGAIN = 3;

const without = (surface: Surface, coatId: string): Surface => ({
  ...surface,
  coats: surface.coats.filter(({ id }) => id !== coatId),
});

/** Coats painted since the one that was forgotten. */
function paintedSince({ surface, coat, painted }: MishapContext): Coat[] {
  const at = surface.coats.findIndex(({ id }) => id === coat.id);
  return surface.coats.slice(at + 1).filter(({ id, held, mishap }) => painted.has(id) && !held && !mishap);
}

const isSince = ({ surface, coat, painted }: Pick<MishapContext, "surface" | "coat" | "painted">) =>
  surface.coats
    .slice(surface.coats.findIndex(({ id }) => id === coat.id) + 1)
    .some(({ id, held, mishap }) => painted.has(id) && !held && !mishap);

/** Coats painted since, to be laid once more. */
function onceMore(context: MishapContext, happened: Surface): Coat[] {
  const known = [...happened.coats];
  return paintedSince(context)
    .slice(0, MOST_AGAIN)
    .map((one) => {
      const again = {
        ...{ ...one, id: freeId(`${one.id.slice(0, 40)}-again`, known), role: null, event: null },
        ...{ name: `Again: ${one.name}`.slice(0, 80), mends: "forgotten" as const, ...figuresOf(context) },
      };
      known.push(again);
      return again;
    });
}

/** A coat that was left out, while others that come after it are painted. */
export const forgotten: MishapDefinition = {
  id: "forgotten",
  label: "A coat was forgotten",
  about: "It was left out, and coats that come after it lie there already.",
  asks: { place: false, amount: null, mix: false },
  goal: "look",
  suits: (context) => !context.painted.has(context.coat.id) && isSince(context),
  happened: ({ surface, coat }) => ({
    ...surface,
    coats: surface.coats.map((one) => (one.id === coat.id ? { ...one, held: true } : one)),
  }),
  repairs(context) {
    const { coat } = context;
    const late = { ...coat, held: false, ...figuresOf(context) };
    const put = (happened: Surface, coats: readonly Coat[], at = lastPainted(context)) =>
      after(without(happened, coat.id), at, ...coats);
    const dry: Repair[] = [
      {
        id: "now",
        label: "Paint it now, over what is there",
        say: "Lay it over the coats painted since, and only where it would still show.",
        change: (happened) => put(happened, [late]),
      },
      {
        id: "last",
        label: "Paint it last",
        say: "Go on as planned and lay it when all else is dry.",
        change: (happened) =>
          put(
            happened,
            [late],
            happened.coats.at(-1)!.id === coat.id ? lastPainted(context) : happened.coats.at(-1)!.id,
          ),
      },
      {
        id: "again",
        label: "Paint it now, and once more what came after it",
        say: "Lay it over what is there, let it dry, and lay the coats that were painted since once more.",
        change: (happened) => {
          const more = onceMore(context, happened);
          return put(happened, [late, ...more]);
        },
      },
    ];
    return { wet: [], dry };
  },
};
