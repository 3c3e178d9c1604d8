import type { APIRoute } from "astro";
import { importJob } from "../../../server/jobs";
import { answer } from "../../../server/problem";

export const POST: APIRoute = ({ request }) => answer(() => importJob(request));
