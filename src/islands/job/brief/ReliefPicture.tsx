import { Alert, Box, Button, Typography } from "@mui/material";
import { useRef, useState } from "react";
import type { ReliefUse, Surface } from "../../../core/job";
import { messageOf } from "../../../ui/api";
import { NumberField } from "../../../ui/NumberField";
import { taskWorker } from "../../../worker/client";
import { useEditSurface } from "../useSurface";

/** Most bytes of a picture that is read here; it is made smaller before it is kept. */
const MOST_FILE_BYTES = 40_000_000;

/** Reads, makes smaller and keeps a relief picture. @returns its name on the server */
async function keep(file: File): Promise<string> {
  if (file.size > MOST_FILE_BYTES) throw new Error("The file has more than 40 MB.");
  const png = await new Promise<Uint8Array<ArrayBuffer>>((resolve, reject) => {
    taskWorker().ask(
      "reliefPicture",
      { file },
      { answer: resolve, failed: (message) => reject(new Error(message)) },
    );
  });
  const response = await fetch("/api/pictures", {
    method: "POST",
    headers: { "content-type": "image/png" },
    body: new Blob([png], { type: "image/png" }),
  });
  const answer = (await response.json()) as { id?: string; detail?: string };
  if (!response.ok || answer.id === undefined) throw new Error(answer.detail ?? "The picture was not kept.");
  return answer.id;
}

/** Relief from a greyscale picture, on top of the form's own. */
export function ReliefPicture({ surface }: { readonly surface: Surface }) {
  const editSurface = useEditSurface();
  const input = useRef<HTMLInputElement>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const { relief } = surface;
  const set = (next: ReliefUse | null) => editSurface(surface.id, (now) => ({ ...now, relief: next }));
  const take = async (file: File) => {
    setBusy(true);
    setProblem(null);
    try {
      const pictureId = await keep(file);
      const name =
        file.name
          .replace(/\.png$/i, "")
          .trim()
          .slice(0, 80) || "Relief";
      set({ pictureId, name, widthMm: relief?.widthMm ?? 10, depthMm: relief?.depthMm ?? 0.4 });
    } catch (error) {
      setProblem(`${file.name}: ${messageOf(error)} Nothing was changed.`);
    } finally {
      setBusy(false);
    }
  };
  return (
    <Box role="group" aria-label="Relief from a picture" sx={{ px: 2, pb: 2, display: "grid", gap: 1.5 }}>
      <Box>
        <Typography variant="h3">Relief from a picture</Typography>
        <Typography variant="body2">
          A greyscale PNG, best of 16 bits: white stands out, black lies low. It repeats beyond its width.
        </Typography>
      </Box>
      {relief && (
        <Box sx={{ display: "flex", gap: 1 }}>
          <NumberField
            label="As wide as"
            unit="mm"
            min={0.5}
            max={400}
            step={0.5}
            value={relief.widthMm}
            onChange={(widthMm) => set({ ...relief, widthMm })}
          />
          <NumberField
            label="Black to white"
            unit="mm"
            min={0}
            max={10}
            step={0.05}
            value={relief.depthMm}
            onChange={(depthMm) => set({ ...relief, depthMm })}
          />
        </Box>
      )}
      {problem !== null && (
        <Alert severity="error" variant="outlined">
          {problem}
        </Alert>
      )}
      <Box sx={{ display: "flex", gap: 1, alignItems: "center" }}>
        <Button variant="outlined" disabled={busy} onClick={() => input.current?.click()}>
          {relief ? "Another picture" : "Choose a picture"}
        </Button>
        {relief && <Button onClick={() => set(null)}>Take {relief.name} off</Button>}
      </Box>
      <input
        ref={input}
        type="file"
        accept="image/png"
        aria-label="Relief picture"
        hidden
        onChange={(event) => {
          const file = event.target.files?.[0];
          event.target.value = "";
          if (file) void take(file);
        }}
      />
    </Box>
  );
}
