import { Box, Button, ToggleButton, ToggleButtonGroup, Typography } from "@mui/material";
import { useMemo, useRef, useState, type KeyboardEvent, type PointerEvent } from "react";
import type { BlockMap as Map } from "../../../../../core/patterns/patched/facts";
import type { CoatSpot, PatchedParams } from "../../../../../core/patterns/patched/params";
import type { FlatPoint, SurfaceForm } from "../../../../../core/surface/forms/form";
import { NumberField } from "../../../../../ui/NumberField";
import { Picture } from "../../../../../ui/Picture";
import { inkOn } from "../../../palette/useLight";
import { changeSpot, withoutSpot, withSpot } from "./edits";

interface Props {
  readonly params: PatchedParams;
  readonly map: Map;
  readonly form: SurfaceForm;
  readonly change: (part: Partial<PatchedParams>) => void;
}

/** The map is drawn no larger than this, px. */
const [WIDEST_PX, HIGHEST_PX] = [460, 300] as const;
/** Keys carry a spot so far, mm; with Shift the finer step. */
const KEY_MM = { coarse: 0.5, fine: 0.1 } as const;
const ARROWS: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};

/** Bytes of the map in the colours of the coat. */
function pixelsOf({ owner, width, height }: Map, { colours }: PatchedParams) {
  const rgb = colours.map(({ colour }) => [1, 3, 5].map((at) => parseInt(colour.slice(at, at + 2), 16)));
  const rgba = new Uint8ClampedArray(width * height * 4);
  owner.forEach((own, at) => {
    const of = rgb[own];
    if (of) rgba.set([...of, 255], at * 4);
  });
  return { rgba, width, height };
}

/** Where a spot lies on the flat, mm. */
const flatOf = (form: SurfaceForm, { x, y }: Pick<CoatSpot, "x" | "y">): FlatPoint =>
  form.flatten({ turnDeg: x * form.turnDeg, heightMm: y * form.slantMm });

/** Shares of length and height of a flat place. */
function sharesAt(form: SurfaceForm, flat: FlatPoint): Pick<CoatSpot, "x" | "y"> {
  const { turnDeg, heightMm } = form.place(flat);
  return { x: turnDeg / form.turnDeg, y: heightMm / form.slantMm };
}

interface SpotProps extends Props {
  readonly spot: CoatSpot;
  readonly number: number;
  readonly scale: number;
  readonly flatAt: (event: PointerEvent<SVGElement>) => FlatPoint | null;
}

/** One spot that was set: dragged, moved by keys, taken away. */
function Spot({ spot, number, params, map, form, scale, change, flatAt }: SpotProps) {
  const held = useRef(false);
  const flat = flatOf(form, spot);
  const colour = params.colours.find(({ id }) => id === spot.colourId);
  const [x, y] = [(flat[0] - map.originX) * scale, (flat[1] - map.originY) * scale];
  const ink = inkOn(colour?.colour ?? "#888888");
  const key = (event: KeyboardEvent) => {
    const arrow = ARROWS[event.key];
    if (arrow) {
      const mm = KEY_MM[event.shiftKey ? "fine" : "coarse"];
      const to: FlatPoint = [flat[0] + arrow[0] * mm, flat[1] + arrow[1] * mm];
      change(changeSpot(params, spot.id, sharesAt(form, to)));
    } else if (event.key === "+" || event.key === "-")
      change(changeSpot(params, spot.id, { widthMm: spot.widthMm + (event.key === "+" ? 0.5 : -0.5) }));
    else if (event.key === "Delete" || event.key === "Backspace") change(withoutSpot(params, spot.id));
    else return;
    event.preventDefault();
    event.stopPropagation();
  };
  return (
    <g
      role="slider"
      tabIndex={0}
      aria-label={`Spot ${number}: arrow keys move it, plus and minus change its size, Delete takes it away`}
      aria-valuenow={Math.round(100 * spot.x)}
      aria-valuetext={`${colour?.name ?? "no colour"}, ${spot.widthMm} mm, ${Math.round(100 * spot.x)} % along, ${Math.round(100 * spot.y)} % up`}
      style={{ cursor: "grab", touchAction: "none" }}
      onKeyDown={key}
      onPointerDown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId);
        event.stopPropagation();
        held.current = true;
      }}
      onPointerMove={(event) => {
        const to = held.current ? flatAt(event) : null;
        if (to) change(changeSpot(params, spot.id, sharesAt(form, to)));
      }}
      onPointerUp={() => (held.current = false)}
    >
      <circle cx={x} cy={y} r={Math.max(7, (spot.widthMm / 2) * scale)} fill="transparent" stroke={ink} />
      <circle cx={x} cy={y} r={4} fill={colour?.colour ?? "#888888"} stroke={ink} strokeWidth={1.5} />
    </g>
  );
}

