import { Typography } from "@mui/material";
import { EVENNESS_LIMITS } from "../../../../../core/stats/evenness";
import type { LayerFacts } from "../../../../../core/patterns/camouflage/facts";
import type { Layer } from "../../../../../core/patterns/camouflage/params";
import type { UnevennessFault } from "../../../../../core/techniques/singleMarks";
import { ratioOf } from "../../../../../core/job";
import { formatNumber } from "../../../../../core/units";
import { Row } from "../../../../../ui/Row";
import { useFigure } from "../../../useSurface";

const FATE = {
  kept: "every one of them can be painted",
  thickened: "the smaller ones become as wide as your finest line",
  lost: "all are finer than your finest line and come out as wide as it",
} as const;

const FAULTS: Readonly<Record<UnevennessFault, string>> = {
  even: "too evenly spaced",
  alike: "too much alike in size",
  lined: "all one way",
  clumped: "crowded together",
  twins: "like beside like",
};

const number = (value: number | null, places = 2) =>
  value === null ? "too few to tell" : formatNumber(value, places);

/** How large a layer's marks are in truth, what the brush lets survive, how irregular and how loud they are. */
export function LayerNumbers({ layer, facts }: { readonly layer: Layer; readonly facts: LayerFacts }) {
  const figure = useFigure();
  const { evenness, faults } = facts;
  const limits = EVENNESS_LIMITS;
  return (
    <section aria-label={`Numbers of ${layer.name}`}>
      <Row name="On the real cloth">
        {formatNumber(facts.realMm, facts.realMm < 20 ? 1 : 0)}&#8239;mm; {formatNumber(layer.sizeMm, 2)}
        &#8239;mm at 1 : {formatNumber(ratioOf(figure), 0)}
      </Row>
      <Row name="With your brush">{FATE[facts.fate]}</Row>
      {evenness && (
        <>
          <Row name="Irregular?">
            {faults.length === 0 ? "yes" : `no: ${faults.map((fault) => FAULTS[fault]).join(", ")}`}
          </Row>
          <Row name="Sizes vary by">
            {number(evenness.sizeCv)} of their mean
            {layer.kind === "dot" ? "" : ` (from ${limits.leastSizeCv})`}
          </Row>
          <Row name="Distances vary by">
            {number(evenness.distanceCv)} (from {limits.leastDistanceCv})
          </Row>
          <Row name="Neighbours against chance">
            {evenness.index === null
              ? number(null)
              : `${number(evenness.index)} times (up to ${limits.mostIndex})`}
          </Row>
          <Row name="Common direction">
            {number(evenness.direction)} of 1{layer.kind === "bar" ? ", by intent" : ""}
          </Row>
          <Row name="Like beside like">{number(evenness.twins)} (chance is 0)</Row>
        </>
      )}
      <Row name="Loudness">
        {formatNumber(facts.contrast * 100, 0)}&#8239;% contrast; {formatNumber(facts.near, 0)} times the
        least visible in the hand, {formatNumber(facts.far, 1)} from{" "}
        {formatNumber(figure.viewingDistanceMm / 10, 0)}&#8239;cm
      </Row>
      {facts.far < 1 && <Typography variant="caption">It melts into its ground from there.</Typography>}
    </section>
  );
}
