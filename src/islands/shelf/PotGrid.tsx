import { Box, Link, Typography } from "@mui/material";
import { DataGrid, type GridColDef, type GridRowSelectionModel } from "@mui/x-data-grid";
import { useMemo } from "react";
import type { Paint } from "../../core/job";
import { formatNumber } from "../../core/units";
import { pageNonce } from "../../ui/nonce";
import { SURROUNDS } from "../../ui/theme";
import { usePrefs } from "../../ui/prefs";
import { potLook } from "../pots/potLooks";
import { labOfPot, type ShownPot } from "./finding";
import type { Users } from "./shelfStore";

interface Row {
  readonly id: string;
  readonly paint: Paint;
  readonly off: number | null;
  readonly lightness: number;
  readonly users: readonly { id: string; name: string }[];
}

function Swatch({ paint }: { readonly paint: Paint }) {
  const { thick, overBlack, overWhite } = potLook(paint);
  const surround = usePrefs((prefs) => prefs.surround);
  return (
    <Box
      role="img"
      aria-label={`${paint.name}: thick ${thick}, over black ${overBlack}, over white ${overWhite}`}
      sx={{ display: "flex", width: 150, height: 32, my: "4px", p: "3px", bgcolor: SURROUNDS[surround] }}
    >
      <Box sx={{ flex: 2, bgcolor: thick }} />
      <Box sx={{ width: 3, bgcolor: "#0a0a0a" }} />
      <Box sx={{ flex: 1, bgcolor: overBlack }} />
      <Box sx={{ width: 3, bgcolor: "#f2f2f2" }} />
      <Box sx={{ flex: 1, bgcolor: overWhite }} />
    </Box>
  );
}

const HEADS: GridColDef<Row>[] = [
  {
    field: "look",
    headerName: "Thick, over black, over white",
    width: 190,
    valueGetter: (_value, row) => row.lightness,
    renderCell: ({ row }) => <Swatch paint={row.paint} />,
    description: "Sorted by lightness",
  },
  { field: "name", headerName: "Name", flex: 1, minWidth: 120, valueGetter: (_value, row) => row.paint.name },
  { field: "range", headerName: "Range", width: 120, valueGetter: (_value, row) => row.paint.range },
  { field: "kind", headerName: "Kind", width: 78, valueGetter: (_value, row) => row.paint.kind },
  { field: "state", headerName: "State", width: 78, valueGetter: (_value, row) => row.paint.state },
  { field: "hiding", headerName: "Hiding", width: 104, valueGetter: (_value, row) => row.paint.hiding },
  { field: "finish", headerName: "Finish", width: 74, valueGetter: (_value, row) => row.paint.finish },
  {
    field: "strength",
    headerName: "Strength",
    type: "number",
    width: 84,
    valueGetter: (_value, row) => row.paint.strength,
  },
  {
    field: "drop",
    headerName: "Drop, µl",
    type: "number",
    width: 80,
    valueGetter: (_value, row) => row.paint.dropUl,
  },
  {
    field: "read",
    headerName: "Read",
    width: 66,
    valueGetter: (_value, row) => row.paint.fit?.readings.length ?? 0,
    valueFormatter: (value: number) => (value === 0 ? "no" : `${value} ×`),
  },
  {
    field: "users",
    headerName: "Used in",
    flex: 1,
    minWidth: 120,
    valueGetter: (_value, row) => row.users.map((job) => job.name).join(", "),
    renderCell: ({ row }) =>
      row.users.length === 0 ? (
        <Typography variant="body2" component="span">
          nothing
        </Typography>
      ) : (
        row.users.map((job, at) => (
          <span key={job.id}>
            {at > 0 && ", "}
            <Link href={`/job/${job.id}/palette`} onClick={(event) => event.stopPropagation()}>
              {job.name}
            </Link>
          </span>
        ))
      ),
  },
];

const OFF: GridColDef<Row> = {
  field: "off",
  headerName: "Off by",
  type: "number",
  width: 72,
  valueFormatter: (value: number | null) => (value === null ? "" : formatNumber(value, 1)),
};

interface Props {
  readonly pots: readonly ShownPot[];
  readonly users: Users;
  readonly selected: ReadonlySet<string>;
  readonly onSelect: (ids: ReadonlySet<string>) => void;
  readonly onOpen: (paint: Paint) => void;
}

/** The shelf as a table: a click opens a pot, boxes mark some for a common change. */
export function PotGrid({ pots, users, selected, onSelect, onOpen }: Props) {
  const rows = useMemo(
    () =>
      pots.map(({ paint, off }): Row => ({
        id: paint.id,
        paint,
        off,
        lightness: labOfPot(paint)[0],
        users: users[paint.id] ?? [],
      })),
    [pots, users],
  );
  const open = (id: string) => {
    const pot = pots.find(({ paint }) => paint.id === id);
    if (pot) onOpen(pot.paint);
  };
  const near = pots[0]?.off !== null && pots.length > 0;
  const columns = useMemo(() => (near ? [HEADS[0]!, OFF, ...HEADS.slice(1)] : HEADS), [near]);
  const model: GridRowSelectionModel = { type: "include", ids: new Set(selected) };
  return (
    <DataGrid
      aria-label="Pots"
      rows={rows}
      columns={columns}
      checkboxSelection
      disableRowSelectionOnClick
      hideFooter
      disableColumnMenu
      rowHeight={40}
      columnHeaderHeight={40}
      nonce={pageNonce()}
      rowSelectionModel={model}
      onRowSelectionModelChange={(next) =>
        onSelect(
          new Set(
            next.type === "include"
              ? [...next.ids].map(String)
              : rows.map((row) => row.id).filter((id) => !next.ids.has(id)),
          ),
        )
      }
      onRowClick={({ id }) => open(String(id))}
      onCellKeyDown={({ id, field }, event) => {
        if (event.key === "Enter" && field !== "__check__") open(String(id));
      }}
      sx={{
        border: 0,
        borderRadius: 0,
        "--DataGrid-t-color-background-base": "transparent",
        "& .MuiDataGrid-columnSeparator": { display: "none" },
        "& .MuiDataGrid-row": { cursor: "pointer" },
      }}
      localeText={{ noRowsLabel: "No pot fits." }}
    />
  );
}
