import type { APIRoute } from "astro";
import { dropHistoryItem, putHistoryItem } from "../../../../../../server/history";
import { answer } from "../../../../../../server/problem";

export const PUT: APIRoute = ({ params: { id = "", kind = "", item = "" }, request }) =>
  answer(() => putHistoryItem(id, kind, item, request));
export const DELETE: APIRoute = ({ params: { id = "", kind = "", item = "" } }) =>
  answer(() => dropHistoryItem(id, kind, item));
