import createCache from "@emotion/cache";
import { CacheProvider } from "@emotion/react";
import { CssBaseline } from "@mui/material";
import { ThemeProvider } from "@mui/material/styles";
import { useEffect, useMemo, type ReactNode } from "react";
import { pageNonce } from "./nonce";
import { onlyPressedOptions } from "./onlyPressed";
import { usePrefs } from "./prefs";
import { makeTheme } from "./theme";

// Styles are written into the page with the page's nonce: nothing else may add any.
const cache = createCache({ key: "c", nonce: pageNonce(), prepend: true });

/** Theme and styles around every view. */
export function AppFrame({ children }: { readonly children: ReactNode }) {
  const mode = usePrefs((prefs) => prefs.mode);
  const theme = useMemo(() => makeTheme(mode), [mode]);
  useEffect(() => onlyPressedOptions(document), []);
  return (
    <CacheProvider value={cache}>
      <ThemeProvider theme={theme}>
        <CssBaseline />
        {children}
      </ThemeProvider>
    </CacheProvider>
  );
}
