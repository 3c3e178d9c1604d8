// The server around the built application: static files with strict headers, everything else by Astro's handler.
import { createReadStream, existsSync, statSync } from "node:fs";
import { createServer } from "node:http";
import path from "node:path";
import { pipeline } from "node:stream";
import { pathToFileURL } from "node:url";
import { root } from "./tools.mjs";

const TYPES = {
  ".css": "text/css; charset=utf-8",
  ".html": "text/html; charset=utf-8",
  ".js": "text/javascript; charset=utf-8",
  ".json": "application/json; charset=utf-8",
  ".mjs": "text/javascript; charset=utf-8",
  ".svg": "image/svg+xml",
  ".wasm": "application/wasm",
  ".woff": "font/woff",
  ".woff2": "font/woff2",
};
const LOOPBACK = new Set(["localhost", "127.0.0.1", "[::1]"]);
/** Addresses it can be told to listen on. */
const OWN = new Set(["localhost", "127.0.0.1", "::1"]);

/** Static files get the same protection as pages; a worker's own policy comes with its file. */
const STATIC_HEADERS = {
  "x-content-type-options": "nosniff",
  "referrer-policy": "no-referrer",
  "cross-origin-resource-policy": "same-origin",
  "content-security-policy":
    "default-src 'none'; script-src 'self' 'wasm-unsafe-eval'; connect-src 'self'; img-src 'self' blob:; style-src 'self'; font-src 'self'; base-uri 'none'; frame-ancestors 'none'",
};

const METHODS = new Set(["GET", "HEAD", "POST", "PUT", "DELETE"]);

/** Addresses that can be ours: readable, without what no name here holds, and not the framework's own picture maker. */
function wellFormed(url) {
  try {
    const { pathname } = new URL(url, "http://x");
    const name = decodeURIComponent(pathname);
    return /^[\x20-\x7e]*$/.test(name) && !name.startsWith("/_image") && !name.includes("//");
  } catch {
    return false;
  }
}

function staticFile(client, url) {
  let name;
  try {
    name = decodeURIComponent(new URL(url, "http://x").pathname);
  } catch {
    return null;
  }
  const file = path.join(client, path.normalize(name));
  if (!file.startsWith(client + path.sep) || !existsSync(file) || !statSync(file).isFile()) return null;
  return file;
}

function sendFile(file, request, response) {
  const hashed = file.includes(`${path.sep}_astro${path.sep}`);
  response.writeHead(200, {
    ...STATIC_HEADERS,
    "content-type": TYPES[path.extname(file)] ?? "application/octet-stream",
    "content-length": statSync(file).size,
    "cache-control": hashed ? "public, max-age=31536000, immutable" : "no-cache",
  });
  if (request.method === "HEAD") return response.end();
  // Ends the file with the answer, however that ends: an aborted download leaves nothing open.
  pipeline(createReadStream(file), response, () => undefined);
}

/** Serves until the process is told to end; resolves when it listens. */
export async function serve({ port, host }) {
  if (!OWN.has(host)) {
    console.error(
      `Crenna listens on this machine only (127.0.0.1, ::1 or localhost), not on ${host}: it asks for no password, so that anyone who reaches it could read and change your work.`,
    );
    process.exit(1);
  }
  process.env.NODE_ENV = "production";
  process.env.ASTRO_NODE_AUTOSTART = "disabled";
  const { handler } = await import(pathToFileURL(path.join(root, "dist/server/entry.mjs")).href);
  const client = path.join(root, "dist/client");
  const server = createServer((request, response) => {
    const name = (request.headers.host ?? "").replace(/:\d+$/, "").toLowerCase();
    if (!LOOPBACK.has(name)) {
      response.writeHead(421, { "content-type": "text/plain" });
      return response.end("This server answers only to its own name.\n");
    }
    if (!METHODS.has(request.method ?? "")) {
      response.writeHead(405, { "content-type": "text/plain", allow: [...METHODS].join(", ") });
      return response.end("This way of asking is not known here.\n");
    }
    if (!wellFormed(request.url ?? "/")) {
      response.writeHead(404, { "content-type": "text/plain" });
      return response.end("Nothing here.\n");
    }
    const readable = request.method === "GET" || request.method === "HEAD";
    const file = readable ? staticFile(client, request.url ?? "/") : null;
    if (file) return sendFile(file, request, response);
    handler(request, response, (error) => {
      if (error) console.error(error);
      if (!response.headersSent) response.writeHead(error ? 500 : 404, { "content-type": "text/plain" });
      response.end(error ? "Something went wrong here.\n" : "Nothing here.\n");
    });
  });
  server.requestTimeout = 30_000;
  server.headersTimeout = 10_000;
  await new Promise((resolve, reject) => {
    server.once("error", reject);
    server.listen(port, host, resolve);
  }).catch((error) => {
    console.error(
      error.code === "EADDRINUSE"
        ? `Port ${port} is taken. Choose another: npm start -- --port 4200`
        : error.message,
    );
    process.exit(1);
  });
  // Opens and fills the database before the address is printed, so that the first page finds it ready.
  const shown = host.includes(":") ? `[${host}]` : host;
  const address = `http://${shown}:${server.address().port}`;
  const first = await fetch(`${address}/api/painter`);
  if (!first.ok) {
    const told = await first.json().catch(() => ({}));
    console.error(`Crenna cannot use its data. ${told.detail ?? ""}`);
    process.exit(1);
  }
  console.log(`\nCrenna is ready at ${address}\n`);
  const stop = () => {
    server.close(() => process.exit(0));
    server.closeAllConnections();
  };
  process.once("SIGINT", stop);
  process.once("SIGTERM", stop);
}
