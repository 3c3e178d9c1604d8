import { benchBrowser } from "./browser";
import { benchCore } from "./core";
import { benchServer } from "./server";

const only = (part: string) => process.argv.includes(`--${part}`);
if (!only("server")) await benchCore();
if (!only("core")) await benchServer();
if (!only("core") && !only("server")) await benchBrowser();
