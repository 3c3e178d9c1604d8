import { smoothstep } from "../../units";
import { addFilm, defineTechnique, edgeSoftMm, eachCell } from "../technique";
import { cloud } from "../texture";
import { distanceTo, lettering, SIGN_NAMES } from "./signs";

const sign = (label: string, usual: number) =>
  ({
    ...{ label, unit: "", step: 1, default: usual, names: SIGN_NAMES },
    range: [0, SIGN_NAMES.length - 1],
    about: "A plain shape, a figure or a letter of the font that ships; they stand in a row.",
  }) as const;
const share = (label: string, usual: number, about: string) =>
  ({ label, unit: "%", range: [0, 100], step: 1, default: usual, about }) as const;

/** How far the sponge leaves it uneven. */
const UNEVEN = 0.22;

/** A marking through a mask: paint dabbed or sprayed through cut shapes. */
export const stencil = defineTechnique({
  id: "stencil",
  onDry: true,
  version: 1,
  label: "Stencil",
  about:
    "A marking dabbed or sprayed through a mask: plain shapes, figures and letters, sharp but for what creeps under.",
  params: {
    first: sign("First sign", SIGN_NAMES.indexOf("A")),
    second: sign("Second sign", 0),
    third: sign("Third sign", 0),
    height: {
      label: "Height",
      unit: "mm",
      range: [0.5, 40],
      step: 0.1,
      default: 3,
      about: "Of a capital letter or of a shape.",
    },
    along: share("Place along", 50, "Of its middle: 0 at the first seam or left end, 100 at the other."),
    up: share("Place up", 50, "Of its middle: 0 at the hem, 100 at the top."),
    turn: {
      label: "Turned",
      unit: "°",
      range: [-180, 180],
      step: 5,
      default: 0,
      about: "Anticlockwise, against the piece's own level.",
    },
    bridge: {
      label: "Bridges",
      unit: "%",
      range: [0, 30],
      step: 1,
      default: 9,
      about:
        "Width of what holds islands in the mask, against the height: it stays unpainted. 0 for a mask of loose parts.",
    },
    creep: {
      label: "Creeps under",
      unit: "mm",
      range: [0, 0.6],
      step: 0.01,
      default: 0.04,
      about:
        "How far paint gets under the mask, here more and there less; thin paint and heavy dabs creep most.",
    },
  },
  lays: ["field"],
  filmShare: 0.8,
  startWater: 0.5,
  markWidth: "height",
  bench: {
    tool: "mask cut from film or tape, sponge nearly dry or airbrush",
    how: "Press the mask down at every edge and dab straight from above with hardly any paint, in several thin rounds.",
    lookAt: "Edges are sharp; what has crept under is cut back with the ground's colour.",
    trial: "One dab through the mask on card: lift it and look whether paint crept under.",
  },
  caution:
    "Knife for the mask: cut away from the hand. Sprayed paint: mask, fresh air. Follow the labels and your local rules.",
  marksOn: () => ({ count: 1, name: "touch" }),
  lay(film, context, params, random) {
    const { grid, passUm, passes, water } = context;
    const { form, pitchMm, originX, originY, width } = grid;
    const { rings, halfWide, islands } = lettering([params.first, params.second, params.third]);
    const [x0, y0] = form.flatten({
      turnDeg: (params.along / 100) * form.turnDeg,
      heightMm: (params.up / 100) * form.slantMm,
    });
    const mm = params.height / 100;
    const turn = (params.turn * Math.PI) / 180;
    const [cos, sin] = [Math.cos(turn), Math.sin(turn)];
    const soft = Math.max(pitchMm, edgeSoftMm(water));
    const reach = Math.hypot(halfWide, 62) * mm + params.creep + soft;
    eachCell(context, random, (at, x, y, weight) => {
      const [px, py] = [
        originX + (at % width) * pitchMm - x0,
        y0 - originY - Math.floor(at / width) * pitchMm,
      ];
      if (px * px + py * py > reach * reach) return;
      const [sx, sy] = [(px * cos + py * sin) / mm, (py * cos - px * sin) / mm];
      let outMm = distanceTo(rings, sx, sy) * mm;
      for (const island of islands) outMm = Math.max(outMm, (params.bridge / 2 - Math.abs(sx - island)) * mm);
      const crept = params.creep * Math.max(0, 0.4 + 0.6 * cloud(x * 2.2, y * 2.2));
      const cover = (1 - smoothstep(-soft / 2, soft / 2, outMm - crept)) * weight;
      if (cover <= 0.004) return;
      const um = passUm * passes * (1 + UNEVEN * cloud(x * 3.1 + 7, y * 3.1));
      addFilm(film, at, Math.max(0.1, um), cover * grid.inside[at]!);
    });
  },
});
