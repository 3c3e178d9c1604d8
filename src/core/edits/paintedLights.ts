import { figureOf, MOST_LIGHTS, type Figure, type Job, type PaintedLight, type Surface } from "../job";
import { isShed } from "../schemes/glowCoats";
import { freeId } from "./surfaces";

/** A painted light that a surface starts with: red, on its middle, as wide as a coin of the figure. */
export const newLight = (job: Pick<Job, "figures">, surface: Surface, name: string): PaintedLight => ({
  id: freeId(
    "light",
    job.figures.flatMap(({ lights }) => lights),
  ),
  ...{
    name,
    surfaceId: surface.id,
    along: 0.5,
    up: 0.5,
    outMm: 1,
    widthMm: 1.5,
    reachMm: 3,
    sheds: "around",
  },
  ...{ colour: "#e0432c", glass: "lamp", strength: "plain", ground: "as-it-is" },
});

/** Painted lights of the figure that a surface is a part of. */
export const lightsBy = (job: Pick<Job, "figures">, surface: Surface): readonly PaintedLight[] =>
  figureOf(job, surface).lights;

/** The job with a painted light on one of its figures, in place of the one of its id where there is one; the same job where the figure has as many as it can. */
export function withLight(job: Job, figureId: string, light: PaintedLight): Job {
  const change = (figure: Figure): Figure => {
    const { lights } = figure;
    if (lights.some(({ id }) => id === light.id))
      return { ...figure, lights: lights.map((one) => (one.id === light.id ? light : one)) };
    return lights.length < MOST_LIGHTS ? { ...figure, lights: [...lights, light] } : figure;
  };
  return { ...job, figures: job.figures.map((one) => (one.id === figureId ? change(one) : one)) };
}

/** The job with one painted light changed. */
export const changeLight = (job: Job, lightId: string, change: Partial<Omit<PaintedLight, "id">>): Job => ({
  ...job,
  figures: job.figures.map((figure) =>
    figure.lights.some(({ id }) => id === lightId)
      ? {
          ...figure,
          lights: figure.lights.map((light) => (light.id === lightId ? { ...light, ...change } : light)),
        }
      : figure,
  ),
});

/** The job without the coats that were laid for a painted light, and without mixes that only they used. */
export function withoutShed(job: Job, lightId: string): Job {
  const { mixes, ...rest } = job;
  const surfaces = job.surfaces.map((surface) => ({
    ...surface,
    coats: surface.coats.filter(({ id }) => !isShed(lightId, surface.id, id)),
  }));
  const named = JSON.stringify({ ...rest, surfaces });
  const own = (id: string) => job.surfaces.some((surface) => isShed(lightId, surface.id, id));
  const stay = mixes.filter(({ id }) => !own(id) || named.includes(JSON.stringify(id)));
  return { ...job, surfaces, mixes: stay };
}

/** The job without a painted light and without the coats that were laid for it. */
export function withoutLight(job: Job, lightId: string): Job {
  const bare = withoutShed(job, lightId);
  return {
    ...bare,
    figures: bare.figures.map((figure) => ({
      ...figure,
      lights: figure.lights.filter(({ id }) => id !== lightId),
    })),
  };
}
