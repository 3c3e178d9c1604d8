import { InputError } from "../../errors";
import type { Figure, FormUse } from "../../job";
import { completeParams } from "../../params";
import { beast, longBeast } from "./beast";
import type { Body, BodyDefinition } from "./body";
import { bust, kneelingPerson, seatedPerson, standingPerson, walkingPerson } from "./person";
import { bareBase, building, machine } from "./things";

/** Every body a figure can have, by id. A new body is one file and one line here. */
export const bodies = {
  "person-standing": standingPerson as unknown as BodyDefinition,
  "person-walking": walkingPerson as unknown as BodyDefinition,
  "person-seated": seatedPerson as unknown as BodyDefinition,
  "person-kneeling": kneelingPerson as unknown as BodyDefinition,
  beast: beast as unknown as BodyDefinition,
  "long-beast": longBeast as unknown as BodyDefinition,
  bust: bust as unknown as BodyDefinition,
  machine: machine as unknown as BodyDefinition,
  building: building as unknown as BodyDefinition,
  "bare-base": bareBase as unknown as BodyDefinition,
} as const;

export type BodyId = keyof typeof bodies;
export const bodyIds = Object.keys(bodies) as BodyId[];
/** Whether there is a body of this id. */
export const isBodyId = (id: string): id is BodyId => Object.hasOwn(bodies, id);

/** A body of a kind as a figure starts with it. */
export function bodyUse(id: BodyId, figure: Pick<Figure, "eyeHeightMm">): FormUse {
  const start = bodies[id].startAt?.(figure) ?? {};
  return { id, version: bodies[id].version, params: start as Record<string, number> };
}

const built = new WeakMap<FormUse, { readonly eyes: number; readonly body: Body }>();

/**
 * The body of a figure in its pose; null where it has none.
 * @throws InputError for a body that is not known
 */
export function bodyOf({ body: use, eyeHeightMm }: Pick<Figure, "body" | "eyeHeightMm">): Body | null {
  if (!use) return null;
  const before = built.get(use);
  if (before?.eyes === eyeHeightMm) return before.body;
  if (!isBodyId(use.id)) {
    const message = `"${use.id}" is no body; known are ${bodyIds.join(", ")}.`;
    throw new InputError([{ field: "body", message }]);
  }
  const definition = bodies[use.id];
  const body = definition.build(completeParams(definition.params, use.params), { eyeHeightMm });
  built.set(use, { eyes: eyeHeightMm, body });
  return body;
}
