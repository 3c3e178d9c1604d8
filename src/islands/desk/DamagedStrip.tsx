import { Box, Button, Typography } from "@mui/material";

interface Props {
  readonly id: string;
  readonly name: string;
  readonly message: string;
  readonly onDelete: () => void;
}

/** A job that cannot be read: what is wrong, and how it is got out to be mended. */
export function DamagedStrip({ id, name, message, onDelete }: Props) {
  return (
    <Box
      component="article"
      aria-label={`${name}, damaged`}
      sx={{ borderTop: 1, borderColor: "divider", py: 2, maxWidth: 720 }}
    >
      <Typography variant="h2">{name}</Typography>
      <Typography color="error">{message}</Typography>
      <Typography>
        All others are as they were. Nothing of it was changed; save it as it is stored, so that it can be
        mended.
      </Typography>
      <Box sx={{ display: "flex", gap: 1, mt: 1 }}>
        <Button variant="outlined" href={`/api/jobs/${id}/raw`}>
          Save it as it is
        </Button>
        <Button onClick={onDelete}>Delete</Button>
      </Box>
    </Box>
  );
}
