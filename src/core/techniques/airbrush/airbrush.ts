import { inZones } from "../../job";
import { fieldsOf } from "../../surface/fields";
import { lampVector } from "../../surface/grid";
import { addFilm, defineTechnique, eachCell } from "../technique";
import { cloud } from "../texture";

/** Paint blown on from one side: soft, on what faces it, little in its lee. */
export const airbrush = defineTechnique({
  id: "airbrush",
  version: 1,
  label: "Airbrush or spray",
  about: "A soft mist from one side: it lands on what faces it and misses what lies in the lee.",
  params: {
    turn: {
      label: "Turned from the lamp",
      unit: "°",
      range: [-180, 180],
      step: 5,
      default: 0,
      about: "0 sprays from the side of the lamp, 180 from the other, as for shadows.",
    },
    height: {
      label: "Height of the nozzle",
      unit: "°",
      range: [10, 90],
      step: 5,
      default: 45,
      about: "10 sprays along the surface and hits only what stands up, 90 straight on.",
    },
    lee: {
      label: "Reaches the lee",
      unit: "%",
      range: [0, 80],
      step: 5,
      default: 15,
      about: "How much lands on what is turned away: 0 from far and straight, more from near.",
    },
    grain: {
      label: "Grain",
      unit: "%",
      range: [0, 60],
      step: 5,
      default: 8,
      about: "Speckle of the mist; too little air makes it coarse.",
    },
  },
  lays: ["field"],
  sprayed: true,
  followsLamp: true,
  filmShare: 0.4,
  startWater: 2,
  startPlace: inZones(["lit"], 0.2),
  bench: {
    tool: "airbrush or can, a mask of tape where an edge is wanted",
    how: "Short bursts from the side of the light, the piece turning; several thin mists, never a wet one.",
    lookAt: "Grain is even and dry; the lee side stays as it was.",
    trial: "A burst on paper: grain, reach and pressure before you turn to the piece.",
  },
  caution: "Spray only with good air and a mask that fits the paint; follow its label and your local rules.",
  lay(film, context, params, random) {
    const { grid, passUm, passes } = context;
    const lampDeg = (Math.atan2(-grid.lamp[1], grid.lamp[0]) * 180) / Math.PI;
    const from = lampVector({ fromDeg: lampDeg + params.turn, heightDeg: params.height });
    const lit = fieldsOf(grid).litFrom(from);
    const lee = params.lee / 100;
    const grain = params.grain / 100;
    eachCell(context, random, (at, x, y, weight) => {
      const share = weight * (lee + (1 - lee) * lit[at]!);
      if (share < 0.004) return;
      const vary = Math.max(0.1, 1 + grain * cloud(x * 4, y * 4));
      addFilm(film, at, passUm * passes * share * vary, grid.inside[at]!);
    });
  },
});
