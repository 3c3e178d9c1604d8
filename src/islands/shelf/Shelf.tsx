import {
  Alert,
  Box,
  Button,
  IconButton,
  LinearProgress,
  MenuItem,
  TextField,
  Tooltip,
  Typography,
} from "@mui/material";
import { useDeferredValue, useEffect, useMemo, useRef, useState } from "react";
import { mdiRedo, mdiUndo } from "@mdi/js";
import { Icon } from "../../ui/Icon";
import { PAINT_KINDS, PAINT_STATES, type Paint } from "../../core/job";
import { counted } from "../../core/units";
import { messageOf } from "../../ui/api";
import { AppFrame } from "../../ui/AppFrame";
import { TopBar } from "../../ui/TopBar";
import { ColourField } from "../pots/ColourField";
import { PotDialog } from "../pots/PotDialog";
import { blankPot } from "../pots/potLooks";
import { BulkBar } from "./BulkBar";
import { DoublesDialog } from "./DoublesDialog";
import { findPots, type Wanted } from "./finding";
import { ImportDialog } from "./ImportDialog";
import { PotGrid } from "./PotGrid";
import { useShelf } from "./shelfStore";

function Looking({
  wanted,
  set,
}: {
  readonly wanted: Wanted;
  readonly set: (change: Partial<Wanted>) => void;
}) {
  return (
    <Box sx={{ display: "flex", gap: 1, flexWrap: "wrap", alignItems: "flex-start", px: 3, pt: 1.5, pb: 1 }}>
      <TextField
        label="Name, range or property"
        type="search"
        value={wanted.text}
        sx={{ width: 220 }}
        onChange={(event) => set({ text: event.target.value })}
      />
      <TextField
        select
        label="Kind"
        value={wanted.kind}
        sx={{ width: 120 }}
        onChange={(event) => set({ kind: event.target.value })}
      >
        <MenuItem value="">any</MenuItem>
        {PAINT_KINDS.map((kind) => (
          <MenuItem key={kind} value={kind}>
            {kind}
          </MenuItem>
        ))}
      </TextField>
      <TextField
        select
        label="State"
        value={wanted.state}
        sx={{ width: 130 }}
        onChange={(event) => set({ state: event.target.value })}
      >
        <MenuItem value="">any</MenuItem>
        <MenuItem value="hand">at hand</MenuItem>
        {PAINT_STATES.map((state) => (
          <MenuItem key={state} value={state}>
            {state}
          </MenuItem>
        ))}
      </TextField>
      {wanted.near === null ? (
        <Button sx={{ mt: 0.4 }} onClick={() => set({ near: "#6f7d5a" })}>
          Near to a colour
        </Button>
      ) : (
        <Box sx={{ display: "flex", alignItems: "flex-start" }}>
          <Box sx={{ width: 250 }}>
            <ColourField label="Near to" value={wanted.near} onChange={(near) => set({ near })} />
          </Box>
          <Button sx={{ mt: 0.4 }} onClick={() => set({ near: null })}>
            Any colour
          </Button>
        </Box>
      )}
    </Box>
  );
}

function FileButtons({ onFile }: { readonly onFile: (file: File) => void }) {
  const input = useRef<HTMLInputElement>(null);
  return (
    <>
      <Button onClick={() => input.current?.click()}>Take in a file</Button>
      <input
        ref={input}
        type="file"
        accept=".csv,.tsv,.txt,.gpl"
        aria-label="Shelf file"
        hidden
        onChange={(event) => {
          const file = event.target.files?.[0];
          if (file) onFile(file);
          event.target.value = "";
        }}
      />
      <Button href="/api/paints/export.csv" download="shelf.csv">
        Write CSV
      </Button>
      <Button href="/api/paints/export.gpl" download="shelf.gpl">
        Write palette (.gpl)
      </Button>
    </>
  );
}

