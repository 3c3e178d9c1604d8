import { inZones, type Glass, type PaintedLight, type ShedSpan, type Strength } from "../job";
import type { Triple } from "../colour/spaces";
import { clamp } from "../units";
import { markMm, type SchemeCoat, type SchemeRoom } from "./scheme";

/** Coats that were laid for a painted light, and their mixes, are known by this, behind the surface's own id. */
const SHED = "shed-";
/** A glow that rises by less than this over its ground is not seen as light, L*. */
export const LEAST_GLOW = 4;

/** What a coat or tone of a painted light is called among those of a plan. */
export const shedName = (lightId: string, key: string): string => `${SHED}${lightId}-${key}`;

/** Whether a coat, or a mix, of a surface was laid for a painted light. */
export const isShed = (lightId: string, surfaceId: string, id: string): boolean =>
  id.startsWith(`${surfaceId}-${shedName(lightId, "")}`);

/** Thresholds against those of a plain light. */
const HOLDS: Readonly<Record<Strength, number>> = { faint: 1.45, plain: 1, strong: 0.8 };

/** Tones of a glow, L*, of how much of the light's chroma, and how far towards its brightest hue. */
export const GLOW_TONES = {
  ground: { name: "ground, darkened", l: 13, chroma: 0.12, turns: 0 },
  soft: { name: "glow, soft", l: 34, chroma: 0.75, turns: 0 },
  glow: { name: "glow", l: 51, chroma: 1, turns: 0.2 },
  near: { name: "glow, close by", l: 67, chroma: 0.85, turns: 0.55 },
  edge: { name: "lit edges", l: 77, chroma: 0.7, turns: 0.65 },
  hot: { name: "hottest edges", l: 91, chroma: 0.35, turns: 0.9 },
  deep: { name: "glass, deepest", l: 7, chroma: 0.2, turns: 0 },
  dark: { name: "glass, dark", l: 22, chroma: 0.6, turns: 0 },
  body: { name: "glass", l: 40, chroma: 0.95, turns: 0.1 },
  pale: { name: "glass, bright", l: 58, chroma: 1, turns: 0.35 },
  bright: { name: "glass, brightest", l: 78, chroma: 0.75, turns: 0.7 },
  white: { name: "point of light", l: 96, chroma: 0.1, turns: 1 },
} as const;
export type GlowTone = keyof typeof GLOW_TONES;

/** Hues that bright light of a colour goes towards: fire towards yellow, all else towards the sky's blue-green. */
const [YELLOW, SKY] = [82, 205] as const;
const WARM = 130;

/** A tone of the glow of a light, L*a*b*. @param light its colour, L*a*b* */
export function glowLab(tone: GlowTone, [, a, b]: Triple): Triple {
  const { l, chroma, turns } = GLOW_TONES[tone];
  const hue = (Math.atan2(b, a) * 180) / Math.PI;
  const to = Math.abs(hue - YELLOW) < WARM ? YELLOW : SKY;
  const way = ((to - hue + 540) % 360) - 180;
  const turned = ((hue + way * turns * 0.75) * Math.PI) / 180;
  const full = Math.hypot(a, b) * chroma;
  return [l, full * Math.cos(turned), full * Math.sin(turned)];
}

type GlowCoat = SchemeCoat<GlowTone>;

const shed = (lightId: string, from: number, fade: number, holds: number): ShedSpan => ({
  lightId,
  from: Math.round(1000 * clamp(from * holds, 0.01, 0.98)) / 1000,
  to: 1,
  fade: Math.round(1000 * clamp(fade * holds, 0.04, 0.9)) / 1000,
});

/** What a glow is painted on. */
export interface GlowRoom extends Pick<SchemeRoom, "finestMm" | "scale"> {
  readonly light: PaintedLight;
  /** The lamp that lights the figure comes from here on its pieces: degrees, 0 from the right, 90 from above. */
  readonly lampDeg: number;
  /** Length and height of the piece the light sits on, mm. */
  readonly sizesMm: readonly [length: number, height: number];
}

