import type { APIRoute } from "astro";
import { getPainter, savePainter } from "../../server/painter";
import { answer } from "../../server/problem";

export const GET: APIRoute = () => answer(getPainter);
export const PUT: APIRoute = ({ request }) => answer(() => savePainter(request));
