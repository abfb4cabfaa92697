import { jobOf, planned } from '../../testing';
import { FERRY_VAN, MOTORCYCLE, run } from '../../testing/yard';
import { usedGap } from '.';

const poured = (...ml: readonly number[]) => ml.map((pouredMl) => ({ pouredMl }) as never);
const NOTHING = { containers: [], bledMl: 0, removedMl: 0, spilledMl: 0 };

test('before a run there is nothing that it could be held against', () => {
  expect(usedGap({ run: null }, NOTHING)).toBeNull();
});

// 5 mm of a bowl from MAX down to where air is drawn first; of several outlets the lowest is it.
test('what a count may be off: 5 % of what was bled, 10 mL a container, 5 mm of each reservoir', () => {
  const bowlsOf = (layout: typeof FERRY_VAN) =>
    usedGap({ run: jobOf(planned(layout), []).run }, NOTHING)!.allowedMl.value;
  // One bowl, brakes down to 52 mm below MAX with 24 mL left, clutch only to 38 mm with 62 mL.
  expect(bowlsOf(FERRY_VAN)).toBeCloseTo((5 * (250 - 24)) / 52, 6);
  // A bowl for each control of the motorcycle.
  const [front, rear] = MOTORCYCLE.masters.map((m) => m.chambers[0]!);
  const of = (c: typeof front) => {
    const bowl = MOTORCYCLE.reservoirs.find((r) => r.id === c!.fedBy)!;
    return (5 * (bowl.maxMl - c!.outlet.airDrawnMl)) / c!.outlet.belowMaxMm;
  };
  expect(bowlsOf(MOTORCYCLE)).toBeCloseTo(of(front) + of(rear), 6);
  const { allowedMl } = usedGap(
    { run: jobOf(planned(FERRY_VAN), []).run },
    // The one that was put down and poured from not at all is no container.
    { ...NOTHING, bledMl: 200, containers: poured(300, 100, 0) },
  )!;
  expect(allowedMl.value).toBeCloseTo(bowlsOf(FERRY_VAN) + 0.05 * 200 + 2 * 10, 6);
});

test('the gap is what was put down less what the run left more inside', () => {
  const plan = planned(FERRY_VAN);
  const { run: made } = jobOf(plan, run(plan));
  const inside = made!.pouredMl - made!.bledMl - made!.removedMl;
  const agreed = {
    containers: poured(made!.pouredMl - 100, 100),
    bledMl: made!.bledMl,
    removedMl: made!.removedMl,
    spilledMl: 0,
  };
  expect(made!.pouredMl).toBeGreaterThan(100);
  expect(made!.removedMl).toBeGreaterThan(0);
  expect(usedGap({ run: made }, agreed)).toMatchObject({ beyond: false });
  expect(usedGap({ run: made }, agreed)!.gapMl.value).toBeCloseTo(0, 6);
  expect(usedGap({ run: made }, NOTHING)!.gapMl.value).toBeCloseTo(-inside, 6);
  expect(usedGap({ run: made }, { ...agreed, spilledMl: 500 })).toMatchObject({ beyond: true });
});