/** Light on what is near: soft first, then close by, hot edges last; shadows are kept as the light never reaches them. */
export function shedCoats(room: GlowRoom): GlowCoat[] {
  const { light } = room;
  const holds = HOLDS[light.strength];
  const lit = (from: number, fade: number) => inZones([], 0, { shed: shed(light.id, from, fade, holds) });
  const coat = (key: GlowTone, of: Omit<GlowCoat, "key" | "tone" | "name" | "event">): GlowCoat => ({
    ...{ key: shedName(light.id, key), tone: key },
    // What is darkened for a light is no light.
    ...(key !== "ground" && { event: "glowing" as const }),
    name: `${light.name}: ${GLOW_TONES[key].name}`.slice(0, 80),
    ...of,
  });
  const layer = { technique: "layer", params: { feather: 100, waver: 20 } } as const;
  const line = (width: number, broken: number) =>
    ({ technique: "edge-line", water: 0.5, params: { width: markMm(room, width), broken } }) as const;
  const darkened = coat("ground", { ...layer, water: 3, passes: 2, place: lit(0.05, 0.08) });
  return [
    ...(light.ground === "darkened" ? [darkened] : []),
    coat("soft", { ...layer, water: 3, passes: 2, place: lit(0.19, 0.32) }),
    coat("glow", { ...layer, water: 3, passes: 2, place: lit(0.42, 0.46) }),
    coat("near", { ...layer, water: 2.5, passes: 2, place: lit(0.68, 0.5) }),
    coat("edge", { ...line(0.16, 25), place: lit(0.12, 0.18) }),
    coat("hot", { ...line(0.11, 35), place: lit(0.48, 0.32) }),
  ];
}

/** Where each step of a glass begins, %, and how far its border is drawn out. */
const STEPS: Readonly<
  Record<Exclude<Glass, "none" | "screen">, readonly (readonly [GlowTone, from: number, fade: number])[]>
> = {
  lamp: [
    ["dark", 0, 0],
    ["body", 19, 22],
    ["pale", 41, 27],
    ["bright", 63, 30],
    ["white", 84, 20],
  ],
  lens: [
    ["deep", 0, 0],
    ["dark", 36, 28],
    ["body", 54, 28],
    ["pale", 70, 24],
    ["bright", 84, 18],
  ],
};

/** A screen's height against its width; its lines of text, each so long and so high against the screen; where they begin. */
const SCREEN_TALL = 0.72;
const TEXT = [
  [0.62, 0.7],
  [0.78, 0.46],
  [0.4, 0.22],
  [0.7, -0.04],
  [0.54, -0.3],
] as const;
const [LINE_HIGH, TEXT_FROM] = [0.11, -0.4] as const;
/** The mirrored window: a slanting strip over the upper right, in halves of the screen. */
const MIRRORED = [0.15, 0.94, 0.62, 0.94, 0.94, 0.1, 0.94, -0.35] as const;

/** A shape on a screen as an outline of its piece. @param points in halves of the screen: right, up, and so on */
function onScreen({ light, sizesMm }: GlowRoom, points: readonly number[], soft = 0) {
  const half = light.widthMm / 2;
  const share = (value: number) => Math.round(10_000 * clamp(value, -0.2, 1.2)) / 10_000;
  const told = points.map((value, at) =>
    at % 2 === 0
      ? share(light.along + (value * half) / sizesMm[0])
      : share(light.up + (value * half * SCREEN_TALL) / sizesMm[1]),
  );
  return inZones([], 0, { outline: { points: told, softMm: Math.round(100 * soft * half) / 100 } });
}

const box = (left: number, low: number, right: number, high: number): readonly number[] => [
  ...[left, low, right, low],
  ...[right, high, left, high],
];

