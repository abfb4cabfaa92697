import fc from 'fast-check';
import { FREE_PLAY_MM, pushrodTurns, type PushrodPass } from '.';

/** Takes up 30 mm above the floor; wanted 55 to 75; a thread of 1.25 mm behind a ratio of 6. */
const LOW: PushrodPass = {
  takeUpMm: 30,
  window: { leastMm: 55, mostMm: 75 },
  pitchMm: 1.25,
  ratio: 6,
  freePlayMm: 8,
  playAt: 'rod',
};

test('one turn moves the pedal by pitch times ratio: the middle of the window, with the play to spare', () => {
  // (65 − 30)/(1.25 · 6) = 4.67 turns; 8 − 4.67 · 1.25 = 2.17 mm are left.
  const { turns, takeUpMm, freePlayMm, heldBack } = pushrodTurns(LOW);
  expect(turns).toBeCloseTo(35 / 7.5, 9);
  expect(takeUpMm).toBeCloseTo(65, 9);
  expect(freePlayMm).toBeCloseTo(8 - (35 / 7.5) * 1.25, 9);
  expect(heldBack).toBe(false);
});

test('the free play holds it back: the piston must come home', () => {
  const tight = pushrodTurns({ ...LOW, freePlayMm: 3 });
  expect(tight).toMatchObject({ heldBack: true });
  expect(tight.turns).toBeCloseTo((3 - FREE_PLAY_MM.least) / 1.25, 9);
  expect(tight.freePlayMm).toBeCloseTo(FREE_PLAY_MM.least, 9);
  // With less than the least already the rod is made shorter, whatever is wanted.
  expect(pushrodTurns({ ...LOW, freePlayMm: 0.5 }).turns).toBeLessThan(0);
});

test('play measured at the pedal is ratio times what it is at the rod', () => {
  const atRod = pushrodTurns({ ...LOW, freePlayMm: 3 });
  const atPedal = pushrodTurns({ ...LOW, freePlayMm: 18, playAt: 'pedal' });
  // 18 mm at the pedal less 1 mm there are more than 3 mm at the rod less 1 mm there.
  expect(atPedal.turns).toBeGreaterThan(atRod.turns);
  expect(atPedal.turns).toBeCloseTo((18 - 1) / 7.5, 9);
});

test('one that takes up too high is made shorter, and its play grows', () => {
  const high = pushrodTurns({ ...LOW, takeUpMm: 90 });
  expect(high.turns).toBeLessThan(0);
  expect(high.freePlayMm).toBeGreaterThan(LOW.freePlayMm);
  expect(high.heldBack).toBe(false);
});

test('measure, turn, measure again: a second pass from where the first led asks for nothing more', () => {
  const mm = (min: number, max: number) => fc.double({ min, max, noNaN: true });
  fc.assert(
    fc.property(
      mm(5, 120),
      mm(0, 20),
      mm(0.5, 2),
      mm(3, 8),
      (takeUpMm, freePlayMm, pitchMm, ratio) => {
        const given = { ...LOW, takeUpMm, freePlayMm, pitchMm, ratio };
        const first = pushrodTurns(given);
        const again = pushrodTurns({
          ...given,
          takeUpMm: first.takeUpMm,
          freePlayMm: first.freePlayMm,
        });
        expect(again.turns).toBeCloseTo(0, 6);
        expect(first.freePlayMm).toBeGreaterThanOrEqual(FREE_PLAY_MM.least - 1e-9);
      },
    ),
  );
});

test.each([
  [{ pitchMm: 0 }, 'The pitch is 0'],
  [{ ratio: 0 }, 'The ratio is 0'],
  [{ window: { leastMm: 60, mostMm: 60 } }, 'give more than 60 mm'],
])('%j is refused', (more, why) => {
  expect(() => pushrodTurns({ ...LOW, ...more })).toThrow(why);
});
