import { inZones, type ZonePlace } from "../../job";
import type { Triple } from "../../colour/spaces";

/** How hairs of one tone are set: lengths and widths against the middle ones, and where in the light they begin. */
export interface HairTone {
  /** L* above the ground's, how far the colour allows it: share of the way to the lightest paint. */
  readonly lighter: number;
  readonly ofRoom: number;
  readonly chroma: number;
  /** Strokes per mm² where they are fully wanted, away from borders. */
  readonly perMm2: number;
  readonly long: number;
  readonly widthMm: number;
  readonly place: ZonePlace;
  readonly name: string;
}

/** The dark between: everywhere some, most in the shade. */
const DARK: HairTone = {
  ...{ lighter: 0, ofRoom: 0, chroma: 0.85, perMm2: 11, long: 1.2, widthMm: 0.11, name: "dark" },
  place: inZones([], 0.45, { values: { from: 0, to: 0.52, fade: 0.6 } }),
};

const NAMES: Readonly<Record<number, readonly string[]>> = {
  1: ["light"],
  2: ["first light", "last light"],
  3: ["first light", "second light", "last light"],
  4: ["first light", "second light", "third light", "last light"],
};
/** The last light begins here in the value plan, the first at 0; they fade in over so much, the last one faster. */
const [LAST_FROM, FADE, FASTER] = [0.76, 0.36, 0.12] as const;

/** Tones of hair, the dark one first: lights get rarer, shorter and finer the lighter they are. @param count 2…5 */
export function hairTones(count: number): HairTone[] {
  const lights = count - 1;
  return [
    DARK,
    ...Array.from({ length: lights }, (_, at): HairTone => {
      const t = (at + 1) / lights;
      const fade = FADE - FASTER * t;
      const from = lights === 1 ? 0.3 : (LAST_FROM * at) / (lights - 1);
      return {
        lighter: 40 * t ** 1.15,
        ofRoom: 0.93 * t ** 0.75,
        chroma: 1.06 - 0.22 * t,
        perMm2: Math.round(10 * 15 * (1 - 0.53 * Math.max(0, 2 * t - 1) ** 1.5)) / 10,
        long: 1.35 - 0.75 * t,
        widthMm: 0.115 - 0.04 * t,
        place: inZones([], 0, { values: { from: from + fade / 2, to: 1, fade } }),
        name: NAMES[lights]![at]!,
      };
    }),
  ];
}

/** No paint is lighter than this, L*. */
const LIGHTEST = 97;

/** A colour's hairs in one tone, L*a*b*. @param ground the colour itself */
export function hairLab([l, a, b]: Triple, { lighter, ofRoom, chroma }: HairTone): Triple {
  if (lighter === 0) return [Math.max(4, l - 2 - 0.24 * l), a * chroma, b * chroma];
  const up = Math.min(lighter, ofRoom * (LIGHTEST - l));
  return [l + up, a * chroma, b * chroma];
}
