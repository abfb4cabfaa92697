import { gateWords } from '../../job/gate';
import { followProof, jobEventFault, overridesOf, proofOf } from '../../job/log';
import { type JobEvent } from '../../job/events';
import { DEFAULT_RULES } from '../../bleed/rules';
import type { Plan } from '../../bleed/plan';
import { followCalls } from '../../job/run';
import { countingIds, jobOf, loggedEvent, planOf, type LooseEvent } from '../../testing';
import { gateOf } from '.';
import { leftOpen } from './jobSays';
import { jobSays } from './saysOf';
import { paperOf } from './paper';

const BY_FEEL = planOf('hatchback-diagonal');
const PLAN: Plan = {
  ...BY_FEEL,
  preferences: { ...BY_FEEL.preferences, jointTightness: 'by the manual' },
};
const [left, right] = PLAN.openings.map((s) => s.bleeder.id);
const ids = countingIds('p');
const RUN = followCalls(PLAN, {
  deviceId: 'phone',
  nextId: countingIds(),
  startMs: 0,
}) as LooseEvent[];
const joint = (elementId: string, appliedNm: number | null): LooseEvent =>
  ({ id: ids(), kind: 'joint tightened', elementId, manualNm: 10, appliedNm }) as LooseEvent;
const owed = (said: readonly LooseEvent[], plan = PLAN) =>
  paperOf(jobOf(plan, [...RUN, ...said])).torques.map((t) => t.elementId);

test('by the manual, each bleeder that was shut by feel owes its torque until it is written down; by feel is none', () => {
  expect(owed([]).sort()).toEqual(PLAN.openings.map((s) => s.bleeder.id).sort());
  expect(owed([joint(left!, 9)])).not.toContain(left);
  expect(owed([joint(left!, 9)])).toContain(right);
  expect(owed([joint(left!, null)])).toContain(left);
  // Opened again behind it: what was said of it is past.
  const again = { id: ids(), kind: 'stroke', openingId: PLAN.openings[0]!.id } as LooseEvent;
  const shut = {
    id: ids(),
    kind: 'shut',
    openingId: PLAN.openings[0]!.id,
    tightened: 'by feel',
  } as LooseEvent;
  expect(owed([joint(left!, 9), again, shut])).toContain(left);
  expect(owed([joint(left!, 9), joint(left!, null)])).toContain(left);
});

test('a bleeder that was shut to a torque owes none; where the house goes by feel nobody does', () => {
  const exact = RUN.map((e) =>
    e.kind === 'shut' && e.openingId === PLAN.openings[0]!.id
      ? ({ ...e, tightened: { torqueNm: 9 } } as LooseEvent)
      : e,
  );
  expect(paperOf(jobOf(PLAN, exact)).torques.map((t) => t.elementId)).not.toContain(left);
  expect(owed([], BY_FEEL)).toEqual([]);
});

test('opened again behind it, a torque that was written settles nothing', () => {
  const about = { jobId: 'j', jobNumber: 1, openedAtMs: 0, layout: PLAN.layout };
  const right = (...said: LooseEvent[]) =>
    jobSays(jobOf(BY_FEEL, [...RUN, ...said]), about).tightened ?? [];
  const again = { id: ids(), kind: 'stroke', openingId: PLAN.openings[0]!.id } as LooseEvent;
  expect(right()).toEqual([]);
  expect(right(joint(left!, 10))).toEqual([left]);
  expect(right(joint(left!, 14))).toEqual([]);
  expect(right(joint(left!, null))).toEqual([]);
  expect(right(joint(left!, 9), again)).toEqual([]);
});

test('what a bleeder was shut to is right where the layout lists its value, and not above that', () => {
  const about = { jobId: 'j', jobNumber: 1, openedAtMs: 0, layout: PLAN.layout };
  const right = (torqueNm: number, listedNm: number | null) => {
    const bleeders = BY_FEEL.layout.bleeders.map((b) =>
      listedNm === null
        ? b
        : {
            ...b,
            fitting: { ...b.fitting, listed: { ...b.fitting.listed, torqueNm: listedNm } },
          },
    );
    const plan = { ...BY_FEEL, layout: { ...BY_FEEL.layout, bleeders } };
    const shut = RUN.map((e) =>
      e.kind === 'shut' ? ({ ...e, tightened: { torqueNm } } as LooseEvent) : e,
    );
    return jobSays(jobOf(plan, shut), about).tightened;
  };
  expect(right(10, 10)).toContain(left);
  expect(right(14, 10)).toEqual([]);
  expect(right(9, null)).toEqual([]);
});

