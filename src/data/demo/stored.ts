import type { Job } from "../../core/job";
import { DEMO_JSON } from "./generated/demoJson";

/**
 * The demo's jobs as they were last made. Making them takes a search for every tone of every scheme, some ten seconds in
 * all: nobody waits for that who starts with an empty database.
 */
export const storedDemo = (): Job[] => JSON.parse(DEMO_JSON) as Job[];
