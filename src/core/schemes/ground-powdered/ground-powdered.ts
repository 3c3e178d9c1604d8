import { inZones, type Place } from "../../job";
import { EARTH, footOf, ROCK, soilTone } from "../ground";
import {
  clearTone,
  CONTRAST,
  defineScheme,
  tone,
  usedTones,
  WEAR_OF,
  type SchemeCoat,
  type SchemeRoom,
  type SchemeTone,
} from "../scheme";

type PowderTone =
  | "deep"
  | "rock-dark"
  | "rock"
  | "soil-dark"
  | "shade"
  | "powder-dark"
  | "powder"
  | "powder-pale"
  | "fixed";

const powderTone = (name: string, lighter: number, chroma = 1): SchemeTone => ({
  ...soilTone(name, lighter, chroma),
  powder: true,
});

function tonesFor({ answers }: SchemeRoom): Readonly<Record<PowderTone, SchemeTone>> {
  const span = CONTRAST[answers.look];
  return {
    deep: tone("rock, deepest", -37, 0.8),
    "rock-dark": tone("rock, dark", -14 * span, 0.9),
    rock: tone("rock", 2),
    "soil-dark": soilTone("soil, wet", -26, 0.7),
    shade: { ...clearTone("ground, dark wash", -24), own: "#4a443c" },
    "powder-dark": powderTone("powder, dark", -14, 0.9),
    powder: powderTone("powder, middle", 8),
    "powder-pale": powderTone("powder, pale", 26 * span, 0.8),
    fixed: { ...clearTone("fixative, matt", 0), shine: "matt" },
  };
}

const base = (key: "deep" | "soil-dark", name: string, place: Place): SchemeCoat<PowderTone> => ({
  ...{ key, name, technique: "base-coat", tone: key, water: 1, passes: 2, place },
});

const brushed = (key: "rock-dark" | "rock", name: string, reach: number): SchemeCoat<PowderTone> => ({
  ...{ key, name, technique: "overbrush", tone: key, water: 0.5, place: ROCK },
  params: { radius: 0.5, reach, load: 85, across: key === "rock" ? 80 : 20 },
});

/** One powder: how much, how far it is worked in and tapped off again. */
function powdered(
  key: "powder-dark" | "powder" | "powder-pale",
  name: string,
  [amount, worked, tapped]: readonly [number, number, number],
  place: Place = EARTH,
): SchemeCoat<PowderTone> {
  return {
    ...{ key: place === EARTH ? key : `${key}-foot`, name, technique: "powder", tone: key, water: 0, place },
    params: { amount, worked, tapped },
  };
}

function coatsFor({ answers: { age } }: SchemeRoom): SchemeCoat<PowderTone>[] {
  const much = (um: number) => Math.min(60, Math.round(um * (0.6 + 0.4 * WEAR_OF[age])));
  return [
    base("deep", "Dark over the rock", ROCK),
    base("soil-dark", "Wet soil between the rocks", EARTH),
    brushed("rock-dark", "Rock, overbrushed nearly all over", 420),
    brushed("rock", "Rock, overbrushed on half of it", 160),
    {
      ...{ key: "shade", name: "Darkening wash", technique: "wash", tone: "shade", water: 4 },
      ...{ place: { kind: "everywhere" }, params: { wet: 50, cling: 7 } },
    },
    powdered("powder-dark", "Dark powder, worked in", [much(22), 70, 50]),
    powdered("powder", "Middle powder, worked in and tapped off", [much(16), 50, 65]),
    powdered("powder", "Middle powder at the foot of the rocks", [much(12), 40, 60], footOf("soil-dark")),
    powdered(
      "powder-pale",
      "Pale powder on open ground, tapped off",
      [much(12), 15, 70],
      inZones(["ground"], 0, {
        values: { from: 0.3, to: 1, fade: 0.5 },
      }),
    ),
    {
      ...{ key: "fixed", name: "Powders fixed, misted on from afar", technique: "varnish", tone: "fixed" },
      ...{ water: 0, place: { kind: "everywhere" } },
    },
  ];
}

/** Rock overbrushed, soil in powders of three values, worked in, tapped off and fixed. */
export const groundPowdered = defineScheme<PowderTone>({
  id: "ground-powdered",
  version: 1,
  label: "Powders in three values, fixed",
  about:
    "Dark first, the rock overbrushed twice, a darkening wash; then three powders from dark to pale, each worked in and tapped off, drawn up the foot of the rocks, and fixed. It wants powders in your shelf.",
  material: "rock and soil",
  startColour: "#8a8880",
  tones: (room) => usedTones(tonesFor(room), coatsFor(room)),
  coats: coatsFor,
});
