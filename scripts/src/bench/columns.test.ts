import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';

const schema = readFileSync(join(__dirname, '../../../server/src/db/schema.sql'), 'utf8');

/** The columns of a table, as the migration makes them. */
function columnsOf(table: string): string[] {
  const body = new RegExp(`CREATE TABLE (?:public\\.)?${table} \\(([\\s\\S]*?)\\n\\)`).exec(schema);
  if (!body) throw new Error(`there is no table ${table}`);
  return [...body[1]!.matchAll(/^\s+"?(\w+)"?/gm)].map((m) => m[1]!);
}

// The bench fills its tables by SQL of its own, which nothing else holds to the schema.
const filled = readdirSync(__dirname)
  .filter((file) => file.endsWith('.ts'))
  .flatMap((file) =>
    [...readFileSync(join(__dirname, file), 'utf8').matchAll(/INSERT INTO (\w+) \(([^)]+)\)/g)].map(
      ([, table, columns]) => [file, table!, columns!.split(/,\s*/)] as const,
    ),
  );

test('the bench fills vehicles and jobs', () => {
  expect(new Set(filled.map(([, table]) => table))).toEqual(new Set(['jobs', 'vehicles']));
});

test.each(filled)('%s names columns that %s has', (_, table, columns) => {
  expect(columnsOf(table)).toEqual(expect.arrayContaining(columns));
});
