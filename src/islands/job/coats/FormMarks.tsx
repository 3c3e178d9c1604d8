import { eyeAt } from "../../../core/piece/raster";
import { dot } from "../../../core/surface/vector";
import { seenPlace } from "../../../core/piece/seenPlace";
import type { Surface } from "../../../core/job";
import type { PieceRoom } from "../../../core/piece/stood";
import type { SectionLine } from "../../../core/simulate/section";
import type { SurfaceForm } from "../../../core/surface/forms/form";
import { SpotRings } from "../check/SpotRings";
import { useSpots } from "../check/useSpots";
import { GrowthMarks } from "./growth/GrowthMarks";
import { placeUnder } from "./growth/placeUnder";
import type { Stance } from "../viewStore";

/** Places along the section's line that are followed over the relief. */
const STEPS = 90;

interface Size {
  readonly width: number;
  readonly height: number;
}

/** From mm on the flat to pixels of the view, and whether that side is seen. */
export function formPlaces(form: SurfaceForm, room: PieceRoom, stance: Stance, scale: number, size: Size) {
  const eye = eyeAt(stance.turnDeg, stance.tiltDeg);
  const [midX, midY] = [dot(room.middle, eye.right), dot(room.middle, eye.up)];
  return (xMm: number, yMm: number) => {
    const { rightMm, upMm, faces } = seenPlace(form, eye, [xMm, yMm]);
    const x = size.width / 2 + (rightMm - midX) * scale;
    return { x, y: size.height / 2 - (upMm - midY) * scale, faces };
  };
}

type Places = ReturnType<typeof formPlaces>;

/** The runs of a line on the flat that are seen on the form, as lists of points. */
function runsOf({ ax, ay, bx, by }: SectionLine, places: Places): string[] {
  const runs: string[] = [];
  let run = "";
  for (let at = 0; at <= STEPS; at++) {
    const t = at / STEPS;
    const { x, y, faces } = places(ax + (bx - ax) * t, ay + (by - ay) * t);
    if (faces) run += ` ${x.toFixed(1)},${y.toFixed(1)}`;
    if ((!faces || at === STEPS) && run !== "") runs.push(run);
    if (!faces) run = "";
  }
  return runs;
}

function End({ name, x, y }: { readonly name: string; readonly x: number; readonly y: number }) {
  return (
    <g>
      <circle cx={x} cy={y} r={3.5} fill="#fff" stroke="#000" strokeWidth={1.2} />
      <text
        x={x + (name === "A" ? -7 : 7)}
        y={y + 4}
        textAnchor={name === "A" ? "end" : "start"}
        fontSize={13}
        fontWeight={600}
        fill="#fff"
        stroke="#000"
        strokeWidth={2.4}
        paintOrder="stroke"
      >
        {name}
      </text>
    </g>
  );
}

/** The section's line as it runs over the relief, with its two ends. */
function Cut({ line, places }: { readonly line: SectionLine; readonly places: Places }) {
  const [a, b] = [places(line.ax, line.ay), places(line.bx, line.by)];
  return (
    <g role="img" aria-label="Where the section is cut; it is moved on the flat picture" fill="none">
      {runsOf(line, places).map((points) => (
        <g key={points}>
          <polyline points={points} stroke="#fff" strokeWidth={3} />
          <polyline points={points} stroke="#000" strokeWidth={1.2} strokeDasharray="5 4" />
        </g>
      ))}
      {a.faces && <End name="A" x={a.x} y={a.y} />}
      {b.faces && <End name="B" x={b.x} y={b.y} />}
    </g>
  );
}

interface Props {
  readonly form: SurfaceForm;
  readonly room: PieceRoom;
  readonly stance: Stance;
  /** Pixels of the page to the mm. */
  readonly scale: number;
  readonly size: Size;
  /** Where the section is cut, mm on the flat; null where none is shown. */
  readonly line: SectionLine | null;
  /** The surface whose growth map is shown; null where it is not. */
  readonly growing: Surface | null;
}

/** What lies over a piece on its form: where the section cuts it, and rings round the marks of a finding. */
export function FormMarks({ form, room, stance, scale, size, line, growing }: Props) {
  const places = formPlaces(form, room, stance, scale, size);
  const spots = useSpots().filter(({ xMm, yMm }) => places(xMm, yMm).faces);
  const place = (xMm: number, yMm: number) => {
    const { x, y } = places(xMm, yMm);
    return [x, y] as const;
  };
  return (
    <svg
      width={size.width}
      height={size.height}
      style={{ position: "absolute", inset: 0, pointerEvents: "none" }}
    >
      {line && <Cut line={line} places={places} />}
      {growing && (
        <g style={{ pointerEvents: "auto" }}>
          <GrowthMarks
            {...{ form, scale }}
            surface={growing}
            seenAt={places}
            placeAt={(x, y) => placeUnder(form, places, x, y)}
          />
        </g>
      )}
      <SpotRings spots={spots} place={place} perMm={scale} />
    </svg>
  );
}
