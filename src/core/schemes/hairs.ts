import { inZones, type Place } from "../job";
import { lightnessToRead } from "../stats/visibility";
import { hexToLab } from "../colour/spaces";
import { volumeCoats } from "./volumes";
import {
  clearTone,
  CONTRAST,
  flickMm,
  perMm2,
  tone,
  WEAR_OF,
  type Look,
  type SchemeCoat,
  type SchemeRoom,
  type SchemeTone,
} from "./scheme";

/** Tones of painted hair: the ground, the dark between, lights from the first to the last, two clear ones. */
export type HairTone = "base" | "dark" | `hair-${number}` | "tie" | "counter";

/** One tone of hair as it is written for a plain coat on a figure of usual size. */
interface HairStep {
  readonly lighter: number;
  readonly chroma: number;
  readonly hueDeg: number;
  /** Middle length and width, mm; strokes per mm² where it is fully wanted. */
  readonly length: number;
  readonly width: number;
  readonly density: number;
  /** Where in the value plan it begins. */
  readonly from: number;
}

/** From the dark between to the last light: shorter, finer and rarer the lighter they are. */
const DARK: HairStep = {
  ...{ lighter: -28, chroma: 0.5, hueDeg: -10 },
  ...{ length: 1.5, width: 0.13, density: 5, from: 0 },
};
const LIGHTS: readonly HairStep[] = [
  { lighter: 3, chroma: 0.95, hueDeg: -1, length: 1.4, width: 0.12, density: 6.5, from: 0.16 },
  { lighter: 12, chroma: 1.05, hueDeg: 2, length: 1.2, width: 0.11, density: 7.5, from: 0.34 },
  { lighter: 25, chroma: 1.1, hueDeg: 4, length: 1, width: 0.1, density: 7.5, from: 0.52 },
  { lighter: 37, chroma: 1, hueDeg: 8, length: 0.8, width: 0.09, density: 6.5, from: 0.7 },
  { lighter: 48, chroma: 0.75, hueDeg: 12, length: 0.6, width: 0.08, density: 5, from: 0.86 },
];
/** The ground lies this much below the coat's own colour, L*: hair over it lifts it. */
const GROUND = -10;
const FEWER_OF: Readonly<Record<Look, number>> = { quiet: 1, plain: 0, striking: 0 };

/** Hair on a small figure, or for the table, has fewer and broader strokes. */
const [TABLE_FEWER, TABLE_WIDER] = [0.6, 1.2] as const;
/** Fine work is looked at from no farther than this, mm. */
const IN_HAND_MM = 300;
/** What one stroke hides, %: the ground lives on between and below. The highest lights are of pale paint, which has to be laid fuller. */
const HIDES = { most: 70, pale: 90, paleFrom: 64 } as const;
/** Steps are widened for the eye up to so many times. */
const MOST_WIDER = 1.35;

const isTable = ({ standard }: SchemeRoom): boolean => standard === "tabletop";

/** No paint is lighter than this, L*, and lights nearer to each other than so much are one. */
const [LIGHTEST, LEAST_STEP] = [92, 6] as const;

/** L* that is left above a colour. */
const roomAbove = ({ answers }: SchemeRoom): number => LIGHTEST - hexToLab(answers.colour)[0];

/** Steps of light a coat of hair is painted in: for the table one less, a quiet one as well; a pale coat has room for few. */
export function lightsIn(room: SchemeRoom): number {
  const wanted = LIGHTS.length - (isTable(room) ? 1 : 0) - FEWER_OF[room.answers.look];
  return Math.min(wanted, Math.max(2, 1 + Math.floor(roomAbove(room) / LEAST_STEP)));
}

const widthOf = (room: SchemeRoom, { width }: HairStep): number =>
  flickMm(room, width * (isTable(room) ? TABLE_WIDER : 1));

/**
 * L* of every light above the coat's own colour. The finer a stroke, the further its tone has to be from the one below so
 * that it reads by itself: at the distance fine work is looked at, by the eye's sensitivity to contrast.
 */
export function lightSteps(room: SchemeRoom): number[] {
  const [own] = hexToLab(room.answers.colour);
  const contrast = CONTRAST[room.answers.look];
  const lights = LIGHTS.slice(0, lightsIn(room));
  const above = roomAbove(room);
  const reach = Math.min(contrast, above / lights.at(-1)!.lighter);
  const distanceMm = Math.min(room.distanceMm, IN_HAND_MM);
  let [below, written] = [GROUND * contrast, GROUND * contrast];
  const steps = lights.map((step) => {
    const ground = Math.min(LIGHTEST, Math.max(4, own + below));
    const asked = reach * step.lighter - written;
    const needed = lightnessToRead(ground, widthOf(room, step), distanceMm, 1);
    const wider = needed === null ? MOST_WIDER : (needed - ground) / asked;
    below += asked * Math.min(MOST_WIDER, Math.max(1, wider));
    written = reach * step.lighter;
    return below;
  });
  // Widened steps have to end where there is paint for them.
  const most = Math.max(...steps);
  return most > above ? steps.map((lighter) => (lighter > 0 ? (lighter * above) / most : lighter)) : steps;
}

