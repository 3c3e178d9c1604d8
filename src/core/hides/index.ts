import type { HideDefinition } from "./hide";
import { courses } from "./courses/courses";
import { locks } from "./locks/locks";
import { scales } from "./scales/scales";

/** Every hide that can be sculpted over a form, by id. A new hide is one folder and one line here. */
export const hides = {
  locks: locks as unknown as HideDefinition,
  scales: scales as unknown as HideDefinition,
  courses: courses as unknown as HideDefinition,
} as const;

export type HideId = keyof typeof hides;
export const hideIds = Object.keys(hides) as HideId[];
/** Whether there is a hide of this id. */
export const isHideId = (id: string): id is HideId => Object.hasOwn(hides, id);
