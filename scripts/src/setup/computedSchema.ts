import { join } from 'node:path';
import { createGenerator } from 'ts-json-schema-generator';
import { ROOT } from './paths';

export const COMPUTED_SCHEMA = join(ROOT, 'contract', 'src', 'computed', 'schema.json');

/** The JSON Schemas of the types that an answer carries as they are, as a text that is the same each time. */
export function computedSchema(): string {
  const schema = createGenerator({
    path: join(ROOT, 'contract', 'src', 'computed', 'types.ts'),
    tsconfig: join(ROOT, 'contract', 'tsconfig.json'),
    type: 'Computed',
    expose: 'all',
    topRef: false,
    jsDoc: 'basic',
    sortProps: true,
    skipTypeCheck: true,
    additionalProperties: false,
    encodeRefs: true,
  }).createSchema('Computed');
  return `${JSON.stringify({ properties: schema.properties, definitions: schema.definitions }, null, 1)}\n`;
}
