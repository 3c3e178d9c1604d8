import { memo, useEffect, useRef } from "react";

export interface Pixels {
  readonly rgba: Uint8ClampedArray<ArrayBuffer>;
  readonly width: number;
  readonly height: number;
}

interface Props {
  readonly pixels: Pixels;
  readonly label: string;
  /** Part to show, in cells of the picture; all of it where left out. */
  readonly crop?:
    | { readonly x: number; readonly y: number; readonly width: number; readonly height: number }
    | undefined;
  readonly cssWidth: number | string;
  readonly cssHeight?: number | string;
}

/** A simulated picture on a canvas of its own size, scaled by the page. */
export const Picture = memo(function Picture({ pixels, label, crop, cssWidth, cssHeight }: Props) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const width = crop?.width ?? pixels.width;
  const height = crop?.height ?? pixels.height;
  useEffect(() => {
    const context = canvas.current?.getContext("2d");
    if (!context) return;
    context.clearRect(0, 0, width, height);
    context.putImageData(
      new ImageData(pixels.rgba, pixels.width, pixels.height),
      -(crop?.x ?? 0),
      -(crop?.y ?? 0),
    );
  }, [pixels, crop, width, height]);
  return (
    <canvas
      ref={canvas}
      width={width}
      height={height}
      role="img"
      aria-label={label}
      style={{ width: cssWidth, height: cssHeight ?? "auto", display: "block" }}
    />
  );
});
