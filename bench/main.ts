import { benchBrowser } from "./browser";
import { benchCore } from "./core";
import { benchHard } from "./hard";
import { benchLiving } from "./living";
import { benchServer } from "./server";

const PARTS = {
  core: benchCore,
  living: benchLiving,
  hard: benchHard,
  server: benchServer,
  browser: benchBrowser,
};

/** Named parts only, as in `npm run bench -- --core`; all of them where none is named. */
const named = Object.keys(PARTS).filter((part) =>
  process.argv.some((one) => one === `--${part}` || one.startsWith(`--${part}=`)),
);
for (const [part, run] of Object.entries(PARTS)) if (named.length === 0 || named.includes(part)) await run();
