import { opticsOfMix, paintOptics } from "../../colour/appearance";
import { ciede2000 } from "../../colour/difference";
import { masstone } from "../../colour/film";
import { asPainted } from "../../colour/bother";
import { tryAllMixes } from "../../colour/search";
import { hexToLab, labToHex, spectrumToLab, type Triple } from "../../colour/spaces";
import { mixById, type Job, type Mix, type MixPart, type Paint } from "../../job";
import type { FamilyContext } from "../family";
import type { CamouflageLayout } from "./layout";
import { BASE, type CamouflageParams } from "./params";

type Context = FamilyContext<CamouflageParams, CamouflageLayout>;

/** Pots tried for a colour: those nearest to it, and the lightest and darkest. */
const MOST_TRIED = 10;
const LIGHTER_BY = 11;
/** Lightness of the colour that shades the cloth and draws its seams, L*. */
const SHADE_L = 14;
const WASH_WATER = 3;

/** Mixes made as they are asked for, with what is at hand. */
class Mixer {
  readonly mixes: Mix[];
  private readonly usable: readonly { readonly paint: Paint; readonly lab: Triple }[];
  constructor(
    private readonly job: Job,
    private readonly paints: readonly Paint[],
    private readonly surfaceId: string,
  ) {
    this.mixes = [...job.mixes];
    this.usable = paints
      .filter(({ kind, state }) => kind === "paint" && (state === "have" || state === "low"))
      .map((paint) => ({ paint, lab: spectrumToLab(masstone(paintOptics(paint))) }));
  }

  has(id: string | null): id is string {
    return id !== null && this.mixes.some((mix) => mix.id === id);
  }

  labOf(mixId: string): Triple {
    return spectrumToLab(masstone(opticsOfMix(mixById({ mixes: this.mixes }, mixId), this.paints)));
  }

  /** Few pots in small whole parts that come nearest to a colour, of pots that look like it already. */
  private partsFor(goal: Triple): readonly MixPart[] {
    const near = [...this.usable].sort((a, b) => ciede2000(a.lab, goal) - ciede2000(b.lab, goal));
    const [lightest] = [...this.usable].sort((a, b) => b.lab[0] - a.lab[0]);
    const [darkest] = [...this.usable].sort((a, b) => a.lab[0] - b.lab[0]);
    const tried = new Set(
      [...near.slice(0, MOST_TRIED), lightest, darkest].flatMap((one) => (one ? [one.paint] : [])),
    );
    const inUse = new Set(this.mixes.flatMap(({ parts }) => parts.map(({ paintId }) => paintId)));
    const found = tryAllMixes([...tried], goal, { mostParts: 4, pots: 2, keep: 12 });
    return asPainted(found, { paints: this.paints, goal, inUse })[0]?.parts ?? [];
  }

  /** A mix for a colour: one of the job's that already shows it, else a new one. */
  mixFor(key: string, name: string, colour: string, water = 1): string {
    const goal = hexToLab(colour);
    const known = this.mixes.find(
      (mix) => mix.goal?.toLowerCase() === colour.toLowerCase() && mix.water === water,
    );
    if (known) return known.id;
    const id = this.freeId(`${this.surfaceId}-${key}`);
    this.mixes.push({ id, name: name.slice(0, 80), parts: this.partsFor(goal), water, goal: colour });
    return id;
  }

  private freeId(base: string): string {
    let id = base;
    for (let number = 2; this.mixes.some((mix) => mix.id === id); number++) id = `${base}-${number}`;
    return id;
  }

  get changed(): boolean {
    return this.mixes.length !== this.job.mixes.length;
  }
}

const lighter = ([l, a, b]: Triple): Triple => [Math.min(96, l + LIGHTER_BY), a * 1.03, b * 1.06];
const darker = ([l, a, b]: Triple): Triple => [Math.min(SHADE_L, l * 0.4), a * 0.45, b * 0.4];
/** What a thin wash leaves of a pale base must not be black. */
const washed = ([l, a, b]: Triple): Triple => [Math.max(SHADE_L, l * 0.42), a * 0.9 + 3, b * 0.7];

/** Which colours get a light of their own: the base and every layer of patches or bars. */
export const litIds = (params: CamouflageParams): string[] => [
  BASE,
  ...params.layers.filter(({ kind }) => kind === "patch" || kind === "bar").map(({ id }) => id),
];

const isShaded = ({ shading }: CamouflageParams) => shading !== "none";

/** Settings with a mix for every colour, for its light, for the wash and the lines; mixes that were missing are made. */
function completed(params: CamouflageParams, mixer: Mixer, name: string): CamouflageParams {
  const own = (mixId: string, key: string, what: string, colour: string) =>
    mixer.has(mixId) ? mixId : mixer.mixFor(key, `${name}: ${what}`, colour);
  const baseMixId = own(params.baseMixId, BASE, "base", params.baseColour);
  const layers = params.layers.map((layer) => ({
    ...layer,
    mixId: own(layer.mixId, layer.id, layer.name.toLowerCase(), layer.colour),
  }));
  const done = { ...params, baseMixId, layers };
  if (!isShaded(done)) return done;
  const [shade, thin] = [darker, washed].map((of) => labToHex(of(mixer.labOf(baseMixId)))) as [
    string,
    string,
  ];
  const lights = litIds(done).map((id) => {
    const before = done.lights.find((light) => light.id === id);
    if (before && mixer.has(before.mixId)) return before;
    const of = id === BASE ? { mixId: baseMixId, name: "base" } : layers.find((one) => one.id === id)!;
    const colour = labToHex(lighter(mixer.labOf(of.mixId)));
    return { id, mixId: mixer.mixFor(`${id}-light`, `${name}: ${of.name.toLowerCase()}, light`, colour) };
  });
  const made = (mixId: string | null, key: string, what: string, colour: string, water: number) =>
    mixId === null || mixer.has(mixId) ? mixId : mixer.mixFor(key, `${name}: ${what}`, colour, water);
  return {
    ...done,
    lights,
    washMixId: made(params.washMixId, "wash", "wash", thin, WASH_WATER),
    lineMixId: made(params.lineMixId, "lines", "dark lines", shade, 1),
  };
}

/** The job with every mix the pattern needs. */
export function completeCamouflage({ job, surface, paints, params }: Context): Job {
  const mixer = new Mixer(job, paints, surface.id);
  const next = completed(params, mixer, surface.name);
  if (!mixer.changed && JSON.stringify(next) === JSON.stringify(params)) return job;
  return {
    ...job,
    mixes: mixer.mixes,
    surfaces: job.surfaces.map((one) =>
      one.id === surface.id ? { ...one, pattern: { ...one.pattern!, params: next } } : one,
    ),
  };
}
