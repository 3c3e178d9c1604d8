// The development server, on the same data folder as `npm start`.
import { spawn } from "node:child_process";
import { bin, checkNode, installPackages, root, run } from "./tools.mjs";

checkNode();
installPackages();
run("Film kernel", process.execPath, ["scripts/build-wasm.mjs"]);
const child = spawn(process.execPath, [bin("astro/astro.js"), "dev", ...process.argv.slice(2)], {
  cwd: root,
  stdio: "inherit",
});
for (const signal of ["SIGINT", "SIGTERM"]) process.on(signal, () => child.kill(signal));
child.on("exit", (code) => process.exit(code ?? 0));
