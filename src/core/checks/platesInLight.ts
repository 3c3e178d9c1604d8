import { inZones, type Coat, type Place, type Surface } from "../job";
import { completeParams } from "../params";
import { glanceAt } from "../simulate/glance";
import { fieldsOf } from "../surface/fields";
import { techniques } from "../techniques";
import { formatNumber } from "../units";
import type { Check, CheckContext } from "./check";
import type { CheckResult, Remedy } from "./finding";

/** Ground in less light than this is in the shade, in more than that in the light, shares of the brightest. */
const [SHADE, LIGHT] = [0.25, 0.6] as const;
/** Coats that fill less of a scale than this draw its edge alone, which every scale has, %. */
const LEAST_FILL = 20;
/** A light that covers so much of the shade as of the lit ground does not tell them apart any more. */
const MOST_IN_SHADE = 0.6;
/** A light is this much lighter than its ground, L*. */
const LIFT = 3;
/** Ways to put light on scales; grounds and lines along edges go all over. */
const LIGHTS: ReadonlySet<string> = new Set(["plates", "dry-brush", "overbrush", "stipple"]);
const FROM = [20, 35, 50, 65] as const;

const isPlates = ({ technique }: Coat): boolean => technique.id === "plates";
const paramsOf = ({ technique: { params } }: Coat) => completeParams(techniques.plates.params, params);

/** How much of the shaded and of the lit ground each filling coat covers, 0…1. */
function coveredBy({ job, surface }: CheckContext, ids: ReadonlySet<string>) {
  const { grid, coats } = glanceAt(job, surface);
  const { litShare } = fieldsOf(grid);
  return coats.flatMap(({ coat, film }) => {
    if (!ids.has(coat.id)) return [];
    const share = (holds: (lit: number) => boolean) => {
      let [sum, all] = [0, 0];
      for (let at = 0; at < litShare.length; at++) {
        if (grid.inside[at]! <= 0.5 || !holds(litShare[at]!)) continue;
        sum += film.cover[at]! / 255;
        all++;
      }
      return all > 0 ? sum / all : 0;
    };
    return [{ coat, shade: share((lit) => lit < SHADE), light: share((lit) => lit > LIGHT) }];
  });
}

function remediesFor(surface: Surface, coat: Coat): Remedy[] {
  const path = ["surfaces", surface.id, "coats", coat.id];
  const { place } = coat;
  // What keeps to a place already keeps to it in the light.
  const lit: Place =
    place.kind === "zones"
      ? { ...place, zones: [...place.zones.filter((zone) => zone !== "shaded").slice(0, 3), "lit"] }
      : inZones(["lit"], 0);
  const toLight = { label: "Keep it to the light", changes: [{ path: [...path, "place"], value: lit }] };
  if (!isPlates(coat)) return [toLight];
  const { from } = paramsOf(coat);
  return [
    ...FROM.filter((percent) => percent > from!).map((percent) => ({
      label: `On scales in the light from ${percent} % on`,
      ladder: "from",
      changes: [{ path: [...path, "technique", "params", "from"], value: percent }],
    })),
    toLight,
  ];
}

/** Are scales filled with light where the light is? */
export const platesInLight: Check = {
  id: "plates-in-light",
  label: "Scales are lit where the light is",
  concerns: (_form, { hide, coats }) =>
    hide?.id === "scales" && coats.some(({ technique }) => LIGHTS.has(technique.id)),
  run(context): CheckResult[] {
    const { surface, coats, sampled } = context;
    const filling = coats.filter(
      (coat) => LIGHTS.has(coat.technique.id) && (!isPlates(coat) || paramsOf(coat).fill! >= LEAST_FILL),
    );
    if (surface.hide?.id !== "scales" || filling.length === 0) return [];
    const lights = new Set(
      sampled()
        .coats.filter(({ before, after }) => after[0] - before[0] > LIFT)
        .map(({ coat }) => coat.id),
    );
    const ids = new Set(filling.map(({ id }) => id).filter((id) => lights.has(id)));
    const percent = (share: number) => `${formatNumber(100 * share, 0)} %`;
    return coveredBy(context, ids).flatMap(({ coat, shade, light }): CheckResult[] =>
      shade < 0.02 || shade < MOST_IN_SHADE * light
        ? []
        : [
            {
              ...{ key: coat.id, gravity: "look", coatId: coat.id, where: `${surface.name}, ${coat.name}` },
              sentence: `${coat.name} covers ${percent(shade)} of what lies in the shade, and ${percent(light)} of what is lit.`,
              reason:
                "Scales that are filled with light where no light falls take the body its roundness; only their edges are drawn there.",
              remedies: remediesFor(surface, coat),
            },
          ],
    );
  },
};
