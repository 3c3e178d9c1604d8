import { buildIfNeeded } from "./tools.mjs";

buildIfNeeded();
