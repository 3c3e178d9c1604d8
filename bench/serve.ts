import { spawn, type ChildProcess } from "node:child_process";
import { mkdtempSync } from "node:fs";
import os from "node:os";
import path from "node:path";

/** The built server with a database of its own, and its address. */
export async function startServer(): Promise<{ child: ChildProcess; address: string }> {
  const data = mkdtempSync(path.join(os.tmpdir(), "crenna-bench-"));
  const child = spawn(process.execPath, ["scripts/start.mjs", "--port", "0", "--data", data], {
    stdio: ["ignore", "pipe", "inherit"],
  });
  let text = "";
  const address = await new Promise<string>((resolve) =>
    child.stdout.on("data", (chunk: Buffer) => {
      text += chunk.toString();
      const found = /ready at (http:\S+)/.exec(text);
      if (found) resolve(found[1]!);
    }),
  );
  return { child, address };
}
