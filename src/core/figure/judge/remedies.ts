import { masstone } from "../../colour/film";
import { opticsOfMix } from "../../colour/appearance";
import { ciede2000 } from "../../colour/difference";
import { chromaOf, spectrumToLab, type Triple } from "../../colour/spaces";
import { hueOf } from "../../checks/seen";
import type { Change, Remedy } from "../../checks/finding";
import { changesDone, isPainted, type PaintedCard } from "../../checks/painted";
import { inZones, type Coat, type Job, type Mix, type Paint, type Place, type Surface } from "../../job";
import { hashText } from "../../random";
import { freeId } from "../../edits/surfaces";
import { startWater } from "../../edits/newCoat";
import { techniques, type TechniqueId } from "../../techniques";
import type { TechniqueDefinition } from "../../techniques/technique";
import type { Fault } from "./faults";
import type { PartLook } from "./looks";

const EVERYWHERE: Place = { kind: "everywhere" };

/** What one coat more is. */
interface Added {
  readonly id: TechniqueId;
  readonly name: string;
  readonly mix: Mix;
  readonly place: Place;
  readonly passes: number;
  /** Parts of water to one of paint; as the technique starts where left out. */
  readonly water?: number;
  readonly params?: Readonly<Record<string, number>>;
}

function coatMore(surface: Surface, { id, name, mix, place, passes, params, water }: Added): Change {
  const technique: TechniqueDefinition = techniques[id];
  const coatId = freeId(`${surface.id}-own`, surface.coats);
  const coat: Coat = {
    id: coatId,
    name,
    technique: { id, version: technique.version, params: { ...technique.startParams, ...params } },
    mixId: mix.id,
    water: water ?? startWater(id, mix),
    passes,
    held: false,
    place,
    event: null,
    role: null,
    overSeams: false,
    seed: hashText(`${surface.id}/${coatId}`) % 100000,
  };
  return { path: ["surfaces", surface.id, "coats"], value: coat };
}

/** A mix of the job and its thick colour. */
interface Toned {
  readonly mix: Mix;
  readonly lab: Triple;
}

function tonesOf(job: Job, paints: readonly Paint[]): Toned[] {
  return job.mixes
    .filter(({ parts }) => parts.length > 0)
    .map((mix) => ({ mix, lab: spectrumToLab(masstone(opticsOfMix(mix, paints))) }));
}

/** The tones a surface is painted in, dark to light. */
const ownTones = (surface: Surface, tones: readonly Toned[]): Toned[] =>
  tones
    .filter(({ mix }) => surface.coats.some(({ mixId, held }) => mixId === mix.id && !held))
    .sort((one, other) => one.lab[0] - other.lab[0]);

/** The own tone that is most like what is seen of a part on the whole. */
const mostLike = (own: readonly Toned[], seen: Triple | undefined): Toned | undefined =>
  seen
    ? [...own].sort((one, other) => ciede2000(one.lab, seen) - ciede2000(other.lab, seen))[0]
    : own[Math.floor((own.length - 1) / 2)];

/** Coats of it left out that are still to be painted, the lightest first. */
function leaveOut(surface: Surface, own: readonly Toned[], painted: readonly PaintedCard[]): Remedy[] {
  const light = (coat: Coat) => own.find(({ mix }) => mix.id === coat.mixId)?.lab[0] ?? 0;
  const coats = surface.coats
    .filter(({ held }) => !held)
    .slice(1)
    .filter(({ id }) => !isPainted(painted, surface.id, id));
  const lightest = coats.toSorted((one, other) => light(other) - light(one));
  return [1, 2].flatMap((count): Remedy[] => {
    const left = lightest.slice(0, count);
    if (left.length < count) return [];
    return [
      {
        label: `Calm ${surface.name}: leave out ${left.map(({ name }) => name).join(" and ")}`,
        ladder: `leave/${surface.id}`,
        changes: left.map(({ id }) => ({ path: ["surfaces", surface.id, "coats", id, "held"], value: true })),
      },
    ];
  });
}

