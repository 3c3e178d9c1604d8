import { useTheme } from "@mui/material";
import { useRef, useState, type KeyboardEvent, type PointerEvent } from "react";
import { changePiece, moveThing, withGroundwork, withoutThing } from "../../../../core/edits/groundwork";
import type { Groundwork, Surface } from "../../../../core/job";
import type { SurfaceForm } from "../../../../core/surface/forms/form";
import type { GroundAnswer } from "../../../../worker/questions/ground";
import { useEditSurface } from "../../useSurface";
import { holds, thingsOf, type Thing } from "./things";
import { useChosen, workOf } from "./useGround";

/** How far an arrow key moves a thing, mm, with Shift the finer step; how far T turns it, degrees. */
const [COARSE_MM, FINE_MM, TURN_DEG] = [0.5, 0.1, 5] as const;
const ARROWS: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, 1],
  ArrowDown: [0, -1],
};
const EDGED: ReadonlySet<string> = new Set(["planks", "bark"]);

const degrees = (value: number) => value - 360 * Math.round(value / 360);

interface OutlineProps {
  readonly thing: Thing;
  readonly chosen: boolean;
  readonly strokeMm: number;
  readonly colour: string;
}

/** The outline of a thing, dark below light, so that it is seen on any ground. */
function Outline({ thing: { piece, acrossMm }, chosen, strokeMm, colour }: OutlineProps) {
  const lines = [
    { stroke: "#000", strokeWidth: strokeMm * 2.4, opacity: chosen ? 0.8 : 0.45 },
    { stroke: chosen ? colour : "#fff", strokeWidth: strokeMm * (chosen ? 1.5 : 1) },
  ];
  const turn = piece ? `rotate(${-piece.turnDeg})` : undefined;
  const [rx, ry] = [acrossMm / 2, (piece?.deepMm ?? acrossMm) / 2];
  return (
    <g transform={turn} fill={piece ? "transparent" : "rgb(255 255 255 / 35%)"}>
      {lines.map((line, at) =>
        piece && EDGED.has(piece.kind) ? (
          <rect key={at} x={-rx} y={-ry} width={2 * rx} height={2 * ry} {...line} />
        ) : (
          <ellipse
            key={at}
            rx={rx}
            ry={ry}
            strokeDasharray={piece ? undefined : `${strokeMm * 4}`}
            {...line}
          />
        ),
      )}
    </g>
  );
}

type Change = (next: (work: Groundwork) => Groundwork) => void;

/** Moves, turns and takes away by keys. */
const keyed =
  (thing: Thing, change: Change, gone: () => void) =>
  (event: KeyboardEvent): void => {
    const arrow = ARROWS[event.key];
    const { id, piece, xMm, yMm } = thing;
    if (arrow) {
      const step = event.shiftKey ? FINE_MM : COARSE_MM;
      change((work) => moveThing(work, id, xMm + arrow[0] * step, yMm + arrow[1] * step));
    } else if (event.key.toLowerCase() === "t" && piece) {
      const turnDeg = degrees(piece.turnDeg + (event.shiftKey ? -TURN_DEG : TURN_DEG));
      change((work) => changePiece(work, id, { turnDeg }));
    } else if (event.key === "Delete") {
      change((work) => withoutThing(work, id));
      gone();
    } else return;
    event.preventDefault();
    event.stopPropagation();
  };

interface Drag {
  readonly thing: Thing;
  /** Where it was taken hold of, and how far it has come, mm to the right and away. */
  readonly from: readonly [number, number];
  readonly by: readonly [number, number];
}

/** Taking hold of a thing, and moving it: the chosen one goes before what lies on it. */
function useDragging(
  things: readonly Thing[],
  change: Change,
  placeOf: (event: PointerEvent<SVGSVGElement>) => readonly [number, number],
) {
  const { id: chosenId, choose } = useChosen();
  const [drag, setDrag] = useState<Drag | null>(null);
  const take = (event: PointerEvent<SVGSVGElement>) => {
    const from = placeOf(event);
    const under = (event.target as Element).closest("[data-thing]")?.getAttribute("data-thing");
    const chosen = things.find(({ id }) => id === chosenId);
    const thing = chosen && holds(chosen, ...from) ? chosen : things.find(({ id }) => id === under);
    if (!thing) return;
    event.currentTarget.setPointerCapture(event.pointerId);
    event.currentTarget.querySelector<SVGGElement>(`[data-thing="${thing.id}"]`)?.focus();
    setDrag({ thing, from, by: [0, 0] });
    choose(thing.id);
  };
  const pull = (event: PointerEvent<SVGSVGElement>) => {
    if (!drag) return;
    const [x, y] = placeOf(event);
    setDrag({ ...drag, by: [x - drag.from[0], y - drag.from[1]] });
  };
  const drop = () => {
    if (drag && Math.hypot(...drag.by) > 0) {
      const { thing, by } = drag;
      change((work) => moveThing(work, thing.id, thing.xMm + by[0], thing.yMm + by[1]));
    }
    setDrag(null);
  };
  return { drag, take, pull, drop, leave: () => setDrag(null) };
}

interface Props {
  readonly surface: Surface;
  readonly form: SurfaceForm;
  readonly view: GroundAnswer["picture"];
}

/** Things on the plan: dragged, or moved by arrow keys and turned by T. */
export function GroundMarks({ surface, form, view }: Props) {
  const { palette } = useTheme();
  const editSurface = useEditSurface();
  const { id: chosenId, choose } = useChosen();
  const ground = useRef<SVGSVGElement>(null);
  const { minX, maxX, minY, maxY } = form.bounds;
  const [midX, midY] = [(minX + maxX) / 2, (minY + maxY) / 2];
  const wide = view.width * view.pitchMm;
  const [left, top] = [view.originX - view.pitchMm / 2, view.originY - view.pitchMm / 2];
  const things = thingsOf(workOf(surface));
  const change: Change = (next) => editSurface(surface.id, (now) => withGroundwork(now, next));
  const { drag, take, pull, drop, leave } = useDragging(things, change, (event) => {
    const box = ground.current!.getBoundingClientRect();
    const mm = wide / box.width;
    return [left + (event.clientX - box.left) * mm - midX, midY - top - (event.clientY - box.top) * mm];
  });
  return (
    <svg
      ref={ground}
      viewBox={`${left} ${top} ${wide} ${view.height * view.pitchMm}`}
      style={{ position: "absolute", inset: 0, width: "100%", height: "100%", touchAction: "none" }}
      // The thing that is taken hold of gets the focus, not the one that lies on it.
      onMouseDown={(event) => event.preventDefault()}
      onPointerDown={take}
      onPointerMove={pull}
      onPointerUp={drop}
      onPointerCancel={leave}
    >
      {things.map((thing) => {
        const [dx, dy] = drag?.thing.id === thing.id ? drag.by : [0, 0];
        return (
          <g
            key={thing.id}
            data-thing={thing.id}
            role="button"
            tabIndex={0}
            aria-pressed={thing.id === chosenId}
            aria-label={`${thing.name}: arrow keys move it${thing.piece ? ", T turns it" : ""}, Delete takes it away`}
            transform={`translate(${midX + thing.xMm + dx} ${midY - thing.yMm - dy})`}
            style={{ cursor: "move", outlineOffset: 2 }}
            onFocus={() => choose(thing.id)}
            onKeyDown={keyed(thing, change, () => choose(null))}
          >
            <Outline
              {...{ thing, chosen: thing.id === chosenId, colour: palette.primary.light }}
              strokeMm={wide / 320}
            />
          </g>
        );
      })}
    </svg>
  );
}
