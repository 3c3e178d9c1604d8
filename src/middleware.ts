import { randomBytes } from "node:crypto";
import { defineMiddleware } from "astro:middleware";
import { contentSecurityPolicy, hostAllowed, originAllowed } from "./server/guard";
import { problem } from "./server/problem";

export const onRequest = defineMiddleware(async ({ request, locals }, next) => {
  const host = request.headers.get("host");
  if (!hostAllowed(host, process.env.CRENNA_HOST)) {
    return problem(421, "Not this server", "This server answers only to its own name.");
  }
  const { method, headers } = request;
  if (!originAllowed(method, headers.get("origin"), headers.get("sec-fetch-site"), host!)) {
    return problem(403, "Foreign origin", "Changes are taken only from this server's own pages.");
  }
  const nonce = randomBytes(16).toString("base64");
  locals.nonce = nonce;
  const response = await next();
  response.headers.set("x-content-type-options", "nosniff");
  response.headers.set("referrer-policy", "no-referrer");
  response.headers.set("cross-origin-opener-policy", "same-origin");
  response.headers.set("cross-origin-resource-policy", "same-origin");
  if (import.meta.env.DEV || !(response.headers.get("content-type") ?? "").startsWith("text/html"))
    return response;
  response.headers.set("content-security-policy", contentSecurityPolicy(nonce));
  // Astro writes the scripts that start the islands into the page; they get the page's nonce.
  const html = (await response.text()).replaceAll(/<(script|style)(?=[\s>])/g, `<$1 nonce="${nonce}"`);
  return new Response(html, { status: response.status, headers: response.headers });
});