/** The blocks on the flat piece: a click sets a spot of a colour, a spot is dragged or taken away. */
export function BlockMap(props: Props) {
  const { params, map, form, change } = props;
  const [wanted, setWanted] = useState<string | null>(null);
  const [widthMm, setWidthMm] = useState(3);
  const pixels = useMemo(() => pixelsOf(map, params), [map, params]);
  const svg = useRef<SVGSVGElement>(null);
  const [wideMm, highMm] = [map.width * map.pitchMm, map.height * map.pitchMm];
  const scale = Math.min(WIDEST_PX / wideMm, HIGHEST_PX / highMm);
  const chosen = params.colours.find(({ id }) => id === wanted) ?? params.colours[1]!;
  const flatAt = (event: PointerEvent<SVGElement>): FlatPoint | null => {
    const box = svg.current?.getBoundingClientRect();
    if (!box || box.width === 0) return null;
    const perPx = wideMm / box.width;
    return [
      map.originX + (event.clientX - box.left) * perPx,
      map.originY + (event.clientY - box.top) * perPx,
    ];
  };
  const set = (at: Pick<CoatSpot, "x" | "y">) => {
    const made = withSpot(params, { colourId: chosen.id, widthMm, ...at });
    if (made) change(made.part);
  };
  return (
    <Box component="section" aria-label="Map of the blocks" sx={{ display: "grid", gap: 1 }}>
      <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1.5, alignItems: "flex-end" }}>
        <Box>
          <Typography variant="caption" component="div">
            A click sets a spot of
          </Typography>
          <ToggleButtonGroup
            exclusive
            size="small"
            value={chosen.id}
            aria-label="Colour of a new spot"
            onChange={(_event, next: string | null) => next !== null && setWanted(next)}
          >
            {params.colours.map(({ id, name, colour }) => (
              <ToggleButton key={id} value={id} sx={{ gap: 0.8 }}>
                <Box component="span" aria-hidden sx={{ width: 12, height: 12, bgcolor: colour }} />
                {name}
              </ToggleButton>
            ))}
          </ToggleButtonGroup>
        </Box>
        <NumberField
          label="As wide as"
          unit="mm"
          width={110}
          min={0.3}
          max={30}
          step={0.5}
          value={widthMm}
          onChange={setWidthMm}
        />
        <Button onClick={() => set({ x: 0.5, y: 0.5 })}>Set one in the middle</Button>
        <Button disabled={params.spots.length === 0} onClick={() => change({ spots: [] })}>
          Take all spots away
        </Button>
      </Box>
      <Box sx={{ position: "relative", width: wideMm * scale, maxWidth: "100%", lineHeight: 0 }}>
        <Picture pixels={pixels} label="Blocks of the coat on the flat piece" cssWidth="100%" />
        <svg
          ref={svg}
          viewBox={`0 0 ${wideMm * scale} ${highMm * scale}`}
          style={{ position: "absolute", inset: 0, width: "100%", height: "100%", cursor: "crosshair" }}
          onPointerDown={(event) => {
            const at = flatAt(event);
            if (at) set(sharesAt(form, at));
          }}
        >
          {params.spots.map((spot, at) => (
            <Spot key={spot.id} {...{ ...props, spot, scale, flatAt }} number={at + 1} />
          ))}
        </svg>
      </Box>
    </Box>
  );
}
