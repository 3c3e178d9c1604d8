import { useEffect, useState } from "react";

export interface PicturePixels {
  readonly blob: Blob;
  readonly rgba: Uint8ClampedArray<ArrayBuffer>;
  readonly width: number;
  readonly height: number;
}

async function load(pictureId: string): Promise<PicturePixels> {
  const response = await fetch(`/api/pictures/${pictureId}`);
  if (!response.ok) throw new Error("The picture could not be loaded.");
  const blob = await response.blob();
  const bitmap = await createImageBitmap(blob);
  const canvas = new OffscreenCanvas(bitmap.width, bitmap.height);
  const context = canvas.getContext("2d")!;
  context.drawImage(bitmap, 0, 0);
  const { data, width, height } = context.getImageData(0, 0, bitmap.width, bitmap.height);
  bitmap.close();
  return { blob, rgba: data, width, height };
}

type State = { readonly id: string; readonly pixels: PicturePixels | null; readonly problem: string | null };

/** The pixels of a kept picture. */
export function usePicture(pictureId: string) {
  const [state, setState] = useState<State>({ id: "", pixels: null, problem: null });
  useEffect(() => {
    let open = true;
    load(pictureId).then(
      (pixels) => open && setState({ id: pictureId, pixels, problem: null }),
      (error: unknown) =>
        open &&
        setState({
          id: pictureId,
          pixels: null,
          problem: error instanceof Error ? error.message : String(error),
        }),
    );
    return () => {
      open = false;
    };
  }, [pictureId]);
  return state.id === pictureId ? state : { id: pictureId, pixels: null, problem: null };
}
