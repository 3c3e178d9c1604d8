import { inZones, type ValueSpan } from "../job";
import { stepCount, stepShares } from "../surface/volumes/valuePlan";
import { baseLayer, IMPORTANCE_OF, LIGHT_AS, markMm, perMm2, tone, type Material } from "./scheme";
import type { Look, SchemeCoat, SchemeRoom, SchemeTone } from "./scheme";

/** The tone of one step of light; 0 is the deepest shadow. */
export type ValueTone = `value-${number}`;

/** What is painted in the steps of its value plan, one tone to a step. */
export type Stepped = Exclude<
  Material,
  | "shell"
  | "painted metal"
  | "stone"
  | "slate"
  | "rock and soil"
  | "horn"
  | "sculpted fur"
  | "scaled hide"
  | "dead skin"
>;

/** L* from the darkest step of a plain surface to its lightest, by what it is made of. */
const SPAN_OF: Readonly<Record<Stepped, number>> = {
  leather: 38,
  wool: 40,
  "worn cloth": 42,
  velvet: 50,
  "plain cloth": 38,
  "short hair": 36,
  skin: 36,
};
/** How far the steps reach, against a plain surface. */
const REACH_OF: Readonly<Record<Look, number>> = { quiet: 0.6, plain: 1, striking: 1.25 };
/** The first coat is the second step: shadows are laid below it, lights above. */
const BASE_STEP = 1;

/** How a material's steps of light are mixed. */
export interface VolumeLook {
  readonly material: Stepped;
  /** Goes before the step in a mix's name: "wool". */
  readonly name: string;
  /** Chroma of the deepest and of the lightest step against the material's own. */
  readonly chroma?: readonly [dark: number, light: number];
  /** How far their hues are turned, degrees; above 0 towards yellow for reds and browns. */
  readonly hueDeg?: readonly [dark: number, light: number];
}

const volumesOf = ({ answers }: SchemeRoom, material: Stepped) => ({
  material: LIGHT_AS[material],
  importance: IMPORTANCE_OF[answers.look],
});

/** Steps of light a piece of this material is painted in, 3…5. */
export const stepsIn = (room: SchemeRoom, material: Stepped): number =>
  stepCount(volumesOf(room, material), room.standard);

/** However many steps there are: the last of them. */
export const LIGHTEST = Infinity;

/** The tone of a step, counted from the base: 0 the base itself, 1 the first light, −1 the shade. */
export const valueTone = (room: SchemeRoom, material: Stepped, fromBase: number): ValueTone =>
  `value-${Math.min(stepsIn(room, material) - 1, Math.max(0, BASE_STEP + fromBase))}`;

const STEP_NAMES: Readonly<Record<number, readonly string[]>> = {
  3: ["shade", "", "light"],
  4: ["shade", "", "light", "lightest"],
  5: ["shade", "", "middle", "light", "lightest"],
};

/**
 * The tones of all steps of light. Their mean over the piece, by the shares its value plan gives them, is the
 * material's own colour, so that the whole reads as what was asked for.
 */
export function valueTones(
  room: SchemeRoom,
  { material, name, chroma = [0.85, 0.85], hueDeg = [-8, 6] }: VolumeLook,
): Readonly<Record<ValueTone, SchemeTone>> {
  const count = stepsIn(room, material);
  const shares = stepShares(volumesOf(room, material), count);
  const places = shares.map((_, step) => step / (count - 1));
  const mean = places.reduce((sum, place, step) => sum + place * shares[step]!, 0);
  const span = SPAN_OF[material] * REACH_OF[room.answers.look];
  const between = ([dark, light]: readonly [number, number], own: number, place: number) =>
    place < mean ? dark + ((own - dark) * place) / mean : own + ((light - own) * (place - mean)) / (1 - mean);
  return Object.fromEntries(
    places.map((place, step): [ValueTone, SchemeTone] => [
      `value-${step}`,
      tone(
        [name, STEP_NAMES[count]![step]].filter(Boolean).join(", "),
        span * (place - mean),
        between(chroma, 1, place),
        between(hueDeg, 0, place),
      ),
    ]),
  );
}

