import { object, string } from "yup";
import { growthFrom, growthMapIds, type GrowthMapId } from "../../core/growth/maps";
import { growthOf } from "../../core/growth/growthOf";
import type { Growth, Job } from "../../core/job";
import { one } from "../../core/shape";
import type { GrowthField } from "../../core/surface/growthField";
import { jobField } from "../checked";
import { defineQuestion } from "../question";

export interface GrowthInput {
  readonly job: Job;
  readonly surfaceId: string;
}

const surfaceOf = ({ job, surfaceId }: GrowthInput) => job.surfaces.find(({ id }) => id === surfaceId);

/** Which way things grow all over a surface; nothing where nobody has said. */
export const growth = defineQuestion<GrowthInput, { readonly field: GrowthField | null }>({
  id: "growth",
  newestOnly: true,
  schema: object({ job: jobField(), surfaceId: string().strict().required() }),
  run(input) {
    const surface = surfaceOf(input);
    return { field: surface ? growthOf(input.job, surface).field() : null };
  },
});

export interface GrowthMapInput extends GrowthInput {
  readonly mapId: GrowthMapId;
}

/** A usual growth map on a surface, as it lies on its figure. */
export const growthMap = defineQuestion<GrowthMapInput, { readonly growth: Growth | null }>({
  id: "growthMap",
  newestOnly: true,
  schema: object({ job: jobField(), surfaceId: string().strict().required(), mapId: one(growthMapIds) }),
  run(input) {
    const surface = surfaceOf(input);
    return { growth: surface ? growthFrom(input.job, surface, input.mapId) : null };
  },
});
