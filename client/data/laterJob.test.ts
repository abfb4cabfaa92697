import type { Job } from '@brook/contract';
import { QueryClient, QueryObserver } from '@tanstack/react-query';
import { keepLaterJob, laterJob } from './laterJob';

const job = (version: number, events: number, more: object = {}) =>
  ({
    version,
    events: Array.from({ length: events }, (_, i) => ({ id: `e${i}` })),
    vehicleDrive: 'do not drive',
    fluidUsed: null,
    ...more,
  }) as unknown as Job;

test.each([
  ['the first answer', undefined, job(1, 0), 0, 1],
  ['a later one', job(1, 2), job(2, 3), 3, 2],
  ['one with the same log', job(1, 2), job(2, 2), 2, 2],
  ['an older one', job(3, 2), job(2, 2), 2, 3],
  // Taps alone change no version: there the log says which is the later.
  ['one with a shorter log', job(1, 3), job(1, 2), 3, 1],
])('%s', (_, known, answer, events, version) => {
  const shown = laterJob(known, answer);
  expect([shown.events.length, shown.version]).toEqual([events, version]);
});

test('what an overtaken act says besides is taken up', () => {
  const shown = laterJob(
    job(3, 3, { vehicleDrive: 'free' }),
    job(3, 2, { fluidUsed: { bledMl: 100 } }),
  );
  expect(shown).toMatchObject({ fluidUsed: { bledMl: 100 }, vehicleDrive: 'free' });
  expect(shown.events).toHaveLength(3);
});

test('a tap that the server has stays in sight when the answer to an act comes late', () => {
  const client = new QueryClient();
  const queryKey = ['job', 'j'];
  new QueryObserver(client, { queryKey, structuralSharing: keepLaterJob, enabled: false });
  client.setQueryData(queryKey, job(1, 2));
  client.setQueryData(queryKey, job(1, 3));
  client.setQueryData(queryKey, job(1, 2, { fluidUsed: { bledMl: 100 } }));
  const shown = client.getQueryData<Job>(queryKey)!;
  expect(shown.events).toHaveLength(3);
  expect(shown.fluidUsed).toEqual({ bledMl: 100 });
  client.clear();
});
