import type { Figure } from "../../job";
import { BASE, usualLayer, type CamouflageParams, type Layer } from "./params";

/** A starting point: colours, layers and their order, for a figure of 32 mm to the eyes. */
export interface Preset {
  readonly id: string;
  readonly label: string;
  readonly about: string;
  readonly baseColour: string;
  readonly layers: readonly Layer[];
}

const PRESET_EYES_MM = 32;

/** Patches as they are worn on cloaks and coats: three colours, each reshaping those before it. */
const woodland: Preset = {
  id: "woodland",
  label: "Soft woodland",
  about: "Three colours of soft patches over a pale base, later ones over earlier ones.",
  baseColour: "#8e875d",
  layers: [
    usualLayer({
      id: "green",
      name: "Green",
      kind: "patch",
      colour: "#455837",
      sizeMm: 2.9,
      share: 26,
      direction: 15,
      over: [BASE],
    }),
    usualLayer({
      ...{
        id: "brown",
        name: "Brown",
        kind: "patch",
        colour: "#62422c",
        sizeMm: 2.1,
        share: 19,
        direction: 165,
      },
      over: [BASE, "green"],
    }),
    usualLayer({
      ...{
        id: "dark",
        name: "Dark",
        kind: "patch",
        colour: "#2c2a24",
        sizeMm: 1.4,
        share: 10,
        direction: 35,
      },
      over: [BASE, "green", "brown"],
      spurs: 2,
    }),
  ],
};

/** Tailored blotches with dots on and between them: light on dark, dark on light. */
const blotch: Preset = {
  id: "blotch",
  label: "Blotch and dot",
  about: "Two colours of blotches; pale dots on the dark, dark ones on the base, green ones between.",
  baseColour: "#8d734f",
  layers: [
    usualLayer({
      id: "green",
      name: "Green",
      kind: "patch",
      colour: "#4f5932",
      sizeMm: 2.2,
      share: 30,
      long: 1.7,
      spurs: 0.8,
      over: [BASE],
    }),
    usualLayer({
      ...{
        id: "brown",
        name: "Brown",
        kind: "patch",
        colour: "#57392b",
        sizeMm: 1.7,
        share: 17,
        long: 1.7,
        spurs: 0.8,
      },
      over: [BASE, "green"],
    }),
    usualLayer({
      ...{
        id: "pale",
        name: "Pale dots",
        kind: "dot",
        colour: "#b39e77",
        sizeMm: 0.28,
        share: 3,
        long: 1.3,
        apart: 30,
      },
      over: ["green", "brown"],
      spread: 26,
      gapMm: 0.05,
    }),
    usualLayer({
      ...{
        id: "darkdots",
        name: "Dark dots",
        kind: "dot",
        colour: "#4d3327",
        sizeMm: 0.27,
        share: 4,
        long: 1.3,
        apart: 30,
      },
      over: [BASE],
      spread: 26,
      gapMm: 0.05,
    }),
  ],
};

/** Bars round a limb, tight and bold, with spurs. */
const bars: Preset = {
  id: "bars",
  label: "Wavy bars",
  about: "Bold bars that run round a limb, unlike in width, some only part of the way, with spurs.",
  baseColour: "#a38e6a",
  layers: [
    usualLayer({
      ...{
        id: "green",
        name: "Green bars",
        kind: "bar",
        colour: "#515e38",
        sizeMm: 0.85,
        share: 24,
        turn: 6,
        spurs: 1.6,
      },
      over: [BASE],
      apart: 60,
      spread: 38,
      long: 6,
    }),
    usualLayer({
      ...{
        id: "brown",
        name: "Brown bars",
        kind: "bar",
        colour: "#5a3726",
        sizeMm: 0.6,
        share: 15,
        turn: 7,
        spurs: 1.4,
      },
      over: [BASE, "green"],
      apart: 60,
      spread: 38,
      long: 6,
    }),
  ],
};

/** Few large patches in dry colours, lined along part of their borders. */
const dry: Preset = {
  id: "dry",
  label: "Dry country",
  about: "Grey patches on a pale base, part of each border lined in red-brown.",
  baseColour: "#cdbc9f",
  layers: [
    usualLayer({
      id: "grey",
      name: "Grey",
      kind: "patch",
      colour: "#87847b",
      sizeMm: 2.7,
      share: 27,
      long: 2,
      spurs: 1.2,
      apart: 60,
      over: [BASE],
    }),
    usualLayer({
      ...{
        id: "lined",
        name: "Red-brown edge",
        kind: "edge",
        colour: "#824331",
        sizeMm: 0.14,
        share: 45,
        follows: "grey",
      },
      over: [BASE, "grey"],
    }),
  ],
};

export const presets: readonly Preset[] = [woodland, blotch, bars, dry];

/** From this height on seams of cut cloth are seen, mm to the eyes. */
const SEAMS_SEEN_FROM_MM = 30;

/**
 * Settings that start from a preset: sizes grow with the figure, a little less than it does (the brush stays the same).
 * @param finestMm finest line of the hand, mm: nothing starts finer
 */
export function startFrom(preset: Preset, figure: Figure, finestMm: number, seed: number): CamouflageParams {
  const grown = Math.pow(figure.eyeHeightMm / PRESET_EYES_MM, 0.8);
  const sized = (mm: number) => Math.min(40, Math.max(finestMm, Math.round(mm * grown * 100) / 100));
  return {
    baseMixId: "",
    baseColour: preset.baseColour,
    layers: preset.layers.map((layer) => ({ ...layer, sizeMm: sized(layer.sizeMm) })),
    seams: figure.eyeHeightMm >= SEAMS_SEEN_FROM_MM ? "cut" : "over",
    shading: "both",
    washMixId: "",
    lineMixId: "",
    lights: [],
    seed,
    figures: [],
  };
}
