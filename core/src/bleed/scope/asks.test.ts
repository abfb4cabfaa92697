import fc from 'fast-check';
import type { TemplateId } from '../../vehicle/circuit/templates';
import { afterWork, layoutOf, planned } from '../../testing';
import { workTakenOver } from '../../owed/openItems';
import {
  ASKS,
  asksOf,
  findScope,
  openedBy,
  purposeOf,
  PURPOSE_WORDS,
  purposeWords,
  routineFlush,
  withAsk,
  workAsked,
  workTitle,
  type Ask,
} from '.';

const CAR = layoutOf('hatchback-diagonal');
const part = (more: object) => ({
  ...afterWork(CAR, {
    parts: [{ partId: 'left-front-caliper', cappedAtOnce: true, keptFull: true, newPart: true }],
  }),
  ...more,
});
const taken = (work: ReturnType<typeof part>, leaveOldFluid = false) =>
  workTakenOver(CAR, work, { before: [], due: false, leaveOldFluid });
const kinds = (work: ReturnType<typeof part>) => planned(CAR, { work }).stages.map((s) => s.kind);

test.each<[Ask[], string | null, string[]]>([
  [[], null, []],
  [['renew'], 'routine flush', []],
  [['soft'], 'soft pedal', []],
  [['part'], 'after work', []],
  [['dry'], 'new or dry', []],
  [['look'], 'look and prove', []],
  [['renew', 'soft'], 'soft pedal', ['renew']],
  [['soft', 'renew', 'part'], 'after work', ['soft', 'renew']],
  [['part', 'renew'], 'after work', ['renew']],
  // Everything is filled and bled anew: nothing of it is left to go along.
  [['dry', 'soft', 'renew'], 'new or dry', []],
])('asked for %j: made for "%s", along with %j', (asks, purpose, also) => {
  expect(workAsked(asks)).toEqual(purpose === null ? null : { purpose, also });
});

test('what was asked comes back out of the work that was made of it', () => {
  fc.assert(
    fc.property(fc.subarray([...ASKS]), (asks) => {
      const asked: Ask[] = asks.includes('look') ? ['look'] : asks;
      const work = workAsked(asked);
      if (!work) return;
      const parts = asked.includes('part') ? part({}).parts : [];
      const back = asksOf({ ...routineFlush(['master']), ...work, parts });
      const left = asked.includes('dry') ? asked.filter((a) => a === 'dry' || a === 'part') : asked;
      expect(back.sort()).toEqual([...left].sort());
    }),
  );
});

test('a look stands alone: chosen it drops the rest, and anything else drops it', () => {
  expect(withAsk(['renew', 'soft'], ['renew', 'soft', 'look'])).toEqual(['look']);
  expect(withAsk(['look'], ['look', 'part'])).toEqual(['part']);
  expect(withAsk(['renew'], ['renew', 'part'])).toEqual(['renew', 'part']);
  expect(withAsk(['renew', 'part'], ['part'])).toEqual(['part']);
  expect(withAsk(['look'], [])).toEqual([]);
});

test('one purpose for each answer', () =>
  expect(new Set(ASKS.map(purposeOf)).size).toBe(ASKS.length));

// Each thing that was said counts, whatever it is said along with: common practice, no source.
describe('several at once', () => {
  test('a part and a soft pedal: every bleeder for the air, and the part compared', () => {
    const work = part({ also: ['soft'] });
    expect(openedBy(findScope(CAR, work))).toHaveLength(4);
    expect(openedBy(findScope(CAR, part({})))).toEqual(['left-front']);
    expect(kinds(work)).toContain('right part');
  });

  test('a part and new fluid: every bleeder, to the last sign where only the fluid is renewed', () => {
    const { openings } = planned(CAR, { work: taken(part({ also: ['renew'] })) });
    const until = new Map(openings.map((s) => [s.bleeder.id, s.until]));
    expect([...until.keys()].sort()).toEqual(
      ['left-front', 'left-rear', 'right-front', 'right-rear'].sort(),
    );
    expect(until.get('right-rear')).toBe('new');
    // What was asked for is not left out by a decision about fluid that is only due.
    expect(taken(part({ also: ['renew'] }), true).owed!.oldAt).toHaveLength(4);
    expect(taken(part({}), true).owed).toBeUndefined();
  });

  test('a soft pedal and new fluid: the old fluid is drawn off first, but not from under a part that hangs open', () => {
    const soft = { ...routineFlush(['master']), purpose: 'soft pedal' as const };
    const drawn = (work: object) =>
      planned(CAR, { work: taken({ ...soft, ...work } as never) }).preparation.includes(
        'empty reservoir',
      );
    expect(drawn({ also: ['renew'] })).toBe(true);
    expect(drawn({})).toBe(false);
    expect(planned(CAR, { work: taken(part({ also: ['renew'] })) }).preparation).not.toContain(
      'empty reservoir',
    );
  });

  test('a dry system with a new part: the part is compared too', () => {
    expect(kinds(part({ purpose: 'new or dry' }))).toContain('right part');
    expect(kinds(part({ purpose: 'new or dry', parts: [] }))).not.toContain('right part');
  });

  test('two parts are not held apart where air is looked for everywhere', () => {
    const two = (also: string[]) =>
      kinds(
        part({
          also,
          parts: ['left-front-caliper', 'left-front-hose'].map((partId) => ({
            partId,
            cappedAtOnce: true,
            keptFull: true,
          })),
        }),
      );
    expect(two([])).toContain('hold point');
    expect(two(['soft'])).not.toContain('hold point');
  });

  test('the title says all of it, the widest first', () => {
    expect(workTitle(part({ also: ['soft', 'renew'] }))).toBe(
      'A part was changed, renew the fluid, pedal or lever is soft',
    );
    expect(workTitle(routineFlush(['master']))).toBe('Renew the fluid');
  });
});

// A motorcycle's front has a lever, a trailer neither pedal nor lever: facts of the trade.
test.each<[TemplateId, string]>([
  ['hatchback-diagonal', 'Pedal is soft'],
  ['motorcycle-front-disc', 'Lever is soft'],
  ['sidecar-outfit', 'Pedal or lever is soft'],
  ['trailer-overrun', 'Brakes are weak'],
])('%s: why it may be here reads “%s”', (id, title) => {
  expect(purposeWords('soft pedal', layoutOf(id)).title).toBe(title);
  expect(purposeWords('routine flush', layoutOf(id))).toEqual(PURPOSE_WORDS['routine flush']);
});
