import type { Coat, Job, Mix, MixPart, Paint, Place, Surface } from "../job";
import { hashText } from "../random";
import { techniques, type TechniqueId } from "../techniques";
import type { TechniqueDefinition } from "../techniques/technique";
import { freeMixId } from "./mixes";
import { freeId, withSurface } from "./surfaces";

/** From this thinning on, parts of water to one of paint, a technique or a mix is one of thin paint. */
const THIN = 2;

/**
 * Thinning that a coat starts with: the technique's own, but where a technique of thin paint meets a mix that was made
 * thin, the mix knows better.
 * @returns parts of water to one of paint
 */
export function startWater(id: TechniqueId, mix: Pick<Mix, "water"> | undefined): number {
  const own = techniques[id].startWater ?? 1;
  return own >= THIN && mix && mix.water >= THIN ? mix.water : own;
}

/** Whether all pots of a mix are of the kinds a technique needs. */
export function mixSuits(id: TechniqueId, mix: Mix, paints: readonly Paint[]): boolean {
  const { potKinds }: TechniqueDefinition = techniques[id];
  if (!potKinds) return true;
  const kindOf = ({ paintId }: MixPart) => paints.find((paint) => paint.id === paintId)?.kind;
  return mix.parts.length > 0 && mix.parts.every((part) => potKinds.some((kind) => kind === kindOf(part)));
}

/** The mix a new coat starts in, and whether the job has it yet; null where shelf and job have nothing for it. */
function firstMix(job: Job, id: TechniqueId, paints: readonly Paint[]): { mix: Mix; made: boolean } | null {
  const { potKinds }: TechniqueDefinition = techniques[id];
  const there = job.mixes.find((mix) => mixSuits(id, mix, paints));
  if (there || !potKinds) return there ? { mix: there, made: false } : null;
  const pot = paints.find(
    ({ kind, state }) => potKinds.includes(kind) && (state === "have" || state === "low"),
  );
  if (!pot) return null;
  const parts = [{ paintId: pot.id, parts: 1 }];
  return { mix: { id: freeMixId(job), name: pot.name, parts, water: 0, goal: null }, made: true };
}

/**
 * Adds a coat of the painter's own to a surface, after another one or at the end. It starts in a mix that suits its
 * technique: varnish in one of varnish, powder in powder, made from a pot of the shelf where the job has none.
 * @param afterId coat it comes after; at the end where it is not there
 */
export function withNewCoat(
  job: Job,
  surface: Surface,
  paints: readonly Paint[],
  {
    id,
    place,
    afterId,
  }: { readonly id: TechniqueId; readonly place: Place; readonly afterId: string | null },
): { readonly job: Job; readonly coatId: string } {
  const technique: TechniqueDefinition = techniques[id];
  const coatId = freeId(`${surface.id}-own`, surface.coats);
  const first = firstMix(job, id, paints);
  const coat: Coat = {
    id: coatId,
    name: technique.label,
    technique: { id, version: technique.version, params: { ...technique.startParams } },
    mixId: first?.mix.id ?? "",
    water: startWater(id, first?.mix),
    passes: 1,
    held: false,
    place,
    event: null,
    role: null,
    overSeams: false,
    seed: hashText(`${surface.id}/${coatId}`) % 100000,
  };
  const added = withSurface(job, surface.id, (now) => {
    const at = now.coats.findIndex((one) => one.id === afterId);
    return { ...now, coats: now.coats.toSpliced(at >= 0 ? at + 1 : now.coats.length, 0, coat) };
  });
  return { job: first?.made ? { ...added, mixes: [...added.mixes, first.mix] } : added, coatId };
}

/** The coat in another mix; its thinning follows where it was the one it started with. */
export function inMix(coat: Coat, from: Mix | undefined, to: Mix): Coat {
  const id = coat.technique.id as TechniqueId;
  const untouched = Object.hasOwn(techniques, id) && coat.water === startWater(id, from);
  return { ...coat, mixId: to.id, water: untouched ? startWater(id, to) : coat.water };
}
