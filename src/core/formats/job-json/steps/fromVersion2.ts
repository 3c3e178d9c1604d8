import { USUAL_LAMP } from "../../../job";
import { USUAL_WEAR } from "../../../surface/wear";
import { each, eachCoat, isFields, jobStep, type Fields } from "./fields";

/** Version 2 grew as it went: light, places by form and marks, seams, variants, relief, wear, neighbours. */
function grown(job: Fields): Fields {
  const { figure } = job;
  return {
    touching: [],
    ...job,
    figure: isFields(figure) ? { lamp: USUAL_LAMP, ...figure } : figure,
    surfaces: each(job.surfaces, (surface) => ({
      variants: [],
      relief: null,
      wear: USUAL_WEAR,
      ...surface,
    })),
  };
}

const text = (value: unknown) => (typeof value === "string" ? value : "");

/** The key of the place that a target of version 2 named by its kind and codes; null for all other targets. */
function keyOf(target: Fields): string | null {
  const [code, along] = [text(target.code), text(target.along)];
  switch (target.kind) {
    case "guides":
      return "guides";
    case "boxes":
      return `boxes:${[text(target.column), text(target.row)].sort().join(":")}`;
    case "bands":
      return `${along}:${code}`;
    case "lines":
      return along === "both" ? `lines:${code}` : `lines:${code}:${along}`;
    case "crossings":
      return `dots:${code}`;
    default:
      return null;
  }
}

function targetOf(target: unknown): unknown {
  if (!isFields(target)) return target;
  if (target.kind === "zones") return { fall: 1, span: null, outline: null, near: null, ...target };
  const key = keyOf(target);
  return key === null ? target : { kind: "pattern", key };
}

const techniqueOf = (technique: unknown): unknown =>
  isFields(technique) && technique.id === "box-fill" ? { ...technique, id: "fill" } : technique;

/** Version 2 named places of the cloth by kinds of target of their own, and filled only boxes. */
export const fromVersion2 = jobStep((job) =>
  eachCoat({ ...grown(job), version: 3 }, (coat) => ({
    overSeams: false,
    ...coat,
    target: targetOf(coat.target),
    technique: techniqueOf(coat.technique),
  })),
);
