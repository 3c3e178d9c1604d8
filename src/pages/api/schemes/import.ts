import type { APIRoute } from "astro";
import { answer } from "../../../server/problem";
import { importSchemes } from "../../../server/schemes";

export const POST: APIRoute = ({ request }) => answer(() => importSchemes(request));
