import {
  Box,
  Button,
  Checkbox,
  Table,
  TableBody,
  TableCell,
  TableHead,
  TableRow,
  Typography,
} from "@mui/material";
import { withFigure, figureOf, repeats } from "../../../../../core/patterns/camouflage/unit";
import type { CamouflageParams } from "../../../../../core/patterns/camouflage/params";
import { useView } from "../../../viewStore";
import { MixPick } from "../MixPick";
import { useFigure } from "../../../useSurface";

interface Props {
  readonly params: CamouflageParams;
  readonly change: (part: Partial<CamouflageParams>) => void;
}

const cell = { py: 0.2, px: 0.8, fontSize: 13 } as const;

function FigureRow({ params, change, number }: Props & { readonly number: number }) {
  const { figure: shown, set } = useView();
  const own = figureOf(params, number);
  const put = (part: Partial<typeof own>) => {
    change(withFigure(params, number, part));
    set({ figure: number });
  };
  const hasDots = params.layers.some((layer) => layer.kind === "dot");
  return (
    <TableRow selected={shown === number}>
      <TableCell sx={cell}>
        <Button
          aria-pressed={shown === number}
          sx={{ p: 0, minWidth: 0 }}
          onClick={() => set({ figure: number })}
        >
          Figure {number}
        </Button>
      </TableCell>
      <TableCell sx={cell}>
        <Button
          sx={{ minWidth: 0 }}
          aria-label={`Another try for figure ${number}`}
          onClick={() => put({ seed: (own.seed + 1) % 100000 })}
          disabled={own.plain}
        >
          Another try
        </Button>
      </TableCell>
      <TableCell sx={cell}>
        <MixPick
          label={`Base of figure ${number}`}
          none
          value={own.baseMixId}
          onChange={(baseMixId) => put({ baseMixId })}
        />
      </TableCell>
      <TableCell sx={cell}>
        <Checkbox
          size="small"
          checked={own.plain}
          slotProps={{ input: { "aria-label": `Figure ${number} without a pattern on this piece` } }}
          onChange={(_event, plain) => put({ plain })}
        />
      </TableCell>
      <TableCell sx={cell}>
        <Checkbox
          size="small"
          disabled={!hasDots || own.plain}
          checked={own.noDots}
          slotProps={{ input: { "aria-label": `Figure ${number} without dots` } }}
          onChange={(_event, noDots) => put({ noDots })}
        />
      </TableCell>
    </TableRow>
  );
}

/** A unit: every figure with its own pattern of the same character, and what differs on single ones. */
export function Unit({ params, change }: Props) {
  const { count } = useFigure();
  if (count < 2) return null;
  const twins = repeats(params, count).length;
  return (
    <Box component="section" aria-label="The unit">
      <Typography variant="h3">{count} figures, each its own pattern</Typography>
      <Typography variant="caption" component="p">
        {twins === 0
          ? "No two have the same. The picture shows the figure chosen here; colours, sizes and shares are those of the unit."
          : "Two or more have the very same pattern: give one of them another try."}
      </Typography>
      <Table size="small" aria-label="Figures of the unit">
        <TableHead>
          <TableRow>
            {["Shown", "Pattern", "Base tone", "Left plain", "Without dots"].map((head) => (
              <TableCell key={head} sx={{ ...cell, color: "text.secondary" }}>
                {head}
              </TableCell>
            ))}
          </TableRow>
        </TableHead>
        <TableBody>
          {Array.from({ length: Math.min(count, 60) }, (_, at) => (
            <FigureRow key={at} params={params} change={change} number={at + 1} />
          ))}
        </TableBody>
      </Table>
    </Box>
  );
}
