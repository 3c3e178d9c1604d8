import { InputError } from "../core/errors";
import { takePhoto } from "../core/plate/benchCamera";
import type { PhotoPoint } from "../core/plate/marks";
import type { Photo } from "../core/plate/photo";
import { readPlate } from "../core/plate/reading";
import { plateOf } from "../core/plate/simulatedHand";
import { createRandom } from "../core/random";
import type { PlateAnswer, PlateInput, ShownPhoto } from "./questions/plate";

/** Photos are read at most this large, pixels along the longer side: finer ones tell no more of a line. */
const MOST_PX = 2600;
/** The simulated camera's photos. */
const SIMULATED_PX = { width: 2000, height: 1500 } as const;

async function decoded(file: Blob): Promise<Photo> {
  let picture: ImageBitmap;
  try {
    picture = await createImageBitmap(file);
  } catch {
    throw new Error("This file cannot be read as a picture. PNG, JPEG and WebP are taken.");
  }
  const scale = Math.min(1, MOST_PX / Math.max(picture.width, picture.height));
  const width = Math.max(1, Math.round(picture.width * scale));
  const height = Math.max(1, Math.round(picture.height * scale));
  const canvas = new OffscreenCanvas(width, height);
  const context = canvas.getContext("2d")!;
  context.drawImage(picture, 0, 0, width, height);
  picture.close();
  return { rgba: context.getImageData(0, 0, width, height).data, width, height };
}

/** A photo of a plate painted by a hand that does not exist, taken as a hurried painter takes one. */
export function simulatedPhoto(seed: number): Photo {
  const random = createRandom(seed);
  const hand = {
    ...{
      lineMm: random.range(0.13, 0.24),
      wobbleMm: random.range(0.01, 0.026),
      dotMm: random.range(0.28, 0.5),
    },
    ...{ strokesOffMm: random.range(0.08, 0.2), waterTimes: random.range(0.8, 1.6), seed },
  };
  const warm = random.next() < 0.5;
  return takePhoto(plateOf(hand), {
    ...SIMULATED_PX,
    ...{ tiltDeg: random.range(4, 22), towardsDeg: random.range(0, 360), turnDeg: random.range(-14, 14) },
    ...{ cast: warm ? [1, 0.87, 0.68] : [0.84, 0.93, 1], falls: random.range(0.6, 0.85), seed },
  });
}

/** The photo small enough to be shown. */
function smaller({ rgba, width, height }: Photo, wide: number): ShownPhoto {
  const scale = Math.min(1, wide / width);
  const [w, h] = [Math.round(width * scale), Math.round(height * scale)];
  const out = new Uint8ClampedArray(w * h * 4);
  for (let y = 0; y < h; y++)
    for (let x = 0; x < w; x++) {
      const at = (Math.floor((y + 0.5) / scale) * width + Math.floor((x + 0.5) / scale)) * 4;
      out.set(rgba.subarray(at, at + 4), (y * w + x) * 4);
    }
  return { rgba: out, width: w, height: h };
}

/** Width of the picture that is shown, pixels. */
const SHOWN_PX = 1000;

const scaled = (points: readonly PhotoPoint[], by: number): PhotoPoint[] =>
  points.map(([x, y]) => [x * by, y * by] as const);

/** Reads a photo, or says what is missing in it; the photo itself comes along to be looked at. */
export async function answerPlate({ photo: file, seed, marks }: PlateInput): Promise<PlateAnswer> {
  const photo = file ? await decoded(file) : simulatedPhoto(seed);
  const picture = smaller(photo, SHOWN_PX);
  const scale = picture.width / photo.width;
  try {
    const reading = readPlate(photo, marks && scaled(marks, 1 / scale));
    return { picture, reading: { ...reading, marks: scaled(reading.marks, scale) }, problem: null };
  } catch (error) {
    if (!(error instanceof InputError)) throw error;
    return { picture, reading: null, problem: error.message };
  }
}
