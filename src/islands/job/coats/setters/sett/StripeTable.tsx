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
import {
  columnPeriodMm,
  LINE_WIDTHS_AT_MOST,
  type SettLayout,
} from "../../../../../core/patterns/sett/layout";
import { PAINTED_AS, type SettParams } from "../../../../../core/patterns/sett/params";
import { formatThreadCount, type Stripe } from "../../../../../core/patterns/sett/threadCount";
import { formatNumber } from "../../../../../core/units";
import { NumberField } from "../../../../../ui/NumberField";
import { MixSelect } from "../../../MixSelect";

interface Props {
  readonly layout: SettLayout;
  readonly params: SettParams;
  readonly change: (part: Partial<SettParams>) => void;
  /** Whose stripes: those of the columns, or the rows' own. */
  readonly along: "columns" | "rows";
}

const FATE = {
  kept: "kept",
  widened: "widened",
  narrowed: "narrowed",
  joined: "joined to its own colour",
  merged: "too fine, left out",
} as const;

const cell = { py: 0.4, px: 1, fontSize: 13 } as const;
const plain = { variant: "standard", sx: { minWidth: 110 } } as const;

/** The mix of every stripe of a code; half-tones that it is part of are mixed anew. */
function StripeMix({ code, params, change }: { readonly code: string } & Pick<Props, "params" | "change">) {
  return (
    <MixSelect
      label={`Mix of stripe ${code}`}
      hideLabel
      value={params.colours[code] ?? ""}
      look={plain}
      onChange={(mixId) => {
        const rest = Object.fromEntries(
          Object.entries(params.crossings).filter(([key]) => !key.split("+").includes(code)),
        );
        change({ colours: { ...params.colours, [code]: mixId ?? "" }, crossings: rest });
      }}
    />
  );
}

const PAINTED_NAMES: Readonly<Record<SettParams["painted"][string], string>> = {
  line: "always a line",
  boxes: "always boxes",
};

/** Whether a thin stripe is a line over the cloth or boxes of its own, with a half-tone for every crossing. */
function PaintedAs(props: {
  readonly code: string;
  readonly number: number;
  readonly isLine: boolean;
  readonly params: SettParams;
  readonly change: Props["change"];
}) {
  const { code, number, isLine, params, change } = props;
  const rest = Object.fromEntries(Object.entries(params.painted).filter(([one]) => one !== code));
  return (
    <Select
      variant="standard"
      disableUnderline
      value={params.painted[code] ?? "width"}
      inputProps={{ "aria-label": `Stripe ${number}, ${code} is painted as` }}
      onChange={(event) => {
        const how = PAINTED_AS.find((one) => one === event.target.value);
        change({ painted: how ? { ...rest, [code]: how } : rest });
      }}
      sx={{ fontSize: 13 }}
    >
      <MenuItem value="width">{isLine ? "a line, by its width" : "boxes, by its width"}</MenuItem>
      {PAINTED_AS.map((how) => (
        <MenuItem key={how} value={how}>
          {PAINTED_NAMES[how]}
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

/** Widths of a stripe where the repeat is widest and narrowest; rows are as high everywhere. */
function widthsOf({
  layout,
  along,
}: Pick<Props, "layout" | "along">): readonly [head: string, factor: number][] {
  if (along === "rows") return [["Height", 1]];
  const { periodMm } = layout.columns;
  return [
    ["At the waist", columnPeriodMm(layout, layout.form.slantMm) / periodMm],
    ["At the hem", columnPeriodMm(layout, 0) / periodMm],
  ];
}

interface RowProps extends Props {
  readonly at: number;
  readonly write: (stripes: readonly Stripe[]) => void;
}

function StripeRow({ at, write, ...props }: RowProps) {
  const { layout, params, change, along } = props;
  const { sett, fates, lines } = layout[along];
  const stripe = sett.stripes[at]!;
  const fate = fates.find((one) => one.source === at);
  const painted = fate?.paintedMm ?? 0;
  const pivot = sett.symmetrical && (at === 0 || at === sett.stripes.length - 1);
  const isLine = lines.some((line) => line.source === at);
  return (
    <TableRow>
      <TableCell sx={cell}>
        {stripe.code}
        {pivot ? ", pivot" : ""}
      </TableCell>
      <TableCell sx={cell}>
        <NumberField
          hideLabel
          label={`Threads of stripe ${at + 1}, ${stripe.code}${along === "rows" ? ", rows" : ""}`}
          width={70}
          min={1}
          max={2000}
          whole
          value={stripe.threads}
          onChange={(threads) => write(sett.stripes.with(at, { ...stripe, threads }))}
        />
        {pivot && params.pivots === "half" ? " × 2" : ""}
      </TableCell>
      <TableCell sx={cell}>
        <StripeMix code={stripe.code} params={params} change={change} />
      </TableCell>
      {widthsOf(props).map(([head, factor]) => (
        <TableCell key={head} sx={cell}>
          {painted > 0 ? `${formatNumber(Math.max(layout.finestMm, painted * factor), 2)}\u202fmm` : "–"}
        </TableCell>
      ))}
      <TableCell sx={cell}>
        {painted > 0 && painted <= LINE_WIDTHS_AT_MOST * layout.finestMm ? (
          <PaintedAs code={stripe.code} number={at + 1} isLine={isLine} params={params} change={change} />
        ) : painted > 0 ? (
          "boxes"
        ) : (
          ""
        )}
      </TableCell>
      <TableCell sx={cell}>
        {fate ? FATE[fate.fate] : ""}
        {fate && fate.fate !== "kept" ? ` from ${formatNumber(fate.countedMm, 2)}\u202fmm` : ""}
      </TableCell>
      <TableCell sx={{ ...cell, textAlign: "right" }}>
        <Button
          sx={{ minWidth: 0 }}
          disabled={sett.stripes.length <= 2}
          aria-label={`Remove stripe ${at + 1}, ${stripe.code}${along === "rows" ? ", rows" : ""}`}
          onClick={() => write(sett.stripes.filter((_stripe, index) => index !== at))}
        >
          Remove
        </Button>
      </TableCell>
    </TableRow>
  );
}

/** The stripes as written, what each becomes on the figure, and its mix. */
export function StripeTable(props: Props) {
  const { layout, change, along } = props;
  const { sett } = layout[along];
  const write = (stripes: readonly Stripe[]) => {
    const count = formatThreadCount({ ...sett, stripes });
    change(along === "rows" ? { rowThreadCount: count } : { threadCount: count });
  };
  const heads = ["Stripe", "Threads", "Mix", ...widthsOf(props).map(([head]) => head), "Painted as"];
  return (
    <Box>
      <Table size="small" aria-label={along === "rows" ? "Stripes of the rows" : "Stripes"}>
        <TableHead>
          <TableRow>
            {[...heads, "On the figure"].map((head) => (
              <TableCell key={head} sx={{ ...cell, color: "text.secondary" }}>
                {head}
              </TableCell>
            ))}
            <TableCell sx={cell} />
          </TableRow>
        </TableHead>
        <TableBody>
          {sett.stripes.map((_stripe, at) => (
            <StripeRow key={at} {...props} at={at} write={write} />
          ))}
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
        {along === "rows" ? "Add a stripe to the rows" : "Add a stripe"}
      </Button>
    </Box>
  );
}
