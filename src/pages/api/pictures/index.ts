import type { APIRoute } from "astro";
import { savePicture } from "../../../server/pictures";
import { answer } from "../../../server/problem";

export const POST: APIRoute = ({ request }) => answer(() => savePicture(request));
