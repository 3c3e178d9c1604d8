import { benchBrowser } from "./browser";
import { benchCore } from "./core";

await benchCore();
if (!process.argv.includes("--core")) await benchBrowser();
