import { Box, MenuItem, TextField, Typography } from "@mui/material";
import { useId, useState, type ReactNode } from "react";
import { useJob } from "../../jobStore";
import { MixOption } from "../../MixOption";

interface Props {
  readonly title: string;
  readonly openFirst?: boolean;
  /** Made only while the question is open. */
  readonly children: () => ReactNode;
}

/** A question that opens to be asked. */
export function Question({ title, openFirst = false, children }: Props) {
  const [open, setOpen] = useState(openFirst);
  const id = useId();
  return (
    <Box component="section" aria-label={title} sx={{ border: 1, borderColor: "divider", mx: 2, mb: 1 }}>
      <Typography variant="h3" component="h3" sx={{ m: 0 }}>
        <Box
          component="button"
          type="button"
          aria-expanded={open}
          aria-controls={id}
          onClick={() => setOpen(!open)}
          sx={{
            font: "inherit",
            color: "text.primary",
            bgcolor: "transparent",
            border: 0,
            width: "100%",
            textAlign: "left",
            p: 1.5,
            cursor: "pointer",
          }}
        >
          {title}
        </Box>
      </Typography>
      <Box id={id} sx={{ display: open ? "grid" : "none", gap: 1.5, px: 1.5, pb: 1.5 }}>
        {open && children()}
      </Box>
    </Box>
  );
}

interface PickProps {
  readonly label: string;
  readonly value: string;
  readonly onChange: (id: string) => void;
}

/** Chooses one of the job's mixes. */
export function MixChoice({ label, value, onChange }: PickProps) {
  const job = useJob();
  return (
    <TextField
      select
      fullWidth
      label={label}
      value={job.mixes.some((mix) => mix.id === value) ? value : ""}
      onChange={(event) => onChange(event.target.value)}
    >
      {job.mixes.map((mix) => (
        <MenuItem key={mix.id} value={mix.id}>
          <MixOption mix={mix} />
        </MenuItem>
      ))}
    </TextField>
  );
}
