import { Box, Typography } from "@mui/material";
import type { ReactNode } from "react";

/** A name and its value on one line, with a hairline above. */
export function Row({ name, children }: { readonly name: string; readonly children: ReactNode }) {
  return (
    <Box
      sx={{
        display: "flex",
        gap: 2,
        justifyContent: "space-between",
        py: 0.9,
        borderTop: 1,
        borderColor: "divider",
      }}
    >
      <Typography variant="body2" component="span" sx={{ flexShrink: 0 }}>
        {name}
      </Typography>
      <Typography component="span" sx={{ textAlign: "right", minWidth: 0 }}>
        {children}
      </Typography>
    </Box>
  );
}

/** Title of a column, with a quiet note on the right. */
export function ColumnHead({ title, note }: { readonly title: string; readonly note?: ReactNode }) {
  return (
    <Box
      sx={{
        display: "flex",
        justifyContent: "space-between",
        alignItems: "baseline",
        px: 2,
        py: 1.4,
        flexShrink: 0,
      }}
    >
      <Typography variant="h2">{title}</Typography>
      <Typography variant="body2" component="span">
        {note}
      </Typography>
    </Box>
  );
}
