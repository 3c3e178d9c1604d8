import { useEffect, useState, type RefObject } from "react";
import type { History, Job } from "../../core/job";
import { ApiError, call, messageOf } from "../../ui/api";

export type DeskJob =
  | { readonly kind: "waiting" }
  | { readonly kind: "read"; readonly job: Job; readonly history: History }
  | { readonly kind: "damaged"; readonly message: string }
  | { readonly kind: "failed"; readonly message: string };

const WAITING: DeskJob = { kind: "waiting" };

/** Whether something has come near what is shown; it stays so. */
function useComeIntoView(host: RefObject<HTMLElement | null>): boolean {
  const [seen, setSeen] = useState(false);
  useEffect(() => {
    if (!host.current || seen) return;
    const observer = new IntersectionObserver(
      (entries) => entries.some((entry) => entry.isIntersecting) && setSeen(true),
      { rootMargin: "300px" },
    );
    observer.observe(host.current);
    return () => observer.disconnect();
  }, [host, seen]);
  return seen;
}

/** A job read once its strip comes into view, and again when it was saved since. */
export function useDeskJob(host: RefObject<HTMLElement | null>, id: string, updatedAt: string): DeskJob {
  const seen = useComeIntoView(host);
  const [read, setRead] = useState<DeskJob>(WAITING);
  useEffect(() => {
    if (!seen) return;
    let gone = false;
    call<{ job: Job; history: History }>(`/api/jobs/${id}?bare`).then(
      ({ job, history }) => !gone && setRead({ kind: "read", job, history }),
      (error: unknown) => {
        if (gone) return;
        const damaged = error instanceof ApiError && error.body.damaged === true;
        setRead({ kind: damaged ? "damaged" : "failed", message: messageOf(error) });
      },
    );
    return () => {
      gone = true;
    };
  }, [seen, id, updatedAt]);
  return read;
}
