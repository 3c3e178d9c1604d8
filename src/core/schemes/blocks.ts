import { inZones } from "../job";
import {
  clearTone,
  CONTRAST,
  markMm,
  tone,
  usedTones,
  WEAR_OF,
  type SchemeCoat,
  type SchemeRoom,
  type SchemeTone,
} from "./scheme";

/** Thin colours that blocks are tinted in: steps of L*, chroma against the stone's own and turn of hue. */
export interface Tint {
  readonly name: string;
  readonly lighter: number;
  readonly chroma: number;
  readonly hueDeg: number;
}

/** What sets one kind of masonry apart from another. */
export interface BlockLook {
  /** Goes before its tones: "stone". */
  readonly name: string;
  readonly tints: readonly [Tint, Tint, Tint, Tint];
  /** How many blocks keep their own colour, %. */
  readonly bare: number;
  /** The joints' own tone against the stone: steps of L* and chroma; null where they stay dark. */
  readonly mortar: readonly [lighter: number, chroma: number] | null;
  /** Which edges catch the last light. */
  readonly edges: "edges" | "upper-edges";
  /** Which way light is brushed dry, twice, °: strokes one way alone make wood of stone. */
  readonly across: readonly [number, number];
}

type TintTone = "tint-1" | "tint-2" | "tint-3" | "tint-4";
export type BlockTone =
  | "deep"
  | "body"
  | "mortar"
  | TintTone
  | "shade"
  | "varnish"
  | "light"
  | "bright"
  | "edge";

const isQuiet = ({ answers }: SchemeRoom): boolean => answers.look === "quiet";
const KEYS: readonly TintTone[] = ["tint-1", "tint-2", "tint-3", "tint-4"];

/** Tones of masonry: deep in the joints, its own, thin tints, shade, and lights. */
export function blockTones(look: BlockLook, room: SchemeRoom): Readonly<Record<BlockTone, SchemeTone>> {
  const span = CONTRAST[room.answers.look];
  const { name, tints, mortar } = look;
  const tones = {
    deep: tone(`${name}, joints`, -30, 0.8, 5),
    body: tone(`${name}, body`, -3),
    mortar: tone(`${name}, mortar`, mortar?.[0] ?? 0, mortar?.[1] ?? 1),
    ...(Object.fromEntries(
      KEYS.map((key, at) => {
        const { name: of, lighter, chroma, hueDeg } = tints[at]!;
        return [key, tone(`${name}, ${of}`, lighter, chroma, hueDeg)];
      }),
    ) as Readonly<Record<TintTone, SchemeTone>>),
    shade: clearTone(`${name}, shade`, -15, 0.9, 10),
    varnish: clearTone(`${name}, thin varnish`, -20, 1.3, 15),
    light: tone(`${name}, light`, 9 * span, 0.95),
    bright: tone(`${name}, brightest`, (isQuiet(room) ? 15 : 24) * span, 0.8),
    edge: tone(`${name}, edges`, 29 * span, 0.65),
  };
  return usedTones(tones, blockCoats(look, room));
}

const everywhere = { kind: "everywhere" } as const;

/** The tints: block by block where there are blocks, else in patches of their size. */
function tinted(look: BlockLook, room: SchemeRoom): SchemeCoat<BlockTone>[] {
  return KEYS.map((key, at): SchemeCoat<BlockTone> => {
    const { name } = look.tints[at]!;
    const common = {
      ...{ key, name: `Tinted: ${name}`, tone: key, water: 3, place: everywhere, event: "painted" as const },
      ...(at > 0 && { marksOf: "tint-1" }),
    };
    return room.blocks
      ? {
          ...common,
          technique: "single-blocks",
          params: { colours: KEYS.length, number: at + 1, bare: look.bare, alike: 0, hides: 70 },
        }
      : {
          ...{ ...common, marksOf: undefined, technique: "stain" },
          params: { coverage: (100 - look.bare) / KEYS.length, size: 3 },
        };
  }).map(({ marksOf, ...coat }) => (marksOf === undefined ? coat : { ...coat, marksOf }));
}

const deep: SchemeCoat<BlockTone> = {
  ...{ key: "deep", name: "Dark in the joints", technique: "base-coat", tone: "deep", water: 1, passes: 2 },
  ...{ place: everywhere, event: "painted" },
};

const body: SchemeCoat<BlockTone> = {
  ...{ key: "body", name: "Scrubbed over", technique: "overbrush", tone: "body", water: 0.5, passes: 2 },
  ...{ place: everywhere, event: "painted", params: { radius: 2.6, reach: 260, load: 90 } },
};

const mortar: SchemeCoat<BlockTone> = {
  ...{ key: "mortar", name: "Mortar", technique: "pin-wash", tone: "mortar", water: 3 },
  ...{ place: everywhere, event: "painted" },
};

const shade: SchemeCoat<BlockTone> = {
  ...{ key: "shade", name: "Shade glazed in", technique: "glaze", tone: "shade", water: 5, passes: 2 },
  ...{ place: inZones([], 0, { values: { from: 0, to: 0.4, fade: 0.5 } }), event: "painted" },
  params: { pull: 35, unevenness: 25 },
};

const varnish: SchemeCoat<BlockTone> = {
  ...{ key: "varnish", name: "Thin coloured varnish", technique: "wash", tone: "varnish", water: 5 },
  ...{ place: everywhere, event: "painted", params: { wet: 30 } },
};

/** Light brushed dry in two steps, and along edges. */
function lights(look: BlockLook, room: SchemeRoom): SchemeCoat<BlockTone>[] {
  const dry = (
    key: "light" | "bright",
    name: string,
    from: number,
    reach: number,
  ): SchemeCoat<BlockTone> => ({
    ...{ key, name, technique: "dry-brush", tone: key, water: 0, event: "painted" },
    place: inZones([], 0.15, { values: { from, to: 1, fade: 0.5 } }),
    params: { radius: 1.6, reach, load: 45, across: look.across[key === "light" ? 0 : 1] },
  });
  const broken = Math.min(60, Math.round((30 * WEAR_OF[room.answers.age]) / 5) * 5);
  return [
    dry("light", "Light brushed dry", 0.2, 60),
    dry("bright", "Brightest, brushed dry", 0.45, 35),
    {
      ...{ key: "edge", name: "Edges", technique: "edge-line", tone: "edge", water: 1, event: "painted" },
      place: inZones([look.edges], 0.1, { values: { from: 0.3, to: 1, fade: 0.5 } }),
      params: { width: markMm(room, 0.09), broken },
    },
  ];
}

/** Coats of masonry: dark, scrubbed over, mortar, tints, shade glazed in, a thin varnish, and light brushed dry in two steps. */
export const blockCoats = (look: BlockLook, room: SchemeRoom): SchemeCoat<BlockTone>[] => [
  deep,
  body,
  ...(look.mortar ? [mortar] : []),
  ...tinted(look, room),
  shade,
  varnish,
  ...lights(look, room),
];
