import { Box, Button, Typography } from "@mui/material";
import { ratioOf } from "../../../../../core/job";
import { columnPeriodMm, closureOf, type SettLayout } from "../../../../../core/patterns/sett/layout";
import type { SettParams } from "../../../../../core/patterns/sett/params";
import { formatNumber } from "../../../../../core/units";
import { NumberField } from "../../../../../ui/NumberField";
import { Choice } from "../Choice";
import { MixPick } from "../MixPick";
import type { SetterProps } from "../setter";
import { CrossingErrors } from "./CrossingErrors";
import { StripeTable } from "./StripeTable";
import { ThreadCountField } from "./ThreadCountField";
import { useFigure } from "../../../useSurface";

type Change = (part: Partial<SettParams>) => void;

/** How the repeats close, and what the cloth would be at its true scale. */
function Closing({ layout, change }: { readonly layout: SettLayout; readonly change: Change }) {
  const figure = useFigure();
  const { periods, threadsPerCm } = layout.params;
  const closure = closureOf(layout);
  const length = layout.form.lengthAt(layout.form.slantMm / 2);
  const trueMm = (layout.columns.threads * 10) / threadsPerCm / ratioOf(figure);
  const truePeriods = Math.max(1, Math.min(200, Math.round(length / trueMm)));
  const sign = (mm: number) => `${mm >= 0 ? "+" : "−"}${formatNumber(Math.abs(mm), 2)} mm`;
  return (
    <Box sx={{ display: "grid", gap: 0.5, alignContent: "start" }}>
      <Typography color={layout.form.closed && !closure.whole ? "error" : undefined}>
        {layout.form.closed
          ? closure.whole
            ? `Closes: ${formatNumber(closure.boxes, 0)} boxes once round.`
            : `Does not close: ${formatNumber(periods, 2)} repeats would cut one at the seam.`
          : `Open band: ${formatNumber(closure.boxes, 1)} boxes; the gap hides the ends.`}
      </Typography>
      <Box sx={{ display: "flex", flexWrap: "wrap", gap: 0.5 }}>
        {[closure.below, closure.above].map(
          (option) =>
            option && (
              <Button
                key={option.periods}
                variant="outlined"
                onClick={() => change({ periods: option.periods })}
              >
                {option.periods} repeats ({sign(option.changeMm)} each)
              </Button>
            ),
        )}
      </Box>
      <Typography variant="body2">
        The real cloth repeats every {formatNumber((layout.columns.threads * 10) / threadsPerCm, 0)}&#8239;mm:{" "}
        {formatNumber(trueMm, 2)}&#8239;mm at 1 : {formatNumber(ratioOf(figure), 0)}. Yours is{" "}
        {formatNumber(layout.columns.periodMm / trueMm, 1)} times coarser.{" "}
        {truePeriods !== periods && (
          <Button
            sx={{ p: 0, minWidth: 0, verticalAlign: "baseline" }}
            onClick={() => change({ periods: truePeriods })}
          >
            Use true scale, {truePeriods} repeats
          </Button>
        )}
      </Typography>
      <Typography variant="body2">
        One repeat: {formatNumber(columnPeriodMm(layout, layout.form.slantMm), 2)}&#8239;mm at the waist,{" "}
        {formatNumber(columnPeriodMm(layout, 0), 2)}&#8239;mm at the hem; rows{" "}
        {formatNumber(layout.rows.periodMm, 2)}&#8239;mm, {formatNumber(layout.rowRepeats, 1)} of them.
      </Typography>
    </Box>
  );
}

