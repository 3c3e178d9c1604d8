import type { APIRoute } from "astro";
import { changeShelf, getPaints } from "../../../server/paints";
import { answer } from "../../../server/problem";

export const GET: APIRoute = () => answer(getPaints);
export const PUT: APIRoute = ({ request }) => answer(() => changeShelf(request));
