import type { APIRoute } from "astro";
import { deleteJob, getJob, putJob } from "../../../../server/jobs";
import { answer } from "../../../../server/problem";

export const GET: APIRoute = ({ params, url }) =>
  answer(() => getJob(params.id ?? "", url.searchParams.has("bare")));
export const PUT: APIRoute = ({ params, request }) => answer(() => putJob(params.id ?? "", request));
export const DELETE: APIRoute = ({ params }) => answer(() => deleteJob(params.id ?? ""));