/** A screen by what lasts: its dark glass and its glow, then what it shows for now, last what is mirrored in it for a moment. */
function screenCoats(room: GlowRoom): GlowCoat[] {
  const { light } = room;
  const coat = (
    key: string,
    tone: GlowTone,
    what: string,
    of: Omit<GlowCoat, "key" | "tone" | "name" | "technique">,
  ): GlowCoat => ({
    ...{ key: shedName(light.id, `screen-${key}`), tone, technique: "layer" as const },
    name: `${light.name}: ${what}`.slice(0, 80),
    ...of,
  });
  const inside = (share: number, soft = 0) => onScreen(room, box(-share, -share, share, share), soft);
  const hard = { params: { feather: 0, waver: 4 } };
  const lines = TEXT.map(([long, up], at) =>
    coat(`line-${at + 1}`, "pale", `line ${at + 1} of what it shows`, {
      ...{ water: 0.7, passes: 2, event: "shown", ...hard },
      place: onScreen(
        room,
        box(TEXT_FROM - 0.3, up - LINE_HIGH / 2, TEXT_FROM - 0.3 + 1.2 * long, up + LINE_HIGH / 2),
      ),
    }),
  );
  return [
    coat("dark", "deep", "screen, dark", { water: 1, passes: 2, place: inside(1), ...hard }),
    coat("glow", "dark", "screen's own glow", {
      ...{ water: 2, passes: 2, event: "glowing", place: inside(0.88, 0.2) },
      params: { feather: 60, waver: 6 },
    }),
    coat("middle", "body", "screen's glow, its middle", {
      ...{ water: 3, passes: 2, event: "glowing", place: inside(0.62, 0.6) },
      params: { feather: 100, waver: 10 },
    }),
    ...lines,
    coat("mirrored", "white", "window mirrored in it", {
      ...{ water: 6, passes: 1, event: "mirrored", place: onScreen(room, MIRRORED), ...hard },
    }),
  ];
}

/** The glass itself: dark to bright, from rim to middle where it glows, across where it mirrors; a rim light and the white point on the dark side. */
export function glassCoats(room: GlowRoom): GlowCoat[] {
  const { light, lampDeg } = room;
  const { glass } = light;
  if (glass === "none") return [];
  if (glass === "screen") return screenCoats(room);
  const percent = (share: number) => Math.round(1000 * share) / 10;
  const at = { along: percent(light.along), up: percent(light.up), size: light.widthMm };
  // Light comes through the glass and gathers on the far side of the lamp.
  const bright = Math.round(((lampDeg + 180) % 360) / 5) * 5;
  const step = ([tone, from, fade]: readonly [GlowTone, number, number], more: object = {}): GlowCoat => ({
    ...{ key: shedName(light.id, `glass-${tone}`), tone, event: "glowing" as const },
    name: `${light.name}: ${GLOW_TONES[tone].name}`.slice(0, 80),
    ...{ technique: "lens" as const, water: 1, passes: 2, place: { kind: "everywhere" as const } },
    params: { ...at, from, fade, bright, middle: glass === "lamp" ? 100 : 0, ...more },
  });
  const away = (0.58 * light.widthMm) / 2;
  const turn = (lampDeg * Math.PI) / 180;
  const point: GlowCoat = {
    ...{ key: shedName(light.id, "point"), tone: "white", event: "mirrored" },
    ...{ name: `${light.name}: point of light`.slice(0, 80), technique: "glow-dot", water: 0.3, passes: 2 },
    place: { kind: "everywhere" },
    params: {
      ...pointAt(room, [away * Math.cos(turn), away * Math.sin(turn)]),
      size: Math.round(50 * Math.max(room.finestMm, 0.13 * light.widthMm)) / 50,
      ...{ glow: 0, strength: 0 },
    },
  };
  const rim = { ...step(["bright", 62, 30], { rim: 86, middle: 0 }), key: shedName(light.id, "rim") };
  const name = `${light.name}: rim light`.slice(0, 80);
  // What a lens mirrors is drawn in its two brightest steps: land below, sky above.
  const mirrors = (tone: GlowTone) => glass === "lens" && (tone === "pale" || tone === "bright");
  return [
    ...STEPS[glass].map((one) => step(one, mirrors(one[0]) ? { mirrored: 1 } : {})),
    ...(glass === "lens" ? [{ ...rim, name }] : []),
    point,
  ];
}

/** A place beside the light's own, mm to the right and up, as a technique is told it. */
function pointAt({ light, sizesMm }: GlowRoom, [right, up]: readonly [number, number]) {
  const [lengthMm, heightMm] = sizesMm;
  const percent = (share: number) => Math.round(1000 * clamp(share, 0, 1)) / 10;
  return { along: percent(light.along + right / lengthMm), up: percent(light.up + up / heightMm) };
}
