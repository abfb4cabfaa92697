import { readFileSync } from 'node:fs';
import { COMPUTED_SCHEMA, computedSchema } from './computedSchema';

test('what the document says of computed things is made from the types of today; if not: npm run schemas', () => {
  expect(JSON.parse(computedSchema())).toEqual(JSON.parse(readFileSync(COMPUTED_SCHEMA, 'utf8')));
});
