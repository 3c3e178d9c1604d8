import type { APIRoute } from "astro";
import { getPicture } from "../../../server/pictures";
import { answer } from "../../../server/problem";

export const GET: APIRoute = ({ params }) => answer(() => getPicture(params.id ?? ""));
