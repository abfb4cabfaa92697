import { loggedEvent, logFrom, planOf } from '../../testing';
import { foldJob, LogIndex } from '.';

// What a batch is held against as it goes is what the whole log says at its end.
test('events put down one after the other are known as a log that held them all', () => {
  const plan = planOf('motorcycle-front-disc');
  const before = foldJob(logFrom(plan, []));
  const rest = { ...plan, id: 'rest' };
  const more = [
    { id: 'halt', kind: 'halted', reason: 'ran dry', openingId: null },
    { id: 'photo', kind: 'media note', medium: 'photo', elementId: null },
    { id: 'on', kind: 'decided', haltId: 'halt', decision: 'plan anew', plan: rest },
    { id: 'end', kind: 'decided', haltId: 'halt', decision: 'end job' },
  ].map((said) => loggedEvent(said as Parameters<typeof loggedEvent>[0]));
  const index = new LogIndex(before);
  expect([index.plans, index.mediaNotes, index.find('photo')]).toEqual([[plan], 0, undefined]);
  for (const event of more) index.add(event);
  const whole = new LogIndex({ accepted: before.accepted, log: [...before.log, ...more] });
  for (const known of [index, whole]) {
    expect(known.plans.map((p) => p.id)).toEqual([plan.id, 'rest']);
    expect(known.mediaNotes).toBe(1);
    expect(known.find('photo')).toBe(more[1]);
    expect(known.find('never')).toBeUndefined();
  }
});
