import type { APIRoute } from "astro";
import { getHistory } from "../../../../../server/history";
import { answer } from "../../../../../server/problem";

export const GET: APIRoute = ({ params }) => answer(() => getHistory(params.id ?? ""));
