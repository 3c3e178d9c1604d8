import { primerLevel } from "../colour/appearance";
import { encodeSrgb } from "../colour/spaces";
import type { Figure, Primer } from "../job";
import type { PieceMesh } from "../piece/mesh";
import { everywhere, eyeAt } from "../piece/raster";
import { rimOf, type Rim } from "../piece/rim";
import type { PartGround, Scene } from "../piece/sample";
import { lampViewOf, type LampView, type Standing } from "../piece/shade";
import { onPiece, type PieceSkin } from "../piece/skin";
import { framed, paintPose, sampleAll, type PiecePicture, type PieceView, type Pose } from "../piece/still";
import { fieldsOf } from "../surface/fields";
import type { SpacePoint } from "../surface/forms/form";
import { fromAfar } from "./fromAfar";
import { sprayedByte } from "./fromAbove";
import { lampInRoom } from "./light";
import { surfaceIdOf } from "./pairs";
import { seatedMesh } from "./seated";
import type { SeatedPiece, StandingFigure } from "./standingFigure";

/** How a figure is looked at. */
export interface FigureView extends PieceView {
  /** As the eye sees it from this far, mm; null for every mark. */
  readonly viewMm: number | null;
}

/** From a little above, as one looks at what stands on a table. */
export const FIGURE_TILT = 12;
/** How finely a figure is drawn. */
interface Detail {
  /** Points of each piece's mesh: a whole figure is looked at, not one piece. */
  readonly points: number;
  /** Pixels along the longer side of the lamp's view of it, and what of its depth they do not tell, mm. */
  readonly lampPx: number;
  readonly behindMm: number;
  /** Whether edges have their thickness. */
  readonly edges: boolean;
}

const DETAILS = {
  fine: { points: 20_000, lampPx: 1000, behindMm: 0.22, edges: true },
  /** For a picture of some three hundred pixels that is followed by a finer one. */
  quick: { points: 4000, lampPx: 400, behindMm: 0.4, edges: true },
  /** For the very first one, of some two hundred. */
  rough: { points: 1500, lampPx: 256, behindMm: 0.6, edges: false },
} as const satisfies Readonly<Record<string, Detail>>;

/** A still picture of a figure, and what of it is which surface. */
export interface FigureStill {
  readonly picture: PiecePicture;
  readonly view: FigureView;
  /** Surfaces in the picture; `owners` names them by their place in this list, from 1. */
  readonly surfaceIds: readonly string[];
  /** Which surface each pixel shows; 0 for the body and for nothing. */
  readonly owners: Uint8Array<ArrayBuffer>;
}

/** What is drawn: a mesh and its ground. */
interface Part extends Standing {
  readonly ground: PartGround;
  readonly sky: Float32Array;
}

/** A part with its own paint, by cell, and its edges if it has any. */
interface PaintedPart extends Part {
  readonly rgba: Uint8ClampedArray;
  readonly rim: Rim | null;
}

/** A part of the body, plainly primed. @param sprayed with white from above over black, to each point of its mesh */
function plainPart(mesh: PieceMesh, primer: Primer, sprayed: Float32Array | undefined): PaintedPart {
  const cells = mesh.columns * mesh.rows;
  const rgba = new Uint8ClampedArray(cells * 4).fill(255);
  const plain = 255 * encodeSrgb(primerLevel(primer));
  for (let at = 0; at < cells; at++) {
    const byte = sprayed ? sprayedByte(sprayed[at]!) : plain;
    for (let channel = 0; channel < 3; channel++) rgba[at * 4 + channel] = byte;
  }
  const grid = { width: mesh.columns, height: mesh.rows, pitchMm: 1 };
  return {
    ...{ mesh, on: everywhere, rgba, rim: null },
    ground: { grid, heights: new Float32Array(cells), gloss: null, lit: true },
    sky: new Float32Array(cells).fill(1),
  };
}

/** Where a piece sits, with its edges there. */
interface SeatedSkin {
  readonly piece: SeatedPiece;
  readonly mesh: PieceMesh;
  readonly rim: Rim | null;
}

/** By skin, as finely as each detail has it. */
const seated = new WeakMap<PieceSkin, Map<Detail, SeatedSkin>>();

function seatedSkin(piece: SeatedPiece, skin: PieceSkin, detail: Detail): SeatedSkin {
  const known = seated.get(skin) ?? new Map<Detail, SeatedSkin>();
  const own = known.get(detail);
  if (own?.piece === piece) return own;
  const mesh = seatedMesh(skin.grid, skin.heights, detail.points, piece.seating);
  const made = {
    piece,
    mesh,
    rim: detail.edges ? rimOf(skin.grid, mesh, onPiece(skin.grid, mesh.step)) : null,
  };
  seated.set(skin, known.set(detail, made));
  return made;
}

