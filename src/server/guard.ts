/** Names under which this server may be called, besides the address it was told to listen on. */
const LOOPBACK = new Set(["localhost", "127.0.0.1", "[::1]"]);

const hostName = (host: string) => host.replace(/:\d+$/, "").toLowerCase();

/** Whether a Host header names this server: foreign names may be another site pointed here. */
export function hostAllowed(host: string | null, listening: string | undefined): boolean {
  if (host === null) return false;
  const name = hostName(host);
  return LOOPBACK.has(name) || (listening !== undefined && listening !== "0.0.0.0" && name === listening);
}

/** Whether a request that changes something comes from our own pages. */
export function originAllowed(
  method: string,
  origin: string | null,
  site: string | null,
  host: string,
): boolean {
  if (method === "GET" || method === "HEAD") return true;
  if (site !== null && site !== "same-origin" && site !== "none") return false;
  if (origin === null) return true;
  try {
    return new URL(origin).host === host;
  } catch {
    return false;
  }
}

/** The Content-Security-Policy of a page; scripts and styles need its nonce. */
export const contentSecurityPolicy = (nonce: string): string =>
  [
    "default-src 'none'",
    `script-src 'self' 'nonce-${nonce}' 'wasm-unsafe-eval'`,
    `style-src 'self' 'nonce-${nonce}'`,
    "img-src 'self' data: blob:",
    "font-src 'self'",
    "connect-src 'self'",
    "worker-src 'self' blob:",
    "manifest-src 'self'",
    "form-action 'self'",
    "base-uri 'none'",
    "frame-ancestors 'none'",
  ].join("; ");
