import type { APIRoute } from "astro";
import { answer } from "../../../server/problem";
import { deleteScheme, exportScheme, saveScheme } from "../../../server/schemes";

export const GET: APIRoute = ({ params }) => answer(() => exportScheme(params.id ?? ""));
export const PUT: APIRoute = ({ params, request }) => answer(() => saveScheme(params.id ?? "", request));
export const DELETE: APIRoute = ({ params }) => answer(() => deleteScheme(params.id ?? ""));
