import { decodeSrgb, linearToXyz, type Triple } from "../../colour/spaces";
import { seenBy, VISIONS, type Vision } from "../../colour/vision";
import { CURVE } from "../../simulate/compositor";
import { CURVE_STEPS } from "../../simulate/kernel/layout";
import type { FigureStill } from "../figureStill";
import { fromAfar } from "../fromAfar";
import { bordersOf } from "./borders";
import { labPicture, partLooks, type Judged, type Part } from "./looks";

/** Distances a figure is looked at from, mm: in the hand, at the table, across it. */
export const LOOKED_FROM_MM = [200, 600, 1200] as const;

/** Eyes a figure is looked at with besides ordinary ones; grey is lightness alone. */
export const OTHER_EYES = ["grey", ...VISIONS.filter((vision) => vision !== "ordinary")] as const;
export type OtherEyes = "grey" | Exclude<Vision, "ordinary">;

type Picture = FigureStill["picture"];

/** What one part keeps of its texture at one distance. */
export interface TextureFrom {
  readonly id: string;
  readonly name: string;
  /** Standard deviation of L* within half a millimetre or so, at each distance. */
  readonly from: readonly number[];
}

/** Two parts that meet, and how far they are apart to ordinary eyes and to others (CIEDE2000). */
export interface BorderSeen {
  readonly one: string;
  readonly other: string;
  readonly ordinary: number;
  readonly seen: number;
}

/** A figure as it is seen from some distances and by some eyes. */
export interface SeenOtherwise {
  readonly distances: readonly { readonly mm: number; readonly picture: Picture }[];
  readonly textures: readonly TextureFrom[];
  readonly eyes: readonly {
    readonly eyes: OtherEyes;
    readonly picture: Picture;
    /** Every border, the one that loses most first. */
    readonly borders: readonly BorderSeen[];
  }[];
}

const DECODE = Float64Array.from({ length: 256 }, (_, byte) => decodeSrgb(byte / 255));
const byteOf = (linear: number): number => CURVE[Math.round(Math.min(1, Math.max(0, linear)) * CURVE_STEPS)]!;

/** Linear light as eyes have it; to grey ones it is its luminance. */
function seenWith(eyes: OtherEyes, linear: Triple): Triple {
  if (eyes !== "grey") return seenBy(eyes, linear);
  const [, luminance] = linearToXyz(linear);
  return [luminance, luminance, luminance];
}

/** A picture as other eyes have it. */
export function pictureFor(eyes: OtherEyes, picture: Picture): Picture {
  const { rgba } = picture;
  const out = new Uint8ClampedArray(rgba.length);
  const known = new Map<number, readonly [number, number, number]>();
  for (let at = 0; at < rgba.length; at += 4) {
    out[at + 3] = rgba[at + 3]!;
    if (rgba[at + 3] === 0) continue;
    const [r, g, b] = [rgba[at]!, rgba[at + 1]!, rgba[at + 2]!];
    const key = (r << 16) | (g << 8) | b;
    let bytes = known.get(key);
    if (!bytes) {
      const seen = seenWith(eyes, [DECODE[r]!, DECODE[g]!, DECODE[b]!]);
      bytes = [byteOf(seen[0]), byteOf(seen[1]), byteOf(seen[2])];
      known.set(key, bytes);
    }
    out.set(bytes, at);
  }
  return { ...picture, rgba: out };
}

/** What each part keeps of its texture from each distance. */
function texturesFrom(pictures: readonly Judged[], parts: readonly Part[]): TextureFrom[] {
  const looks = pictures.map((judged) => partLooks(judged, parts).looks);
  return parts.flatMap(({ id, name }): TextureFrom[] => {
    const from = looks.map((seen) => seen.find((look) => look.id === id)?.texture);
    return from.every((texture) => texture !== undefined) ? [{ id, name, from }] : [];
  });
}

/**
 * A figure from all distances that count, and through other eyes from the one it is judged at.
 * @param still drawn with every mark, from no distance
 * @param viewMm where the figure is looked at from, mm
 */
export function seenOtherwise(still: FigureStill, parts: readonly Part[], viewMm: number): SeenOtherwise {
  const at = (mm: number): FigureStill => ({ ...still, picture: fromAfar(still.picture, mm) });
  const distances = LOOKED_FROM_MM.map(at);
  const usual = at(viewMm);
  const { looks } = partLooks(usual, parts);
  const own = bordersOf(usual, labPicture(usual), looks);
  const eyes = OTHER_EYES.map((one) => {
    const judged = { ...usual, picture: pictureFor(one, usual.picture) };
    const found = bordersOf(judged, labPicture(judged), looks);
    const borders = own.flatMap((border): BorderSeen[] => {
      const there = found.find(({ one: a, other: b }) => a === border.one && b === border.other);
      const { one: here, other, apart } = border;
      return there ? [{ one: here, other, ordinary: apart, seen: there.apart }] : [];
    });
    borders.sort((a, b) => a.seen - a.ordinary - (b.seen - b.ordinary));
    return { eyes: one, picture: judged.picture, borders };
  });
  return {
    distances: distances.map(({ picture }, index) => ({ mm: LOOKED_FROM_MM[index]!, picture })),
    textures: texturesFrom(distances, parts),
    eyes,
  };
}
