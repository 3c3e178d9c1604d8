import { Box, Button, MenuItem, TextField, Typography } from "@mui/material";
import { changeFoot, changePiece } from "../../../../core/edits/groundwork";
import type { Bedding } from "../../../../core/groundwork/kinds";
import { groundPieces } from "../../../../core/groundwork/pieces";
import { bestFaceForward } from "../../../../core/groundwork/settle";
import { LEVEL_MM, type FootTold, type PieceTold } from "../../../../core/groundwork/told";
import type { FootPlace, Groundwork, LaidPiece, Surface } from "../../../../core/job";
import { hashText } from "../../../../core/random";
import { withUnit } from "../../../../core/units";
import { NumberField } from "../../../../ui/NumberField";

type Change = (next: (work: Groundwork) => Groundwork) => void;

interface NumberOf<K extends string> {
  readonly key: K;
  readonly label: string;
  readonly unit: string;
  readonly range: readonly [number, number];
  readonly step: number;
}

type PieceNumber = Exclude<keyof LaidPiece, "id" | "kind" | "bedding" | "seed">;
const mm = <K extends string>(
  key: K,
  label: string,
  range: readonly [number, number],
  step: number,
): NumberOf<K> => ({
  ...{ key, label, range, step },
  unit: "mm",
});
const deg = <K extends string>(key: K, label: string, range: readonly [number, number]): NumberOf<K> => ({
  ...{ key, label, range },
  ...{ unit: "°", step: 5 },
});

const SIZES: readonly NumberOf<PieceNumber>[] = [
  mm("acrossMm", "Longest", [0.5, 120], 0.5),
  mm("deepMm", "Across that", [0.5, 120], 0.5),
  mm("tallMm", "Height", [0.1, 60], 0.1),
  deg("turnDeg", "Turned", [-180, 180]),
  mm("xMm", "To the right", [-120, 120], 0.5),
  mm("yMm", "To the back", [-120, 120], 0.5),
];
const SUNK = mm<PieceNumber>("sunkMm", "Pressed in", [0, 10], 0.1);
const LEANS: readonly NumberOf<PieceNumber>[] = [
  deg("tiltDeg", "Leans by", [0, 60]),
  deg("tiltToDeg", "High side looks to", [-180, 180]),
];
const FOOT: readonly NumberOf<Exclude<keyof FootPlace, "id">>[] = [
  mm("acrossMm", "Across", [0.3, 60], 0.5),
  mm("xMm", "To the right", [-120, 120], 0.5),
  mm("yMm", "To the back", [-120, 120], 0.5),
];

const BEDDINGS: Readonly<Record<Bedding, string>> = {
  rests: "lies as it comes to rest",
  bedded: "bedded in paste, level or leaning",
};

function Numbers<K extends string>({
  list,
  of,
  onChange,
}: {
  readonly list: readonly NumberOf<K>[];
  readonly of: Readonly<Record<K, number>>;
  readonly onChange: (key: K, value: number) => void;
}) {
  return (
    <Box sx={{ display: "grid", gridTemplateColumns: "1fr 1fr", gap: 1.5 }}>
      {list.map(({ key, label, unit, range: [min, max], step }) => (
        <NumberField
          key={key}
          {...{ label, unit, min, max, step }}
          value={of[key]}
          onChange={(value) => onChange(key, value)}
        />
      ))}
    </Box>
  );
}

/** How a piece came to lie. */
function PieceFacts({ told, loose }: { readonly told: PieceTold; readonly loose: boolean }) {
  const bed =
    told.bedUl < 0.5
      ? "no gap below it"
      : `${withUnit(told.bedUl, 0, "µl")} of paste below it, at most ${withUnit(told.gapMm, 1, "mm")} high`;
  return (
    <Typography variant="body2" role="status">
      {loose
        ? "Strewn on the ground."
        : `${told.onGround ? "On the ground" : "On another piece"}, leaning ${withUnit(told.leanDeg, 1, "°")}; ${bed}.`}
      {told.overRimMm > 0.05 && ` It stands ${withUnit(told.overRimMm, 1, "mm")} over the rim.`}
    </Typography>
  );
}

function FootFacts({ told, work }: { readonly told: FootTold; readonly work: Groundwork }) {
  const on =
    told.piece < 0
      ? "the ground"
      : `piece ${told.piece + 1}, ${groundPieces[work.pieces[told.piece]!.kind].label}`;
  return (
    <Typography variant="body2" role="status">
      {`On ${on}, ${withUnit(told.heightMm, 1, "mm")} up; below it the ground goes up and down by ${withUnit(told.unevenMm, 2, "mm")}`}
      {told.unevenMm <= LEVEL_MM
        ? ": level enough."
        : `, more than ${withUnit(LEVEL_MM, 1, "mm")}: it would rock.`}
      {told.overRim && " It reaches over the rim."}
    </Typography>
  );
}

interface PieceProps {
  readonly piece: LaidPiece;
  readonly told: PieceTold | null;
  readonly change: Change;
}

function PieceForm({ piece, told, change }: PieceProps) {
  const { id, kind, bedding } = piece;
  const definition = groundPieces[kind];
  const set = (some: Partial<Omit<LaidPiece, "id">>) => change((work) => changePiece(work, id, some));
  const rigid = !definition.loose;
  return (
    <>
      <Typography variant="caption">{definition.about}</Typography>
      {told && <PieceFacts told={told} loose={!rigid} />}
      <Numbers list={SIZES} of={piece} onChange={(key, value) => set({ [key]: value })} />
      {rigid && (
        <TextField
          select
          label="How it is set"
          value={bedding}
          onChange={({ target: { value } }) => set({ bedding: value as Bedding })}
        >
          {Object.entries(BEDDINGS).map(([one, label]) => (
            <MenuItem key={one} value={one}>
              {label}
            </MenuItem>
          ))}
        </TextField>
      )}
      <Numbers
        list={rigid && bedding === "bedded" ? [SUNK, ...LEANS] : [SUNK]}
        of={piece}
        onChange={(key, value) => set({ [key]: value })}
      />
      <Box sx={{ display: "flex", gap: 1, flexWrap: "wrap" }}>
        {kind === "slab" && (
          <Button size="small" variant="outlined" onClick={() => set({ turnDeg: bestFaceForward(piece) })}>
            Best face forward
          </Button>
        )}
        <Button
          size="small"
          variant="outlined"
          onClick={() => set({ seed: hashText(`${id}/${piece.seed}`) % 100000 })}
        >
          Another of its kind
        </Button>
      </Box>
      <Typography variant="caption">
        {definition.bench} {definition.caution}
      </Typography>
    </>
  );
}

interface Props {
  readonly surface: Surface;
  readonly change: Change;
  readonly piece: LaidPiece | null;
  readonly foot: FootPlace | null;
  readonly pieceTold: PieceTold | null;
  readonly footTold: FootTold | null;
}

/** One piece or one foot: sizes, place and how it lies. */
export function ThingForm({ surface, change, piece, foot, pieceTold, footTold }: Props) {
  if (piece) return <PieceForm piece={piece} told={pieceTold} change={change} />;
  if (!foot) return null;
  return (
    <>
      {footTold && surface.groundwork && <FootFacts told={footTold} work={surface.groundwork} />}
      <Numbers
        list={FOOT}
        of={foot}
        onChange={(key, value) => change((work) => changeFoot(work, foot.id, { [key]: value }))}
      />
    </>
  );
}
