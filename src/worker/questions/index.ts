import { adding } from "./adding";
import { aidsPdf } from "./aidsPdf";
import { benchPdf } from "./benchPdf";
import { cards } from "./cards";
import { closedOff } from "./closedOff";
import { effort } from "./effort";
import { expected } from "./expected";
import { figure } from "./figure";
import { figureJudged, figureMended } from "./figureJudged";
import { figureOtherwise } from "./figureOtherwise";
import { figureEffort } from "./figureEffort";
import { figureGltf } from "./figureGltf";
import { fit } from "./fit";
import { glazes } from "./glazes";
import { glow } from "./glow";
import { ground } from "./ground";
import { growth, growthMap } from "./growth";
import { guides } from "./guides";
import { judge } from "./judge";
import { history } from "./history";
import { lightOver } from "./lightOver";
import { mainColours } from "./mainColours";
import { mending } from "./mending";
import { mixes } from "./mixes";
import { picture } from "./picture";
import { piece } from "./piece";
import { placedColours } from "./placedColours";
import { heights, reliefPicture } from "./relief";
import { routes } from "./routes";
import { schedule } from "./schedule";
import { plate } from "./plate";
import { platePdf } from "./platePdf";
import { recolour } from "./recolour";
import { section } from "./section";
import { skin } from "./skin";
import { specimen } from "./specimen";
import { start } from "./start";
import { warm } from "./warm";
import { wellAdditions } from "./wellAdditions";
import { zonePictures } from "./zonePictures";

/** Everything the page can ask of the worker, by id. A new question is one file and one line here. */
export const questions = {
  adding,
  aidsPdf,
  specimen,
  piece,
  effort,
  expected,
  figure,
  figureEffort,
  figureGltf,
  figureJudged,
  figureMended,
  figureOtherwise,
  skin,
  warm,
  zonePictures,
  section,
  judge,
  cards,
  closedOff,
  guides,
  ground,
  growth,
  growthMap,
  mixes,
  glazes,
  start,
  lightOver,
  history,
  glow,
  wellAdditions,
  picture,
  mainColours,
  placedColours,
  reliefPicture,
  heights,
  benchPdf,
  mending,
  fit,
  schedule,
  recolour,
  plate,
  platePdf,
  routes,
} as const;

export type Questions = typeof questions;
export type QuestionId = keyof Questions;
