import { fieldsOf } from "../../surface/fields";
import { clamp } from "../../units";
import { addFilm, defineTechnique, eachCell } from "../technique";
import { specks } from "../texture";

/** Dry pigment: it settles on level and low ground and in texture, and is tapped off what stands up. */
export const powder = defineTechnique({
  id: "powder",
  version: 1,
  label: "Powder",
  about: "Dry pigment worked in and tapped off: it stays in texture and low ground, matt and grainy.",
  params: {
    amount: {
      label: "Amount",
      unit: "µm",
      range: [1, 60],
      step: 1,
      default: 11,
      about: "How thick it lies in low ground before it is tapped off.",
    },
    worked: {
      label: "Worked in",
      unit: "%",
      range: [0, 100],
      step: 5,
      default: 50,
      about: "0 leaves it as it fell, 100 rubs it into the texture.",
    },
    tapped: {
      label: "Tapped off",
      unit: "%",
      range: [0, 100],
      step: 5,
      default: 75,
      about: "How much of what lies on high and steep ground falls off again.",
    },
    grain: {
      label: "Grain",
      unit: "mm",
      range: [0.03, 0.3],
      step: 0.01,
      default: 0.06,
      about: "Size of the coarsest grains.",
    },
  },
  lays: ["field"],
  filmShare: 1,
  filmUm: ({ amount }) => amount,
  startWater: 0,
  bench: {
    tool: "soft dry brush kept for powder",
    how: "Work it into texture and hollows, then tap the piece; do not blow.",
    lookAt: "Matt and grainy in low ground, high ground nearly clean.",
  },
  caution:
    "Pigment dust: wear a mask, work over paper and do not blow. A fixative carries solvent: fresh air, no flame. Follow the labels and your local rules.",
  feels: true,
  potKinds: ["powder"],
  lay(film, context, params, random) {
    const { grid, passes } = context;
    const fields = fieldsOf(grid);
    const [fine, middle, wide] = [fields.hollow(0), fields.hollow(1), fields.hollow(2)];
    const { sky } = fields;
    const worked = params.worked / 100;
    const tapped = params.tapped / 100;
    eachCell(context, random, (at, x, y, weight) => {
      const low = clamp(0.24 + 2.6 * wide[at]! + 3 * middle[at]!, 0.02, 1.6);
      const texture = clamp(0.5 + 4 * fine[at]!, 0.05, 1.8);
      const lies =
        (1 - tapped * (1 - Math.min(1, low))) * (1 - worked + worked * texture) * (0.5 + 0.5 * sky[at]!);
      const grains = specks(x, y, params.grain);
      const um = params.amount * passes * lies * weight * Math.max(0.08, 1 + 0.5 * grains);
      // Where little lies, single grains with bare ground between them.
      const cover = clamp(0.2 + 0.17 * um + 0.2 * grains, 0, 1);
      if (um > 0.02 && cover > 0.004) addFilm(film, at, um / Math.max(0.3, cover), cover * grid.inside[at]!);
    });
  },
});