/** A stretch of the value plan, from one step to another, both counted from the base; borders fade over a step. */
export function inSteps(
  room: SchemeRoom,
  material: Stepped,
  from: number,
  to: number,
  fade = 1,
): { readonly values: ValueSpan } {
  const count = stepsIn(room, material);
  const at = (step: number) =>
    Math.round((100 * Math.min(count, Math.max(0, BASE_STEP + step))) / count) / 100;
  return { values: { from: at(from), to: at(to), fade: Math.round((100 * fade) / count) / 100 } };
}

/** How the steps go over into each other. */
export interface Softness {
  readonly feather: number;
  readonly waver: number;
  readonly passes?: number;
  /** Over how many steps a border fades; 1 where left out. */
  readonly fade?: number;
}

/**
 * Volumes before any texture: the base everywhere, the shade below it, then each light over less ground, in the
 * places that the surface's value plan gives them.
 */
export function volumeCoats(
  room: SchemeRoom,
  { material, name }: VolumeLook,
  soft: Softness = { feather: 75, waver: 35 },
): SchemeCoat<ValueTone>[] {
  const count = stepsIn(room, material);
  const { passes = 2, fade = 1, ...params } = soft;
  const layer = (step: number, label: string): SchemeCoat<ValueTone> => ({
    key: step < BASE_STEP ? "depth" : `light-${step - BASE_STEP}`,
    name: label,
    technique: "layer",
    tone: `value-${step}`,
    water: 2,
    passes,
    place: inZones(
      [],
      0,
      step < BASE_STEP
        ? inSteps(room, material, -1, 0, fade)
        : inSteps(room, material, step - BASE_STEP, count, fade),
    ),
    params,
  });
  const lights = Array.from({ length: count - BASE_STEP - 1 }, (_, at) => BASE_STEP + 1 + at);
  const title = `${name[0]!.toUpperCase()}${name.slice(1)}`;
  return [
    baseLayer<ValueTone>(title, `value-${BASE_STEP}`),
    layer(0, "Shade"),
    ...lights.map((step, at) =>
      layer(step, lights.length === 1 ? "Light" : ["First light", "Second light", "Third light"][at]!),
    ),
  ];
}

/** How touches change from the shade to the light. */
export interface TouchLook {
  /** Width, mm, in the darkest and in the lightest step. */
  readonly width: readonly [dark: number, light: number];
  /** Touches per mm² in the darkest and in the lightest step. */
  readonly density: readonly [dark: number, light: number];
  readonly long: number;
  readonly hides: readonly [dark: number, light: number];
  readonly angleSpread: number;
  /** How far touches go beyond their own step to either side, in steps; 0.8 where left out. */
  readonly reach?: number;
}

/** For the table touches are fewer and larger. */
const [TABLETOP_WIDER, TABLETOP_FEWER] = [1.2, 0.55] as const;

/**
 * Touches in the tone of every step, over its place and most of its neighbours', so that no step keeps a border: large
 * in the shade, smaller towards the light.
 */
export function touchCoats(room: SchemeRoom, material: Stepped, look: TouchLook): SchemeCoat<ValueTone>[] {
  const count = stepsIn(room, material);
  const table = room.standard === "tabletop";
  const { reach = 0.8 } = look;
  return Array.from({ length: count }, (_, step): SchemeCoat<ValueTone> => {
    const to = step / (count - 1);
    const at = ([dark, light]: readonly [number, number]) => dark + (light - dark) * to;
    const mark = STEP_NAMES[count]![step] || "middle";
    return {
      key: `touches-${step}`,
      name: `Touches, ${mark}`,
      technique: "touch",
      tone: `value-${step}`,
      water: 0.5,
      place: inZones(
        [],
        0,
        inSteps(room, material, step - BASE_STEP - reach, step - BASE_STEP + 1 + reach, 1),
      ),
      params: {
        density: Math.max(
          0.5,
          Math.round(2 * perMm2(room, at(look.density) * (table ? TABLETOP_FEWER : 1))) / 2,
        ),
        width: markMm(room, at(look.width) * (table ? TABLETOP_WIDER : 1)),
        long: look.long,
        spread: 35,
        hides: Math.round(at(look.hides) / 5) * 5,
        angleSpread: look.angleSpread,
      },
    };
  });
}
