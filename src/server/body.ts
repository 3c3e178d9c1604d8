import { parsePlainJson } from "../core/formats/plainJson";
import { HttpProblem } from "./problem";

const messageOf = (error: unknown) => (error instanceof Error ? error.message : String(error));

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

function decoded(bytes: Buffer): string {
  try {
    return new TextDecoder("utf-8", { fatal: true }).decode(bytes);
  } catch {
    throw new HttpProblem(400, "Not UTF-8", "The text is not UTF-8: some of its bytes are no letters.");
  }
}

/** Reads a text body up to a size. @throws HttpProblem 413, 400 where it is not UTF-8 */
export const readText = async (request: Request, most = MOST_BYTES): Promise<string> =>
  decoded(await readBytes(request, most));

/** Reads a JSON body. @throws HttpProblem 415 for another type, 400 where it is not JSON */
export async function readJson(request: Request): Promise<unknown> {
  if (!(request.headers.get("content-type") ?? "").startsWith("application/json")) {
    throw new HttpProblem(415, "Wrong type", "Send application/json.");
  }
  const text = await readText(request);
  try {
    return parsePlainJson(text);
  } catch (error) {
    throw new HttpProblem(400, "Not usable JSON", messageOf(error));
  }
}
