import {
  Box,
  Button,
  MenuItem,
  Select,
  Table,
  TableBody,
  TableCell,
  TableHead,
  TableRow,
} from "@mui/material";
import type { SettParams } from "../../../../../core/patterns/sett/params";
import { columnPeriodMm, type SettLayout } from "../../../../../core/patterns/sett/layout";
import { formatThreadCount, type Stripe } from "../../../../../core/patterns/sett/threadCount";
import { formatNumber } from "../../../../../core/units";
import { NumberField } from "../../../../../ui/NumberField";
import { MixOption } from "../../../MixOption";
import { useJob } from "../../../jobStore";

interface Props {
  readonly layout: SettLayout;
  readonly params: SettParams;
  readonly change: (part: Partial<SettParams>) => void;
}

const FATE = {
  kept: "kept",
  widened: "widened to your finest line",
  narrowed: "gives room to a finer stripe",
  joined: "one with its own colour next to it",
  merged: "too fine, left out",
} as const;

const cell = { py: 0.4, px: 1, fontSize: 13 } as const;

function MixSelect({ code, params, change }: { readonly code: string } & Omit<Props, "layout">) {
  const job = useJob();
  const value = params.colours[code] ?? "";
  return (
    <Select
      variant="standard"
      disableUnderline
      value={job.mixes.some((mix) => mix.id === value) ? value : ""}
      inputProps={{ "aria-label": `Mix of stripe ${code}` }}
      onChange={(event) => {
        const rest = Object.fromEntries(
          Object.entries(params.crossings).filter(([key]) => !key.split("+").includes(code)),
        );
        change({ colours: { ...params.colours, [code]: event.target.value }, crossings: rest });
      }}
      sx={{ fontSize: 13 }}
    >
      {job.mixes.map((mix) => (
        <MenuItem key={mix.id} value={mix.id}>
          <MixOption mix={mix} />
        </MenuItem>
      ))}
    </Select>
  );
}

/** A letter that no stripe of the count has yet. */
const freeCode = (stripes: readonly Stripe[]) =>
  Array.from("ABCDEFGHIJKLMNOPQRSTUVWXYZ").find(
    (letter) => !stripes.some((stripe) => stripe.code === letter),
  ) ?? "ZZ";

/** The stripes as written, what each becomes on the figure, and its mix. */
export function StripeTable({ layout, params, change }: Props) {
  const { sett, fates, periodMm } = layout.columns;
  const waist = columnPeriodMm(layout, layout.form.slantMm) / periodMm;
  const hem = columnPeriodMm(layout, 0) / periodMm;
  const write = (stripes: readonly Stripe[]) =>
    change({ threadCount: formatThreadCount({ ...sett, stripes }) });
  const setThreads = (at: number, threads: number) =>
    write(sett.stripes.map((stripe, index) => (index === at ? { ...stripe, threads } : stripe)));
  return (
    <Box>
      <Table size="small" aria-label="Stripes">
        <TableHead>
          <TableRow>
            {["Stripe", "Threads", "Mix", "At the waist", "At the hem", "On the figure"].map((head) => (
              <TableCell key={head} sx={{ ...cell, color: "text.secondary" }}>
                {head}
              </TableCell>
            ))}
            <TableCell sx={cell} />
          </TableRow>
        </TableHead>
        <TableBody>
          {sett.stripes.map((stripe, at) => {
            const fate = fates.find((one) => one.source === at);
            const painted = fate?.paintedMm ?? 0;
            const twice =
              sett.symmetrical && params.pivots === "half" && (at === 0 || at === sett.stripes.length - 1);
            return (
              <TableRow key={at}>
                <TableCell sx={cell}>
                  {stripe.code}
                  {sett.symmetrical && (at === 0 || at === sett.stripes.length - 1) ? ", pivot" : ""}
                </TableCell>
                <TableCell sx={cell}>
                  <NumberField
                    hideLabel
                    label={`Threads of stripe ${at + 1}, ${stripe.code}`}
                    width={70}
                    min={1}
                    max={2000}
                    whole
                    value={stripe.threads}
                    onChange={(threads) => setThreads(at, threads)}
                  />
                  {twice ? " × 2" : ""}
                </TableCell>
                <TableCell sx={cell}>
                  <MixSelect code={stripe.code} params={params} change={change} />
                </TableCell>
                <TableCell sx={cell}>
                  {painted > 0
                    ? `${formatNumber(Math.max(layout.finestMm, painted * waist), 2)}\u202fmm`
                    : "–"}
                </TableCell>
                <TableCell sx={cell}>
                  {painted > 0 ? `${formatNumber(Math.max(layout.finestMm, painted * hem), 2)}\u202fmm` : "–"}
                </TableCell>
                <TableCell sx={cell}>
                  {fate ? FATE[fate.fate] : ""}
                  {fate && fate.fate !== "kept"
                    ? ` (counted ${formatNumber(fate.countedMm, 2)}\u202fmm)`
                    : ""}
                </TableCell>
                <TableCell sx={{ ...cell, textAlign: "right" }}>
                  <Button
                    sx={{ minWidth: 0 }}
                    disabled={sett.stripes.length <= 2}
                    aria-label={`Remove stripe ${at + 1}, ${stripe.code}`}
                    onClick={() => write(sett.stripes.filter((_stripe, index) => index !== at))}
                  >
                    Remove
                  </Button>
                </TableCell>
              </TableRow>
            );
          })}
        </TableBody>
      </Table>
      <Button
        onClick={() =>
          write([
            ...sett.stripes,
            { code: freeCode(sett.stripes), threads: sett.stripes.at(-1)?.threads ?? 8 },
          ])
        }
        disabled={sett.stripes.length >= 60}
      >
        Add a stripe
      </Button>
    </Box>
  );
}
