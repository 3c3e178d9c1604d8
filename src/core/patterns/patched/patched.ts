import { hashText } from "../../random";
import type { PatternFamily } from "../family";
import { apart } from "./checks/apart";
import { borders } from "./checks/borders";
import { shares } from "./checks/shares";
import { patchedCoats, patchedCrossings, patchedMeets, patchedPlaces, patchedTones } from "./coats";
import { completePatched } from "./colours";
import { patchedFacts } from "./facts";
import { placeOfKey } from "./keys";
import { layoutPatched, type PatchedLayout } from "./layout";
import { patchedMarks } from "./marks";
import { patchedSchema, type PatchedParams } from "./params";
import { presets, startFrom } from "./presets";
import { patchedLookAt, patchedWork } from "./work";

/** A coat of hair in patches: blocks of few colours, then hairs in every one that break all borders. */
export const patched: PatternFamily<PatchedParams, PatchedLayout> = {
  id: "patched",
  version: 1,
  label: "Patched coat",
  about:
    "Hair in blocks of two to five colours, each with its share and its place on the body; hairs along the growth map break every border.",
  schema: patchedSchema,
  start: ({ figure, seed }) => startFrom(presets[0]!, figure, seed % 1000),
  layout: layoutPatched,
  complete: completePatched,
  coats: patchedCoats,
  places: patchedPlaces,
  marks: patchedMarks,
  followsBack: true,
  material: "fur",
  ownLight: true,
  followsLight(key) {
    const place = placeOfKey(key);
    return place !== null && place.kind !== "block";
  },
  tones: patchedTones,
  meets: (_layout, key, tone) => patchedMeets(key, tone),
  crossings: patchedCrossings,
  work: patchedWork,
  lookAt: patchedLookAt,
  mapMixes(params, change) {
    const maybe = (mixId: string | null) => (mixId === null ? null : change(mixId));
    return {
      ...params,
      colours: params.colours.map((one) => ({ ...one, mixIds: one.mixIds.map(change) })),
      shadeMixId: maybe(params.shadeMixId),
      sheenMixId: maybe(params.sheenMixId),
    };
  },
  filmParams({ colours, shadeMixId: _shade, sheenMixId: _sheen, ...rest }, key) {
    const sheen = placeOfKey(key)?.kind === "sheen";
    // Names and mixes move nothing; how dark a colour is decides where the sheen goes.
    const lie = colours.map(({ mixIds: _mixes, name: _name, colour, ...one }) => ({
      ...one,
      colour: sheen ? colour : "",
    }));
    return [key, rest, lie];
  },
  // Of a unit every beast has blocks of its own, in the same shares; spots that were set by hand are meant for all.
  forFigure: (params, number) =>
    number === 1 ? params : { ...params, seed: hashText(`${params.seed}/figure/${number}`) % 100_000 },
  facts: patchedFacts,
  checks: [shares, borders, apart],
};