function Fitting({
  params,
  layout,
  change,
}: {
  readonly params: SettParams;
  readonly layout: SettLayout | null;
  readonly change: Change;
}) {
  return (
    <Box sx={{ display: "flex", gap: 2, flexWrap: "wrap", alignItems: "flex-start" }}>
      <NumberField
        label="Repeats round the band"
        width={150}
        min={0.5}
        max={200}
        step={1}
        value={params.periods}
        onChange={(periods) => change({ periods })}
      />
      <NumberField
        label="Threads in 1 cm"
        width={120}
        min={2}
        max={80}
        step={1}
        value={params.threadsPerCm}
        onChange={(threadsPerCm) => change({ threadsPerCm })}
      />
      <NumberField
        label="First column at"
        unit="°"
        width={120}
        min={-360}
        max={360}
        step={1}
        value={params.columnStartDeg}
        onChange={(columnStartDeg) => change({ columnStartDeg })}
      />
      <NumberField
        label="First row from hem"
        unit="mm"
        width={140}
        min={-150}
        max={150}
        step={0.1}
        value={params.rowStartMm}
        onChange={(rowStartMm) => change({ rowStartMm })}
      />
      <NumberField
        label="Height of a row repeat"
        unit="mm"
        width={150}
        min={0.2}
        max={150}
        step={0.1}
        value={params.rowPeriodMm ?? layout?.rows.periodMm ?? 4}
        onChange={(rowPeriodMm) => change({ rowPeriodMm })}
      />
      {params.rowPeriodMm !== null && (
        <Button onClick={() => change({ rowPeriodMm: null })}>As high as wide</Button>
      )}
    </Box>
  );
}

/** The check cloth's own setter: thread count, fit to the band, stripes and method. */
export function SettSetter({ params, layout, change }: SetterProps<SettParams, SettLayout>) {
  return (
    <Box sx={{ p: 2, display: "grid", gap: 2 }}>
      <Box sx={{ display: "grid", gap: 2, gridTemplateColumns: "minmax(240px, 1.2fr) 1fr" }}>
        <Box sx={{ display: "grid", gap: 1.5, alignContent: "start" }}>
          <ThreadCountField
            label="Thread count"
            value={params.threadCount}
            onChange={(threadCount) => change({ threadCount })}
          />
          {params.rowThreadCount === null ? (
            <Button
              sx={{ justifySelf: "start" }}
              onClick={() => change({ rowThreadCount: params.threadCount })}
            >
              Give the rows another count
            </Button>
          ) : (
            <>
              <ThreadCountField
                label="Thread count of the rows"
                value={params.rowThreadCount}
                onChange={(rowThreadCount) => change({ rowThreadCount })}
              />
              <Button sx={{ justifySelf: "start" }} onClick={() => change({ rowThreadCount: null })}>
                Rows as columns
              </Button>
            </>
          )}
        </Box>
        {layout && <Closing layout={layout} change={change} />}
      </Box>
      <Fitting params={params} layout={layout} change={change} />
      <Box sx={{ display: "flex", gap: 2, flexWrap: "wrap" }}>
        <Choice
          label="Columns"
          value={params.spread}
          options={[
            ["fan", "fan out with the flare"],
            ["parallel", "kept parallel"],
          ]}
          onChange={(spread) => change({ spread })}
        />
        <Choice
          label="Painted by"
          value={params.method}
          options={[
            ["boxes", "boxes, mixed half-tones"],
            ["bands", "bands, overpainted"],
          ]}
          onChange={(method) => change({ method })}
        />
        <Choice
          label="Numbers at the pivots are"
          value={params.pivots}
          options={[
            ["full", "the whole stripe"],
            ["half", "half of it"],
          ]}
          onChange={(pivots) => change({ pivots })}
        />
      </Box>
      <Box sx={{ display: "flex", gap: 2, flexWrap: "wrap" }}>
        <MixPick
          label="Base coat"
          value={params.baseMixId}
          onChange={(id) => id !== null && change({ baseMixId: id })}
        />
        <MixPick
          label="Guides"
          value={params.guideMixId}
          onChange={(id) => id !== null && change({ guideMixId: id })}
        />
        <MixPick
          label="Fold glaze"
          none
          value={params.glazeMixId}
          onChange={(glazeMixId) => change({ glazeMixId })}
        />
      </Box>
      {layout && <StripeTable along="columns" layout={layout} params={params} change={change} />}
      {layout && params.rowThreadCount !== null && (
        <Box>
          <Typography variant="h3">Stripes of the rows</Typography>
          <StripeTable along="rows" layout={layout} params={params} change={change} />
        </Box>
      )}
      {/* As long as there are crossings: below the stripes, which must not move under the pointer. */}
      {layout && <CrossingErrors params={params} layout={layout} />}
    </Box>
  );
}
