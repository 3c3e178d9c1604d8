import { useRef, type KeyboardEvent, type PointerEvent } from "react";
import { changeGrowth, changeHandle, movedTo, pointedAt } from "../../../../core/edits/growth";
import { flatOfHandle, halfTurn, wayOfHandle } from "../../../../core/growth/field";
import type { GrowthHandle, Surface } from "../../../../core/job";
import type { FlatPoint, SurfaceForm } from "../../../../core/surface/forms/form";
import { clamp } from "../../../../core/units";
import { useEditSurface } from "../../useSurface";
import { useView } from "../../viewStore";
import { GrowthLines, type SeenAt } from "./GrowthLines";
import { useGrowthField } from "./useGrowthField";

interface Props {
  readonly surface: Surface;
  readonly form: SurfaceForm;
  readonly seenAt: SeenAt;
  /** The place of the flat that lies under a point of the view, mm; null beside the piece. */
  readonly placeAt: (xPx: number, yPx: number) => FlatPoint | null;
  /** Pixels to the mm. */
  readonly scale: number;
}

/** How far keys carry a handle, mm, and turn it, degrees; with Shift the finer step. */
const KEY_MM = { coarse: 0.5, fine: 0.1 } as const;
const KEY_DEG = { coarse: 5, fine: 1 } as const;
const KEY_PCT = 10;
const ARROWS: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};
/** The arrow of a handle is as long as this much of the piece, px at least. */
const [ARM_MM, LEAST_ARM_PX] = [1.6, 30] as const;

type Part = "foot" | "tip";

/** What hands do to one handle, by pointer and by keys. */
function useHandle({ surface, form, placeAt }: Props, handle: GrowthHandle) {
  const editSurface = useEditSurface();
  const set = useView((view) => view.set);
  const grip = useRef<Part | null>(null);
  const edit = (change: (one: GrowthHandle) => GrowthHandle) =>
    editSurface(surface.id, (now) => changeHandle(now, handle.id, change));
  const key = (part: Part) => (event: KeyboardEvent) => {
    const arrow = ARROWS[event.key];
    const fine = event.shiftKey ? "fine" : "coarse";
    if (arrow && part === "foot") {
      const [x, y] = flatOfHandle(form, handle);
      edit((one) => movedTo(form, one, [x + arrow[0] * KEY_MM[fine], y + arrow[1] * KEY_MM[fine]]));
    } else if (arrow && arrow[0] !== 0)
      edit((one) => ({ ...one, angleDeg: halfTurn(one.angleDeg + arrow[0] * KEY_DEG[fine]) }));
    else if (arrow)
      edit((one) => ({ ...one, lengthPct: clamp(one.lengthPct - arrow[1] * KEY_PCT, 10, 300) }));
    else if (event.key === "Delete" || event.key === "Backspace")
      editSurface(surface.id, (now) =>
        changeGrowth(now, (growth) => ({
          ...growth,
          handles: growth.handles.filter(({ id }) => id !== handle.id),
        })),
      );
    else return;
    event.preventDefault();
    event.stopPropagation();
  };
  const hands = (part: Part) => ({
    onFocus: () => set({ handleId: handle.id }),
    onKeyDown: key(part),
    onPointerDown(event: PointerEvent<SVGElement>) {
      event.currentTarget.setPointerCapture(event.pointerId);
      event.stopPropagation();
      grip.current = part;
      set({ handleId: handle.id });
    },
    onPointerMove(event: PointerEvent<SVGElement>) {
      const box = event.currentTarget.ownerSVGElement?.getBoundingClientRect();
      if (!grip.current || !box) return;
      const at = placeAt(event.clientX - box.left, event.clientY - box.top);
      if (!at) return;
      edit((one) => (grip.current === "foot" ? movedTo(form, one, at) : pointedAt(form, one, at)));
    },
    onPointerUp: () => (grip.current = null),
  });
  return hands;
}

const words = ({ x, y, angleDeg, lengthPct, liftDeg }: GrowthHandle): string =>
  `${Math.round(100 * x)} % along, ${Math.round(100 * y)} % up, turned ${angleDeg}°, length ${lengthPct} %, lifted ${liftDeg}°`;

function Handle(props: Props & { readonly handle: GrowthHandle; readonly number: number }) {
  const { form, seenAt, scale, handle, number } = props;
  const chosen = useView((view) => view.handleId === handle.id);
  const hands = useHandle(props, handle);
  const [x, y] = flatOfHandle(form, handle);
  const [wayX, wayY] = wayOfHandle(form, handle);
  const arm = Math.max(ARM_MM, LEAST_ARM_PX / scale) * Math.sqrt(handle.lengthPct / 100);
  const [foot, tip] = [seenAt(x, y), seenAt(x + wayX * arm, y + wayY * arm)];
  if (!foot.faces) return null;
  const style = { cursor: "grab", touchAction: "none" } as const;
  return (
    <g>
      <path
        d={`M${foot.x} ${foot.y}L${tip.x} ${tip.y}`}
        stroke="#000"
        strokeWidth={4.5}
        strokeLinecap="round"
      />
      <path
        d={`M${foot.x} ${foot.y}L${tip.x} ${tip.y}`}
        stroke={chosen ? "#ffd479" : "#fff"}
        strokeWidth={2.2}
        strokeLinecap="round"
      />
      <g
        role="slider"
        tabIndex={0}
        aria-label={`Handle ${number}: place. Arrow keys move it, Delete takes it away`}
        aria-valuenow={Math.round(100 * handle.x)}
        aria-valuetext={words(handle)}
        style={style}
        {...hands("foot")}
      >
        <circle cx={foot.x} cy={foot.y} r={16} fill="transparent" />
        <circle
          cx={foot.x}
          cy={foot.y}
          r={6.5}
          fill={chosen ? "#ffd479" : "#fff"}
          stroke="#000"
          strokeWidth={1.5}
        />
        <text x={foot.x} y={foot.y + 3.5} textAnchor="middle" fontSize={10} fontWeight={600} fill="#000">
          {number}
        </text>
      </g>
      <g
        role="slider"
        tabIndex={0}
        aria-label={`Handle ${number}: direction. Left and right turn it, up and down change the length`}
        aria-valuenow={handle.angleDeg}
        aria-valuemin={-180}
        aria-valuemax={180}
        aria-valuetext={words(handle)}
        style={style}
        {...hands("tip")}
      >
        <circle cx={tip.x} cy={tip.y} r={13} fill="transparent" />
        <circle
          cx={tip.x}
          cy={tip.y}
          r={4}
          fill="#000"
          stroke={chosen ? "#ffd479" : "#fff"}
          strokeWidth={2}
        />
      </g>
    </g>
  );
}

/** The growth map over a surface: which way it grows, and its handles to be moved and turned. */
export function GrowthMarks(props: Props) {
  const { surface, form, seenAt } = props;
  const field = useGrowthField(surface);
  if (!surface.growth) return null;
  return (
    <>
      {field && <GrowthLines {...{ form, field, seenAt }} />}
      {surface.growth.handles.map((handle, at) => (
        <Handle key={handle.id} {...props} handle={handle} number={at + 1} />
      ))}
    </>
  );
}
