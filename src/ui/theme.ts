import { createTheme } from "@mui/material/styles";

/** Strictly neutral chrome; the one accent marks only what can be acted on or is chosen. */
const NEUTRALS = {
  light: {
    sheet: "#fafafa",
    ground: "#efefef",
    lines: "#d2d2d2",
    ink: "#1d1d1d",
    quiet: "#636363",
    accent: "#0b5f6b",
    chosen: "#e8f0f1",
  },
  dark: {
    sheet: "#232323",
    ground: "#1a1a1a",
    lines: "#3d3d3d",
    ink: "#ececec",
    quiet: "#a6a6a6",
    accent: "#6cc3cd",
    chosen: "#22363a",
  },
} as const;

/** The three neutral surrounds on which colours are judged. */
export const SURROUNDS = { light: "#d4d4d4", middle: "#8c8c8c", dark: "#3a3a3a" } as const;
export type Surround = keyof typeof SURROUNDS;

declare module "@mui/material/styles" {
  interface Palette {
    chosen: string;
  }
  interface PaletteOptions {
    chosen?: string;
  }
}

export function makeTheme(mode: "light" | "dark") {
  const n = NEUTRALS[mode];
  return createTheme({
    palette: {
      mode,
      primary: { main: n.accent, contrastText: mode === "light" ? "#ffffff" : "#101010" },
      background: { default: n.ground, paper: n.sheet },
      text: { primary: n.ink, secondary: n.quiet },
      divider: n.lines,
      error: { main: mode === "light" ? "#8a1c1c" : "#f0a0a0" },
      info: { main: n.quiet },
      warning: { main: n.quiet },
      chosen: n.chosen,
    },
    shape: { borderRadius: 2 },
    typography: {
      fontFamily: "Archivo, sans-serif",
      fontSize: 13,
      htmlFontSize: 16,
      body1: { fontSize: 13, lineHeight: "18px" },
      body2: { fontSize: 13, lineHeight: "18px", color: n.quiet },
      h1: { fontSize: 17, fontWeight: 600, lineHeight: "24px" },
      h2: { fontSize: 13, fontWeight: 600, lineHeight: "18px" },
      h3: { fontSize: 13, fontWeight: 600, lineHeight: "18px" },
      button: { textTransform: "none", fontSize: 13, fontWeight: 500, lineHeight: "18px" },
      caption: { fontSize: 12, lineHeight: "16px", color: n.quiet },
    },
    components: {
      MuiButtonBase: { defaultProps: { disableRipple: true } },
      // A button that comes to life is what it says at once: motion is kept for what it explains.
      MuiButton: {
        defaultProps: { disableElevation: true, size: "small" },
        styleOverrides: { root: { transition: "none" } },
      },
      MuiTextField: { defaultProps: { size: "small", variant: "outlined" } },
      MuiSelect: { defaultProps: { size: "small" } },
      MuiToggleButton: {
        styleOverrides: {
          root: {
            padding: "2px 10px",
            color: n.ink,
            fontWeight: 400,
            "&.Mui-selected, &.Mui-selected:hover": {
              background: n.accent,
              color: mode === "light" ? "#fff" : "#101010",
            },
          },
        },
      },
      MuiPaper: { defaultProps: { elevation: 0 }, styleOverrides: { root: { backgroundImage: "none" } } },
      MuiDialog: { styleOverrides: { paper: { border: `1px solid ${n.lines}` } } },
      MuiMenu: { styleOverrides: { paper: { border: `1px solid ${n.lines}` } } },
      MuiTooltip: { defaultProps: { enterDelay: 400 } },
      MuiOutlinedInput: {
        styleOverrides: {
          multiline: { padding: "4px 0", "& textarea": { paddingLeft: 14, paddingRight: 14 } },
          input: { paddingTop: 6, paddingBottom: 6, fontVariantNumeric: "tabular-nums" },
        },
      },
      MuiCssBaseline: {
        styleOverrides: {
          body: { fontVariantNumeric: "tabular-nums", overflow: "hidden" },
          a: { color: n.accent },
          ":focus-visible": { outline: `2px solid ${n.accent}`, outlineOffset: 1 },
        },
      },
    },
  });
}
