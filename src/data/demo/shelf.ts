import type { Hiding } from "../../core/colour/paint";
import type { Finish, Paint, PaintKind, PaintState } from "../../core/job";

type Row = readonly [
  name: string,
  range: string,
  kind: PaintKind,
  thick: string,
  hiding: Hiding,
  overWhite?: string,
  strength?: number,
  state?: PaintState,
];

const MATT = "Harbour Matt";
const CLEAR = "Harbour Clear";

const ROWS: readonly Row[] = [
  ["Tarn Blue", MATT, "paint", "#1f4e66", "opaque", undefined, 1.6],
  ["Fen Brown", MATT, "paint", "#4a3826", "opaque"],
  ["Fen Green", MATT, "paint", "#3c6648", "semi", undefined, 1.2],
  ["Rust Red", MATT, "paint", "#a8432a", "opaque"],
  ["Straw", MATT, "paint", "#c8b178", "semi"],
  ["Shell", MATT, "paint", "#e6dcc6", "semi"],
  ["Moss", MATT, "paint", "#55653a", "opaque"],
  ["Lamp Black", MATT, "paint", "#1b1b1b", "opaque", undefined, 2],
  ["Slate", MATT, "paint", "#575b5e", "opaque"],
  ["Clay", MATT, "paint", "#a67a5b", "opaque"],
  ["Bone Ash", MATT, "paint", "#cfc6b2", "semi"],
  ["Dusk", MATT, "paint", "#4f4660", "opaque"],
  ["Kelp", MATT, "paint", "#67653a", "semi"],
  ["Buoy Orange", MATT, "paint", "#cc6a2c", "semi"],
  ["Gull White", MATT, "paint", "#eeeeea", "semi", undefined, 0.8],
  ["Clear Umber", CLEAR, "clear", "#2c1c12", "transparent", "#a98467"],
  ["Clear Teal", CLEAR, "clear", "#0e2a2e", "transparent", "#74a2a0"],
  ["Clear Madder", CLEAR, "clear", "#3a0f14", "transparent", "#c07a72"],
  ["Silt Wash", "Silt Wash", "wash", "#241d18", "transparent", "#97897a"],
  ["Lode Grey", "Lode Metal", "metal", "#6d6f70", "opaque"],
  ["Slack Medium", "Slack Medium", "medium", "#e9e7e0", "transparent", "#f0efec"],
  ["Marsh Ink", "Harbour Clear", "ink", "#0c1712", "transparent", "#6d8c70", 1.8],
  ["Sluice Violet", MATT, "paint", "#5b3f74", "opaque", undefined, 1.2, "low"],
  ["Pale Reed", MATT, "paint", "#e2d9a0", "semi"],
  ["Lichen Yellow", MATT, "paint", "#c9a52c", "semi", undefined, 1, "out"],
  ["Wharf Gloss", "Wharf Varnish", "varnish", "#efeeea", "transparent", "#f1f0ed"],
  ["Wharf Matt", "Wharf Varnish", "varnish", "#efeeea", "transparent", "#f1f0ed"],
  ["Mud Paste", "Groundwork", "paste", "#6a5a47", "opaque"],
  ["Dry Silt", "Dune Powder", "powder", "#a08c6e", "semi"],
  ["Wet Silt", "Dune Powder", "powder", "#4d4234", "semi"],
  ["Bleached Sand", "Dune Powder", "powder", "#cdbd9c", "semi"],
  ["Reed Tufts", "Groundwork", "tufts", "#8d8747", "opaque"],
  ["Lode Bronze", "Lode Metal", "metal", "#7d6238", "opaque", undefined, 1, "wanted"],
];

const FINISH_OF: Partial<Record<PaintKind, Finish>> = {
  metal: "satin",
  clear: "satin",
  ink: "gloss",
  medium: "gloss",
  varnish: "gloss",
};

export const paintIdOf = (name: string): string => `paint-${name.toLowerCase().replaceAll(" ", "-")}`;

/** The made-up pots every demo and example uses. */
export const demoShelf: readonly Paint[] = ROWS.map(
  ([name, range, kind, thick, hiding, overWhite, strength, state]) => ({
    id: paintIdOf(name),
    name,
    range,
    kind,
    state: state ?? "have",
    thick,
    overWhite: overWhite ?? null,
    overBlack: null,
    hiding,
    finish: name === "Wharf Matt" ? "matt" : (FINISH_OF[kind] ?? "matt"),
    strength: strength ?? 1,
    dropUl: kind === "wash" || kind === "clear" || kind === "ink" ? 35 : 40,
    fit: null,
  }),
);
