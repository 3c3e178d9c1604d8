import { Box, MenuItem, TextField, Typography } from "@mui/material";
import { COLUMNS, type Column, type Heading } from "../../core/formats/shelf-csv/columns";
import { counted } from "../../core/units";

const SAID: Readonly<Record<Column, string>> = {
  name: "Name",
  range: "Range",
  kind: "Kind",
  state: "State",
  colour: "Thick colour",
  over_white: "Colour over white",
  over_black: "Colour over black",
  hiding: "Hiding",
  finish: "Finish",
  strength: "Tinting strength",
  drop_ul: "Drop, µl",
};

const NOTHING = "left out";

/** What happened to the headings, in a sentence. */
function summary(headings: readonly Heading[]): string {
  const left = headings.filter(({ column }) => column === null).length;
  const guessed = headings.filter(({ by }) => by === "guess").length;
  const said = [
    ...(guessed > 0 ? [`${counted(guessed, "column")} read by a usual other word`] : []),
    ...(left > 0 ? [`${counted(left, "column")} left out`] : []),
  ];
  return said.length > 0 ? `${said.join(", ")}.` : "Every column is read.";
}

function OneHeading({
  heading,
  onChange,
}: {
  readonly heading: Heading;
  readonly onChange: (column: Column | null) => void;
}) {
  const { title, example, column } = heading;
  const named = title === "" ? "a column without a name" : title;
  return (
    <Box component="li" sx={{ breakInside: "avoid", pb: 1.5 }}>
      <TextField
        select
        fullWidth
        size="small"
        label={named}
        value={column ?? NOTHING}
        onChange={({ target }) => onChange(COLUMNS.find((one) => one === target.value) ?? null)}
        helperText={example === "" ? "empty in every line" : `for instance ${example}`}
      >
        <MenuItem value={NOTHING}>{NOTHING}</MenuItem>
        {COLUMNS.map((one) => (
          <MenuItem key={one} value={one}>
            {SAID[one]}
          </MenuItem>
        ))}
      </TextField>
    </Box>
  );
}

/** Which heading of a table is read as what; a column is one heading's at most, so that the last choice takes it. */
export function ColumnMatch({
  headings,
  onChange,
}: {
  readonly headings: readonly Heading[];
  readonly onChange: (columns: readonly (Column | null)[]) => void;
}) {
  const clear = headings.every(({ by }) => by === "own");
  const set = (at: number, column: Column | null) =>
    onChange(
      headings.map((other, index) => (index === at ? column : other.column === column ? null : other.column)),
    );
  return (
    <Box component="details" open={!clear} sx={{ mb: 1.5 }}>
      <Typography component="summary" sx={{ cursor: "pointer" }}>
        How the file’s columns are read: {summary(headings)}
      </Typography>
      <Box
        component="ul"
        aria-label="What each column is read as"
        sx={{ m: 0, p: 0, pt: 1.5, listStyle: "none", columns: { sm: 3 }, columnGap: 3 }}
      >
        {headings.map((heading, at) => (
          <OneHeading key={at} heading={heading} onChange={(column) => set(at, column)} />
        ))}
      </Box>
    </Box>
  );
}