/** A tone over all of a part, mildest first: what a painter would do before painting it anew. */
const VEILS = [
  { id: "glaze", passes: 2, how: "2 glazes" },
  { id: "glaze", passes: 4, how: "4 glazes" },
  { id: "layer", passes: 1, water: 4, how: "a thin layer" },
  { id: "layer", passes: 2, water: 3, how: "2 thin layers" },
] as const;

interface Veiled {
  readonly label: (how: string) => string;
  readonly ladder: string;
  readonly name: string;
}

const veils = (surface: Surface, { mix }: Toned, { label, ladder, name }: Veiled): Remedy[] =>
  VEILS.map(({ how, ...veil }) => ({
    ...{ label: label(`${how} of ${mix.name}`), ladder },
    changes: [coatMore(surface, { ...veil, name, mix, place: EVERYWHERE })],
  }));

/** What is known of a figure besides its design. */
interface Known {
  /** How the parts are seen, so that a tone can be chosen that is most like one. */
  readonly looks?: readonly Pick<PartLook, "id" | "lab">[];
  /** Cards that are done: no remedy asks for these coats to be other ones. */
  readonly painted?: readonly PaintedCard[];
}

/** Its own middle tone over it, which presses light and dark together; or its last lights left out. */
function calm(surface: Surface, own: readonly Toned[], { looks, painted = [] }: Known): Remedy[] {
  const seen = looks?.find(({ id }) => id === surface.id)?.lab;
  const middle = mostLike(own, seen);
  if (!middle) return [];
  const label = (how: string) => `Calm ${surface.name}: ${how} over it`;
  return [
    ...veils(surface, middle, { label, ladder: `calm/${surface.id}`, name: "Calming coat" }),
    ...leaveOut(surface, own, painted),
  ];
}

/** Lighter tones than its own are taken that are so much apart in L*, as many as this; beyond this from its hue they look like another part's. */
const [LIGHTER_BY, MOST_LIGHTER, SAME_AB] = [10, 2, 30] as const;

/** Its lightest tone, then lighter ones of the job that go with it, some way apart. */
function lights(lightest: Toned, all: readonly Toned[]): Toned[] {
  const [, a, b] = lightest.lab;
  const fitting = all
    .filter(({ lab }) => Math.hypot(lab[1] - a, lab[2] - b) < SAME_AB)
    .sort((one, other) => one.lab[0] - other.lab[0]);
  const found = [lightest];
  for (const tone of fitting) {
    if (found.length > MOST_LIGHTER) break;
    if (tone.lab[0] > found.at(-1)!.lab[0] + LIGHTER_BY) found.push(tone);
  }
  return found;
}

/** Lights painted where the lamp falls, mildest first; the strongest have their shade deepened too. */
const LIGHTS = [
  { id: "dry-brush", passes: 2, how: "dry brush it twice with", deepen: false },
  { id: "layer", passes: 2, water: 2, how: "paint its light side twice with", deepen: false },
  { id: "layer", passes: 3, water: 2, how: "paint its light side three times with", deepen: true },
] as const;

/** Lighter on what is lit, and at last darker in its shade: more contrast within, which draws the eye. */
function raise(surface: Surface, own: readonly Toned[], all: readonly Toned[]): Remedy[] {
  const [darkest, lightest] = [own[0], own.at(-1)];
  if (!darkest || !lightest) return [];
  return LIGHTS.flatMap(({ how, deepen, ...light }) =>
    lights(lightest, all).map(({ mix }) => {
      const added = coatMore(surface, { ...light, name: "Light", mix, place: inZones(["lit"], 0.3) });
      const after = { ...surface, coats: [...surface.coats, added.value as Coat] };
      const shade = { id: "glaze", name: "Deeper shade", mix: darkest.mix, passes: 3 } as const;
      return {
        label: `Raise ${surface.name}: ${how} ${mix.name}${deepen ? `, its shade with ${darkest.mix.name}` : ""}`,
        ladder: `raise/${surface.id}`,
        changes: deepen ? [added, coatMore(after, { ...shade, place: inZones(["shaded"], 0.3) })] : [added],
      };
    }),
  );
}

