import { each, eachCoat, isFields, jobStep, type Fields } from "./fields";

/** Paste did not climb what stands in it. */
const withClimb = (coat: Fields): Fields => {
  const { technique } = coat;
  if (!isFields(technique) || technique.id !== "texture-paste") return coat;
  const params = isFields(technique.params) ? technique.params : {};
  return { ...coat, technique: { ...technique, version: 2, params: { climb: 0, ...params } } };
};

/** In version 11 nothing stood on a base but what its form had, and paste lay as it was dabbed on. */
export const fromVersion11 = jobStep((job) =>
  eachCoat(
    { ...job, version: 12, surfaces: each(job.surfaces, (surface) => ({ groundwork: null, ...surface })) },
    withClimb,
  ),
);
