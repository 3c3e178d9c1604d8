import { halved, type Plane } from "../../salience/pyramid";
import type { Salience } from "../../salience/salience";
import { balanceOf, echoesOf, type Balance, type Echo } from "./balance";
import { bordersOf, type Border } from "./borders";
import { faultsOf, type Fault } from "./faults";
import { labPicture, partLooks, type Judged, type Part, type PartLook } from "./looks";

/** A figure judged as one, from one side and one distance. */
export interface FigureJudgement {
  /** Its parts, the one the eye goes to first foremost. */
  readonly looks: readonly PartLook[];
  /** Parts that meet, the weakest border first. */
  readonly borders: readonly Border[];
  readonly echoes: readonly Echo[];
  readonly balance: Balance;
  readonly faults: readonly Fault[];
  /** Where the eye is drawn, at half the picture's size. */
  readonly salience: Salience;
  /** How much of each of its pixels is the figure, painted or not, 0…1. */
  readonly figure: Plane;
}

/** How much of each pixel is the figure. */
const alphaOf = ({ picture: { rgba, width, height } }: Judged): Plane => ({
  ...{ width, height },
  values: Float32Array.from({ length: width * height }, (_, at) => rgba[at * 4 + 3]! / 255),
});

/** Judges a figure by a picture of it. @param parts its surfaces, with what is wanted of them */
export function judgeFigure(judged: Judged, parts: readonly Part[]): FigureJudgement {
  const looked = labPicture(judged);
  const { looks, salience } = partLooks(judged, parts, looked);
  const borders = bordersOf(judged, looked, looks);
  const faults = faultsOf(looks, borders);
  const figure = halved(alphaOf(judged));
  return { figure, looks, borders, echoes: echoesOf(looks), balance: balanceOf(looks), faults, salience };
}
