import { useMemo } from "react";
import { jobOfSchemes } from "../../core/edits/schemeJob";
import { InputError } from "../../core/errors";
import type { Job, OwnScheme, Paint } from "../../core/job";
import { defaultPainter } from "../../core/painter";

/** A job that holds nothing but a scheme on its own piece; words where it cannot be painted. */
export const useSchemeJob = (scheme: OwnScheme, paints: readonly Paint[]): Job | string =>
  useMemo(() => {
    try {
      return jobOfSchemes([scheme], { id: "shown", name: scheme.name, painter: defaultPainter }, paints);
    } catch (error) {
      if (error instanceof InputError) return error.message;
      throw error;
    }
  }, [scheme, paints]);
