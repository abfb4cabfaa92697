import { median, report } from './report';

test('the median is the middle one, or half-way between the middle two', () => {
  expect(median([3, 1, 2])).toBe(2);
  expect(median([4, 1, 3, 2])).toBe(2.5);
  expect(median([7])).toBe(7);
});

test('a line is JSON with the median, the limit that was asked for, and the range', () => {
  const written: string[] = [];
  const write = jest
    .spyOn(process.stdout, 'write')
    .mockImplementation((text) => written.push(String(text)) > 0);
  report({ name: 'plan.fourWheel', unit: 'ms', limit: 5, runs: [2.34567, 1, 9] });
  write.mockRestore();
  expect(written).toHaveLength(1);
  expect(written[0]!.endsWith('\n')).toBe(true);
  expect(JSON.parse(written[0]!)).toEqual({
    name: 'plan.fourWheel',
    value: 2.346,
    unit: 'ms',
    limit: 5,
    runs: 3,
    min: 1,
    max: 9,
  });
});
