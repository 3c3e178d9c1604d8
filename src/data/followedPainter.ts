import { followingLog, learnedFrom, type Learned } from "../core/learning/learned";
import type { Painter } from "../core/painter";
import type { Db } from "./database";
import { readAllEntries } from "./historyStore";
import { listPaints } from "./paintStore";
import { readPainter } from "./settingsStore";

/** The painter as set, what the log of all jobs tells, and the painter that plans are made for. */
export interface FollowedPainter {
  readonly painter: Painter;
  readonly learned: readonly Learned[];
  readonly following: Painter;
}

/** The painter with all that the log teaches. */
export function followedPainter(db: Db): FollowedPainter {
  const painter = readPainter(db);
  const learned = learnedFrom(readAllEntries(db), painter, listPaints(db));
  return { painter, learned, following: followingLog(painter, learned) };
}
