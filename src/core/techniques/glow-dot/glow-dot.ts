import { layTouch } from "../dots";
import { addFilm, defineTechnique, edgeSoftMm, eachCell } from "../technique";
import { cloud } from "../texture";

/** One dot of light, with what it sheds around itself. */
export const glowDot = defineTechnique({
  id: "glow-dot",
  version: 1,
  label: "Dot of light",
  about: "One bright touch at a place of your choice, with a thin glow around it.",
  params: {
    along: {
      label: "Place along",
      unit: "%",
      range: [0, 100],
      step: 1,
      default: 50,
      about: "0 at the first seam or left end, 100 at the other.",
    },
    up: {
      label: "Place up",
      unit: "%",
      range: [0, 100],
      step: 1,
      default: 60,
      about: "0 at the hem, 100 at the top.",
    },
    size: {
      label: "Size",
      unit: "mm",
      range: [0.06, 3],
      step: 0.02,
      default: 0.3,
      about: "Of the dot itself, across.",
    },
    glow: {
      label: "Glow reaches",
      unit: "mm",
      range: [0, 8],
      step: 0.1,
      default: 0.8,
      about: "How far the thin film around it is drawn out; 0 for none.",
    },
    strength: {
      label: "Strength of the glow",
      unit: "%",
      range: [0, 100],
      step: 5,
      default: 30,
      about: "Against the film of the dot.",
    },
  },
  lays: ["field"],
  filmShare: 1,
  startWater: 0.5,
  markWidth: "size",
  bench: {
    tool: "fine round brush",
    how: "Set the bright touch, then draw a thin ring of the same paint round it with a damp point.",
    lookAt: "The brightest point is small; the glow falls off on all sides.",
  },
  caution: null,
  marksOn: () => ({ count: 1, name: "dot" }),
  lay(film, context, params, random) {
    const { grid, passUm, passes } = context;
    const { form } = grid;
    const place = {
      turnDeg: (params.along / 100) * form.turnDeg,
      heightMm: (params.up / 100) * form.slantMm,
    };
    const [xMm, yMm] = form.flatten(place);
    const radius = (params.size / 2) * (1 + 0.06 * random.normal());
    layTouch(film, grid, {
      xMm,
      yMm,
      rx: radius,
      ry: radius * random.range(0.88, 1.12),
      angle: random.range(0, Math.PI),
      softMm: edgeSoftMm(context.water),
      um: passUm * passes,
      fall: 0.25,
      piece: null,
    });
    if (params.glow === 0 || params.strength === 0) return;
    eachCell(context, random.fork("glow"), (at, x, y, weight) => {
      const px = grid.originX + (at % grid.width) * grid.pitchMm - xMm;
      const py = grid.originY + Math.floor(at / grid.width) * grid.pitchMm - yMm;
      const away = Math.max(0, Math.hypot(px, py) - radius) / params.glow;
      if (away > 2) return;
      const shed = Math.exp(-2 * away * away) * (params.strength / 100) * weight;
      const um = passUm * passes * shed * Math.max(0.2, 1 + 0.12 * cloud(x * 3, y * 3));
      if (um > 0.01) addFilm(film, at, um, grid.inside[at]!);
    });
  },
});
