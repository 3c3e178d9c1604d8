import type { APIRoute } from "astro";
import { restoreJob } from "../../../../server/jobs";
import { answer } from "../../../../server/problem";

export const POST: APIRoute = ({ params }) => answer(() => restoreJob(params.id ?? ""));
