import { create } from "zustand";
import type { Paint } from "../../core/job";
import { call } from "../../ui/api";

export type Users = Readonly<Record<string, readonly { id: string; name: string }[]>>;

interface Loaded {
  readonly paints: readonly Paint[];
  readonly users: Users;
}

/** What a step changed: pots as they were and as they are; null where one was not there. */
type Step = readonly { readonly id: string; readonly before: Paint | null; readonly after: Paint | null }[];

interface ShelfState extends Loaded {
  readonly ready: boolean;
  readonly past: readonly Step[];
  readonly future: readonly Step[];
  readonly load: () => Promise<void>;
  /** Puts pots and takes pots off in one go; can be undone. @throws ApiError */
  readonly change: (put: readonly Paint[], remove?: readonly string[]) => Promise<void>;
  /** Notes a change the server made by itself, as a step that can be undone. */
  readonly noteServerChange: () => Promise<void>;
  readonly undo: () => Promise<void>;
  readonly redo: () => Promise<void>;
}

function stepBetween(before: readonly Paint[], after: readonly Paint[]): Step {
  const old = new Map(before.map((paint) => [paint.id, paint]));
  const now = new Map(after.map((paint) => [paint.id, paint]));
  return [...new Set([...old.keys(), ...now.keys()])].flatMap((id) => {
    const [was, is] = [old.get(id) ?? null, now.get(id) ?? null];
    return JSON.stringify(was) === JSON.stringify(is) ? [] : [{ id, before: was, after: is }];
  });
}

const send = (put: readonly Paint[], remove: readonly string[]) =>
  call<Loaded>("/api/paints", { method: "PUT", json: { put, remove } });

const apply = (step: Step, to: "before" | "after") =>
  send(
    step.flatMap((one) => one[to] ?? []),
    step.flatMap((one) => (one[to] === null ? [one.id] : [])),
  );

/** The whole shelf; every change is kept by the server and can be taken back. */
export const useShelf = create<ShelfState>()((set, get) => {
  const take = (loaded: Loaded) => {
    const step = stepBetween(get().paints, loaded.paints);
    set({
      paints: loaded.paints,
      users: loaded.users,
      ...(step.length > 0 ? { past: [...get().past, step], future: [] } : {}),
    });
  };
  return {
    ready: false,
    paints: [],
    users: {},
    past: [],
    future: [],
    load: async () => {
      const { paints, users } = await call<Loaded>("/api/paints");
      set({ paints, users, ready: true });
    },
    change: async (put, remove = []) => take(await send(put, remove)),
    noteServerChange: async () => take(await call<Loaded>("/api/paints")),
    undo: async () => {
      const step = get().past.at(-1);
      if (!step) return;
      const { paints, users } = await apply(step, "before");
      set({ paints, users, past: get().past.slice(0, -1), future: [step, ...get().future] });
    },
    redo: async () => {
      const [step, ...future] = get().future;
      if (!step) return;
      const { paints, users } = await apply(step, "after");
      set({ paints, users, past: [...get().past, step], future });
    },
  };
});
