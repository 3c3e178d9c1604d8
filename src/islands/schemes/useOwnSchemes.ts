import { useCallback, useEffect, useState } from "react";
import type { OwnScheme, Paint } from "../../core/job";
import { call, messageOf } from "../../ui/api";

interface Kept {
  readonly schemes: readonly OwnScheme[];
  readonly paints: readonly Paint[];
}

async function takeFile(file: File): Promise<void> {
  const text = await file.text();
  await call("/api/schemes/import", { method: "POST", text }).catch((error: unknown) => {
    throw new Error(`${file.name} was not taken, nothing was changed. ${messageOf(error)}`, { cause: error });
  });
}

/** The painter's own schemes, kept on the server, and the shelf they are painted from; null while they come. */
export function useOwnSchemes() {
  const [kept, setKept] = useState<Kept | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const load = useCallback(() => call<Kept>("/api/schemes").then(setKept), []);
  useEffect(() => {
    load().catch((error: unknown) => setProblem(messageOf(error)));
  }, [load]);
  /** Does something, and tells whether it went well. */
  const attempt = (work: () => Promise<unknown>): Promise<boolean> => {
    setProblem(null);
    return work()
      .then(load)
      .then(
        () => true,
        (error: unknown) => {
          setProblem(messageOf(error));
          return false;
        },
      );
  };
  const put = (scheme: OwnScheme) => call(`/api/schemes/${scheme.id}`, { method: "PUT", json: scheme });
  return {
    schemes: kept?.schemes ?? null,
    paints: kept?.paints ?? [],
    problem,
    clearProblem: () => setProblem(null),
    attempt,
    keep: (...schemes: readonly OwnScheme[]) =>
      attempt(async () => {
        for (const scheme of schemes) await put(scheme);
      }),
    remove: (id: string) => attempt(() => call(`/api/schemes/${id}`, { method: "DELETE" })),
    importFile: (file: File) => attempt(() => takeFile(file)),
  };
}

/** An id for a scheme that is kept for the first time. */
export const newSchemeId = (): string => `scheme-${crypto.randomUUID()}`;
