import { Alert, Box, Button, LinearProgress, Link, Snackbar, Typography } from "@mui/material";
import { useRef, useState } from "react";
import type { OwnScheme } from "../../core/job";
import { counted } from "../../core/units";
import { AppFrame } from "../../ui/AppFrame";
import { TopBar } from "../../ui/TopBar";
import { FindBar } from "./FindBar";
import { ANYTHING, findSchemes } from "./finding";
import { RecolourDialog } from "./RecolourDialog";
import { SchemeCard } from "./SchemeCard";
import { useNewJob } from "./useNewJob";
import { useOwnSchemes } from "./useOwnSchemes";

function FileRow({ onFile, any }: { readonly onFile: (file: File) => void; readonly any: boolean }) {
  const input = useRef<HTMLInputElement>(null);
  return (
    <Box sx={{ display: "flex", gap: 1, flexWrap: "wrap" }}>
      <Button variant="outlined" onClick={() => input.current?.click()}>
        Take in a scheme file
      </Button>
      {any && (
        <Button variant="outlined" href="/api/schemes/export" download>
          All as a file
        </Button>
      )}
      <input
        ref={input}
        type="file"
        accept=".json,application/json"
        aria-label="Scheme file"
        hidden
        onChange={(event) => {
          const file = event.target.files?.[0];
          if (file) onFile(file);
          event.target.value = "";
        }}
      />
    </Box>
  );
}

function Nothing() {
  return (
    <Typography sx={{ borderTop: 1, borderColor: "divider", py: 2, maxWidth: 620 }}>
      None yet. Keep the coats of a surface under <b>Own schemes</b> at its coats, or what you really painted
      under <b>Paint it again</b> in its log. Here they are found again by material, colour and job.{" "}
      <Link href="/">To the desk</Link>
    </Typography>
  );
}

const GRID = {
  ...{ listStyle: "none", m: 0, p: 0, pb: 10, display: "grid", gap: 2, alignItems: "start" },
  gridTemplateColumns: "repeat(auto-fill, minmax(300px, 1fr))",
} as const;

type Own = ReturnType<typeof useOwnSchemes>;

function List({ own }: { readonly own: Own }) {
  const { schemes, paints } = own;
  const [wanted, setWanted] = useState(ANYTHING);
  const [chosen, setChosen] = useState<readonly string[]>([]);
  const [recolouring, setRecolouring] = useState<OwnScheme | null>(null);
  const [removed, setRemoved] = useState<OwnScheme | null>(null);
  const job = useNewJob(paints);
  const found = findSchemes(schemes!, wanted, paints);
  const picked = schemes!.filter(({ id }) => chosen.includes(id));
  return (
    <>
      {job.problem !== null && (
        <Alert severity="error" variant="outlined" onClose={job.clearProblem} sx={{ mb: 2 }}>
          {job.problem}
        </Alert>
      )}
      <FindBar schemes={schemes!} wanted={wanted} onChange={setWanted} />
      <Box sx={{ display: "flex", gap: 1, alignItems: "center", mb: 2, minHeight: 40 }}>
        <Typography variant="body2" role="status">
          {counted(found.length, "scheme")}
          {found.length < schemes!.length && ` of ${schemes!.length}`}
        </Typography>
        <Button variant="contained" disabled={picked.length === 0} onClick={() => job.start(picked)}>
          {picked.length === 0
            ? "Choose schemes to start a job"
            : `Start a job with ${counted(picked.length, "scheme")}`}
        </Button>
      </Box>
      <Box component="ul" aria-label="Your own schemes" sx={GRID}>
        {found.map(({ scheme, away }) => (
          <SchemeCard
            key={scheme.id}
            scheme={scheme}
            paints={paints}
            away={wanted.colour === null ? null : away}
            chosen={chosen.includes(scheme.id)}
            onChoose={(on) =>
              setChosen(on ? [...chosen, scheme.id] : chosen.filter((id) => id !== scheme.id))
            }
            onChange={(changed) => void own.keep(changed)}
            onRecolour={() => setRecolouring(scheme)}
            onRemove={() => void own.remove(scheme.id).then((gone) => gone && setRemoved(scheme))}
          />
        ))}
      </Box>
      {recolouring && (
        <RecolourDialog
          scheme={recolouring}
          paints={paints}
          refused={own.problem}
          onClose={() => setRecolouring(null)}
          onKeep={(scheme) => void own.keep(scheme).then((kept) => kept && setRecolouring(null))}
        />
      )}
      <Snackbar
        open={removed !== null}
        message={`${removed?.name ?? ""} was removed.`}
        autoHideDuration={20_000}
        onClose={(_event, reason) => reason !== "clickaway" && setRemoved(null)}
        action={
          <Button
            color="inherit"
            onClick={() => removed && void own.keep(removed).then((back) => back && setRemoved(null))}
          >
            Undo
          </Button>
        }
      />
    </>
  );
}

function SchemesView() {
  const own = useOwnSchemes();
  const { schemes, problem } = own;
  return (
    <Box sx={{ height: "100vh", overflow: "auto", bgcolor: "background.paper" }}>
      <TopBar here="Schemes" />
      <Box component="main" sx={{ px: 3, py: 2, maxWidth: 1400 }}>
        {problem !== null && (
          <Alert severity="error" variant="outlined" onClose={own.clearProblem} sx={{ mb: 2 }}>
            {problem}
          </Alert>
        )}
        <Box sx={{ display: "flex", justifyContent: "space-between", gap: 1, mb: 2, flexWrap: "wrap" }}>
          <Typography variant="h2">Your own schemes</Typography>
          <FileRow any={(schemes?.length ?? 0) > 0} onFile={(file) => void own.importFile(file)} />
        </Box>
        {schemes === null && problem === null && <LinearProgress aria-label="Loading your schemes" />}
        {schemes?.length === 0 && <Nothing />}
        {schemes !== null && schemes.length > 0 && <List own={own} />}
      </Box>
    </Box>
  );
}

/** The painter's own schemes: found again, recoloured, matched, painted anew. */
export function Schemes() {
  return (
    <AppFrame>
      <SchemesView />
    </AppFrame>
  );
}
