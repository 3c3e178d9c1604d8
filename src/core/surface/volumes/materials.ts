/** What a surface is made of, as far as light on it goes. */
export const MATERIAL_IDS = [
  "dull-cloth",
  "wool",
  "pile-cloth",
  "leather",
  "skin",
  "fur",
  "scales",
  "shell",
  "metal",
  "stone",
  "wood",
] as const;
export type MaterialId = (typeof MATERIAL_IDS)[number];

/** What a surface is taken for until its painter says more. */
export const USUAL_VOLUMES = { material: "dull-cloth", importance: "usual" } as const;

/** How light spreads over a material. */
export interface Material {
  readonly label: string;
  readonly about: string;
  /**
   * How quickly lights grow rare: of the value plan the share (1 − p)^fall lies above its place p, 0…1. 1 gives every
   * step the same area; cloth is a little above, shell and pile far above.
   */
  readonly fall: number;
  /** A painter sees volumes: light is taken over about this much, mm. */
  readonly blurMm: number;
  /** Light is told against what is lit around it, so that single folds count more than large volumes. */
  readonly against?: { readonly mm: number; readonly share: number };
}

/** Materials from wide lights to tight ones; a new one is one line here. */
export const materials: Readonly<Record<MaterialId, Material>> = {
  "dull-cloth": { label: "Dull cloth", about: "Lights spread wide.", fall: 1.15, blurMm: 0.16 },
  stone: { label: "Stone, earth", about: "Lights spread wide, block by block.", fall: 1.2, blurMm: 0.1 },
  wood: { label: "Wood", about: "Lights spread wide, along the grain.", fall: 1.25, blurMm: 0.12 },
  skin: { label: "Skin", about: "Soft lights, a little tighter than cloth.", fall: 1.3, blurMm: 0.25 },
  wool: { label: "Wool, felt", about: "Soft lights that break up in dots.", fall: 1.4, blurMm: 0.16 },
  fur: { label: "Hair, fur", about: "Few lights, taken over whole locks.", fall: 1.6, blurMm: 0.28 },
  leather: { label: "Leather", about: "Lights where it bends and rubs.", fall: 1.7, blurMm: 0.16 },
  scales: { label: "Scales", about: "Tight lights, plate by plate.", fall: 1.8, blurMm: 0.1 },
  metal: { label: "Metal", about: "Tight lights that end suddenly.", fall: 2, blurMm: 0.25 },
  shell: {
    label: "Shell, horn",
    about: "Tight lights: a line, or a spot on a ball.",
    fall: 2.2,
    blurMm: 0.25,
  },
  "pile-cloth": {
    label: "Velvet, pile",
    about: "A quick fall from bright to dark, fold by fold; mostly dark.",
    fall: 2.6,
    blurMm: 0.12,
    against: { mm: 2.5, share: 0.8 },
  },
};
