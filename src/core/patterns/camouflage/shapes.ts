import type { Random } from "../../random";
import { clamp } from "../../units";
import { angleAt, type Panel } from "../panel";
import type { Layer } from "./params";
import { smoothNoise } from "./smooth";

/** Numbers of one segment: x0, y0, x1, y1 on the flat and half its width at both ends, mm. */
export const SEGMENT = 6;

/** One mark: dabs along a bent spine with spurs, as segments of changing width. */
export interface Shape {
  readonly segments: Float64Array;
  /** Piece between seams it is kept to. */
  readonly piece: number;
  /** Where it was set, mm on the flat. */
  readonly x: number;
  readonly y: number;
  /** About half its length, mm. */
  readonly reachMm: number;
  /** Made of two that were joined. */
  readonly joined?: boolean;
}

/** Where one mark is set down, mm, and the piece of cloth it lies on. */
export interface Seat {
  readonly x: number;
  readonly y: number;
  readonly piece: number;
}

/** Narrowest end of a spur, of the finest line. */
const TIP = 0.5;

class Builder {
  readonly numbers: number[] = [];
  private readonly leastHalf: number;
  constructor(finestMm: number) {
    this.leastHalf = (finestMm * TIP) / 2;
  }
  add(x0: number, y0: number, x1: number, y1: number, w0: number, w1: number): void {
    this.numbers.push(x0, y0, x1, y1, Math.max(this.leastHalf, w0), Math.max(this.leastHalf, w1));
  }
  /** Moved so that its middle lies at a seat. */
  shape(seat: Seat, reachMm: number, centred: boolean): Shape {
    const segments = Float64Array.from(this.numbers);
    if (centred) {
      let [x, y, weight] = [0, 0, 0];
      for (let at = 0; at < segments.length; at += SEGMENT) {
        const own = segments[at + 4]! + segments[at + 5]!;
        x += (own * (segments[at]! + segments[at + 2]!)) / 2;
        y += (own * (segments[at + 1]! + segments[at + 3]!)) / 2;
        weight += own;
      }
      const [dx, dy] = [seat.x - x / weight, seat.y - y / weight];
      for (let at = 0; at < segments.length; at += SEGMENT) {
        segments[at]! += dx;
        segments[at + 1]! += dy;
        segments[at + 2]! += dx;
        segments[at + 3]! += dy;
      }
    }
    return { segments, piece: seat.piece, x: seat.x, y: seat.y, reachMm };
  }
}

const sized = (layer: Layer, random: Random) =>
  layer.sizeMm * Math.exp((layer.spread / 100) * clamp(random.normal(), -2.2, 2.2));

/** An arm that leaves a spine to one side and thins out. */
function spur(
  to: Builder,
  x: number,
  y: number,
  way: number,
  halfMm: number,
  longMm: number,
  random: Random,
): void {
  const side = random.next() < 0.5 ? 1 : -1;
  const angle = way + side * random.range(0.7, 1.5);
  const bend = angle + 0.5 * random.normal();
  const [mx, my] = [x + 0.55 * longMm * Math.cos(angle), y + 0.55 * longMm * Math.sin(angle)];
  to.add(x, y, mx, my, halfMm * 0.8, halfMm * 0.5);
  to.add(
    mx,
    my,
    mx + 0.5 * longMm * Math.cos(bend),
    my + 0.5 * longMm * Math.sin(bend),
    halfMm * 0.5,
    halfMm * 0.12,
  );
}

/** A patch: three to six dabs along a bent spine, each of its own width, and spurs at the joints. */
export function patchShape(panel: Panel, layer: Layer, seat: Seat, finestMm: number, random: Random): Shape {
  const to = new Builder(finestMm);
  const length = sized(layer, random);
  const half = length / layer.long / 2;
  const dabs = 3 + Math.floor(random.next() * 3.2);
  let way = angleAt(panel, seat.x, seat.y, layer.direction + layer.turn * clamp(random.normal(), -1.6, 1.6));
  let [x, y] = [seat.x, seat.y];
  let wide = half * random.range(0.7, 1.3);
  for (let dab = 0; dab < dabs; dab++) {
    const step = (length / dabs) * random.range(0.65, 1.3);
    const next = half * random.range(0.5, 1.35);
    const [nx, ny] = [x + step * Math.cos(way), y + step * Math.sin(way)];
    to.add(x, y, nx, ny, wide, next);
    if (random.next() < layer.spurs / dabs)
      spur(to, nx, ny, way, next, half * random.range(1.6, 3.2), random);
    [x, y, wide] = [nx, ny, next];
    way += 0.75 * random.normal();
  }
  return to.shape(seat, length / 2, true);
}

/** Step along a bar, mm. */
const BAR_STEP_MM = 0.45;
/** Share of bars that stop before they have gone all the way. */
const PARTLY = 0.45;
const MOST_STEPS = 600;

