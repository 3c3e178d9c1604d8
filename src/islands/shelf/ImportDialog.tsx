import {
  Alert,
  Box,
  Button,
  Dialog,
  DialogActions,
  DialogContent,
  DialogTitle,
  LinearProgress,
  Typography,
} from "@mui/material";
import { useEffect, useState } from "react";
import type { Column } from "../../core/formats/shelf-csv/columns";
import type { LineOutcome, ShelfReport } from "../../core/formats/shelf-csv/merge";
import { counted } from "../../core/units";
import { call, messageOf } from "../../ui/api";
import { ColumnMatch } from "./ColumnMatch";
import { useShelf } from "./shelfStore";
import { leftByHand } from "../../ui/dialogs";

const WORDS = { taken: "taken", merged: "merged", refused: "refused" } as const;

function sentence(line: LineOutcome): string {
  if (line.kind === "refused") return line.reasons.join(" ");
  if (line.kind === "taken") return `${line.paint.name}: new.`;
  return line.changed.length === 0
    ? `${line.paint.name}: there already, nothing changes.`
    : `${line.paint.name}: changes ${line.changed.join(", ")}.`;
}

/** Lines shown one by one; a list of thousands is not read, and would hold the page up. */
const MOST_SHOWN = 400;

/** What the lines that are not shown come to. */
function restOf(rest: readonly LineOutcome[]): string {
  const kinds = (["refused", "merged", "taken"] as const).filter((kind) =>
    rest.some((one) => one.kind === kind),
  );
  const each = kinds.map((kind) => `${rest.filter((one) => one.kind === kind).length} ${WORDS[kind]}`);
  return `and ${counted(rest.length, "more line")}, ${kinds.length === 1 ? `all ${WORDS[kinds[0]!]}` : each.join(", ")}.`;
}

function Lines({ lines }: { readonly lines: readonly LineOutcome[] }) {
  const order = { refused: 0, merged: 1, taken: 2 } as const;
  const sorted = [...lines].sort((a, b) => order[a.kind] - order[b.kind] || a.line - b.line);
  const rest = sorted.slice(MOST_SHOWN);
  return (
    <>
      <Box component="ul" aria-label="What comes of each line" sx={{ m: 0, p: 0, listStyle: "none" }}>
        {sorted.slice(0, MOST_SHOWN).map((line) => (
          <Box
            component="li"
            key={`${line.line}-${line.kind}`}
            sx={{ display: "flex", gap: 1.5, borderTop: 1, borderColor: "divider", py: 0.6 }}
          >
            <Typography variant="body2" sx={{ width: 54, flexShrink: 0 }}>
              line {line.line}
            </Typography>
            <Typography sx={{ width: 60, flexShrink: 0, fontWeight: line.kind === "refused" ? 600 : 400 }}>
              {WORDS[line.kind]}
            </Typography>
            {line.kind !== "refused" && (
              <Box sx={{ width: 28, height: 18, flexShrink: 0, bgcolor: line.paint.thick }} />
            )}
            <Box sx={{ minWidth: 0 }}>
              <Typography>{sentence(line)}</Typography>
              {line.kind === "refused" && (
                <Typography variant="caption" noWrap component="div">
                  {line.text}
                </Typography>
              )}
            </Box>
          </Box>
        ))}
      </Box>
      {rest.length > 0 && <Typography sx={{ pt: 1 }}>{restOf(rest)}</Typography>}
    </>
  );
}

type Columns = readonly (Column | null)[];

const askServer = async (file: File, apply: boolean, columns: Columns | null) =>
  call<{ report: ShelfReport }>("/api/paints/import", {
    method: "POST",
    json: {
      format: /\.gpl$/i.test(file.name) ? "gpl" : "csv",
      text: await file.text(),
      apply,
      ...(columns && { columns }),
    },
  });

/** What would come of each line, asked again whenever a heading is read as something else. */
function useReport(file: File) {
  const [columns, setColumns] = useState<Columns | null>(null);
  const [report, setReport] = useState<ShelfReport | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  useEffect(() => {
    let open = true;
    askServer(file, false, columns).then(
      (answer) => {
        if (!open) return;
        setReport(answer.report);
        setProblem(null);
      },
      (error: unknown) => open && setProblem(messageOf(error)),
    );
    return () => {
      open = false;
    };
  }, [file, columns]);
  return { columns, setColumns, report, setReport, problem, setProblem };
}

/** Shows what would come of each line of a shelf file, and takes it in when told to. */
export function ImportDialog({ file, onClose }: { readonly file: File; readonly onClose: () => void }) {
  const note = useShelf((shelf) => shelf.noteServerChange);
  const { columns, setColumns, report, setReport, problem, setProblem } = useReport(file);
  const [done, setDone] = useState(false);
  const count = (kind: LineOutcome["kind"]) => report?.lines.filter((line) => line.kind === kind).length ?? 0;
  const take = async () => {
    try {
      setReport((await askServer(file, true, columns)).report);
      await note();
      setDone(true);
    } catch (error) {
      setProblem(messageOf(error));
    }
  };
  return (
    <Dialog open onClose={leftByHand(onClose)} fullWidth maxWidth="md">
      <DialogTitle>{file.name}</DialogTitle>
      <DialogContent>
        {problem !== null && (
          <Alert severity="error" variant="outlined" sx={{ mb: 1 }}>
            {problem}
          </Alert>
        )}
        {!report && problem === null && <LinearProgress aria-label="Reading the file" />}
        {report && (
          <>
            <Typography role="status" sx={{ mb: 1 }}>
              {done ? "Done: " : ""}
              {counted(count("taken"), "pot")} taken, {counted(count("merged"), "pot")} merged,{" "}
              {counted(count("refused"), "line")} refused.
            </Typography>
            {!done && report.headings.length > 0 && (
              <ColumnMatch headings={report.headings} onChange={setColumns} />
            )}
            <Lines lines={report.lines} />
          </>
        )}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>{done ? "Close" : "Leave the shelf as it is"}</Button>
        {!done && (
          <Button
            variant="contained"
            disabled={!report || count("taken") + count("merged") === 0}
            onClick={() => void take()}
          >
            Take in what can be used
          </Button>
        )}
      </DialogActions>
    </Dialog>
  );
}
