import type { EChartsType } from "echarts/core";
import { useEffect, useRef, type RefObject } from "react";
import type { PlanItem } from "./usePlan";

/** A press that goes less far is a press, not a drag, pixels. */
const DRAG_PX = 6;

interface Held {
  readonly item: PlanItem;
  readonly fromPx: number;
  byPx: number;
}

interface Dragging {
  /** What the bar of a number in the series "hand" paints. */
  readonly itemAt: (bar: number) => PlanItem | undefined;
  readonly onChoose: (item: PlanItem) => void;
  /** @param toMinutes where its beginning was put */
  readonly onDrop: (item: PlanItem, toMinutes: number) => void;
}

interface Pressed {
  readonly seriesName?: string;
  readonly dataIndex?: number;
  readonly event?: { readonly offsetX: number };
}

/** Bars of the chart that are pressed are chosen; dragged along the time they are put elsewhere. */
export function useDragged(chart: RefObject<EChartsType | null>, dragging: Dragging): void {
  const held = useRef<Held | null>(null);
  useEffect(() => {
    const made = chart.current;
    if (!made) return;
    const press = (event: unknown) => {
      const { seriesName, dataIndex = -1, event: at } = event as Pressed;
      const item = seriesName === "hand" ? dragging.itemAt(dataIndex) : undefined;
      if (item && at) held.current = { item, fromPx: at.offsetX, byPx: 0 };
    };
    const follow = ({ offsetX }: { offsetX: number }) => {
      if (held.current) held.current.byPx = offsetX - held.current.fromPx;
    };
    const drop = () => {
      const one = held.current;
      held.current = null;
      if (!one) return;
      dragging.onChoose(one.item);
      if (Math.abs(one.byPx) < DRAG_PX) return;
      const [from] = made.convertToPixel("grid", [one.item.turn.start, 0]) as [number, number];
      const [minutes] = made.convertFromPixel("grid", [from + one.byPx, 0]) as [number, number];
      dragging.onDrop(one.item, minutes);
    };
    const zr = made.getZr();
    made.on("mousedown", press);
    zr.on("mousemove", follow);
    zr.on("mouseup", drop);
    return () => {
      made.off("mousedown", press);
      zr.off("mousemove", follow);
      zr.off("mouseup", drop);
    };
  }, [chart, dragging]);
}
