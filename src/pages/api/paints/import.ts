import type { APIRoute } from "astro";
import { importShelf } from "../../../server/paints";
import { answer } from "../../../server/problem";

export const POST: APIRoute = ({ request }) => answer(() => importShelf(request));
