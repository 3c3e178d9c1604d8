import type { APIRoute } from "astro";
import { getRawJob } from "../../../../server/jobs";
import { answer } from "../../../../server/problem";

export const GET: APIRoute = ({ params }) => answer(() => getRawJob(params.id ?? ""));
