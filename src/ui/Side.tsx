import { Box, Drawer } from "@mui/material";
import type { ReactNode } from "react";

/** A side column, or a drawer where the screen is narrow. */
export function Side({
  anchor,
  narrow,
  open,
  onClose,
  width = 290,
  children,
}: {
  readonly anchor: "left" | "right";
  readonly narrow: boolean;
  readonly open: boolean;
  readonly onClose: () => void;
  readonly width?: number;
  readonly children: ReactNode;
}) {
  const look = {
    width,
    flexShrink: 0,
    display: "flex",
    flexDirection: "column",
    minHeight: 0,
    bgcolor: "background.paper",
  } as const;
  if (narrow) {
    return (
      <Drawer anchor={anchor} open={open} onClose={onClose} slotProps={{ paper: { sx: look } }}>
        {children}
      </Drawer>
    );
  }
  return (
    <Box
      sx={{
        ...look,
        borderRight: anchor === "left" ? 1 : 0,
        borderLeft: anchor === "right" ? 1 : 0,
        borderColor: "divider",
      }}
    >
      {children}
    </Box>
  );
}
