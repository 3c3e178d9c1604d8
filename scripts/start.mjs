// npm start: installs what is missing, builds, opens the database (with the demo job where it is empty) and serves.
import { parseArgs } from "node:util";
import path from "node:path";
import { buildIfNeeded, checkNode, installPackages, root } from "./tools.mjs";

const usage = `npm start -- [--port N] [--host ADDRESS] [--data DIR] [--empty]
  --port   port to listen on, 4173 where not given; 0 takes a free one
  --host   127.0.0.1 (where not given), ::1 or localhost: only this machine can reach it
  --data   folder of the database, ./data where not given
  --empty  do not put the demo job into an empty database`;

function readArguments() {
  try {
    const { values } = parseArgs({
      options: {
        port: { type: "string", default: "4173" },
        host: { type: "string", default: "127.0.0.1" },
        data: { type: "string", default: path.join(root, "data") },
        empty: { type: "boolean", default: false },
        help: { type: "boolean", default: false },
      },
    });
    const port = Number(values.port);
    if (!Number.isInteger(port) || port < 0 || port > 65535)
      throw new Error(`--port must be 0 to 65535, got ${values.port}`);
    return { ...values, port };
  } catch (error) {
    console.error(`${error.message}\n\n${usage}`);
    process.exit(2);
  }
}

const options = readArguments();
if (options.help) {
  console.log(usage);
  process.exit(0);
}
checkNode();
installPackages();
buildIfNeeded();
process.env.CRENNA_DATA = path.resolve(options.data);
process.env.CRENNA_MIGRATIONS = path.join(root, "drizzle");
process.env.CRENNA_HOST = options.host;
if (options.empty) process.env.CRENNA_EMPTY = "1";
const { serve } = await import("./serve.mjs");
await serve(options);