test('what is left by feel is looked at again, whatever the house goes by, once its job is closed', () => {
  const about = { jobId: 'j', jobNumber: 1, openedAtMs: 0, layout: PLAN.layout };
  const ended: LooseEvent = {
    id: 'end',
    kind: 'ended',
    reason: 'Bay needed',
    stop: false,
  } as LooseEvent;
  const again = (said: readonly LooseEvent[], plan = PLAN) =>
    leftOpen(jobOf(plan, [...RUN, ...said]), about, [], false)
      .filter((m) => m.kind === 'by feel')
      .map((m) => [m.where, m.weight, m.because]);
  const all = PLAN.openings.map((s) => [s.bleeder.id, 'owed', 'Bleeder shut by feel']);
  expect(again([ended])).toEqual(expect.arrayContaining(all));
  expect(again([ended], BY_FEEL)).toEqual(expect.arrayContaining(all));
  expect(again([joint(left!, 9), ended]).map(([where]) => where)).not.toContain(left);
  // Said by feel, with what the manual says, that is the whole of it.
  expect(again([joint(left!, null), ended]).filter(([where]) => where === left)).toEqual([
    [left, 'owed', expect.stringMatching(/^Tightened by feel; manual 10.0 N·m[^;]*$/)],
  ]);
  // While the job goes on, it may still be written down.
  expect(again([])).toEqual([]);
});

describe('what a lead let go', () => {
  const ASKED: Plan = {
    ...BY_FEEL,
    preferences: { ...BY_FEEL.preferences, proofPhotos: 'level and joints' },
  };
  const ABOUT = { jobId: 'j', jobNumber: 1, openedAtMs: 0, layout: BY_FEEL.layout };
  const proved = [
    ...RUN,
    ...(followProof(BY_FEEL, {
      deviceId: 'phone',
      nextId: ids,
      startMs: 0,
      masterIds: BY_FEEL.layout.masters.map((m) => m.id),
    }) as LooseEvent[]),
  ];
  const jobWith = (...said: LooseEvent[]) => {
    const job = jobOf(ASKED, [...proved, ...said]);
    const read = { rules: DEFAULT_RULES, verdict: { verdict: 'fill' } } as never;
    return { ...job, fluid: { ...loggedEvent({ kind: 'fluid read', read } as never) } as never };
  };
  const missing = (...said: LooseEvent[]) =>
    gateOf(jobWith(...said), ABOUT, [])!
      .reasons.filter((r) => r.code !== 'fluid not put down')
      .map(gateWords);
  const letGo: LooseEvent = {
    id: 'o',
    kind: 'overridden',
    code: 'photo asked for',
    of: 'level',
    why: 'No phone got in',
  } as LooseEvent;

  test('is asked no more, stays on the record with its reason, and nothing else goes with it', () => {
    expect(missing()).toEqual([
      'This workshop asks for a photo: joints and bleeders dry under a firm push.',
      'This workshop asks for a photo: level between MIN and MAX, standing level.',
    ]);
    expect(missing(letGo)).toEqual([
      'This workshop asks for a photo: joints and bleeders dry under a firm push.',
    ]);
    expect(overridesOf(jobWith(letGo))).toMatchObject([
      { what: 'photo of: level between MIN and MAX, standing level', why: 'No phone got in' },
    ]);
    expect(proofOf(jobWith(letGo)).photos.size).toBe(0);
  });

  test('what is only looked at and proved, without a word of its fluid, is asked as well', () => {
    expect(paperOf({ ...jobWith(), fluid: null }).photosOf).toEqual(['joints dry', 'level']);
    expect(paperOf(jobOf(BY_FEEL, proved)).photosOf).toEqual([]);
  });

  test('a photo of what no vehicle has, or of a control without naming it, is refused with what would be right', () => {
    const photo = (proof: object) =>
      ({
        id: 'x',
        deviceId: 'phone',
        deviceSeq: 900,
        atMs: 0,
        planId: null,
        kind: 'media note',
        medium: 'photo',
        elementId: null,
        proof,
      }) as JobEvent;
    const fault = (proof: object) =>
      jobEventFault(jobWith(), photo(proof), { openedAtMs: 0, nowMs: 0 });
    expect(fault({ masterId: null, item: 'level' })).toBeNull();
    const placed = { ...photo({ masterId: null, item: 'result' }), elementId: left } as JobEvent;
    expect(jobEventFault(jobWith(), placed, { openedAtMs: 0, nowMs: 0 })).toMatch(
      /give its master/,
    );
    expect(fault({ masterId: null, item: 'result' })).toMatch(/give its master/);
    expect(fault({ masterId: 'nobody', item: 'result' })).toMatch(/no master "nobody"/);
    expect(fault({ masterId: null, item: 'servo gives' })).toMatch(/give its master/);
    expect(fault({ masterId: BY_FEEL.layout.masters[0]!.id, item: 'level' })).toMatch(
      /leave the master out/,
    );
  });
});
