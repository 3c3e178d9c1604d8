import { ValidationError } from "yup";
import { dropsCalled, namesHere, partsCalled } from "../../edits/otherPots";
import { InputError, type Problem } from "../../errors";
import { OWN_SCHEME_VERSION, type OwnScheme, type Paint } from "../../job";
import { parseOwnScheme, parsePaint } from "../job-json/jobSchema";
import { parsePlainJson } from "../plainJson";

/** Own schemes with the pots they name, so that they can be read on another shelf. */
export interface SchemeFile {
  readonly schemes: readonly OwnScheme[];
  readonly paints: readonly Paint[];
}

export const SCHEME_FILE_FORMAT = "crenna-scheme-file";
/** Schemes in one file. */
export const MOST_SCHEMES = 200;
/** Largest scheme file, bytes. */
export const MOST_SCHEME_FILE_BYTES = 16_000_000;

/** The pots that schemes' mixes and batches name. */
export function paintsOfSchemes(schemes: readonly OwnScheme[], shelf: readonly Paint[]): Paint[] {
  const used = new Set(schemes.flatMap(potsIn));
  return shelf.filter(({ id }) => used.has(id));
}

/** Pots a scheme cannot be painted without. */
const potsOf = ({ mixes }: OwnScheme): string[] =>
  mixes.flatMap(({ parts }) => parts.map(({ paintId }) => paintId));

/** Ids of all pots a scheme names: a batch may tell of one that is long gone. */
const potsIn = (scheme: OwnScheme): string[] => [
  ...potsOf(scheme),
  ...scheme.batches.flatMap(({ added }) => added.flatMap(({ paintId }) => paintId ?? [])),
];

/** Schemes as text. `readSchemeFile` gives the same schemes and pots back. */
export function writeSchemeFile(schemes: readonly OwnScheme[], shelf: readonly Paint[]): string {
  const file = {
    format: SCHEME_FILE_FORMAT,
    version: OWN_SCHEME_VERSION,
    schemes,
    paints: paintsOfSchemes(schemes, shelf),
  };
  return `${JSON.stringify(file, null, 2)}\n`;
}

const refusal = (field: string, message: string): InputError => new InputError([{ field, message }]);

function each<T>(list: readonly unknown[], what: string, read: (value: unknown) => T): T[] {
  return list.map((value, at) => {
    try {
      return read(value);
    } catch (error) {
      if (!(error instanceof ValidationError)) throw error;
      const problems = (error.inner.length > 0 ? error.inner : [error]).map((one): Problem => {
        const place = `${what}[${at}]${one.path ? `.${one.path}` : ""}`;
        return { field: place, message: `In ${what}[${at}]: ${one.message}.` };
      });
      throw new InputError(problems.slice(0, 20));
    }
  });
}

/**
 * Reads a scheme file.
 * @throws InputError that names every problem and its place; nothing is taken from a file with a problem
 */
export function readSchemeFile(text: string): SchemeFile {
  const value = parsePlainJson(text);
  const file = typeof value === "object" && value !== null ? (value as Record<string, unknown>) : {};
  if (file.format !== SCHEME_FILE_FORMAT) {
    const got = typeof file.format === "string" ? `"${file.format.slice(0, 40)}"` : "no format";
    throw refusal(
      "format",
      `This is no scheme file: it must say "format": "${SCHEME_FILE_FORMAT}", it has ${got}.`,
    );
  }
  const { version, schemes, paints } = file;
  if (
    typeof version !== "number" ||
    !Number.isInteger(version) ||
    version < 1 ||
    version > OWN_SCHEME_VERSION
  )
    throw refusal(
      "version",
      `This version of the scheme file is not known here; versions 1 to ${OWN_SCHEME_VERSION} are.`,
    );
  if (!Array.isArray(schemes)) throw refusal("schemes", "The file has no list of schemes.");
  if (schemes.length > MOST_SCHEMES)
    throw refusal("schemes", `The file has ${schemes.length} schemes; at most ${MOST_SCHEMES} are read.`);
  if (!Array.isArray(paints)) throw refusal("paints", "The file has no list of paints.");
  return { schemes: each(schemes, "schemes", parseOwnScheme), paints: each(paints, "paints", parsePaint) };
}

/**
 * A file's schemes on a shelf of one's own, its pots called as they are here.
 * @throws InputError where a scheme names a pot that is neither in the file nor on the shelf
 */
export function schemesHere({ schemes, paints }: SchemeFile, shelf: readonly Paint[]): SchemeFile {
  const known = new Set([...paints, ...shelf].map(({ id }) => id));
  const missing = schemes.flatMap((scheme) =>
    [...new Set(potsOf(scheme))]
      .filter((id) => !known.has(id))
      .map((id): Problem => {
        const message = `"${scheme.name}" names the pot "${id}", which is neither in the file nor on the shelf.`;
        return { field: "paints", message };
      }),
  );
  if (missing.length > 0) throw new InputError(missing.slice(0, 20));
  const rename = namesHere(paints, shelf);
  return {
    schemes: schemes.map((scheme) => ({
      ...scheme,
      mixes: scheme.mixes.map((mix) => ({ ...mix, parts: partsCalled(mix.parts, rename) })),
      batches: scheme.batches.map((batch) => ({ ...batch, added: dropsCalled(batch.added, rename) })),
    })),
    paints: paints.map((paint) => ({ ...paint, id: rename(paint.id) })),
  };
}
