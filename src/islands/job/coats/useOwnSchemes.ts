import { useCallback, useEffect, useState } from "react";
import type { OwnScheme } from "../../../core/job";
import { call, messageOf } from "../../../ui/api";

/** The painter's own schemes, kept on the server; null while they come. */
export function useOwnSchemes() {
  const [schemes, setSchemes] = useState<readonly OwnScheme[] | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const load = useCallback(
    () => call<{ schemes: OwnScheme[] }>("/api/schemes").then((kept) => setSchemes(kept.schemes)),
    [],
  );
  useEffect(() => {
    load().catch((error: unknown) => setProblem(messageOf(error)));
  }, [load]);
  const attempt = (work: () => Promise<unknown>) => {
    setProblem(null);
    work()
      .then(load)
      .catch((error: unknown) => setProblem(messageOf(error)));
  };
  return {
    schemes,
    problem,
    keep: (scheme: OwnScheme) =>
      attempt(() => call(`/api/schemes/${scheme.id}`, { method: "PUT", json: scheme })),
    remove: (id: string) => attempt(() => call(`/api/schemes/${id}`, { method: "DELETE" })),
  };
}
