import { ApiError } from "../../ui/api";
import { taskWorker } from "../../worker/client";
import type { ScaledPicture } from "../../worker/paletteTasks";

/** Scales a picture in the worker, keeps it on the server. @throws Error with what is wrong */
export async function keepPicture(file: File): Promise<{ picture: ScaledPicture; id: string }> {
  const picture = await new Promise<ScaledPicture>((resolve, reject) => {
    taskWorker().ask(
      "picture",
      { file },
      {
        answer: resolve,
        failed: (message) => reject(new Error(message)),
      },
    );
  });
  const response = await fetch("/api/pictures", { method: "POST", body: picture.bytes });
  const body = (await response.json()) as { id?: string; detail?: string };
  if (!response.ok || body.id === undefined)
    throw new ApiError(response.status, body.detail ?? "The picture could not be kept.", {});
  return { picture, id: body.id };
}
