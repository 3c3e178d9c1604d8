import { hexToLab, labToHex, type Triple } from "../../colour/spaces";
import type { Job } from "../../job";
import type { FamilyContext } from "../family";
import { Mixer } from "../mixer";
import { hairLab, hairTones } from "./hairs";
import type { PatchedLayout } from "./layout";
import type { CoatColour, PatchedParams } from "./params";

type Context = FamilyContext<PatchedParams, PatchedLayout>;

/** What glances off the high points of dark hair: cool and pale. */
const SHEEN = labToHex([82, -1.5, -5]);
const SHADE_WATER = 3;

/** What the shade takes a colour to: darker by so much of its lightness, cooler. */
const shaded = ([l, a, b]: Triple): Triple => [l * 0.62, a * 0.85 + 2, b * 0.6 - 3];

/** Colours a colour's ground, dark hairs and lights are to show, "#rrggbb". */
export function coloursOf({ colour }: Pick<CoatColour, "colour">, tones: number): string[] {
  const ground = hexToLab(colour);
  return [colour, ...hairTones(tones).map((tone) => labToHex(hairLab(ground, tone)))];
}

/** The colour of most of the surface: what the shade is mixed for. */
const widest = ({ colours }: PatchedParams): CoatColour =>
  [...colours.slice(1)].sort((a, b) => b.share - a.share).find(({ share }) => share > 50) ?? colours[0]!;

/** Settings with a mix for every tone of every colour, for shade and sheen; mixes that were missing are made. */
function completed(params: PatchedParams, mixer: Mixer, name: string): PatchedParams {
  const words = ["ground", ...hairTones(params.tones).map((tone) => `${tone.name} hairs`)];
  const colours = params.colours.map((one) => ({
    ...one,
    mixIds: coloursOf(one, params.tones).map((colour, at) => {
      const own = one.mixIds[at];
      if (own !== undefined && mixer.has(own)) return own;
      return mixer.mixFor(`${one.id}-${at}`, `${name}: ${one.name.toLowerCase()}, ${words[at]!}`, colour);
    }),
  }));
  const { colour } = widest(params);
  const shade = () =>
    mixer.clearFor("shade", `${name}: shade`, colour, labToHex(shaded(hexToLab(colour))), SHADE_WATER);
  const made = (mixId: string | null, make: () => string) =>
    mixId === null || mixer.has(mixId) ? mixId : make();
  return {
    ...params,
    colours,
    shadeMixId: made(params.shadeMixId, shade),
    sheenMixId: made(params.sheenMixId, () => mixer.mixFor("sheen", `${name}: sheen`, SHEEN)),
  };
}

/** The job with every mix the coat needs. */
export function completePatched({ job, surface, paints, params }: Context): Job {
  const mixer = new Mixer(job, paints, surface.id);
  return mixer.completed(params, completed(params, mixer, surface.name));
}
