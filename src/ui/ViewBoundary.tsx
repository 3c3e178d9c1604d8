import { Alert, Box, Button, Link, Typography } from "@mui/material";
import { Component, type ErrorInfo, type ReactNode } from "react";

interface Props {
  /** What is shown, in words. */
  readonly name: string;
  /** How what was made can be saved from here. */
  readonly rescue?: ReactNode;
  readonly children: ReactNode;
}

/** Keeps a fault of one view from taking the page with it: what is wrong is said, everything else stays reachable. */
export class ViewBoundary extends Component<Props, { readonly error: Error | null }> {
  override state: { readonly error: Error | null } = { error: null };

  static getDerivedStateFromError(error: unknown): { readonly error: Error } {
    return { error: error instanceof Error ? error : new Error(String(error)) };
  }

  override componentDidCatch(error: Error, info: ErrorInfo): void {
    console.error(`${this.props.name}:`, error, info.componentStack);
  }

  override render(): ReactNode {
    const { error } = this.state;
    const { name, rescue, children } = this.props;
    if (!error) return children;
    return (
      <Box sx={{ flex: 1, p: 3, display: "grid", gap: 2, alignContent: "start", justifyItems: "start" }}>
        <Typography variant="h1">{name} cannot be shown</Typography>
        <Alert severity="error">This is a fault of the program: {error.message}</Alert>
        <Typography>What you made is kept. Other stages can still be opened above.</Typography>
        <Box sx={{ display: "flex", gap: 1, alignItems: "center" }}>
          <Button variant="contained" onClick={() => this.setState({ error: null })}>
            Try again
          </Button>
          {rescue}
          <Link href="/">Go to the desk</Link>
        </Box>
      </Box>
    );
  }
}
