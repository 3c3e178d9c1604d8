import type { PlacedColour } from "../../../../../core/colour/placedColours";
import { coloursFrom } from "../../../../../core/patterns/patched/fromPicture";
import {
  COLOURS,
  MOST_SPOTS,
  SITS,
  usualColour,
  type CoatColour,
  type CoatSpot,
  type PatchedParams,
  type Sits,
} from "../../../../../core/patterns/patched/params";
import { clamp } from "../../../../../core/units";

/** Where a colour sits, as it is called. */
export const SITS_NAMES: Readonly<Record<Sits, string>> = {
  anywhere: "anywhere",
  back: "on the back",
  belly: "on the belly",
  hem: "at the lower end",
  top: "at the upper end",
  ends: "at both ends",
};
export const SITS_OPTIONS = SITS.map((sits) => [sits, SITS_NAMES[sits]] as const);

type Part = Partial<PatchedParams>;

/** The settings with one colour changed. A new colour is mixed anew, in all its tones. */
export const withColour = (params: PatchedParams, id: string, part: Partial<CoatColour>): Part => ({
  colours: params.colours.map((one) =>
    one.id === id ? { ...one, ...(part.colour === undefined ? {} : { mixIds: [] }), ...part } : one,
  ),
});

/** The settings with a colour more; the same where there is no room. */
export function withNewColour(params: PatchedParams): Part {
  if (params.colours.length >= COLOURS.most) return {};
  let number = params.colours.length + 1;
  while (params.colours.some(({ id }) => id === `colour${number}`)) number++;
  const added = usualColour({
    id: `colour${number}`,
    name: `Colour ${number}`,
    colour: "#6d5a48",
    share: 12,
  });
  return { colours: [...params.colours, added] };
}

/** The settings without a colour; its spots go with it. The same where too few would be left. */
export function withoutColour(params: PatchedParams, id: string): Part {
  if (params.colours.length <= COLOURS.least) return {};
  return {
    colours: params.colours.filter((one) => one.id !== id),
    spots: params.spots.filter(({ colourId }) => colourId !== id),
  };
}

/** The settings with the colours of a picture; spots of colours that are gone go too. */
export function withPicture(params: PatchedParams, found: readonly PlacedColour[]): Part {
  const colours = coloursFrom(found);
  if (colours.length < COLOURS.least) return {};
  const ids = new Set(colours.map(({ id }) => id));
  return { colours, spots: params.spots.filter(({ colourId }) => ids.has(colourId)) };
}

/** The settings with a spot more, and its id; null where there are as many as can be kept apart. */
export function withSpot(
  params: PatchedParams,
  spot: Omit<CoatSpot, "id">,
): { readonly part: Part; readonly id: string } | null {
  if (params.spots.length >= MOST_SPOTS) return null;
  let number = params.spots.length + 1;
  while (params.spots.some(({ id }) => id === `spot-${number}`)) number++;
  const id = `spot-${number}`;
  const within = { ...spot, x: clamp(spot.x, 0, 1), y: clamp(spot.y, 0, 1) };
  return { part: { spots: [...params.spots, { id, ...within }] }, id };
}

export const changeSpot = (params: PatchedParams, id: string, part: Partial<CoatSpot>): Part => ({
  spots: params.spots.map((one) =>
    one.id === id
      ? {
          ...one,
          ...part,
          x: clamp(part.x ?? one.x, 0, 1),
          y: clamp(part.y ?? one.y, 0, 1),
          widthMm: clamp(part.widthMm ?? one.widthMm, 0.3, 30),
        }
      : one,
  ),
});

export const withoutSpot = (params: PatchedParams, id: string): Part => ({
  spots: params.spots.filter((one) => one.id !== id),
});