/** A painted piece where it sits; its mesh is kept with its skin. */
function piecePart(piece: SeatedPiece, skin: PieceSkin, detail: Detail): PaintedPart {
  const { mesh, rim } = seatedSkin(piece, skin, detail);
  return {
    ...{ mesh, rim, on: onPiece(skin.grid, mesh.step), ground: skin, rgba: skin.rgba },
    sky: fieldsOf(skin.grid).sky,
  };
}

interface KnownLamp {
  readonly lamp: SpacePoint;
  readonly parts: readonly PieceMesh[];
  readonly view: LampView;
}

/** The last lamp's views that were worked out, and what they are of: a figure that is only turned keeps them. */
const lastLamps = new Map<Detail, KnownLamp>();

function lampViewOn(parts: readonly Part[], lamp: SpacePoint, detail: Detail): LampView {
  const lastLamp = lastLamps.get(detail);
  const same =
    lastLamp?.parts.length === parts.length &&
    parts.every(({ mesh }, at) => mesh === lastLamp.parts[at]) &&
    lamp.every((part, axis) => part === lastLamp.lamp[axis]);
  if (same) return lastLamp.view;
  const view = lampViewOf(parts, lamp, detail.lampPx, detail.behindMm);
  lastLamps.set(detail, { lamp, parts: parts.map(({ mesh }) => mesh), view });
  return view;
}

/**
 * A still picture of a figure with its pieces, its body plainly primed, in one light.
 * @param skins what each piece wears, by the surface's id; a piece without one is left out
 * @param sprayed what each part of the body took of a spray from above, where it was primed so
 * @param how quickly for a small picture that a finer one follows
 */
export function drawFigure(
  standing: StandingFigure,
  figure: Pick<Figure, "lamp" | "primer">,
  skins: ReadonlyMap<string, PieceSkin>,
  view: FigureView,
  sprayed?: readonly Float32Array[],
  how: keyof typeof DETAILS = "fine",
): FigureStill {
  const detail = DETAILS[how];
  const pieces = standing.pieces.filter(({ surface }) => skins.has(surface.id));
  const parts = [
    ...pieces.map((piece) => piecePart(piece, skins.get(piece.surface.id)!, detail)),
    ...standing.body.map((mesh, at) => plainPart(mesh, figure.primer, sprayed?.[at])),
  ];
  const pose = poseFigure(parts, lampInRoom(figure), view, detail);
  const picture = paintPose(
    pose,
    parts.map(({ rgba }) => rgba),
  );
  const seen = view.viewMm ? fromAfar(picture, view.viewMm) : picture;
  const owned = pieces.map(({ surface }) => surfaceIdOf(surface.id));
  const surfaceIds = [...new Set(owned)];
  const numbers = owned.map((id) => surfaceIds.indexOf(id) + 1);
  return { picture: seen, view, surfaceIds, owners: ownersOf(pose, numbers) };
}

/** What each pixel shows, by the numbers of the first parts; 0 for any other. Both pieces of a pair have one. */
function ownersOf({ filled, first, samples }: Pose, numbers: readonly number[]): Uint8Array<ArrayBuffer> {
  const owners = new Uint8Array(filled.length);
  for (let at = 0; at < filled.length; at++) {
    if (filled[at] !== 0) owners[at] = numbers[samples.part[first[at]!]!] ?? 0;
  }
  return owners;
}

/** Parts and, after them, their edges; each with the number of the part whose paint it has. */
const withEdges = (painted: readonly PaintedPart[]) => [
  ...painted.map((part, paintOf) => ({ ...part, paintOf })),
  ...painted.flatMap((part, paintOf) =>
    part.rim ? [{ ...part, ...part.rim, on: everywhere, paintOf }] : [],
  ),
];

function poseFigure(
  painted: readonly PaintedPart[],
  lamp: SpacePoint,
  view: FigureView,
  detail: Detail,
): Pose {
  const parts = withEdges(painted);
  const lampView = lampViewOn(parts, lamp, detail);
  const eye = eyeAt(view.turnDeg, view.tiltDeg ?? FIGURE_TILT);
  const scenes = parts.map(({ ground, ...part }): Scene => ({
    ...part,
    skin: ground,
    lamp,
    eye: eye.towards,
    lampView,
  }));
  return sampleAll(scenes, framed(parts, eye, view));
}
