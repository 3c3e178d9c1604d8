import { createHash } from "node:crypto";
import { MOST_PICTURE_BYTES, PICTURE_TYPES } from "../core/formats/job-json/jobFile";
import { database } from "../data";
import { findPicture, keepPicture, type StoredPicture } from "../data/pictureStore";
import { readBytes } from "./body";
import { HttpProblem, json } from "./problem";

type PictureType = (typeof PICTURE_TYPES)[number];

/** What a file's first bytes say it is. */
export function pictureType(bytes: Buffer): PictureType | null {
  if (bytes.subarray(0, 8).equals(Buffer.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a])))
    return "image/png";
  if (bytes.subarray(0, 3).equals(Buffer.from([0xff, 0xd8, 0xff]))) return "image/jpeg";
  const riff = bytes.toString("latin1", 0, 4) === "RIFF" && bytes.toString("latin1", 8, 12) === "WEBP";
  return riff ? "image/webp" : null;
}

const refuse = (detail: string) => new HttpProblem(422, "The picture cannot be used", detail);

/**
 * A picture that may be kept.
 * @param type what it is said to be; null where nothing is said
 * @param id name it must have; null where it gets its name here
 * @throws HttpProblem 422
 */
export function checkedPicture(bytes: Buffer, type: string | null, id: string | null): StoredPicture {
  const found = pictureType(bytes);
  if (!found) throw refuse("Only PNG, JPEG and WebP pictures are taken.");
  if (type !== null && type !== found) throw refuse(`It is said to be ${type} but is ${found}.`);
  if (bytes.byteLength > MOST_PICTURE_BYTES)
    throw refuse(`A picture may have ${MOST_PICTURE_BYTES / 1000} kB at most, this one has more.`);
  const own = createHash("sha256").update(bytes).digest("hex");
  if (id !== null && id !== own) throw refuse("Its name does not fit its content: the file was changed.");
  return { id: own, type: found, bytes };
}

/** Keeps a reference picture, named by its content. */
export async function savePicture(request: Request): Promise<Response> {
  const picture = checkedPicture(await readBytes(request, MOST_PICTURE_BYTES + 1000), null, null);
  keepPicture(database(), picture, new Date().toISOString());
  return json({ id: picture.id, type: picture.type }, 201);
}

export function getPicture(id: string): Response {
  const picture = findPicture(database(), id);
  if (!picture) throw new HttpProblem(404, "No such picture", "This picture is not kept here.");
  return new Response(new Uint8Array(picture.bytes), {
    headers: { "content-type": picture.type, "cache-control": "private, max-age=31536000, immutable" },
  });
}
