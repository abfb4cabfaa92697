import fc from 'fast-check';
import { TWO_READINGS_MM, heldLoss, heldWords } from '.';

// Hydraulic lever arithmetic by hand: 12 mm at the tip, ratio 6, is 2 mm of a 14 mm bore: 2 · π · 14²/4 = 307.9 mm³; over 10 h 0.0308 mL an hour.
test('a lever that came 12 mm nearer in 10 h lost 0.31 mL, 0.031 mL an hour', () => {
  const loss = heldLoss({ lostMm: 12, hours: 10, boreMm: 14, ratio: 6 });
  expect(loss.inAll.value).toBeCloseTo(0.3079, 4);
  expect(loss.perHour.value).toBeCloseTo(0.03079, 5);
  expect(loss.perHour.plusMinus).toBeCloseTo((0.03079 * TWO_READINGS_MM) / 12, 5);
  expect(heldWords(loss)).toBe(
    '0.03 mL/h lost, give or take 0.01: a drop an hour. Wet outside is a leak; dry, a seal of the master lets past, or air moved up.',
  );
  const fast = heldLoss({ lostMm: 30, hours: 0.5, boreMm: 14, ratio: 6 });
  expect(heldWords(fast)).toMatch(/^1\.5 mL\/h lost, give or take 0\.15: 31 drops an hour/);
  const sunk = heldLoss({ lostMm: 6, hours: 30 / 3600, boreMm: 22.2, ratio: 4 });
  expect(heldWords(sunk)).toMatch(/^69\.7 mL\/h lost, give or take 34\.8\. Wet outside/);
});

test('what two readings differ by themselves is no loss, on both sides of it; coming farther is none', () => {
  const found = (lostMm: number) => heldLoss({ lostMm, hours: 1, boreMm: 14, ratio: 6 }).found;
  expect([found(TWO_READINGS_MM), found(TWO_READINGS_MM + 0.5)]).toEqual([false, true]);
  const none = heldLoss({ lostMm: -5, hours: 1, boreMm: 14, ratio: 6 });
  expect(none.perHour.value).toBe(0);
  expect(heldWords(none)).toMatch(/^No loss that a ruler can tell: less than 0\.08 mL\/h\.$/);
});

test('held for no time it is refused', () => {
  expect(() => heldLoss({ lostMm: 5, hours: 0, boreMm: 14, ratio: 6 })).toThrow(/more than 0/);
});

test('twice the time is half the rate; the same in all', () => {
  const mm = fc.integer({ min: 0, max: 100 });
  const hours = fc.double({ min: 0.1, max: 40, noNaN: true });
  fc.assert(
    fc.property(mm, hours, (lostMm, h) => {
      const [a, b] = [h, 2 * h].map((x) => heldLoss({ lostMm, hours: x, boreMm: 16, ratio: 5 }));
      expect(b!.perHour.value).toBeCloseTo(a!.perHour.value / 2, 9);
      expect(b!.inAll.value).toBe(a!.inAll.value);
    }),
  );
});
