import {
  coatSchema,
  historySchema,
  jobSchema,
  JOB_VERSION,
  logEntrySchema,
  mixSchema,
  OWN_SCHEME_VERSION,
  ownSchemeSchema,
  paintSchema,
  patternSlot,
  placeSchema,
  surfaceSchema,
  wellSchema,
} from "../../job";
import { MOST_SCHEMES, SCHEME_FILE_FORMAT } from "../scheme-json/schemeFile";
import { families } from "../../patterns";
import { whole } from "../../shape";
import { filePicturesSchema, JOB_FILE_FORMAT } from "./jobFile";
import { JsonSchemaWriter, type JsonSchema } from "./jsonSchema";

/** Name of the published file of schemes. */
export const schemeSchemaFile = `crenna-scheme-file-${OWN_SCHEME_VERSION}.schema.json`;

/** Name of the published file. */
export const schemaFile = `crenna-job-file-${JOB_VERSION}.schema.json`;

/** A pattern as any of the families there are, or none. */
const patternChoices = (writer: JsonSchemaWriter): JsonSchema => ({
  oneOf: [
    ...Object.values(families).map(({ id, version, schema }) => ({
      type: "object",
      properties: {
        id: { const: id },
        version: writer.write(whole(1, version)),
        params: writer.write(schema),
      },
      required: ["id", "version", "params"],
      additionalProperties: false,
    })),
    { type: "null" },
  ],
});

/** A writer that gives the shapes files have in common their names. */
function namingWriter(): JsonSchemaWriter {
  const names = new Map<object, string>([
    [coatSchema, "coat"],
    [placeSchema, "place"],
    [mixSchema, "mix"],
    [surfaceSchema, "surface"],
    [paintSchema, "paint"],
    [wellSchema, "well"],
    [logEntrySchema, "logEntry"],
    [patternSlot, "pattern"],
  ]) as ConstructorParameters<typeof JsonSchemaWriter>[0];
  const writer = new JsonSchemaWriter(names);
  writer.definitions.pattern = patternChoices(writer);
  return writer;
}

/** A file of ours as JSON Schema: all its properties are wanted, and no others. */
const fileSchema = (
  writer: JsonSchemaWriter,
  told: Readonly<Record<"$id" | "title" | "description", string>>,
  properties: Readonly<Record<string, JsonSchema>>,
): JsonSchema => ({
  $schema: "https://json-schema.org/draft/2020-12/schema",
  ...told,
  type: "object",
  properties,
  required: Object.keys(properties),
  additionalProperties: false,
  $defs: writer.definitions,
});

/** What a job file may hold, as JSON Schema, made from the very schemas that read it. */
export function jobFileSchema(): JsonSchema {
  const writer = namingWriter();
  const properties = {
    format: { const: JOB_FILE_FORMAT },
    version: { const: JOB_VERSION },
    job: writer.write(jobSchema),
    history: writer.write(historySchema),
    paints: { type: "array", items: writer.write(paintSchema) },
    pictures: writer.write(filePicturesSchema),
  };
  return fileSchema(
    writer,
    {
      $id: `urn:crenna:job-file:${JOB_VERSION}`,
      title: "Crenna job file",
      description:
        "One job, what happened at its bench, and the pots and pictures it uses. Lengths in mm, angles in degrees, volumes in microlitres, times in UTC.",
    },
    properties,
  );
}

/** What a file of own schemes may hold, as JSON Schema, made from the very schemas that read it. */
export function schemeFileSchema(): JsonSchema {
  const writer = namingWriter();
  return fileSchema(
    writer,
    {
      $id: `urn:crenna:scheme-file:${OWN_SCHEME_VERSION}`,
      title: "Crenna scheme file",
      description:
        "Schemes of a painter's own, and the pots they name. Lengths in mm, angles in degrees, volumes in microlitres, times in UTC.",
    },
    {
      format: { const: SCHEME_FILE_FORMAT },
      version: { const: OWN_SCHEME_VERSION },
      schemes: { type: "array", items: writer.write(ownSchemeSchema), maxItems: MOST_SCHEMES },
      paints: { type: "array", items: writer.write(paintSchema) },
    },
  );
}
