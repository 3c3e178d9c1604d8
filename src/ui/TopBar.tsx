import { Box, Link, Typography } from "@mui/material";
import type { ReactNode } from "react";

const PLACES = [
  { name: "Desk", href: "/" },
  { name: "Shelf", href: "/shelf" },
  { name: "Schemes", href: "/schemes" },
  { name: "Settings", href: "/settings" },
] as const;

/** The bar above views outside a job: the way to the desk, the view's name, and what else it has to say. */
export function TopBar({
  here,
  title,
  children,
}: {
  readonly here: (typeof PLACES)[number]["name"];
  readonly title?: string;
  readonly children?: ReactNode;
}) {
  return (
    <Box
      component="header"
      sx={{
        display: "flex",
        alignItems: "center",
        gap: 3,
        px: 3,
        minHeight: 52,
        borderBottom: 1,
        borderColor: "divider",
      }}
    >
      <Link href="/" underline="none" sx={{ fontSize: 17, fontWeight: 600, color: "text.primary" }}>
        Crenna
      </Link>
      <Typography component="h1" variant="body2" sx={{ flex: 1 }}>
        {title ?? here}
      </Typography>
      {children}
      <Box component="nav" aria-label="Places" sx={{ display: "flex", gap: 2 }}>
        {PLACES.map(({ name, href }) =>
          name === here ? (
            <Typography key={name} aria-current="page" sx={{ fontWeight: 600 }}>
              {name}
            </Typography>
          ) : (
            <Link key={name} href={href}>
              {name}
            </Link>
          ),
        )}
      </Box>
    </Box>
  );
}
