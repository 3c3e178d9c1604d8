import type { APIRoute } from "astro";
import { answer } from "../../../server/problem";
import { getSchemes } from "../../../server/schemes";

export const GET: APIRoute = () => answer(getSchemes);
