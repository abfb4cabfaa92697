import fc from 'fast-check';
import { unkeepable } from './readable';

test('what JSON can say in whole letters is let past, whatever it is', () => {
  fc.assert(
    fc.property(
      fc.jsonValue({ maxDepth: 8, stringUnit: fc.constantFrom('a', 'é', '–', '😀', '\n', '"') }),
      (value) => {
        expect(unkeepable(value)).toBeNull();
      },
    ),
  );
});

test.each(['\0', '\ud83d', '\ude00', 'a\udfffb'])(
  '%j is named at its field, as value and as name',
  (sign) => {
    expect(unkeepable({ a: [{ b: 'x' }, { b: `x${sign}` }] })).toMatchObject({ field: 'a.1.b' });
    expect(unkeepable({ a: { [sign]: 1 } })).toMatchObject({ field: 'a' });
    expect(unkeepable(sign)).toMatchObject({ field: 'body' });
  },
);

test('a whole pair is a letter', () => {
  expect(unkeepable({ a: '\ud83d\ude00' })).toBeNull();
});

const deep = (levels: number): unknown => JSON.parse('['.repeat(levels) + ']'.repeat(levels));

test('32 deep is let past, 33 deep is not, and no depth exhausts anything', () => {
  expect(unkeepable(deep(32))).toBeNull();
  expect(unkeepable(deep(33))?.sentence).toContain('send it flatter');
  expect(unkeepable(deep(100_000))?.field).toBe('body');
});
