// Which browser tests, bench and screenshots use.
import { existsSync } from "node:fs";

const WHOLE = "/usr/bin/chromium";
/** Chromium without windows of its own: the whole one draws them for every page, which takes longer than many a test. */
const SHELL = "/usr/bin/chromium-headless-shell";

/** Path of Debian's Chromium, or of what `CRENNA_CHROMIUM` names. */
export const CHROMIUM = process.env.CRENNA_CHROMIUM ?? (existsSync(SHELL) ? SHELL : WHOLE);
