import { inZones, type Place } from "../../job";
import {
  baseLayer,
  depthLayer,
  clearTone,
  CONTRAST,
  defineScheme,
  flickMm,
  perMm2,
  tone,
  WEAR_OF,
  type SchemeCoat,
} from "../scheme";

type Tone = "base" | "dark" | "middle" | "light" | "bright" | "glaze";

/** Worn cloth: hard scratchy threads both ways over a gradient, softened by a thin glaze. */
export const clothScratched = defineScheme<Tone>({
  id: "cloth-scratched",
  version: 1,
  label: "Scratch-woven cloth",
  about:
    "Hard thin strokes along and across the weave, lighter on less ground each time; a thin glaze softens them.",
  material: "worn cloth",
  startColour: "#71664f",
  tones({ answers }) {
    const span = CONTRAST[answers.look];
    return {
      base: tone("cloth", -5 * span, 1, -4),
      dark: tone("cloth, dark", -20 * span, 0.85, -10),
      middle: tone("cloth, threads", 5 * span, 0.98, 0),
      light: tone("cloth, light threads", 15 * span, 0.9, 4),
      bright: tone("cloth, frayed", 25 * span, 0.75, 8),
      glaze: clearTone("cloth glaze", -9, 1.05, -4),
    };
  },
  coats(room) {
    const { answers } = room;
    const wear = WEAR_OF[answers.age];
    const width = flickMm(room, 0.05);
    /** Threads one way, then the other. */
    const woven = (
      key: string,
      name: string,
      tone: Tone,
      place: Place,
      density: number,
      length: number,
    ): SchemeCoat<Tone>[] =>
      ([0, 90] as const).map((angle) => ({
        key: `${key}-${angle}`,
        name: `${name}, ${angle === 0 ? "down" : "across"}`,
        technique: "hatch",
        tone,
        water: 0.5,
        place,
        params: {
          density: perMm2(room, density),
          length: length * room.scale,
          lengthSpread: 45,
          width,
          angle,
          angleSpread: 6,
          wander: 4,
        },
      }));
    const steps: SchemeCoat<Tone>[] = [
      baseLayer("Cloth", "base"),
      depthLayer("Dark in the folds", "dark", 0.04),
      ...woven("threads", "Threads", "middle", inZones(["raised"], 0.4), 6.5, 0.55),
      ...woven("light", "Light threads", "light", inZones(["raised", "lit"], 0.08), 5, 0.42),
      {
        key: "soften",
        name: "Glaze over all",
        technique: "glaze",
        tone: "glaze",
        water: 5,
        passes: 2,
        place: { kind: "everywhere" },
        params: { pull: 40 },
      },
    ];
    if (answers.look === "quiet") return steps;
    return [
      ...steps,
      ...woven(
        "last",
        "Frayed threads",
        "bright",
        inZones(["raised", "lit"], 0),
        2.2 * Math.sqrt(wear),
        0.35,
      ),
      {
        key: "fray",
        name: "Frayed hem",
        technique: "scratch",
        tone: "bright",
        water: 0.5,
        place: inZones(["hem"], 0),
        params: {
          density: perMm2(room, 2.4 * wear),
          length: 0.4 * room.scale,
          lengthSpread: 60,
          width,
          angle: 90,
          angleSpread: 25,
        },
      },
    ];
  },
});
