import { pressName } from './press';

test('what is said in one press carries one name, what is said in the next another', async () => {
  const first = [pressName(), pressName()];
  expect(first[0]).toBe(first[1]);
  await Promise.resolve();
  expect(pressName()).not.toBe(first[0]);
});