function ShelfView() {
  const shelf = useShelf();
  const { load } = shelf;
  const [problem, setProblem] = useState<string | null>(null);
  const [wanted, setWanted] = useState<Wanted>({ text: "", kind: "", state: "", near: null });
  const [marked, setMarked] = useState<ReadonlySet<string>>(new Set());
  const [open, setOpen] = useState<{ paint: Paint; isNew: boolean } | null>(null);
  const [file, setFile] = useState<File | null>(null);
  const [doubles, setDoubles] = useState(false);
  const told = (work: Promise<void>) =>
    void work.then(
      () => setProblem(null),
      (error: unknown) => setProblem(messageOf(error)),
    );
  useEffect(() => {
    load().catch((error: unknown) => setProblem(messageOf(error)));
  }, [load]);
  const late = useDeferredValue(wanted);
  const pots = useMemo(() => findPots(shelf.paints, late), [shelf.paints, late]);
  const chosen = shelf.paints.filter((paint) => marked.has(paint.id));
  const hand = shelf.paints.filter((paint) => paint.state === "have" || paint.state === "low").length;
  return (
    <Box sx={{ height: "100vh", display: "flex", flexDirection: "column", bgcolor: "background.paper" }}>
      <TopBar here="Shelf">
        <Tooltip title="Undo">
          <span>
            <IconButton
              aria-label="Undo"
              disabled={shelf.past.length === 0}
              onClick={() => told(shelf.undo())}
            >
              <Icon path={mdiUndo} />
            </IconButton>
          </span>
        </Tooltip>
        <Tooltip title="Redo">
          <span>
            <IconButton
              aria-label="Redo"
              disabled={shelf.future.length === 0}
              onClick={() => told(shelf.redo())}
            >
              <Icon path={mdiRedo} />
            </IconButton>
          </span>
        </Tooltip>
      </TopBar>
      <Box component="main" sx={{ flex: 1, minHeight: 0, display: "flex", flexDirection: "column" }}>
        <Looking wanted={wanted} set={(change) => setWanted((now) => ({ ...now, ...change }))} />
        <Box sx={{ display: "flex", alignItems: "center", flexWrap: "wrap", gap: 0.5, px: 3, pb: 1 }}>
          <Button variant="contained" onClick={() => setOpen({ paint: blankPot(), isNew: true })}>
            Add a pot
          </Button>
          <FileButtons onFile={setFile} />
          <Button onClick={() => setDoubles(true)}>Look for doubles</Button>
          <Typography variant="body2" role="status" sx={{ ml: "auto" }}>
            {pots.length === shelf.paints.length
              ? counted(pots.length, "pot")
              : `${pots.length} of ${counted(shelf.paints.length, "pot")}`}
            , {hand} at hand
          </Typography>
        </Box>
        {problem !== null && (
          <Alert severity="error" variant="outlined" onClose={() => setProblem(null)} sx={{ mx: 3, mb: 1 }}>
            {problem}
          </Alert>
        )}
        {chosen.length > 0 && <BulkBar pots={chosen} onDone={() => setMarked(new Set())} />}
        {!shelf.ready && problem === null && <LinearProgress aria-label="Loading the shelf" />}
        {shelf.ready && shelf.paints.length === 0 && (
          <Typography sx={{ px: 3, py: 2 }}>
            The shelf is empty. Add a pot, or take in a table (CSV) or a palette (.gpl) of what you own.
          </Typography>
        )}
        {shelf.paints.length > 0 && (
          <Box sx={{ flex: 1, minHeight: 0, px: 2 }}>
            <PotGrid
              pots={pots}
              users={shelf.users}
              selected={marked}
              onSelect={setMarked}
              onOpen={(paint) => setOpen({ paint, isNew: false })}
            />
          </Box>
        )}
      </Box>
      {open && (
        <PotDialog
          first={open.paint}
          isNew={open.isNew}
          shelf={shelf.paints}
          onClose={() => setOpen(null)}
          onSave={(paint) => shelf.change([paint])}
          onRemove={(paint) => shelf.change([], [paint.id])}
        />
      )}
      {file && <ImportDialog file={file} onClose={() => setFile(null)} />}
      {doubles && <DoublesDialog onClose={() => setDoubles(false)} />}
    </Box>
  );
}

/** All pots: find, change, compare, bring in and out. */
export function Shelf() {
  return (
    <AppFrame>
      <ShelfView />
    </AppFrame>
  );
}
