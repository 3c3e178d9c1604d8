import type { Figure } from "../../job";
import { usualColour, type PatchedParams } from "./params";

/** A kind of coat to start from, for a beast about as large as one that stands 32 mm to its eyes. */
export interface PatchedPreset extends Pick<PatchedParams, "colours"> {
  readonly id: string;
  readonly label: string;
  readonly about: string;
  readonly given?: Partial<
    Pick<PatchedParams, "largeMm" | "smallMm" | "broken" | "stripes" | "reachMm" | "strays">
  >;
}

const [PALE, TAN, RUST, BROWN, DARK] = ["#ada18e", "#a8794a", "#8e5426", "#5c4530", "#2a2522"] as const;

export const presets: readonly PatchedPreset[] = [
  {
    id: "three",
    label: "Patched in three",
    about: "Large blocks of three colours with small ones between them; the pale one below.",
    colours: [
      usualColour({ id: "pale", name: "Pale", colour: PALE, share: 43, sits: "belly", keeps: 35 }),
      usualColour({ id: "rust", name: "Rust", colour: RUST, share: 32 }),
      usualColour({ id: "dark", name: "Dark", colour: DARK, share: 25, sits: "back", keeps: 15 }),
    ],
  },
  {
    id: "saddle",
    label: "Saddle",
    about: "A dark back over tan flanks, a pale belly.",
    colours: [
      usualColour({ id: "tan", name: "Tan", colour: TAN, share: 46 }),
      usualColour({ id: "saddle", name: "Saddle", colour: DARK, share: 38, sits: "back", keeps: 100 }),
      usualColour({ id: "pale", name: "Pale", colour: PALE, share: 16, sits: "belly", keeps: 80 }),
    ],
    given: { broken: 22, strays: 1.2 },
  },
  {
    id: "brindle",
    label: "Brindle",
    about: "Broken dark stripes across the lie on brown.",
    colours: [
      usualColour({ id: "brown", name: "Brown", colour: RUST, share: 60 }),
      usualColour({ id: "stripe", name: "Stripes", colour: DARK, share: 40 }),
    ],
    given: { largeMm: 4.2, smallMm: 1.1, broken: 40, stripes: 85, reachMm: 0.3 },
  },
  {
    id: "spotted",
    label: "Spotted",
    about: "Round dark spots on a pale coat.",
    colours: [
      usualColour({ id: "pale", name: "Pale", colour: PALE, share: 76 }),
      usualColour({ id: "spots", name: "Spots", colour: BROWN, share: 24 }),
    ],
    given: { largeMm: 2.4, smallMm: 0.8, broken: 15, reachMm: 0.28, strays: 0.8 },
  },
  {
    id: "masked",
    label: "Masked",
    about: "One colour over all, dark at muzzle and feet.",
    colours: [
      usualColour({ id: "tan", name: "Tan", colour: TAN, share: 74 }),
      usualColour({ id: "mask", name: "Mask", colour: DARK, share: 26, sits: "hem", keeps: 95 }),
    ],
    given: { broken: 18 },
  },
];

/** Figures this tall to the eyes have the blocks presets are told for, mm. */
const PRESET_EYES_MM = 32;
/** Tones of hair by how far a figure is taken: for the table the eye stops counting earlier. */
const TONES_OF = { tabletop: 3, display: 4 } as const;

/**
 * Settings that start from a preset: blocks grow with the figure, hairs a little less than it does.
 * @param seed of the blocks
 */
export function startFrom(
  { colours, given = {} }: PatchedPreset,
  { eyeHeightMm, standard }: Pick<Figure, "eyeHeightMm" | "standard">,
  seed: number,
): PatchedParams {
  const grown = eyeHeightMm / PRESET_EYES_MM;
  const sized = (mm: number, low: number, high: number) =>
    Math.min(high, Math.max(low, Math.round(mm * grown * 100) / 100));
  const { largeMm = 5.2, smallMm = 1.5, reachMm = 0.38 } = given;
  return {
    colours: colours.map((one) => ({ ...one })),
    tones: TONES_OF[standard],
    largeMm: sized(largeMm, 1, 30),
    smallMm: sized(smallMm, 0.3, 8),
    broken: given.broken ?? 46,
    stripes: given.stripes ?? 0,
    reachMm: sized(reachMm, 0, 2),
    strays: given.strays ?? 1.8,
    hairMm: Math.round(100 * 0.75 * Math.min(1.8, Math.max(0.7, grown))) / 100,
    shadeMixId: "",
    sheenMixId: "",
    spots: [],
    seed,
  };
}
