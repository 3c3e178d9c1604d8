import type { APIRoute } from "astro";
import { exportShelf } from "../../../server/paints";
import { answer } from "../../../server/problem";

export const GET: APIRoute = ({ params }) => answer(() => exportShelf(params.format ?? ""));
