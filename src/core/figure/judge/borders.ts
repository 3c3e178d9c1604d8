import { ciede2000 } from "../../colour/difference";
import { chromaOf, type Triple } from "../../colour/spaces";
import { hueOf } from "../../checks/seen";
import type { Judged, LabPicture, PartLook } from "./looks";

/** Two parts that meet in the picture, and what parts them there. */
export interface Border {
  readonly one: string;
  readonly other: string;
  /** How long they meet, mm. */
  readonly lengthMm: number;
  /** CIEDE2000 between both sides of the border. */
  readonly apart: number;
  /** What of it is lightness, L*, and how far their hues lie from each other, degrees; null where one is grey. */
  readonly lightness: number;
  readonly hueDeg: number | null;
  /** How much busier one is than the other, standard deviations of L*. */
  readonly texture: number;
  /** Where they meet in the middle, from the picture's upper left corner, 0…1 each way. */
  readonly at: readonly [x: number, y: number];
}

/** Colours are taken this far from a border, mm: at the border itself the eye has run both together. */
const ASIDE_MM = 0.45;
/** Shorter borders part nobody, mm. */
const LEAST_MM = 0.8;
const GREY = 6;

interface Meeting {
  count: number;
  readonly sums: [number[], number[]];
  x: number;
  y: number;
}

/** Two pixels beside each other: one, and its neighbour to the right or below. */
interface Beside {
  readonly x: number;
  readonly y: number;
  readonly dx: 0 | 1;
  readonly dy: 0 | 1;
}

/** The pixel some way within a part from where it borders; nearer where the part is narrow. @param sign −1 for the first of both */
function within(
  { picture: { width, height }, owners }: Judged,
  { x, y, dx, dy }: Beside,
  aside: number,
  sign: -1 | 1,
): number {
  const from = sign > 0 ? [x + dx, y + dy] : [x, y];
  const owner = owners[from[1]! * width + from[0]!];
  for (let far = aside; far > 0; far--) {
    const [px, py] = [from[0]! + sign * dx * far, from[1]! + sign * dy * far];
    const inPicture = px >= 0 && py >= 0 && px < width && py < height;
    if (inPicture && owners[py * width + px] === owner) return py * width + px;
  }
  return from[1]! * width + from[0]!;
}

/** Adds what one pair of pixels of two surfaces says of their border. */
function meet(found: Map<string, Meeting>, judged: Judged, { lab }: LabPicture, beside: Beside): void {
  const { picture, owners } = judged;
  const { width, height, pxPerMm } = picture;
  const { x, y, dx, dy } = beside;
  const [here, there] = [owners[y * width + x]!, owners[(y + dy) * width + x + dx]!];
  const low = Math.min(here, there);
  const key = `${low}/${Math.max(here, there)}`;
  const none = (): [number[], number[]] => [
    [0, 0, 0],
    [0, 0, 0],
  ];
  const meeting = found.get(key) ?? { count: 0, sums: none(), x: 0, y: 0 };
  found.set(key, meeting);
  const aside = Math.max(1, Math.round(ASIDE_MM * pxPerMm));
  for (const [owner, sign] of [
    [here, -1],
    [there, 1],
  ] as const) {
    const at = within(judged, beside, aside, sign);
    for (const axis of [0, 1, 2] as const)
      meeting.sums[owner === low ? 0 : 1][axis]! += lab[axis].values[at]!;
  }
  meeting.count++;
  meeting.x += x / width;
  meeting.y += y / height;
}

/** Where pixels of two surfaces lie beside each other, with the colours a little within each. */
function meetingsOf(judged: Judged, looked: LabPicture): Map<string, Meeting> {
  const { owners, picture } = judged;
  const { width, height } = picture;
  const found = new Map<string, Meeting>();
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      const at = y * width + x;
      const here = owners[at]!;
      if (here === 0) continue;
      const right = x + 1 < width ? owners[at + 1]! : 0;
      const below = y + 1 < height ? owners[at + width]! : 0;
      // Nearly all pixels lie within one surface: nothing is made for them.
      if (right !== here && right !== 0) meet(found, judged, looked, { x, y, dx: 1, dy: 0 });
      if (below !== here && below !== 0) meet(found, judged, looked, { x, y, dx: 0, dy: 1 });
    }
  return found;
}

const hueApart = (one: Triple, other: Triple): number | null =>
  Math.min(chromaOf(one), chromaOf(other)) < GREY
    ? null
    : Math.abs(((hueOf(one) - hueOf(other) + 540) % 360) - 180);

/** Parts that meet in a picture, the weakest border first. */
export function bordersOf(judged: Judged, looked: LabPicture, looks: readonly PartLook[]): Border[] {
  const { surfaceIds, picture } = judged;
  const textureOf = (id: string) => looks.find((look) => look.id === id)?.texture;
  return [...meetingsOf(judged, looked)]
    .flatMap(([key, { count, sums, x, y }]): Border[] => {
      const [one, other] = key.split("/").map((number) => surfaceIds[Number(number) - 1]!) as [
        string,
        string,
      ];
      const [here, there] = sums.map((sum) => sum.map((value) => value / count) as unknown as Triple) as [
        Triple,
        Triple,
      ];
      const [rough, smooth] = [textureOf(one), textureOf(other)];
      // A slanting border has more sides of pixels than length.
      const lengthMm = (0.8 * count) / picture.pxPerMm;
      if (lengthMm < LEAST_MM || rough === undefined || smooth === undefined) return [];
      return [
        {
          ...{ one, other, lengthMm, apart: ciede2000(here, there) },
          lightness: Math.abs(here[0] - there[0]),
          hueDeg: hueApart(here, there),
          texture: Math.abs(rough - smooth),
          at: [x / count, y / count],
        },
      ];
    })
    .sort((a, b) => a.apart - b.apart);
}
