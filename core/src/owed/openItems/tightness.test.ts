import { afterWork, cappedPart, jobOf, planned, type LooseEvent } from '../../testing';
import { CAR, flush, openingAt, run } from '../../testing/yard';
import { foundWords, isMended } from './foundAtIntake';
import { leftByFeel, shutAbove, tightenedRight } from './tightness';

const PLAN = planned(CAR, { work: flush(CAR) });
const LEFT_REAR = openingAt(PLAN, 'left-rear');
const at = (elementId: string, manualNm: number | null, appliedNm: number | null): LooseEvent =>
  ({ kind: 'joint tightened', elementId, manualNm, appliedNm }) as LooseEvent;
/** The whole run, the left rear shut to a torque; what is said comes before, and behind. */
const shutTo = (torqueNm: number, before: LooseEvent[], behind: LooseEvent[] = []) =>
  jobOf(PLAN, [
    ...before,
    ...run(PLAN).map((e) =>
      e.kind === 'shut' && e.openingId === LEFT_REAR
        ? ({ ...e, tightened: { torqueNm }, person: 'Bo' } as LooseEvent)
        : e,
    ),
    ...behind,
  ]);
const KNOWN = at('left-rear', 10, null);

describe('what is left by feel', () => {
  test('nothing before a run', () => {
    const none = { ...jobOf(PLAN, []), run: null };
    expect([leftByFeel(none), shutAbove(none), tightenedRight(none)]).toEqual([[], [], []]);
  });
  test('bleeders that were shut so, and none whose torque was written since', () => {
    const ids = leftByFeel(jobOf(PLAN, run(PLAN))).map((j) => j.elementId);
    expect(ids.slice().sort()).toEqual(CAR.bleeders.map((b) => b.id).sort());
    const written = leftByFeel(jobOf(PLAN, [...run(PLAN), at('left-rear', null, 9)]));
    expect(written.map((j) => j.elementId)).not.toContain('left-rear');
    expect(written).toHaveLength(ids.length - 1);
  });
  test('parts that were in hand, by their names', () => {
    const plan = planned(CAR, {
      work: afterWork(CAR, { parts: [cappedPart('left-front-caliper')] }),
    });
    const [part] = leftByFeel(jobOf(plan, [])).filter((j) => j.elementId === 'left-front-caliper');
    const { name } = CAR.nodes.find((n) => n.id === 'left-front-caliper')!;
    expect(part).toEqual({
      elementId: 'left-front-caliper',
      place: name,
      because: 'it was in hand',
    });
  });
});

describe('a bleeder that was shut to a torque', () => {
  test('against the manual’s value, where that is known: above it, with who shut it; at it, right', () => {
    expect(shutAbove(shutTo(14, [KNOWN]))).toMatchObject([
      { kind: 'tightness', elementId: 'left-rear', person: 'Bo', holds: true },
    ]);
    const [little] = shutAbove(shutTo(11, [KNOWN]));
    expect(little).not.toHaveProperty('holds');
    expect(shutAbove(shutTo(10, [KNOWN]))).toEqual([]);
    expect(shutAbove(shutTo(14, []))).toEqual([]);
    expect(tightenedRight(shutTo(10, [KNOWN]))).toEqual(['left-rear']);
    expect(tightenedRight(shutTo(14, [KNOWN]))).toEqual([]);
    expect(tightenedRight(shutTo(10, []))).toEqual([]);
  });
  test('another torque that was written behind it wins', () => {
    const behind = at('left-rear', 10, 10);
    expect(shutAbove(shutTo(14, [KNOWN], [behind]))).toEqual([]);
    expect(tightenedRight(shutTo(14, [KNOWN], [behind]))).toEqual(['left-rear']);
    // Of another joint it says nothing here.
    const other = at('right-rear', 10, 10);
    expect(shutAbove(shutTo(14, [KNOWN], [other]))).toHaveLength(1);
    expect(tightenedRight(shutTo(14, [KNOWN], [other]))).toEqual(['right-rear']);
  });
});

test('what is found at intake is said with its place, where somebody named one', () => {
  expect(foundWords({ what: 'wet joint', where: 'at the left rear bracket' })).toBe(
    'A joint is wet: at the left rear bracket',
  );
  expect(foundWords({ what: 'wet joint', where: '' })).toBe('A joint is wet');
});

test('mended is what was said to be, by its own name, and not taken back', () => {
  const mend = (openItemId: string): LooseEvent => ({
    id: 'mend',
    kind: 'mended',
    haltId: null,
    openItemId,
    where: 'rear',
    how: 'renewed',
  });
  const back: LooseEvent = { kind: 'back on', eventId: null, openItemId: 'x' };
  const undone: LooseEvent = { kind: 'undone', eventId: 'mend' };
  const is = (...events: readonly LooseEvent[]) => isMended(jobOf(PLAN, events), 'x');
  expect(is(mend('x'))).toBe(true);
  expect(is(mend('y'))).toBe(false);
  expect(is(back)).toBe(false);
  expect(is()).toBe(false);
  expect(is(mend('x'), undone)).toBe(false);
});
