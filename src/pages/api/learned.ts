import type { APIRoute } from "astro";
import { getLearnedPots } from "../../server/learned";
import { answer } from "../../server/problem";

export const GET: APIRoute = () => answer(getLearnedPots);
