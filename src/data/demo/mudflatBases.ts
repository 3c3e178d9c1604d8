import { BARE_GROUND } from "../../core/edits/groundwork";
import { withSurface } from "../../core/edits/surfaces";
import { pieceOf } from "../../core/groundwork/newPiece";
import { withSet } from "../../core/groundwork/set";
import { FIRST_FIGURE, inZones, USUAL_LAMP, type Coat, type Job, type LaidPiece } from "../../core/job";
import { schemes } from "../../core/schemes";
import { planStart, startSurface } from "../../core/schemes/start";
import { techniques, type TechniqueId } from "../../core/techniques";
import { ferrySergeant } from "./ferrySergeant";
import { bare, once } from "./pieces";
import { demoShelf } from "./shelf";

const piece = (id: string, kind: LaidPiece["kind"], seed: number, some: Partial<LaidPiece>): LaidPiece => ({
  ...pieceOf(id, kind, seed),
  ...some,
});

/** What stands on the first base: two slabs on each other at the back, one aside, a stone, pebbles; room for two feet. */
const GROUND = {
  ...BARE_GROUND,
  pieces: [
    piece("ledge", "slab", 11, {
      ...{ acrossMm: 19, deepMm: 13, tallMm: 3.2, xMm: -4, yMm: 9, turnDeg: 14 },
      ...{ bedding: "bedded", tiltDeg: 5, tiltToDeg: 110, sunkMm: 0.4 },
    }),
    piece("on-top", "slab", 41, {
      ...{ acrossMm: 11, deepMm: 7.5, tallMm: 2.4, xMm: -6, yMm: 10, turnDeg: 70 },
      ...{ bedding: "bedded", tiltDeg: 4, tiltToDeg: 150 },
    }),
    piece("aside", "slab", 23, { acrossMm: 9, deepMm: 6, tallMm: 1.8, xMm: 11, yMm: 3, turnDeg: -25 }),
    piece("stone", "boulder", 3, { acrossMm: 4, deepMm: 3.2, tallMm: 2.2, xMm: -13, yMm: -4, sunkMm: 0.5 }),
    piece("pebbles", "pebbles", 5, { acrossMm: 13, deepMm: 8, tallMm: 0.6, xMm: 8, yMm: -8 }),
  ],
  feet: [
    { id: "left", xMm: -4, yMm: -5, acrossMm: 4 },
    { id: "right", xMm: 3, yMm: -2, acrossMm: 4 },
  ],
};

/** A coat of a pot that is no ordinary paint. */
const coat = (
  key: string,
  name: string,
  id: TechniqueId,
  params: Coat["technique"]["params"],
  place: Coat["place"],
): Coat => ({
  ...{ id: `base-${key}`, name, mixId: `base-${key}`, water: 0, passes: 1, held: false, place },
  technique: { id, version: techniques[id].version, params },
  ...{ event: null, role: null, overSeams: false, seed: 400 + key.length },
});

const PASTE = coat(
  "paste",
  "Mud paste between the rocks",
  "texture-paste",
  { depth: 0.18, grain: 0.16, rough: 70, climb: 0.35 },
  inZones(["ground"], 0),
);
const WATER = coat(
  "water",
  "Water left by the tide",
  "puddle",
  { flooded: 10, over: 0.24 },
  inZones(["ground"], 0),
);
const TUFTS = coat(
  "tufts",
  "Reed tufts",
  "tuft",
  { count: 4, across: 3, tall: 2.8, apart: 5, where: 1 },
  inZones(["ground"], 0),
);

const potNamed = (name: string) => demoShelf.find((pot) => pot.name === name)!.id;
const potMix = (id: string, name: string, pot: string) => ({
  ...{ id, name, water: 0, goal: null },
  parts: [{ paintId: potNamed(pot), parts: 1 }],
});

/** Four bases of 40 mm of the mudflat: alike and not the same, each with room for a figure's feet. */
export const mudflatBases = once((): Job => {
  const sizes = { lengthMm: 40, widthMm: 40, corners: 0, roughMm: 0.2, stones: 0, stoneMm: 4 };
  const surface = {
    ...bare({ id: "base", name: "Mudflat base", form: "base", sizes, seed: 81 }),
    groundwork: GROUND,
  };
  const job: Job = {
    ...ferrySergeant(),
    ...{
      id: "mudflat-bases",
      name: "Mudflat bases",
      mixes: [],
      goals: [],
      surfaces: [surface],
      touching: [],
    },
    figures: [
      {
        ...{ id: FIRST_FIGURE, name: "Bases, 40 mm", eyeHeightMm: 28, standard: "tabletop", primer: "black" },
        ...{ viewingDistanceMm: 600, lamp: USUAL_LAMP, lights: [], count: 1, body: null },
        notes: "For the ferry's company. Feet stand where the circles are; rims are painted black last.",
      },
    ],
  };
  const scheme = schemes["ground-overbrushed"];
  const answers = { age: "used", look: "plain", colour: "#7f7d78" } as const;
  const started = startSurface(job, "base", planStart(job, surface, scheme, answers, demoShelf));
  const laid = withSurface(started, "base", (own) => ({
    ...own,
    coats: [PASTE, ...own.coats, WATER, TUFTS],
  }));
  const mixed = {
    ...laid,
    mixes: [
      ...laid.mixes,
      potMix("base-paste", "Mudflat base: paste", "Mud Paste"),
      potMix("base-water", "Mudflat base: standing water", "Wharf Gloss"),
      potMix("base-tufts", "Mudflat base: tufts", "Reed Tufts"),
    ],
  };
  return withSet(mixed, "base", 4);
});
