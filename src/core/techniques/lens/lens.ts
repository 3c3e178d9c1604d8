import { smoothstep } from "../../units";
import { addFilm, defineTechnique, eachCell, edgeSoftMm } from "../technique";
import { cloud } from "../texture";

const share = (label: string, usual: number, about: string) =>
  ({ label, unit: "%", range: [0, 100], step: 1, default: usual, about }) as const;

/** How much the border of a step wavers, as a share of the way across. */
const WAVERS = 0.035;

/** What a glass can mirror, by name. */
const MIRRORED = ["nothing: a plain border", "land and sky", "a window", "roofs"] as const;
/** How far a mirrored shape takes the border of a step aside, as a share of the way across. */
const MIRRORS = 0.3;

/** How high a roof or a hill of its own stands at a place along the land, 0…1. */
function skyline(x: number, roofs: boolean): number {
  if (!roofs) return 0.5 + 0.5 * Math.sin(5.2 * x + 0.9) * Math.cos(2.1 * x);
  const within = ((((x * 1.9 + 0.35) % 1) + 1) % 1) - 0.5;
  // A gable, then the flat roof of the next house.
  return within < 0 ? 0.25 : Math.max(0.1, 1 - 4 * Math.abs(within - 0.22));
}

/**
 * What a mirrored shape adds to a place's way across, so that a step's border follows it. A ball shows what stands before
 * it bent round its middle: a level line is an arc that bulges away from it.
 * @param x, y from the middle of the glass, in its radii, y towards its bright side
 */
function mirroredAt(kind: number, x: number, y: number): number {
  if (kind === 0) return 0;
  const bent = x / Math.sqrt(Math.max(0.08, 1 - 0.85 * y * y));
  if (kind === 2) {
    // Four panes in the bright half, the bars between them dark.
    const [px, py] = [Math.abs(bent), Math.abs(y - 0.42 + 0.12 * bent * bent)];
    const pane = px > 0.07 && px < 0.5 && py > 0.05 && py < 0.32;
    return pane ? MIRRORS : -MIRRORS;
  }
  const land = 0.1 - 0.45 * bent * bent + 0.34 * skyline(bent, kind === 3);
  return y > land ? MIRRORS * 0.6 : -MIRRORS;
}

/** One step of a round lens, gem or lamp: from its dark side, or from its rim, on. */
export const lens = defineTechnique({
  id: "lens",
  version: 1,
  label: "Lens or gem",
  about:
    "One step of a round glass: all that lies beyond a border, across it from the dark side to the bright one, or from its rim to its middle.",
  params: {
    along: share("Place along", 50, "Of its middle: 0 at the first seam or left end, 100 at the other."),
    up: share("Place up", 50, "Of its middle: 0 at the hem, 100 at the top."),
    size: {
      label: "Size",
      unit: "mm",
      range: [0.2, 40],
      step: 0.05,
      default: 2.5,
      about: "Of the whole glass, across.",
    },
    from: share("From", 40, "Where the step begins: 0 takes all of the glass, 100 hardly anything."),
    fade: share("Border drawn out", 25, "Over so much of the way across."),
    middle: share(
      "Towards the middle",
      0,
      "0 goes from side to side, as a glass mirrors; 100 from rim to middle, as a lamp glows.",
    ),
    bright: {
      label: "Bright side",
      unit: "°",
      range: [0, 360],
      step: 5,
      default: 313,
      about: "Where it is brightest: 0 to the right, 90 up. Light goes through glass: away from the lamp.",
    },
    mirrored: {
      label: "Mirrored shape",
      unit: "",
      range: [0, 3],
      step: 1,
      default: 0,
      names: MIRRORED,
      about:
        "What the border of the step is drawn along: what stands before the glass, small and bent round it.",
    },
    rim: share("Rim only, beyond", 0, "Of the way from the middle to the rim: 0 for all of the glass."),
  },
  lays: ["field"],
  filmShare: 0.85,
  startWater: 1,
  markWidth: "size",
  bench: {
    tool: "fine round brush, a second one damp",
    how: "Lay the step with the belly of the tip from the bright side, and draw its border out while it is wet.",
    lookAt: "Each step is smaller than the one before and has its middle nearer to the bright side.",
  },
  caution: null,
  marksOn: () => ({ count: 1, name: "touch" }),
  lay(film, context, params, random) {
    const { grid, passUm, passes, water } = context;
    const { form, pitchMm, originX, originY, width } = grid;
    const [x0, y0] = form.flatten({
      turnDeg: (params.along / 100) * form.turnDeg,
      heightMm: (params.up / 100) * form.slantMm,
    });
    const radius = params.size / 2;
    const turn = (params.bright * Math.PI) / 180;
    const [towardsX, towardsY] = [Math.cos(turn), -Math.sin(turn)];
    const soft = Math.max(pitchMm, edgeSoftMm(water)) / radius;
    const [middle, half] = [params.middle / 100, Math.max(0.01, params.fade / 200)];
    // A step that begins at nothing takes all of the glass.
    const from = params.from === 0 ? -1 : params.from / 100;
    eachCell(context, random, (at, x, y, weight) => {
      const [px, py] = [
        originX + (at % width) * pitchMm - x0,
        originY + Math.floor(at / width) * pitchMm - y0,
      ];
      const out = Math.hypot(px, py) / radius;
      if (out > 1 + soft) return;
      const towards = (px * towardsX + py * towardsY) / radius;
      const aside = (px * towardsY - py * towardsX) / radius;
      const across = (1 + towards) / 2 + mirroredAt(params.mirrored, aside, towards);
      const place =
        middle * (1 - out) + (1 - middle) * across + WAVERS * cloud((x * 2) / radius, (y * 2) / radius);
      const step = smoothstep(from - half, from + half, place);
      const onRim = params.rim > 0 ? smoothstep(params.rim / 100 - soft, params.rim / 100 + soft, out) : 1;
      const cover = step * onRim * (1 - smoothstep(1 - soft, 1 + soft, out)) * weight;
      if (cover > 0.004) addFilm(film, at, passUm * passes * (0.6 + 0.4 * step), cover * grid.inside[at]!);
    });
  },
});
