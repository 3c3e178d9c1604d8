import type { Coat } from "../../job";
import { hashText } from "../../random";
import { completeParams } from "../../params";
import { isTechniqueId, techniques } from "../../techniques";
import type { TechniqueDefinition } from "../../techniques/technique";
import { after, coatAgain, figuresOf, isNew } from "../coats";
import { freeId } from "../../edits/surfaces";
import type { MishapDefinition } from "../mishap";
import type { Surface } from "../../job";

/** Odd marks set between are so many times as large as the others, and so few of them against the others' count. */
const ODD = [
  { id: "few", larger: 1.8, share: 0.12 },
  { id: "more", larger: 1.8, share: 0.25 },
  { id: "many", larger: 1.5, share: 0.4 },
] as const;

const techniqueOf = ({ technique: { id } }: Coat): TechniqueDefinition | null =>
  isTechniqueId(id) ? techniques[id] : null;

/** Settings of a hand that repeats itself: every setting that would mend unevenness stands as low as it can. */
function evenParams(coat: Coat): Record<string, number> {
  const technique = techniqueOf(coat)!;
  const mending = Object.values(technique.singles!.remedies).map(({ param }) => param);
  return Object.fromEntries(mending.map((param) => [param, technique.params[param]!.range[0]]));
}

/** The setting that says how many marks there are. */
const countParam = (technique: TechniqueDefinition): string | undefined =>
  ["density", "coverage"].find((name) => Object.hasOwn(technique.params, name));

/** The coat's technique for odd marks: larger, fewer, and as unlike each other as it can be. */
function oddOf(coat: Coat, larger: number, share: number): Coat["technique"] {
  const technique = techniqueOf(coat)!;
  const values = completeParams(technique.params, coat.technique.params);
  const held = (name: string, value: number) => {
    const [least, most] = technique.params[name]!.range;
    return Math.min(most, Math.max(least, value));
  };
  const count = countParam(technique)!;
  const width = technique.markWidth ?? "size";
  const params = {
    ...coat.technique.params,
    [count]: held(count, values[count]! * share),
    ...(values[width] !== undefined && { [width]: held(width, values[width] * larger) }),
  };
  for (const { param } of Object.values(technique.singles!.remedies)) {
    const [least, most] = technique.params[param]!.range;
    params[param] = held(param, least + 0.9 * (most - least));
  }
  return { ...coat.technique, params };
}

/** Marks that came out as regular as print. */
export const even: MishapDefinition = {
  id: "even",
  label: "Marks came out even, or striped",
  about: "The hand repeats itself without knowing: marks of one size, one way, at one distance.",
  asks: { place: false, amount: null, mix: false },
  goal: "marks",
  suits: ({ coat }) => {
    const technique = techniqueOf(coat);
    const mends = Object.keys(technique?.singles?.remedies ?? {}).length > 0;
    return mends && coat.place.kind !== "pattern" && countParam(technique!) !== undefined;
  },
  happened(context) {
    const { coat, surface, told } = context;
    const technique = { ...coat.technique, params: { ...coat.technique.params, ...evenParams(coat) } };
    const put = after(surface, coat.id, coatAgain(context, `Too even: ${coat.name}`, { technique }));
    if (told.figures) return put;
    return { ...put, coats: put.coats.map((one) => (one.id === coat.id ? { ...one, held: true } : one)) };
  },
  repairs(context) {
    const { coat } = context;
    return {
      wet: [],
      dry: ODD.map(({ id, larger, share }) => ({
        id: `odd-${id}`,
        label: `Set odd ones between: ${Math.round(100 * share)} % more, ${larger} times as large`,
        say: "Turn the piece first. Set larger ones at uneven distances, some of them joining two that stand there.",
        change: (happened: Surface) => {
          const wrong = happened.coats.find((one) => one.mishap === "even" && isNew(context, one.id));
          const between: Coat = {
            ...{ ...coat, id: freeId(`${coat.id.slice(0, 40)}-odd`, happened.coats), held: false },
            ...{ name: `Odd ones between: ${coat.name}`.slice(0, 80), technique: oddOf(coat, larger, share) },
            ...{ role: null, event: null, passes: 1, mends: "even" as const, ...figuresOf(context) },
            seed: hashText(`${coat.id}/odd/${id}`) % 100000,
          };
          return after(happened, wrong?.id ?? coat.id, between);
        },
      })),
    };
  },
};
