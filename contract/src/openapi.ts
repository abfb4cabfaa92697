import { z } from 'zod';
import computedJson from './computed/schema.json';
import { OPERATIONS, QUERIES, SCHEMAS, type Name, type Operation } from './operations';

export { OPERATIONS, QUERIES } from './operations';
export type { Gives, Method, PathOf, Takes } from './operations';

/** The OpenAPI 3.1 document, from the same schemas that check the wire. */
export function openApi(): object {
  const paths: Record<string, Record<string, object>> = {};
  for (const o of OPERATIONS) {
    const path = (paths[`/api/v1${o.path}`] ??= {});
    path[o.method] = {
      summary: o.does,
      ...(parametersOf(o).length > 0 ? { parameters: parametersOf(o) } : {}),
      ...(o.takes || o.takesFile
        ? {
            requestBody: {
              required: true,
              content: o.takes
                ? { 'application/json': { schema: ref(o.takes) } }
                : files(o.takesFile!),
            },
          }
        : {}),
      responses: {
        [o.status ?? 200]: {
          description: 'Done',
          ...(o.gives
            ? {
                content: {
                  [o.streams ? 'text/event-stream' : 'application/json']: { schema: ref(o.gives) },
                },
              }
            : o.givesFile
              ? { content: files(o.givesFile) }
              : {}),
        },
        default: {
          description: 'Refused',
          content: { 'application/problem+json': { schema: ref('Problem') } },
        },
      },
    };
  }
  const given = new Set<string>(OPERATIONS.flatMap((o) => (o.gives ? [o.gives] : [])));
  const schemas = Object.fromEntries(
    Object.entries(SCHEMAS).map(([name, schema]) => [
      name,
      z.toJSONSchema(schema, {
        unrepresentable: 'any',
        io: given.has(name) ? 'output' : 'input',
        override: ({ zodSchema, jsonSchema }) => {
          const { computed } = z.globalRegistry.get(zodSchema as unknown as z.ZodType) ?? {};
          if (typeof computed !== 'string') return;
          delete jsonSchema.computed;
          jsonSchema.$ref = `#/components/schemas/${CORE}${computed}`;
        },
      }),
    ]),
  );
  return {
    openapi: '3.1.0',
    info: { title: 'Cascade Brook', version: '1' },
    paths,
    components: { schemas: { ...schemas, ...coreSchemas() } },
  };
}

const computedSchema = computedJson as {
  readonly definitions: Readonly<Record<string, { readonly $ref?: string }>>;
  readonly properties: Readonly<Record<string, { readonly $ref?: string }>>;
};

/** What core computes goes by its own names, apart from those of the wire. */
const CORE = 'core.';

/** The schemas that were made from core's types, by names that an address can hold. */
function coreSchemas(): Record<string, object> {
  const name = (of: string) => CORE + of.replaceAll(/\W+/g, '_').replaceAll(/^_|_$/g, '');
  const refs = (schema: object): object =>
    JSON.parse(JSON.stringify(schema), (key, value: unknown) =>
      key === '$ref' && typeof value === 'string'
        ? `#/components/schemas/${name(decodeURIComponent(value.replace('#/definitions/', '')))}`
        : value,
    ) as object;
  return Object.fromEntries(
    [...Object.entries(computedSchema.definitions), ...Object.entries(computedSchema.properties)]
      // A property that only names its definition by the same name is that definition.
      .filter(([key, schema]) => !('$ref' in schema) || name(key) !== refName(schema.$ref!, name))
      .map(([key, schema]) => [name(key), refs(schema)]),
  );
}

const refName = (to: string, name: (of: string) => string): string =>
  name(decodeURIComponent(to.replace('#/definitions/', '')));

/** OpenAPI 3.1 says nothing of a file but its kind. */
const files = (kinds: readonly string[]): object =>
  Object.fromEntries(kinds.map((kind) => [kind, {}]));

const ref = (name: Name): object => ({ $ref: `#/components/schemas/${name}` });

function parametersOf(o: Operation): object[] {
  const id = { name: 'id', in: 'path', required: true, schema: { type: 'string', format: 'uuid' } };
  const match = {
    name: 'If-Match',
    in: 'header',
    required: true,
    schema: { type: 'string' },
    description: 'ETag of the version that was seen',
  };
  return [
    ...(o.path.includes('{id}') ? [id] : []),
    ...(o.asks ? questionsOf(QUERIES[o.asks]) : []),
    ...(o.matches ? [match] : []),
  ];
}

function questionsOf(query: z.ZodObject): object[] {
  const { properties = {}, required = [] } = z.toJSONSchema(query, { io: 'input' });
  return Object.entries(properties).map(([name, schema]) => ({
    name,
    in: 'query',
    required: required.includes(name),
    schema,
  }));
}
