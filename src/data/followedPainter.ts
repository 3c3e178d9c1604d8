import { followingLog, learnedFrom, type Learned } from "../core/learning/learned";
import type { Painter } from "../core/painter";
import type { Db } from "./database";
import { readAllEntries } from "./historyStore";
import { listPaints } from "./paintStore";
import { remembered } from "./remembered";
import { readPainter } from "./settingsStore";

/** The painter as set, what the log of all jobs tells, and the painter that plans are made for. */
export interface FollowedPainter {
  readonly painter: Painter;
  readonly learned: readonly Learned[];
  readonly following: Painter;
}

/** The painter with all that the log teaches, worked out once for as long as nothing is noted. */
export const followedPainter = (db: Db): FollowedPainter =>
  remembered(db, "followed painter", () => {
    const painter = readPainter(db);
    const learned = learnedFrom(readAllEntries(db), painter, listPaints(db));
    return { painter, learned, following: followingLog(painter, learned) };
  });
