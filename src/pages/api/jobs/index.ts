import type { APIRoute } from "astro";
import { createJob, getJobs } from "../../../server/jobs";
import { answer } from "../../../server/problem";

export const GET: APIRoute = () => answer(getJobs);
export const POST: APIRoute = ({ request }) => answer(() => createJob(request));
