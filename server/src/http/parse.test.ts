import type { Request } from 'express';
import { z } from 'zod';
import { ProblemError } from './problems/kinds';
import { etag, ifMatch, parse, pathId } from './parse';

const request = (header: string | undefined, id?: unknown) =>
  ({ get: () => header, params: { id } }) as unknown as Request;
const problemOf = (work: () => unknown): ProblemError => {
  try {
    work();
  } catch (error) {
    if (error instanceof ProblemError) return error;
  }
  throw new Error('nothing was refused');
};

test('every field at fault is named, with dots between the parts', () => {
  const schema = z.strictObject({
    a: z.object({ b: z.number('b should be a number.') }),
    c: z.string('c should be text.'),
  });
  const problem = problemOf(() => parse(schema, { a: { b: 'x' } }));
  expect(problem.kind).toBe('invalid');
  expect(problem.faults).toEqual([
    { field: 'a.b', sentence: 'b should be a number.' },
    { field: 'c', sentence: 'c should be text.' },
  ]);
  expect(problem.message).toBe('b should be a number. c should be text.');
});

test('a body that is no object at all is at fault as a body', () => {
  expect(problemOf(() => parse(z.strictObject({}), 'text')).faults[0]!.field).toBe('body');
});

test('a version goes out and comes back the same', () => {
  for (const version of [1, 27, 40_000]) expect(ifMatch(request(etag(version)))).toBe(version);
});

test.each([undefined, '', '*', '3', '"3', 'W/"3"', '"three"'])(
  'If-Match %p is refused',
  (header) => {
    expect(problemOf(() => ifMatch(request(header))).faults[0]!.field).toBe('If-Match');
  },
);

test('an id that is none names nothing', () => {
  const id = '5d1d3b74-6b0f-4d0e-9f0b-0c8a5c1e7a11';
  expect(pathId(request(undefined, id))).toBe(id);
  for (const bad of ['1', `${id}0`, undefined, "'; drop table jobs"])
    expect(pathId(request(undefined, bad))).toBe('00000000-0000-0000-0000-000000000000');
});
