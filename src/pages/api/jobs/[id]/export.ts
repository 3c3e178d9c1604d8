import type { APIRoute } from "astro";
import { exportJob } from "../../../../server/jobs";
import { answer } from "../../../../server/problem";

export const GET: APIRoute = ({ params }) => answer(() => exportJob(params.id ?? ""));
