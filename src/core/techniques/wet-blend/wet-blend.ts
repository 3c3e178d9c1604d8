import { inZones } from "../../job";
import { clamp, smoothstep } from "../../units";
import { addFilm, defineTechnique, eachCell } from "../technique";
import { cloud, streak } from "../texture";

/** A second paint worked into the first while both are wet: they run into each other over the overlap. */
export const wetBlend = defineTechnique({
  id: "wet-blend",
  version: 1,
  label: "Wet blend",
  about: "Laid beside the coat before it while that is wet, and drawn into it until the border is gone.",
  params: {
    overlap: {
      label: "Overlap",
      unit: "%",
      range: [10, 100],
      step: 5,
      default: 80,
      about: "How much of the place's fade the two paints run into each other over.",
    },
    streaky: {
      label: "Streaks left",
      unit: "%",
      range: [0, 100],
      step: 5,
      default: 25,
      about: "How much of the brushing back and forth stays to be seen.",
    },
  },
  lays: ["field"],
  filmShare: 1,
  startWater: 0.5,
  startPlace: inZones(["lit"], 0),
  bench: {
    tool: "two brushes, one of them clean and damp",
    how: "Work at once while the coat before is wet; draw to and fro over the border until it is gone.",
    lookAt: "No border left; stop before the film drags.",
    trial: "On a spare piece: how long the two stay open in today's air.",
  },
  caution: null,
  wetInWet: true,
  lay(film, context, params, random) {
    const { grid, passUm, passes } = context;
    const half = 0.05 + 0.45 * (params.overlap / 100);
    const streaks = 0.3 * (params.streaky / 100);
    eachCell(context, random, (at, x, y, weight) => {
      const across = streak(x * 0.7, y * 1.2) + 0.5 * cloud(x, y);
      const share = smoothstep(0.5 - half, 0.5 + half, weight + streaks * across * 4 * weight * (1 - weight));
      if (share < 0.004) return;
      // Wet paints share the film: less of this one, mixed through, not a broken layer of it.
      const um = passUm * passes * share * clamp(1 + 0.1 * across, 0.5, 1.5);
      addFilm(film, at, um, grid.inside[at]!);
    });
  },
});
