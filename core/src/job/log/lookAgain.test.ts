import { gateOf, jobSays } from '../../owed/openItems';
import { followCalls } from '../run';
import { countingIds, jobOf, loggedEvent, planOf, type LooseEvent } from '../../testing';
import { jobEventFault, jointsOf, lookAgainOf, manualTorqueOf, tightnessOf } from '.';
import { type JobEvent } from '../events';

const PLAN = planOf('hatchback-diagonal');
const [first, second] = PLAN.openings.map((s) => s.bleeder.id);
const RUN = followCalls(PLAN, {
  deviceId: 'phone',
  nextId: countingIds(),
  startMs: 0,
}) as LooseEvent[];
const ids = countingIds('t');
const joint = (elementId: string, manualNm: number | null, appliedNm: number | null): LooseEvent =>
  ({ id: ids(), atMs: 10, kind: 'joint tightened', elementId, manualNm, appliedNm }) as LooseEvent;
const later = (more: object = {}): LooseEvent =>
  ({
    id: ids(),
    atMs: 20,
    kind: 'look later',
    elementId: second,
    why: 'worn, used again',
    what: 'boot of the caliper, cracked',
    byDate: '2027-05-01',
    byKm: 52_000,
    ...more,
  }) as LooseEvent;
const ABOUT = { jobId: 'j', jobNumber: 1, openedAtMs: 0, layout: PLAN.layout };
const leaves = (said: readonly LooseEvent[]) =>
  jobSays(jobOf(PLAN, [...RUN, ...said]), ABOUT, []).open.filter(
    (m) => m.kind === 'look again' || m.kind === 'tightness' || m.kind === 'by feel',
  );

test('of a joint the last word counts; one that is as it should be is not looked at again', () => {
  const log = jobOf(PLAN, [joint(first!, 10, 14), joint(first!, 10, 10)]).log;
  expect(jointsOf(log).map((j) => j.appliedNm)).toEqual([10]);
  expect(lookAgainOf(log)).toEqual([]);
});

test('above its value, by feel and used again: owed at the next visit, at its place, released or not', () => {
  expect(leaves([joint(first!, 10, 12)])).toMatchObject([
    {
      kind: 'tightness',
      weight: 'owed',
      where: first,
      because: expect.stringMatching(/^Tightened to 12.0.*above it$/),
    },
  ]);
  expect(leaves([joint(first!, null, null)])).toHaveLength(1);
  // Two things at one place are two: each is settled by its own.
  expect(leaves([later(), joint(second!, null, null)])).toMatchObject([
    { kind: 'by feel', where: second, because: expect.stringMatching(/^Tightened by feel/) },
    {
      kind: 'look again',
      where: second,
      because: 'Worn, used again: boot of the caliper, cracked, look by 2027-05-01 or 52,000 km',
    },
  ]);
  expect(leaves([later(), later({ what: 'boot of the other side' })])).toMatchObject([
    { because: expect.stringMatching(/cracked.*; Worn, used again: boot of the other side/) },
  ]);
  expect(leaves([later({ elementId: null })])).toMatchObject([{ where: null }]);
});

test('taken back it is not; owed things shut no gate', () => {
  const said = later();
  expect(leaves([said, { id: 'u', kind: 'undone', eventId: said.id } as LooseEvent])).toEqual([]);
  const job = jobOf(PLAN, [...RUN, said]);
  const bare = jobOf(PLAN, RUN);
  expect(gateOf(job, ABOUT, [])).toEqual(gateOf(bare, ABOUT, []));
});

test('a place that the plan does not know is refused', () => {
  const fault = (said: LooseEvent) =>
    jobEventFault(jobOf(PLAN, []), loggedEvent(said) as JobEvent, { openedAtMs: 0, nowMs: 1_000 });
  expect(fault(joint(first!, 10, 10))).toBeNull();
  expect(fault(joint('nowhere', 10, 10))).toMatch(/nowhere/);
  expect(fault(later({ elementId: null }))).toBeNull();
});

test('a torque that was said of a bleeder outweighs the feel of shutting it, the last one; of a bleeder that is open it is none', () => {
  const { log } = jobOf(PLAN, [
    joint(first!, 10, 9),
    joint(first!, 10, 8),
    joint(second!, 10, null),
  ]);
  const at = (bleederId: string, tightened: 'by feel' | null) =>
    tightnessOf({ bleederId, openingId: 's', tightened }, log);
  expect(at(first!, 'by feel')).toEqual({ torqueNm: 8 });
  expect(at(second!, 'by feel')).toBe('by feel');
  expect(at(first!, null)).toBeNull();
});

test('the manual’s value is that of this job, else of an earlier one, else the one that the layout lists, else nobody’s', () => {
  const layout = {
    ...PLAN.layout,
    bleeders: PLAN.layout.bleeders.map((b) =>
      b.id === second
        ? { ...b, fitting: { listed: { wrenchMm: 8, thread: null, torqueNm: 7 }, found: null } }
        : b,
    ),
  };
  const earlier = [{ elementId: first!, manualNm: 11, by: 'Ode, job 3' }];
  const of = (id: string, log = jobOf(PLAN, []).log, before = earlier) =>
    manualTorqueOf(id, { log, earlier: before, layout });
  expect(of(first!)).toEqual(earlier[0]);
  expect(of(first!, jobOf(PLAN, [joint(first!, 12, 12)]).log)).toMatchObject({ manualNm: 12 });
  // By feel without a look into the manual says nothing of its value.
  expect(of(first!, jobOf(PLAN, [joint(first!, null, null)]).log)).toEqual(earlier[0]);
  expect(of(second!)).toMatchObject({ manualNm: 7, by: 'the layout' });
  expect(of(first!, undefined, [])).toBeNull();
});
