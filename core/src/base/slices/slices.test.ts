import { inOneGo, reduceSliced } from '.';

test('in slices and in one go it comes to the same, with a pause behind each slice', () => {
  const sum = () => reduceSliced([1, 2, 3, 4, 5], (a, b) => a + b, 0, 2);
  expect(inOneGo(sum())).toBe(15);
  const work = sum();
  expect([work.next(), work.next(), work.next()].map((s) => s.done)).toEqual([false, false, true]);
  expect(inOneGo(reduceSliced([], (a: number) => a, 7, 2))).toBe(7);
});
