import { countingIds, jobOf, loggedEvent, planOf, type LooseEvent } from '../../testing';
import { clutchNeedOf, jobEventFault, type ClutchNeed } from '.';
import { type JobEvent } from '../events';

const VAN = planOf('clutch-concentric');
const ids = countingIds('n');
const needs = (more: object = {}): LooseEvent =>
  ({
    id: ids(),
    atMs: 10,
    kind: 'clutch needs',
    masterId: 'clutch-master',
    slaveTravelMm: 12,
    window: { leastMm: 55, mostMm: 75 },
    pitchMm: 1.25,
    ...more,
  }) as LooseEvent;
const EARLIER: ClutchNeed = {
  masterId: 'clutch-master',
  slaveTravelMm: 10,
  window: null,
  pitchMm: null,
  by: 'Ode, job 3',
};
const known = (
  said: readonly LooseEvent[],
  earlier: readonly ClutchNeed[] = [],
  of = 'clutch-master',
) => clutchNeedOf(of, { log: jobOf(VAN, said).log, earlier });

test('what a clutch needs is the last word of this job, else an earlier one’s, else nobody’s', () => {
  expect(known([])).toBeNull();
  expect(known([], [EARLIER])).toEqual(EARLIER);
  expect(known([needs()], [EARLIER])).toMatchObject({
    slaveTravelMm: 12,
    window: { leastMm: 55, mostMm: 75 },
    pitchMm: 1.25,
  });
  expect(known([needs(), needs({ slaveTravelMm: 14 })])!.slaveTravelMm).toBe(14);
  // Of another clutch it says nothing.
  expect(known([needs()], [], 'another')).toBeNull();
});

test('taken back, what was known before holds again', () => {
  const said = needs({ slaveTravelMm: 14 });
  const undo = { id: 'u', kind: 'undone', eventId: said.id } as LooseEvent;
  expect(known([said, undo], [EARLIER])).toEqual(EARLIER);
  expect(known([needs(), said, undo])!.slaveTravelMm).toBe(12);
});

test('it is said of a clutch, and a window ends above where it begins', () => {
  const fault = (said: LooseEvent) =>
    jobEventFault(jobOf(VAN, []), loggedEvent(said) as JobEvent, { openedAtMs: 0, nowMs: 1_000 });
  expect(fault(needs())).toBeNull();
  expect(fault(needs({ window: null }))).toBeNull();
  expect(fault(needs({ masterId: 'master' }))).toMatch(/only a clutch does/);
  expect(fault(needs({ masterId: 'nobody' }))).toMatch(/no master "nobody"/);
  expect(fault(needs({ window: { leastMm: 75, mostMm: 75 } }))).toMatch(
    /begins at 75 mm and ends at 75 mm; it should end above/,
  );
  expect(fault(needs({ window: { leastMm: 75, mostMm: 75.5 } }))).toBeNull();
});
