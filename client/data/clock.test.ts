import { betterHeard } from './clock';

const heard = (offsetMs: number, tookMs: number, atMs = 0) => ({ offsetMs, tookMs, atMs });

test('the first word counts however long it took; later ones by how well they were heard', () => {
  expect(betterHeard(null, heard(5_000, 10_000))).toBe(true);
  expect(betterHeard(heard(0, 100), heard(20, 100))).toBe(true);
  expect(betterHeard(heard(0, 100), heard(20, 101))).toBe(false);
});

test('a word that took longer than two seconds replaces nothing', () => {
  expect(betterHeard(heard(0, 100), heard(9_000, 2_000))).toBe(true);
  expect(betterHeard(heard(0, 100), heard(9_000, 2_001))).toBe(false);
});

test('a difference beyond both doubts is a clock that was set, and what is five minutes old gives way', () => {
  expect(betterHeard(heard(0, 100), heard(300, 200))).toBe(false);
  expect(betterHeard(heard(0, 100), heard(301, 200))).toBe(true);
  expect(betterHeard(heard(0, 100, 0), heard(10, 200, 300_000))).toBe(false);
  expect(betterHeard(heard(0, 100, 0), heard(10, 200, 300_001))).toBe(true);
});

describe('by what answers told', () => {
  beforeEach(() => {
    jest.resetModules();
    localStorage.clear();
    jest.spyOn(Date, 'now').mockReturnValue(1_000_000);
  });
  afterEach(() => jest.restoreAllMocks());
  const load = () => jest.requireActual<typeof import('./clock')>('./clock');

  test('the middle of question and answer is when the server spoke; it is kept for the next time', () => {
    const { heardTime, nowMs } = load();
    expect(nowMs()).toBe(1_000_000);
    heardTime(1_060_000, 999_900, 1_000_100);
    expect(nowMs()).toBe(1_060_000);
    jest.resetModules();
    expect(load().nowMs()).toBe(1_060_000);
  });

  test('a tenth of a second is no difference, and what is no time is not heard', () => {
    const { heardTime, nowMs } = load();
    heardTime(1_000_099, 1_000_000, 1_000_000);
    heardTime(Number.NaN, 1_000_000, 1_000_000);
    heardTime(0, 1_000_000, 1_000_000);
    expect(nowMs()).toBe(1_000_000);
    heardTime(1_000_100, 1_000_000, 1_000_000);
    expect(nowMs()).toBe(1_000_100);
  });
});