/** A bar: follows the piece in its direction, wanders, swells, and throws spurs; some stop part of the way. */
export function barShape(panel: Panel, layer: Layer, seat: Seat, finestMm: number, random: Random): Shape {
  const to = new Builder(finestMm);
  const width = sized(layer, random);
  const partly = random.next() < PARTLY || (panel.form.closed && panel.form.seamsDeg.length === 0);
  const { form } = panel;
  const whole = Math.hypot(form.lengthAt(form.slantMm / 2), form.slantMm);
  const length = partly ? layer.sizeMm * layer.long * random.range(0.8, 1.8) : whole;
  const tilt = layer.turn * clamp(random.normal(), -1.8, 1.8);
  const own = random.range(0, 60);
  const steps = Math.min(MOST_STEPS, Math.max(4, Math.round(length / BAR_STEP_MM)));
  const half = (at: number) => {
    const swell = 0.6 + 0.8 * Math.abs(smoothNoise(own + (at * BAR_STEP_MM) / 1.7, 3.3)) + 0.15;
    const ends = partly ? Math.pow(Math.sin(Math.PI * clamp((at + 0.6) / (steps + 1.2), 0, 1)), 0.55) : 1;
    return (width / 2) * swell * ends;
  };
  // Both ways from the seat, so that a bar is as likely to end on either side of it.
  for (const side of [1, -1]) {
    let [x, y] = [seat.x, seat.y];
    const from = Math.floor(steps / 2);
    const count = side > 0 ? steps - from : from;
    for (let k = 0; k < count; k++) {
      const at = from + side * k;
      const drift =
        0.42 * smoothNoise(own + (at * BAR_STEP_MM) / 1.5, 9.1) +
        0.25 * smoothNoise(own + (at * BAR_STEP_MM) / 0.6, 5.7);
      const way = angleAt(panel, x, y, layer.direction + tilt) + drift + (side > 0 ? 0 : Math.PI);
      const [nx, ny] = [x + BAR_STEP_MM * Math.cos(way), y + BAR_STEP_MM * Math.sin(way)];
      to.add(x, y, nx, ny, half(at), half(at + side));
      if (random.next() < (layer.spurs * BAR_STEP_MM) / 6)
        spur(to, nx, ny, way, half(at), layer.sizeMm * random.range(0.9, 2.1), random);
      [x, y] = [nx, ny];
    }
  }
  return to.shape(seat, length / 2, false);
}

/** A dot: one touch, a little longer than wide. */
export function dotShape(panel: Panel, layer: Layer, seat: Seat, finestMm: number, random: Random): Shape {
  const to = new Builder(finestMm);
  const width = Math.max(finestMm, sized(layer, random));
  const way = angleAt(panel, seat.x, seat.y, layer.direction + layer.turn * random.range(-1, 1) * 1.1);
  const half = width / 2;
  const longer = half * (layer.long - 1) * random.range(0.2, 1);
  const [dx, dy] = [longer * Math.cos(way), longer * Math.sin(way)];
  to.add(seat.x - dx, seat.y - dy, seat.x + dx, seat.y + dy, half, half);
  return to.shape(seat, half, false);
}

/** A dab that joins two marks into one. */
export function bridge(a: Shape, b: Shape, halfMm: number): Shape {
  const segments = new Float64Array(a.segments.length + b.segments.length + SEGMENT);
  segments.set(a.segments);
  segments.set(b.segments, a.segments.length);
  segments.set([a.x, a.y, b.x, b.y, halfMm, halfMm], a.segments.length + b.segments.length);
  const reachMm = a.reachMm + b.reachMm;
  return { segments, piece: a.piece, x: (a.x + b.x) / 2, y: (a.y + b.y) / 2, reachMm, joined: true };
}

/** On a closed piece that seams do not part, a mark that runs over the closing line goes on at the other end. */
export function wrapped(panel: Panel, shape: Shape): Shape {
  const { form } = panel;
  if (!form.closed || form.round) return shape;
  const all = [...shape.segments];
  const reach = (at: number) => Math.max(shape.segments[at + 4]!, shape.segments[at + 5]!) + 0.3;
  for (let at = 0; at < shape.segments.length; at += SEGMENT) {
    const [x0, y0, x1, y1, w0, w1] = shape.segments.subarray(at, at + SEGMENT) as unknown as number[];
    const [a, b] = [form.place([x0!, y0!]), form.place([x1!, y1!])];
    const near = (reach(at) * form.turnDeg) / form.lengthAt(Math.max(0, Math.min(form.slantMm, a.heightMm)));
    for (const turn of [form.turnDeg, -form.turnDeg]) {
      const low = Math.min(a.turnDeg, b.turnDeg) + turn;
      const high = Math.max(a.turnDeg, b.turnDeg) + turn;
      if (high < -near || low > form.turnDeg + near) continue;
      const [c, d] = [
        form.flatten({ ...a, turnDeg: a.turnDeg + turn }),
        form.flatten({ ...b, turnDeg: b.turnDeg + turn }),
      ];
      all.push(c[0], c[1], d[0], d[1], w0!, w1!);
    }
  }
  return { ...shape, segments: Float64Array.from(all) };
}
