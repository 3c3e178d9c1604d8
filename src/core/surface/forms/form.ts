import type { Problem } from "../../errors";
import type { SeatId } from "../../job";
import type { ParamSpecs, ParamValues } from "../../params";
import type { MaterialId } from "../volumes/materials";

/** A point on a flat development, mm; y grows downwards, as on the page. */
export type FlatPoint = readonly [xMm: number, yMm: number];
export type SpacePoint = readonly [xMm: number, yMm: number, zMm: number];

/** A place on a form: turn in degrees from the first seam, height in mm along the surface from the hem. */
export interface Place {
  readonly turnDeg: number;
  readonly heightMm: number;
}

/** Narrow openings, all of a kind: "slit", how many, how wide the narrowest is, mm. */
export interface Gaps {
  readonly name: string;
  readonly count: number;
  readonly widthMm: number;
}

/** A panel ready to be painted: its development, its shape in space and its own relief. */
export interface SurfaceForm {
  readonly id: string;
  /** Closed all round: a pattern meets itself. */
  readonly closed: boolean;
  /** Turn that is painted, degrees: 360 less the gap. */
  readonly turnDeg: number;
  readonly slantMm: number;
  readonly areaMm2: number;
  /** Seams that part the panel, degrees of turn, rising, first 0. */
  readonly seamsDeg: readonly number[];
  /** Box around the development, mm. */
  readonly bounds: {
    readonly minX: number;
    readonly minY: number;
    readonly maxX: number;
    readonly maxY: number;
  };
  /** Length once round at a height (the painted part only), mm. */
  lengthAt(heightMm: number): number;
  /** Apex distance and angle form the development of a cone; Infinity for a straight band. */
  readonly apexMm: number;
  /** Degrees on the flat per degree of turn; 0 for a straight band. */
  readonly flatPerTurn: number;
  /** Distance to the outline on the flat, mm, below 0 outside; left out where hems and ends are the outline. */
  rim?(place: Place): number;
  /** Laid out round a middle: brush and texture follow the flat picture instead of turn and height. */
  readonly round?: boolean;
  /** Most that a length on the flat differs from that on the form, as a ratio; 1 or left out where none does. */
  readonly distortion?: number;
  flatten(place: Place): FlatPoint;
  /** Place of a flat point; outside the panel it goes on smoothly. */
  place(flat: FlatPoint): Place;
  inSpace(place: Place): SpacePoint;
  /** Unit normal of the form without its relief, as `inSpace` has its axes; left out where it lies flat. */
  readonly facing?: (place: Place) => SpacePoint;
  /** Which way what is built on it stands up, as `inSpace` has its axes; left out where nothing can be: it lies on no table. */
  readonly upright?: SpacePoint;
  /** How thick its edges are cast, mm; as of leather where left out. */
  readonly edgeMm?: number;
  /** Narrow openings that paint closes; left out where there are none. */
  readonly gaps?: Gaps;
  /** What of a closed piece comes to its seat, where that is neither an end nor its middle: a height along it, and the piece's own ways up and out there. */
  readonly held?: { readonly heightMm: number; readonly up: SpacePoint; readonly out: SpacePoint };
  /** 0…1: whether iron fixed to it lies at a place, as nails, rivets, bolts and hoops do; left out where there is none. */
  readonly fitting?: (place: Place) => number;
  /** Folds and the like above the plain form, mm. */
  relief(place: Place): number;
}

/** Edges of cloth and of plate, mm: about what casters make of them. */
export const [CLOTH_EDGE_MM, PLATE_EDGE_MM] = [0.22, 0.42] as const;

/** A point of the plain form moved out along its normal, mm. */
export const raised = ([x, y, z]: SpacePoint, [nx, ny, nz]: SpacePoint, upMm: number): SpacePoint => [
  x + upMm * nx,
  y + upMm * ny,
  z + upMm * nz,
];

/** How a piece is worn on a body or fixed to it. */
export interface Worn {
  /** Seats that suit it, the likeliest first. */
  readonly seats: readonly SeatId[];
  /** What of it comes to the seat: it hangs by its top, has its middle there, or stands there. */
  readonly by: "top" | "middle" | "foot";
  /** The body goes through it; or it lies on the body's outside, as it is or bent round it. */
  readonly how: "round" | "on" | "bent";
  /** It is a whole part of the body, foot or hand: the body's own is not seen. */
  readonly replaces?: true;
}

/** One kind of panel that can be chosen in the brief. */
export interface FormDefinition<S extends ParamSpecs = ParamSpecs> {
  readonly id: string;
  readonly version: number;
  readonly label: string;
  readonly about: string;
  readonly worn: Worn;
  /** What such a piece is mostly made of; dull cloth where left out. */
  readonly material?: MaterialId;
  readonly params: S;
  /** By the version that brought them: sizes that pieces of earlier versions have where they say nothing else, each at what leaves such a piece as it was. */
  readonly added?: Readonly<Record<number, Readonly<Partial<Record<keyof S & string, number>>>>>;
  /** Everything wrong with these sizes; empty where the form can exist. */
  problems(values: ParamValues<S>): Problem[];
  /** @throws InputError where `problems` is not empty */
  build(values: ParamValues<S>, seed: number): SurfaceForm;
}

/** Declares a form, so that its sizes are known to its build. */
export const defineForm = <S extends ParamSpecs>(definition: FormDefinition<S>): FormDefinition<S> =>
  definition;
