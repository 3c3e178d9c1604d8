import { init, type EChartsType } from "echarts/core";
import { useEffect, useRef } from "react";

/** A chart that fills its host and goes with it. Draw it in an effect, through `chart.current`. */
export function useChart() {
  const host = useRef<HTMLDivElement>(null);
  const chart = useRef<EChartsType | null>(null);
  useEffect(() => {
    if (!host.current) return;
    const made = init(host.current, null, { renderer: "svg" });
    chart.current = made;
    const observer = new ResizeObserver(() => made.resize());
    observer.observe(host.current);
    return () => {
      observer.disconnect();
      made.dispose();
      chart.current = null;
    };
  }, []);
  return { host, chart };
}
