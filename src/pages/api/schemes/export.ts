import type { APIRoute } from "astro";
import { answer } from "../../../server/problem";
import { exportSchemes } from "../../../server/schemes";

export const GET: APIRoute = () => answer(exportSchemes);