const NAMES = ["first light", "second light", "third light", "fourth light", "last light"] as const;

/** The tones of a coat of hair. */
export function hairTones(room: SchemeRoom): Readonly<Record<HairTone, SchemeTone>> {
  const contrast = CONTRAST[room.answers.look];
  const lights = lightSteps(room).map((lighter, at): [HairTone, SchemeTone] => {
    const { chroma, hueDeg } = LIGHTS[at]!;
    return [`hair-${at}`, tone(`hair, ${NAMES[at]}`, lighter, chroma, hueDeg)];
  });
  return {
    base: tone("hair, ground", GROUND * contrast, 0.85, -4),
    dark: tone("hair, between", DARK.lighter * contrast, DARK.chroma, DARK.hueDeg),
    ...Object.fromEntries(lights),
    tie: clearTone("hair glaze", -8, 1.2, 2),
    counter: clearTone("shade of hair", -14, 0.7, 190),
  };
}

/** How one set of strokes differs from what is written for its tone. */
export interface HairSet {
  readonly key: string;
  readonly name: string;
  readonly tone: HairTone;
  readonly place?: Place;
  /** Times as many. */
  readonly many?: number;
  readonly apart?: number;
  readonly tufts?: number;
  readonly long?: number;
  /** Times as wide. */
  readonly wide?: number;
}

const stepOf = (tone: HairTone): HairStep => {
  const light = /^hair-(\d)$/.exec(tone);
  return light ? LIGHTS[Number(light[1])]! : DARK;
};

/** Whether a tone is so light that its paint hides little, by its L*. */
function isPale(room: SchemeRoom, tone: HairTone): boolean {
  const [own] = hexToLab(room.answers.colour);
  return own + (hairTones(room)[tone]?.lighter ?? 0) > HIDES.paleFrom;
}

/** Where a tone's strokes lie: from its place in the value plan on, fading in; the dark most in the shade, some everywhere. */
export const hairPlace = (tone: HairTone): Place => {
  if (tone === "dark") return inZones([], 0.2, { values: { from: 0, to: 0.4, fade: 0.5 } });
  return inZones([], 0, { values: { from: stepOf(tone).from, to: 1, fade: 0.28 } });
};

/** Strokes in one tone. */
export function strokesIn(
  room: SchemeRoom,
  { key, name, tone, place, ...more }: HairSet,
): SchemeCoat<HairTone> {
  const step = stepOf(tone);
  const { many = 1, apart = 35, tufts = 45, long = 1, wide = 1 } = more;
  const rough = Math.sqrt(WEAR_OF[room.answers.age]);
  const fewer = isTable(room) ? TABLE_FEWER : 1;
  return {
    key,
    name,
    technique: "hair",
    tone,
    water: 0.5,
    place: place ?? hairPlace(tone),
    params: {
      density: Math.max(0.2, perMm2(room, step.density * many * fewer)),
      length: Math.round(100 * step.length * long * room.scale) / 100,
      lengthSpread: 25,
      hides: isPale(room, tone) ? HIDES.pale : HIDES.most,
      width: widthOf(room, { ...step, width: step.width * wide }),
      apart,
      // An old coat is rougher: in tufts, and hairs stray.
      tufts: Math.min(100, Math.round((tufts * rough) / 5) * 5),
      stray: Math.round(6 * rough),
    },
  };
}

/** The ground's steps of light in tones that the strokes are mixed in anyhow: no mix is made for it alone. */
const stepTone = (room: SchemeRoom, step: number): HairTone =>
  step < 2 ? (["dark", "base"] as const)[step]! : `hair-${Math.min(step - 2, lightsIn(room) - 1)}`;

/** How steps of light are laid so that they cover: the lighter, the thicker. */
function covering(
  { answers }: SchemeRoom,
  step: number,
): { readonly water?: number; readonly passes?: number } {
  if (step < 3) return {};
  return { water: 1.5, passes: step - 1 + (answers.look === "striking" ? 1 : 0) };
}

/** Volumes before any hair: a rough light map in soft steps. */
export const hairVolumes = (room: SchemeRoom): SchemeCoat<HairTone>[] =>
  volumeCoats(room, { material: "short hair", name: "ground" }, { feather: 75, waver: 35 }).map((coat) => ({
    ...coat,
    tone: stepTone(room, Number(coat.tone.slice("value-".length))),
    // The lightest lie furthest from the ground they have to cover.
    ...covering(room, Number(coat.tone.slice("value-".length))),
  }));

/** A glaze that ties all tones, and one of the opposite hue in the shade. */
export const hairGlazes = (): SchemeCoat<HairTone>[] => [
  {
    ...{ key: "tie", name: "Glaze over all", technique: "glaze", tone: "tie", water: 4, passes: 2 },
    place: { kind: "everywhere" },
    params: { pull: 30 },
  },
  {
    ...{
      key: "counter",
      name: "Opposite hue into the shade",
      technique: "glaze",
      tone: "counter",
      water: 4,
      passes: 2,
    },
    place: inZones([], 0, { values: { from: 0, to: 0.45, fade: 0.5 } }),
    params: { pull: 40 },
  },
];
