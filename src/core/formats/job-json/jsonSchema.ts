import type { ISchema, SchemaDescription } from "yup";
import { waitingFor, type Waiting } from "../../shape";

/** A JSON Schema, draft 2020-12. */
export type JsonSchema = Readonly<Record<string, unknown>>;

type AnySchema = ISchema<unknown>;

interface Test {
  readonly name?: string | undefined;
  readonly params?: Readonly<Record<string, unknown>> | undefined;
}

/** What a schema tells of itself that its type does not. */
interface Told {
  readonly type: string;
  readonly spec: {
    readonly nullable: boolean;
    readonly optional?: boolean;
    readonly types?: readonly AnySchema[];
  };
  readonly fields?: Readonly<Record<string, AnySchema>>;
  readonly innerType?: AnySchema;
  describe(): SchemaDescription;
}

/** Words for what a test of a schema asks, by the type of what it looks at. */
function asked(type: string, { name, params = {} }: Test): JsonSchema {
  const { min, max, length, regex } = params as {
    min?: number;
    max?: number;
    length?: number;
    regex?: RegExp;
  };
  const [least, most] =
    type === "string"
      ? ["minLength", "maxLength"]
      : type === "array"
        ? ["minItems", "maxItems"]
        : ["minimum", "maximum"];
  switch (name) {
    case "min":
      return { [least]: min };
    case "max":
      return { [most]: max };
    case "length":
      return { [least]: length, [most]: length };
    case "integer":
      return { type: "integer" };
    case "matches":
      return regex ? { pattern: regex.source } : {};
    case "trim":
      return { pattern: "^\\S([\\s\\S]*\\S)?$" };
    case "required":
      return type === "string" ? { minLength: 1 } : {};
    default:
      return {};
  }
}

/** Whether a field can be missing; of schemas that wait for their value only lists can. */
function mayBeLeftOut(schema: AnySchema): boolean {
  const waiting = waitingFor(schema);
  if (waiting?.kind === "list") return mayBeLeftOut(waiting.full);
  return waiting === undefined && (schema as unknown as Told).spec.optional === true;
}

/** Turns schemas of stored things into JSON Schema; those given a name are told once and referred to. */
export class JsonSchemaWriter {
  readonly definitions: Record<string, JsonSchema> = {};

  /** @param names schemas to be told once, by the name they get */
  constructor(private readonly names: ReadonlyMap<AnySchema, string>) {}

  /** @throws RangeError for a kind of schema that has no words yet */
  write(schema: AnySchema): JsonSchema {
    const name = this.names.get(schema);
    if (name === undefined) return this.spell(schema);
    // Set first: a shape may hold itself.
    if (!(name in this.definitions)) {
      this.definitions[name] = {};
      this.definitions[name] = this.spell(schema);
    }
    return { $ref: `#/$defs/${name}` };
  }

  private spell(schema: AnySchema): JsonSchema {
    const waiting = waitingFor(schema);
    if (waiting) return this.writeWaiting(waiting);
    const known = schema as unknown as Told;
    const plain = this.writePlain(known);
    return known.spec.nullable ? { anyOf: [plain, { type: "null" }] } : plain;
  }

  private writeWaiting(waiting: Waiting): JsonSchema {
    if (waiting.kind === "list") return this.write(waiting.full);
    if (waiting.kind === "kinds") return { oneOf: waiting.shapes.map((one) => this.write(one)) };
    return {
      type: "object",
      propertyNames: { pattern: waiting.key.source },
      additionalProperties: this.write(waiting.value),
      maxProperties: waiting.most,
    };
  }

  private writePlain(schema: Told): JsonSchema {
    const { oneOf, tests } = schema.describe();
    const limits = Object.assign({}, ...tests.map((test) => asked(schema.type, test))) as JsonSchema;
    switch (schema.type) {
      case "object":
        return this.writeObject(Object.entries(schema.fields ?? {}));
      case "tuple": {
        const types = (schema.spec.types ?? []).map((one) => this.write(one));
        return { type: "array", prefixItems: types, items: false, minItems: types.length };
      }
      case "array":
        return { type: "array", items: schema.innerType ? this.write(schema.innerType) : {}, ...limits };
      case "mixed":
        return {};
      case "string":
      case "number":
      case "boolean":
        if (oneOf.length > 0) return oneOf.length === 1 ? { const: oneOf[0] } : { enum: oneOf };
        return { type: schema.type, ...limits };
      default:
        throw new RangeError(`no words for a schema of the kind "${schema.type}"`);
    }
  }

  private writeObject(entries: readonly (readonly [string, AnySchema])[]): JsonSchema {
    return {
      type: "object",
      properties: Object.fromEntries(entries.map(([key, value]) => [key, this.write(value)])),
      required: entries.filter(([, value]) => !mayBeLeftOut(value)).map(([key]) => key),
      additionalProperties: false,
    };
  }
}