/** The one calmed, or the other raised; where neither is enough, both at once. */
function outshouted(calmed: readonly Remedy[], raised: readonly Remedy[]): Remedy[] {
  const strongest = raised.at(-1);
  const both = strongest
    ? calmed.map(({ label, changes, ladder }) => ({
        label: `${label}; ${strongest.label}`,
        ladder: `both/${ladder ?? ""}`,
        changes: [...changes, ...strongest.changes],
      }))
    : [];
  return [...calmed, ...raised, ...both];
}

const UNLIKE_DEG = 25;

/** One of two parts glazed another way, darker, lighter or of another hue. */
function part(surface: Surface, own: readonly Toned[], all: readonly Toned[]): Remedy[] {
  const middle = own[Math.floor((own.length - 1) / 2)];
  if (!middle) return [];
  const turned = ({ lab }: Toned) =>
    chromaOf(lab) > 10 &&
    Math.abs(((hueOf(lab) - hueOf(middle.lab) + 540) % 360) - 180) > UNLIKE_DEG &&
    Math.abs(lab[0] - middle.lab[0]) < 25;
  const others = [
    ...own.slice(0, 1).map((tone) => ({ tone, how: "darken" })),
    ...all
      .filter(turned)
      .slice(0, 2)
      .map((tone) => ({ tone, how: "turn the hue of" })),
    ...own.slice(-1).map((tone) => ({ tone, how: "lighten" })),
  ];
  return others.flatMap(({ tone, how }) =>
    veils(surface, tone, {
      label: (veil) => `Part them: ${how} ${surface.name} with ${veil}`,
      ladder: `part/${surface.id}/${how}`,
      name: "Parting coat",
    }),
  );
}

/** The colour of one part glazed into the shade of another. */
function repeat(surface: Surface, own: readonly Toned[], others: readonly Surface[]): Remedy[] {
  const vivid = [...own].sort((one, other) => chromaOf(other.lab) - chromaOf(one.lab))[0];
  if (!vivid) return [];
  return others.flatMap((other) =>
    [2, 5].map((passes) => ({
      label: `Repeat it: glaze ${vivid.mix.name} into the shade of ${other.name}, ${passes} times`,
      ladder: `repeat/${surface.id}/${other.id}`,
      changes: [
        coatMore(other, {
          ...{ id: "glaze", name: "Tying glaze", mix: vivid.mix, passes },
          place: inZones(["shaded"], 0.2),
        }),
      ],
    })),
  );
}

/** What may part two parts that run together, mildest first of each way; whether it does has to be tried. */
export function partingRemedies(job: Job, paints: readonly Paint[], one: Surface, other: Surface): Remedy[] {
  const tones = tonesOf(job, paints);
  return [one, other].flatMap((surface) => part(surface, ownTones(surface, tones), tones));
}

function anyRemedies(job: Job, paints: readonly Paint[], fault: Fault, known: Known): Remedy[] {
  const surfaceOf = (id: string | null) => job.surfaces.find((surface) => surface.id === id);
  const surface = surfaceOf(fault.partId);
  if (!surface) return [];
  const tones = tonesOf(job, paints);
  const own = ownTones(surface, tones);
  const other = surfaceOf(fault.otherId);
  switch (fault.kind) {
    case "outshouts":
      return outshouted(calm(surface, own, known), other ? raise(other, ownTones(other, tones), tones) : []);
    case "equally-busy":
      return calm(surface, own, known);
    case "run-together":
      return other ? partingRemedies(job, paints, surface, other) : part(surface, own, tones);
    case "colour-alone": {
      const beside = job.surfaces.filter(
        ({ id, figureId, coats }) => id !== surface.id && figureId === surface.figureId && coats.length > 0,
      );
      return repeat(surface, own, beside.slice(0, 3));
    }
  }
}

/** What may mend a fault, mildest first; whether it does has to be tried. */
export function remediesFor(job: Job, paints: readonly Paint[], fault: Fault, known: Known = {}): Remedy[] {
  const tooLate = changesDone(known.painted ?? []);
  return anyRemedies(job, paints, fault, known).filter((remedy) => !tooLate(remedy));
}
