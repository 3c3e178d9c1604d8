import { FIRST_FIGURE } from "../../../job";
import { each, eachCoat, isFields, type Fields, type Step } from "./fields";

const coatOf = ({ target, ...coat }: Fields): Fields => ("place" in coat ? coat : { ...coat, place: target });

/** Only a part that was there is handed on: what is missing is told as missing. */
const given = (key: string, value: unknown): Fields => (value === undefined ? {} : { [key]: value });

/**
 * Version 3 knew one figure, kept the log and the wells of the palette inside the job, and called both the place of a
 * coat and a colour wanted a target.
 */
export const fromVersion3: Step = ({ job, history }) => {
  const { figure, log, wells, targets, ...rest } = job;
  const figures = isFields(figure) ? [{ id: FIRST_FIGURE, name: "Figure", ...figure }] : figure;
  const surfaces = each(rest.surfaces, (surface) => ({ ...surface, figureId: FIRST_FIGURE }));
  const next = { ...rest, surfaces, ...given("figures", figures), ...given("goals", targets) };
  return {
    job: eachCoat({ ...next, version: 4 }, coatOf),
    history: history ?? { log: log ?? [], wells: wells ?? [] },
  };
};
