import { median, report, type Measured } from './report';

test('the median is the middle one, or half-way between the middle two', () => {
  expect(median([3, 1, 2])).toBe(2);
  expect(median([4, 1, 3, 2])).toBe(2.5);
  expect(median([7])).toBe(7);
});

/** What a line says of itself. */
function said(measured: Measured): Record<string, unknown> {
  const written: string[] = [];
  const write = jest
    .spyOn(process.stdout, 'write')
    .mockImplementation((text) => written.push(String(text)) > 0);
  report(measured);
  write.mockRestore();
  expect(written).toHaveLength(1);
  expect(written[0]!.endsWith('\n')).toBe(true);
  return JSON.parse(written[0]!) as Record<string, unknown>;
}

test('where a share of the runs is asked for, the value is the one under which they lie', () => {
  const runs = Array.from({ length: 20 }, (_, i) => i + 1);
  expect(said({ name: 'n', unit: 'ms', limit: 1, runs, share: 0.95 }).value).toBe(19);
  expect(said({ name: 'n', unit: 'ms', limit: 1, runs }).value).toBe(10.5);
});

test('what it must not fall below stands in the line where it was asked for', () => {
  const both = { name: 'n', unit: 'ratio', least: 0.9, limit: 0.99, runs: [0.95] } as const;
  expect(said(both)).toMatchObject({ least: 0.9, limit: 0.99, value: 0.95 });
  expect(said({ name: 'n', unit: 'ms', limit: 1, runs: [1] })).not.toHaveProperty('least');
});

test('a line is JSON with the median, the limit that was asked for, and the range', () => {
  expect(said({ name: 'plan.fourWheel', unit: 'ms', limit: 5, runs: [2.34567, 1, 9] })).toEqual({
    name: 'plan.fourWheel',
    value: 2.346,
    unit: 'ms',
    limit: 5,
    runs: 3,
    min: 1,
    max: 9,
  });
});
