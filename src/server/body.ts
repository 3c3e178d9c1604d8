import { HttpProblem } from "./problem";

/** Largest body taken, bytes: a job of sixty surfaces is well below it. */
export const MOST_BYTES = 4_000_000;

/** Reads a body up to a size. @throws HttpProblem 413 */
export async function readBytes(request: Request, most = MOST_BYTES): Promise<Buffer> {
  const tooLarge = () =>
    new HttpProblem(413, "Too large", `At most ${most / 1_000_000} MB can be sent at once.`);
  if (Number(request.headers.get("content-length") ?? 0) > most) throw tooLarge();
  const reader = request.body?.getReader();
  if (!reader) return Buffer.alloc(0);
  const chunks: Uint8Array[] = [];
  let size = 0;
  for (;;) {
    const { done, value } = await reader.read();
    if (done) break;
    size += value.byteLength;
    if (size > most) {
      await reader.cancel();
      throw tooLarge();
    }
    chunks.push(value);
  }
  return Buffer.concat(chunks);
}

/** Reads a text body up to a size. @throws HttpProblem 413 */
export const readText = async (request: Request, most = MOST_BYTES): Promise<string> =>
  new TextDecoder().decode(await readBytes(request, most));

/** Reads a JSON body. @throws HttpProblem 415 for another type, 400 where it is not JSON */
export async function readJson(request: Request): Promise<unknown> {
  if (!(request.headers.get("content-type") ?? "").startsWith("application/json")) {
    throw new HttpProblem(415, "Wrong type", "Send application/json.");
  }
  const text = await readText(request);
  try {
    return JSON.parse(text);
  } catch {
    throw new HttpProblem(400, "Not JSON", "The body is not whole JSON text.");
  }
}
