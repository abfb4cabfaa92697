import type { Job } from '@brook/contract';
import { addToJob, foldJob } from '@brook/core/job/log';
import { type JobEvent, type Logged } from '@brook/core/job/events';
import { loggedEvent, logFrom, planOf } from '@brook/core/testing';
import { renderHook } from '@testing-library/react';
import { FollowedJob, logOf, useFolded } from './jobFold';

// The same functions, only counted.
jest.mock('@brook/core/job/log', () => {
  const real = jest.requireActual('@brook/core/job/log');
  return { ...real, foldJob: jest.fn(real.foldJob), addToJob: jest.fn(real.addToJob) };
});

const plan = planOf('motorcycle-front-disc');
const stroke = (id: string) => loggedEvent({ id, kind: 'stroke', openingId: plan.openings[0]!.id });
const undo = (eventId: string) => loggedEvent({ id: `undo-${eventId}`, kind: 'undone', eventId });
const log = (...events: Logged<JobEvent>[]) => [...logFrom(plan, []), ...events];

test('the accepted plan goes over the wire once, and stands in the log again', () => {
  const bare = {
    ...loggedEvent({ id: 'accepted', kind: 'plan accepted', plan, pick: null }),
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
test.each<[string, Logged<JobEvent>[][]]>([
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

// A tap is painted within a frame: folding a long log anew at each would not be.
test.each<[string, Logged<JobEvent>[], Logged<JobEvent>[], { folded: number; added: number }]>([
  ['one tap', [stroke('a')], [stroke('b')], { folded: 0, added: 1 }],
  ['three at once', [stroke('a')], ['b', 'c', 'd'].map(stroke), { folded: 0, added: 3 }],
  ['nothing new', [stroke('a')], [], { folded: 0, added: 0 }],
  ['an undo and a tap', [stroke('a')], [undo('a'), stroke('b')], { folded: 0, added: 2 }],
  [
    'two undos',
    [stroke('a'), stroke('b')],
    [undo('b'), undo('a'), stroke('c')],
    { folded: 1, added: 0 },
  ],
])(
  '%s: what only comes behind is added, several undos are folded in one go',
  (_, known, more, cost) => {
    const followed = new FollowedJob();
    followed.after(log(...known));
    jest.mocked(foldJob).mockClear();
    jest.mocked(addToJob).mockClear();
    followed.after(log(...known, ...more));
    expect({
      folded: jest.mocked(foldJob).mock.calls.length,
      added: jest.mocked(addToJob).mock.calls.length,
    }).toEqual(cost);
  },
);

test.each<[string, Logged<JobEvent>[]]>([
  ['another order', log(stroke('b'), stroke('a'))],
  ['fewer', log(stroke('a'))],
  ['another last one', log(stroke('a'), stroke('c'))],
  ['another in between', log(stroke('c'), stroke('b'), stroke('d'))],
])('%s: folded anew, once', (_, other) => {
  const followed = new FollowedJob();
  followed.after(log(stroke('a'), stroke('b')));
  jest.mocked(foldJob).mockClear();
  jest.mocked(addToJob).mockClear();
  followed.after(other);
  expect(foldJob).toHaveBeenCalledTimes(1);
  expect(addToJob).not.toHaveBeenCalled();
});

test('what is only shown is folded once for a log, and anew for another', () => {
  const job = (events: Logged<JobEvent>[]) =>
    ({ events, planResult: { verdict: 'planned', plan } }) as unknown as Job;
  const first = job(log(stroke('a')));
  const { result, rerender } = renderHook((shown: Job) => useFolded(shown), {
    initialProps: first,
  });
  const before = result.current;
  expect(before.run!.bleeders[0]!.strokes).toBe(1);
  rerender({ ...first });
  expect(result.current).toBe(before);
  rerender(job(log(stroke('a'), stroke('b'))));
  expect(result.current.run!.bleeders[0]!.strokes).toBe(2);
});

test('a tap of this phone has its place once the server told it: who heard of it takes the count over', () => {
  const taking = (id: string, more: object) =>
    loggedEvent({ id, kind: 'counting', way: 'tap', ...more });
  const own = taking('own', { deviceId: 'this', heard: 1 });
  const told = { ...own, order: { position: 2, receivedMs: 0 } };
  const helper = {
    ...taking('helper', { deviceId: 'helper', heard: 2 }),
    order: { position: 3, receivedMs: 0 },
  };
  const followed = new FollowedJob();
  expect(followed.after(log(own)).run!.counting!.deviceId).toBe('this');
  followed.after(log(told));
  expect(followed.after(log(told, helper)).run!.counting!.deviceId).toBe('helper');
  // One that had not heard of it takes nothing.
  const asleep = { ...helper, heard: 1 };
  const other = new FollowedJob();
  other.after(log(own));
  expect(other.after(log(told, asleep)).run!.counting!.deviceId).toBe('this');
});
