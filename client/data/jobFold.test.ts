import type { Job } from '@brook/contract';
import { foldJob, type JobEvent } from '@brook/core/log';
import type { Kept } from '@brook/core/run';
import { kept, logFrom, planOf } from '@brook/core/testing';
import { FollowedJob, logOf } from './jobFold';

const plan = planOf('motorcycle-front-disc');
const stroke = (id: string) => kept({ id, kind: 'stroke', stopId: plan.stops[0]!.id });
const undo = (eventId: string) => kept({ id: `undo-${eventId}`, kind: 'undone', eventId });
const log = (...events: Kept<JobEvent>[]) => [...logFrom(plan, []), ...events];

test('the accepted plan goes over the wire once, and stands in the log again', () => {
  const bare = {
    ...kept({ id: 'accepted', kind: 'plan accepted', plan, pick: null }),
    plan: undefined,
  };
  const events = [bare, stroke('a')] as unknown as Job['events'];
  const put = logOf({ events, planResult: { verdict: 'planned', plan } });
  expect(put[0]).toMatchObject({ plan, pick: null });
  expect(put[1]).toBe(events[1]);
  expect(logOf({ events, planResult: null })[0]).toBe(bare);
  const refused = { verdict: 'refused', reasons: [], methods: [] } as unknown as Job['planResult'];
  expect(logOf({ events, planResult: refused })[0]).toBe(bare);
});

// Whatever comes: what was followed is what the whole log says.
test.each<[string, Kept<JobEvent>[][]]>([
  ['one tap after the other', [log(), log(stroke('a')), log(stroke('a'), stroke('b'))]],
  ['several at once', [log(), log(stroke('a'), stroke('b'), stroke('c'))]],
  ['an undo', [log(stroke('a'), stroke('b')), log(stroke('a'), stroke('b'), undo('b'))]],
  [
    'two undos at once',
    [log(stroke('a'), stroke('b')), log(stroke('a'), stroke('b'), undo('b'), undo('a'))],
  ],
  ['another order', [log(stroke('a'), stroke('b')), log(stroke('b'), stroke('a'))]],
  ['fewer', [log(stroke('a'), stroke('b')), log(stroke('a'))]],
  ['none, and then some', [[], log(stroke('a'))]],
  ['another log of the same length', [log(stroke('a')), log(stroke('b'))]],
])('%s', (_, steps) => {
  const followed = new FollowedJob();
  for (const step of steps) {
    const whole = foldJob(step);
    const state = followed.after(step);
    expect(state.log.map((e) => e.id)).toEqual(whole.log.map((e) => e.id));
    expect([...state.undone].sort()).toEqual([...whole.undone].sort());
    expect(state.run?.bledMl).toBe(whole.run?.bledMl);
  }
});

test('a log that only grows is not folded anew', () => {
  const followed = new FollowedJob();
  const taps = Array.from({ length: 5 }, (_, i) => stroke(`t${i}`));
  const states = taps.map((_, i) => followed.after(log(...taps.slice(0, i + 1))));
  // What stands in the state already stays the very thing that it was.
  expect(states[4]!.log[1]).toBe(states[1]!.log[1]);
});
