import { fieldsOf } from "../../surface/fields";
import { addFilm, defineTechnique, eachCell } from "../technique";
import { cloud } from "../texture";

/** A clear film that protects and sets how much the surface shines. */
export const varnish = defineTechnique({
  id: "varnish",
  onDry: true,
  version: 1,
  label: "Varnish",
  about: "A clear film: its pot decides whether the surface shines or is dulled.",
  params: {
    unevenness: {
      label: "Unevenness",
      unit: "%",
      range: [0, 60],
      step: 1,
      default: 10,
      about: "How much the film varies from place to place.",
    },
  },
  lays: ["field"],
  filmShare: 1.1,
  startWater: 0,
  unseen: true,
  potKinds: ["varnish"],
  bench: {
    tool: "soft clean brush, or spray",
    how: "One thin even coat; do not brush over what begins to set.",
    lookAt: "Same shine from every side, no white bloom, no puddle in a fold.",
    trial: "On a spare painted piece: let it dry through and look for bloom.",
  },
  caution:
    "Varnish carries solvent or fine spray: fresh air, a mask that fits it, no flame. Follow the label and your local rules.",
  lay(film, context, params, random) {
    const { grid, passUm, passes } = context;
    const uneven = params.unevenness / 100 / Math.sqrt(passes);
    const { inside } = grid;
    const { low } = fieldsOf(grid);
    eachCell(context, random, (at, x, y, weight) => {
      const um = passUm * passes * Math.max(0.2, 1 + uneven * cloud(x, y)) * (1 + 0.2 * low[at]!);
      addFilm(film, at, um, inside[at]! * weight);
    });
  },
});
