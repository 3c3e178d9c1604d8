import { labToHex, type Triple } from "../../colour/spaces";
import type { Job } from "../../job";
import type { FamilyContext } from "../family";
import type { CamouflageLayout } from "./layout";
import { Mixer } from "../mixer";
import { BASE, type CamouflageParams } from "./params";

type Context = FamilyContext<CamouflageParams, CamouflageLayout>;

const LIGHTER_BY = 11;
/** Lightness of the colour that shades the cloth and draws its seams, L*. */
const SHADE_L = 14;
const WASH_WATER = 3;

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
  return mixer.completed(params, completed(params, mixer, surface.name));
}
