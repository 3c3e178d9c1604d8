import type { PieceSkin } from "../core/piece/skin";
import type { StillWanted } from "../core/simulate/simulator";
import type { SkinInput } from "./questions/skin";
import { WorkerClient } from "./workerClient";

declare const self: DedicatedWorkerGlobalScope;

/** What a surface wears, as another worker painted it: its cells are built by whoever asked. */
export interface PaintedSkin extends Pick<PieceSkin, "rgba" | "gloss"> {
  readonly heights: Float32Array<ArrayBuffer>;
  readonly width: number;
  readonly height: number;
}

/** Another worker that paints surfaces beside this one. */
export interface Helper {
  /** It can paint. */
  ready(): boolean;
  /** Resolves when it can; never where it could not start. */
  readonly started: Promise<void>;
  /** Null where it was stopped. @throws Error with what went wrong there */
  paint(input: SkinInput, wanted: StillWanted): Promise<PaintedSkin | null>;
}

function startHelper(): Helper {
  // The same program once more; a bundler cannot tell it of itself by its name.
  const client = new WorkerClient(new Worker(self.location.href, { type: "module" }));
  let ready = false;
  const started = new Promise<void>((resolve) => client.ask("warm", {}, { answer: () => resolve() })).then(
    () => void (ready = true),
  );
  return {
    ready: () => ready,
    started,
    paint: (input, wanted) =>
      new Promise((resolve, reject) => {
        const id: number = client.ask("skin", input, {
          progress: (done, total) => {
            void wanted(done, total).then((still) => {
              if (!still) client.cancel(id);
            });
          },
          answer: resolve,
          dropped: () => resolve(null),
          failed: (message) => reject(new Error(message)),
        });
      }),
  };
}

const MOST = 5;
const team: Helper[] = [];

/** So many helpers, started when they are first wanted. */
export function helpersFor(count: number): readonly Helper[] {
  while (team.length < Math.min(MOST, count)) team.push(startHelper());
  return team.slice(0, count);
}
