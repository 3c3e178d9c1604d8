import type { APIRoute } from "astro";
import { deletePaint, savePaint } from "../../../server/paints";
import { answer } from "../../../server/problem";

export const PUT: APIRoute = ({ params, request }) => answer(() => savePaint(params.id ?? "", request));
export const DELETE: APIRoute = ({ params }) => answer(() => deletePaint(params.id ?? ""));
