import type { SpecimenInput } from "../../worker/questions/specimen";
import { useView } from "./viewStore";

export type StillAsked = NonNullable<SpecimenInput["still"]>;

/** Longest side of a still picture seen whole, pixels; and how many times larger it is drawn when it is looked at nearer. */
const [WHOLE_PX, MOST_LARGER] = [520, 2.5] as const;

/** From where the painter looks at a surface on its form, and how large a still picture of that has to be. */
export function stillAsked(surfaceId: string): StillAsked {
  const { stance, zoom, light } = useView.getState();
  const seat = stance?.surfaceId === surfaceId ? stance : null;
  const mostPx = Math.round(WHOLE_PX * Math.min(zoom, MOST_LARGER));
  const view = { turnDeg: seat?.turnDeg ?? 0, tiltDeg: seat?.tiltDeg ?? null, pxPerMm: 200, mostPx };
  return { view, lit: light === "lit" };
}
