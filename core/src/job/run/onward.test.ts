import fc, { pre } from 'fast-check';
import { USUAL_MEANS } from '../../hydraulics/flow';
import { planBleed, RULES_VERSION, type Plan, type PlanRequest } from '../../bleed/plan';
import { routineFlush } from '../../bleed/scope';
import {
  after as later,
  arbitraryLayout,
  carefulMaster,
  countingIds,
  eventFault,
  layoutOf,
  runOf,
  type LooseEvent,
  newShares,
} from '../../testing';
import {
  followCalls,
  nextStep,
  planAgainstActual,
  planOnward,
  RunFluid,
  whatFollows,
  type RunState,
} from '.';
import { type Decision, type HaltReason, type RunEvent } from '../events';

const planned = (request: Partial<PlanRequest> & Pick<PlanRequest, 'layout'>): Plan => {
  const result = planBleed({
    fillGrade: 'DOT 4',
    newColour: 'straw',
    means: { ...USUAL_MEANS, scanTool: true, vacuumPump: true },
    ...request,
  });
  if (result.verdict === 'refused') throw new Error(JSON.stringify(result.reasons));
  return result.plan;
};
const follow = (plan: Plan, strokes?: number) =>
  followCalls(plan, { deviceId: 'phone', nextId: countingIds(), startMs: 0, strokes });
const base = { deviceId: 'phone', deviceSeq: 1, atMs: 0 };
const halted = (reason: HaltReason, openingId: string | null): LooseEvent => ({
  ...base,
  id: `h-${reason}`,
  kind: 'halted',
  reason,
  openingId,
});
const decided = (reason: HaltReason, decision: Decision): LooseEvent => ({
  ...base,
  id: `d-${reason}`,
  kind: 'decided',
  haltId: `h-${reason}`,
  decision,
});
/** A run that meets a surprise at the bleeder in hand, and what somebody decides. */
const meet = (
  state: RunState,
  reason: HaltReason,
  decision: Decision,
  openingId = state.plan.openings[0]?.id ?? null,
) => runOf(state.plan, [halted(reason, openingId), decided(reason, decision)], state);
/** The rest of a run by the calls. */
const finish = (state: RunState) => {
  let n = 0;
  const rest = followCalls(
    state.plan,
    { deviceId: 'phone', nextId: () => `after-${++n}`, startMs: 0 },
    state,
  );
  return later(state, ...rest);
};
/** Events up to and with the shutting of so many bleeders. */
const shutAfter = (plan: Plan, bleeders: number) => {
  const log = follow(plan);
  const at = log.flatMap((e, i) => (e.kind === 'shut' ? [i] : []));
  return log.slice(
    0,
    bleeders === 0 ? log.findIndex((e) => e.kind === 'stroke') : at[bleeders - 1]! + 1,
  );
};

const VAN = planned({ layout: layoutOf('van-four-channel') });
const COUPE = planned({ layout: layoutOf('estate-front-rear') });
const counts = (plan: Plan) => plan.openings.map((s) => [s.bleeder.id, s.strokes.value]);
const opens = (plan: Plan) => plan.openings.map((s) => s.bleeder.id);

describe('the rest as it was', () => {
  test('planned again from any bleeder on, it is the plan that was made at the start: the same simulation, carried on', () => {
    for (const plan of [VAN, COUPE]) {
      for (const shut of [0, 1, 2, 3]) {
        const state = runOf(plan, shutAfter(plan, shut));
        const inHand = plan.openings[shut]!;
        // The last one first moved to the end stays where it is.
        const last = plan.openings.at(-1)!;
        const again = planOnward(
          state,
          { eventId: 'h', reason: 'seized', openingId: last.id, masterId: null, decision: null },
          'do it last',
          'd',
        );
        expect(again.verdict === 'planned' && counts(again.plan)).toEqual(
          counts(plan).slice(plan.openings.indexOf(inHand)),
        );
      }
    }
  });
});

describe('planned anew before the reservoir was seen to', () => {
  const ofTheReservoir = ['empty reservoir', 'clean reservoir', 'fill reservoir'] as const;
  const upTo = (...done: readonly (typeof ofTheReservoir)[number][]) =>
    runOf(
      VAN,
      VAN.preparation
        .filter((s) => !ofTheReservoir.includes(s as never) || done.includes(s as never))
        .map((step): LooseEvent => ({ kind: 'prepared', step })),
    );
  const still = (state: RunState) =>
    meet(state, 'seized', 'do it last').plan.preparation.filter((s) =>
      ofTheReservoir.includes(s as never),
    );
  const planned = VAN.preparation.filter((s) => ofTheReservoir.includes(s as never));

  test('what was planned and not come to is still to be done, and only that', () => {
    expect(planned).toContain('empty reservoir');
    expect(still(upTo())).toEqual(planned);
    expect(still(upTo('empty reservoir'))).toEqual(['fill reservoir']);
    expect(still(upTo(...ofTheReservoir))).toEqual([]);
    // At a bleeder the reservoir is full: it is filled again only where it ran dry.
    const dry = meet(upTo(...ofTheReservoir), 'ran dry', 'plan anew').plan.preparation;
    expect(dry).toContain('fill reservoir');
    expect(dry).not.toContain('empty reservoir');
  });

  test('its sums are those of the plan before: the same fluid goes out of the reservoir and into it', () => {
    const anew = meet(upTo(), 'seized', 'do it last', VAN.openings.at(-1)!.id);
    expect(anew.plan.totals.pouredMl.value).toBeCloseTo(VAN.totals.pouredMl.value, 6);
    const end = finish(anew);
    expect(nextStep(end).kind).toBe('finished');
    expect(end.pouredMl).toBeCloseTo(VAN.totals.pouredMl.value, 6);
    expect(end.removedMl).toBeGreaterThan(0);
    expect(counts(anew.plan)).toEqual(counts(VAN));
  });
});

describe('one bleeder that does not move', () => {
  const state = runOf(VAN, shutAfter(VAN, 1));
  const stuck = VAN.openings[1]!;

  test('done last: the others come first, and it is still there at the end', () => {
    const after = meet(state, 'seized', 'do it last', stuck.id);
    expect(opens(after.plan)).toEqual([
      ...VAN.openings.slice(2).map((s) => s.bleeder.id),
      stuck.bleeder.id,
    ]);
    expect(after.leftShut).toEqual(new Map());
    expect(nextStep(after)).toMatchObject({
      kind: 'stroke',
      opening: { bleeder: { id: VAN.openings[2]!.bleeder.id } },
    });
    // An opening of another plan is another opening: a late tap cannot be taken for it.
    expect(after.plan.openings.map((s) => s.id)).not.toContain(VAN.openings[2]!.id);
    expect(nextStep(finish(after)).kind).toBe('finished');
  });

  test('left shut: the others are finished and it stays on the record', () => {
    const after = meet(state, 'seized', 'leave shut', stuck.id);
    expect(opens(after.plan)).toEqual(VAN.openings.slice(2).map((s) => s.bleeder.id));
    const legs = planAgainstActual(finish(after));
    expect(legs.map((l) => [l.endedBy, l.rows.map((r) => r.openingId)])).toEqual([
      ['seized', [VAN.openings[0]!.id, stuck.id]],
      [null, opens(after.plan).map((id) => `${id}@d-seized`)],
    ]);
    expect(legs[0]!.rows.map((r) => r.left)).toEqual([null, 'seized']);
  });

  test('the last of all left shut: only the last fill remains', () => {
    const almost = runOf(VAN, shutAfter(VAN, VAN.openings.length - 1));
    const after = meet(almost, 'grease', 'leave shut', VAN.openings.at(-1)!.id);
    expect(after.plan.openings).toEqual([]);
    expect(['last fill', 'finished']).toContain(nextStep(after).kind);
    expect(nextStep(finish(after)).kind).toBe('finished');
  });

  test('what is shared with it stays older, so the others never need less for it', () => {
    // Two rears behind one line: with the first left out, the second has the whole shared line to renew.
    const [first, second] = COUPE.openings;
    const after = meet(runOf(COUPE, shutAfter(COUPE, 0)), 'seized', 'leave shut', first!.id);
    const alone = after.plan.openings.find((s) => s.bleeder.id === second!.bleeder.id)!;
    expect(alone.neededMl.value).toBeGreaterThan(second!.neededMl.value);
  });
});

describe('ran dry', () => {
  const state = runOf(VAN, [...shutAfter(VAN, 1), halted('ran dry', VAN.openings[1]!.id)]);
  const after = later(state, decided('ran dry', 'plan anew'));

  test('what drew air is worked out: everything behind that outlet, the modulator by the tool, the reservoir filled first', () => {
    expect(after.plan.work.lowest).toEqual([
      { reservoirId: VAN.openings[1]!.reservoirId, belowMaxMm: expect.any(Number) as number },
    ]);
    expect(after.plan.scope.bleeders.every((b) => b.open)).toBe(true);
    // Air in a four-channel modulator: base bleed, cycle by the tool, base bleed again. Common practice, no source.
    expect(after.plan.stages.map((s) => s.kind)).toEqual(['bleed', 'tool cycle', 'bleed']);
    expect(after.plan.preparation).toEqual(['fill reservoir']);
    expect(nextStep(after)).toEqual({ kind: 'prepare', step: 'fill reservoir' });
    expect(nextStep(finish(after)).kind).toBe('finished');
  });

  test('it is priced from the fluid that stands in the lines: the bleeder that was through needs less than at first', () => {
    const [first] = VAN.openings;
    expect(
      after.plan.openings.find((s) => s.bleeder.id === first!.bleeder.id)!.neededMl.value,
    ).toBeLessThan(first!.neededMl.value);
  });

  test('what the new plan says is poured is what is poured from there on', () => {
    expect(finish(after).pouredMl - after.pouredMl).toBeCloseTo(
      after.plan.totals.pouredMl.value,
      6,
    );
  });

  test('on a shared reservoir the clutch draws air at its own outlet and leaves the brakes alone', () => {
    const layout = layoutOf('clutch-concentric');
    const clutch = layout.masters.find((m) => m.system === 'clutch')!;
    const plan = planned({ layout, work: routineFlush([clutch.id]) });
    const dry = meet(runOf(plan, shutAfter(plan, 0)), 'ran dry', 'plan anew');
    const brakes = layout.masters
      .filter((m) => m.system === 'brakes')
      .flatMap((m) => m.chambers.map((c) => c.outlet.belowMaxMm));
    expect(Math.min(...brakes, Infinity)).toBeGreaterThan(dry.plan.work.lowest[0]!.belowMaxMm);
    expect(new Set(dry.plan.openings.map((s) => s.control))).toEqual(new Set([clutch.control]));
  });
});

describe('a pedal that is not right after the whole plan', () => {
  test('air may be in the modulator: every bleeder, the tool, every bleeder again', () => {
    const after = meet(runOf(VAN, follow(VAN)), 'pedal not right', 'plan anew', null as never);
    expect(after.plan.work).toMatchObject({ purpose: 'soft pedal', airInModulator: true });
    expect(after.plan.stages.map((s) => s.kind)).toContain('tool cycle');
    expect(after.past).toHaveLength(1);
    expect(nextStep(finish(after)).kind).toBe('finished');
  });

  test('after one corner only, the rest is opened too', () => {
    const corner = planned({
      layout: layoutOf('hatchback-diagonal'),
      work: {
        ...routineFlush(['master']),
        purpose: 'after work',
        parts: [{ partId: 'left-front-caliper', cappedAtOnce: true, keptFull: true }],
      },
    });
    expect(opens(corner)).toEqual(['left-front']);
    const done = runOf(corner, follow(corner));
    const answer = whatFollows(
      done,
      { eventId: 'h', reason: 'pedal not right', openingId: null, masterId: null, decision: null },
      'plan anew',
    );
    if ('refusals' in answer) throw new Error(answer.refusals.join());
    expect(new Set(opens(answer.plan)).size).toBe(4);
    // They were not cracked yet.
    expect(answer.plan.preparation).toContain('crack bleeders');
    expect(answer.changes.join(' ')).toContain('Now opened too:');
  });

  test('air that never ends brings the tool as well, and the fluid is still renewed', () => {
    const after = meet(runOf(VAN, shutAfter(VAN, 0)), 'air never ends', 'plan anew');
    expect(after.plan.stages.map((s) => s.kind)).toEqual(['bleed', 'tool cycle', 'bleed']);
    expect(after.plan.openings.some((s) => s.until === 'new')).toBe(true);
  });
});

describe('the log', () => {
  const log = [
    ...shutAfter(VAN, 1),
    halted('ran dry', VAN.openings[1]!.id),
    decided('ran dry', 'plan anew'),
  ];
  const state = runOf(VAN, log);

  test('keeps the plan that followed: a stored log gives the same state without planning again', () => {
    const stored = state.log.at(-1)!;
    expect(stored).toMatchObject({
      kind: 'decided',
      plan: { rulesVersion: RULES_VERSION, id: 'd-ran dry' },
    });
    const marked: RunEvent = { ...stored, plan: { ...state.plan, rulesVersion: 99 } } as RunEvent;
    expect(runOf(VAN, [...log.slice(0, -1), marked]).plan.rulesVersion).toBe(99);
    expect(runOf(VAN, state.log)).toEqual(state);
  });

  test('undoing the decision brings the plan before it back', () => {
    const undone = later(state, { ...base, id: 'u', kind: 'undone', eventId: 'd-ran dry' });
    expect(undone.plan).toBe(VAN);
    expect(nextStep(undone)).toMatchObject({ kind: 'decide', halt: { reason: 'ran dry' } });
  });

  test('where no method is left the decision is refused in words, and the run stays halted', () => {
    const plan = {
      ...VAN,
      means: {
        helper: false,
        bottle: false,
        vacuumPump: false,
        pressurePot: false,
        syringe: false,
        selfRefilling: false,
        scanTool: false,
      },
    };
    const dry = runOf(plan, [...shutAfter(plan, 1), halted('ran dry', plan.openings[1]!.id)]);
    const answer = whatFollows(dry, dry.halts[0]!, 'plan anew');
    expect(answer).toEqual({ refusals: [expect.stringContaining('Nobody to help')] });
    expect(eventFault(dry, decided('ran dry', 'plan anew'))).toContain('cannot be planned');
    expect(nextStep(later(dry, decided('ran dry', 'plan anew')))).toMatchObject({
      kind: 'decide',
      halt: { reason: 'ran dry' },
    });
  });
});

test('on any layout and at any bleeder: the rest can be carried out, fluid is conserved, no bleeder left shut is asked for', () => {
  const surprise = fc.constantFrom<[HaltReason, Decision]>(
    ['ran dry', 'plan anew'],
    ['seized', 'do it last'],
    ['seized', 'leave shut'],
    ['air never ends', 'plan anew'],
  );
  fc.assert(
    fc.property(arbitraryLayout, fc.nat(), surprise, (layout, n, [reason, decision]) => {
      const result = planBleed({ layout, fillGrade: 'DOT 4', newColour: 'straw' });
      pre(result.verdict === 'planned' && result.plan.openings.length > 0);
      const { plan } = result as { plan: Plan };
      const k = n % plan.openings.length;
      const before = runOf(plan, shutAfter(plan, k));
      const halt = later(before, halted(reason, plan.openings[k]!.id));
      pre(eventFault(halt, decided(reason, decision)) === null);
      const after = finish(later(halt, decided(reason, decision)));
      expect(nextStep(after).kind).toBe('finished');
      if (decision === 'leave shut')
        expect(opens(after.plan)).not.toContain(plan.openings[k]!.bleeder.id);
      // What was lost to the air is not fluid: the level falls at the halt, and from there on nothing is lost or made
      // (a reservoir that is filled from below is drawn off on the way).
      const standing = (s: RunState) =>
        s.plan.reservoirs.reduce((sum, b) => sum + s.levelMl[b.id]!, 0);
      const begun = later(halt, decided(reason, decision));
      expect(standing(begun) + after.pouredMl - begun.pouredMl).toBeCloseTo(
        standing(after) + after.bledMl - begun.bledMl + after.removedMl - begun.removedMl,
        6,
      );
      // The picture follows the same log without complaint, to the same levels.
      const fluid = new RunFluid(plan).after(after.log);
      for (const share of newShares(fluid).values()) expect(share).toBeGreaterThanOrEqual(0);
    }),
    { numRuns: 30 },
  );
});

// A clutch that fails is bled again by itself, the brakes were proved on their own: common practice, no source.
test('a control that is not right is planned anew alone where it is the clutch, with the modulator where it is a brake', () => {
  const van = layoutOf('sports-coupe');
  const plan = planned({
    layout: van,
    work: {
      ...routineFlush(['clutch-master']),
      purpose: 'after work',
      parts: [{ partId: 'slave', cappedAtOnce: true, keptFull: false, newPart: false }],
      lowest: [{ reservoirId: 'reservoir', belowMaxMm: 55 }],
    },
  });
  const done = runOf(plan, follow(plan));
  const anew = (masterId: string) => {
    const halt = {
      eventId: 'h',
      reason: 'pedal not right' as const,
      openingId: null,
      masterId,
      decision: null,
    };
    const result = planOnward(done, halt, 'plan anew', 'd');
    if (result.verdict === 'refused') throw new Error('refused');
    return result.plan;
  };
  expect(opens(plan)).toHaveLength(5);
  expect(opens(anew('clutch-master'))).toEqual(['slave-bleeder']);
  expect(new Set(opens(anew('master'))).size).toBeGreaterThan(3);
  expect(anew('master').work.airInModulator).toBe(true);
  expect(anew('clutch-master').work.airInModulator).toBe(false);
});

test('a snapped bleeder comes off with its part: what hangs on it is opened', () => {
  const plan = planned({ layout: layoutOf('hatchback-diagonal') });
  const [first] = plan.openings;
  const state = runOf(plan, follow(plan).slice(0, 20));
  const halt = {
    eventId: 'h',
    reason: 'snapped' as const,
    openingId: first!.id,
    masterId: null,
    decision: null,
  };
  const result = planOnward(state, halt, 'plan anew', 'd');
  if (result.verdict === 'refused') throw new Error('refused');
  expect(result.plan.work.parts).toEqual([
    { partId: first!.bleeder.at, cappedAtOnce: false, keptFull: true, newPart: true },
  ]);
  expect(result.plan.openings.map((s) => s.bleeder.id)).toContain(first!.bleeder.id);
});

test('nothing comes: the rest goes by another method that can work, the same bleeders in the same order', () => {
  const plan = planned({ layout: layoutOf('hatchback-diagonal') });
  const state = runOf(plan, follow(plan, 30));
  const after = meet(state, 'nothing comes', 'another method', plan.openings[0]!.id);
  const next = after.plan;
  expect(next.id).not.toBe(plan.id);
  expect(next.method).not.toBe(plan.method);
  expect(next.methods.find((m) => m.method === next.method)!.verdict).not.toBe('hopeless');
  expect(next.openings.every((s) => s.method === next.method)).toBe(true);
  const left = plan.openings.filter((s) => !state.bleeders.find((b) => b.openingId === s.id)!.shut);
  expect(opens(next)).toEqual(left.map((s) => s.bleeder.id));
  expect(nextStep(runOf(plan, follow(next), after)).kind).not.toBe('decide');
});

// The join decides what must be opened, and only who joined it can say how it went: common practice, no source.
describe('a master that is not changed yet', () => {
  const master = { ...carefulMaster(), bench: 'not done' as const, notYet: true };
  const after = (more: object) => ({
    ...routineFlush(['master']),
    purpose: 'after work' as const,
    master: { ...master, ...more },
  });
  const layout = layoutOf('hatchback-diagonal');
  const plan = planned({ layout, work: after({}) });
  const events = follow(plan);
  const at = events.findIndex((e) => e.kind === 'master fitted');
  const before = runOf(plan, events.slice(0, at));
  const fitted = (more: object): LooseEvent => ({
    ...base,
    id: 'm',
    kind: 'master fitted',
    masterId: 'master',
    linesStayedFull: true,
    nothingElseOpened: true,
    modulatorLostNothing: true,
    heldDown: true,
    bench: 'clean',
    ...more,
  });

  test('is planned with care: bench first, lines joined, no wheel opened, the servo emptied while the old one holds', () => {
    expect(opens(plan)).toEqual([]);
    expect(plan.stages.map((s) => s.kind)).toEqual(
      expect.arrayContaining(['right part', 'bench', 'join lines']),
    );
    expect(plan.preparation).toContain('empty servo');
    // How its lines lie is known before.
    expect(opens(planned({ layout, work: after({ linesAboveWheels: false }) })).length).toBe(4);
  });

  test('what the run draws and pours is what the plan says, though no wheel is opened', () => {
    const { removedMl, pouredMl } = runOf(plan, follow(plan));
    expect(removedMl).toBeGreaterThan(100);
    expect(removedMl).toBeCloseTo(plan.totals.removedMl.value, 6);
    expect(pouredMl).toBeCloseTo(plan.totals.pouredMl.value, 6);
  });

  test('is asked about once its lines are joined, before anything else', () => {
    expect(events[at - 1]).toMatchObject({ kind: 'stage done' });
    expect(nextStep(before)).toEqual({ kind: 'master joined', masterId: 'master' });
    expect(nextStep(runOf(plan, [fitted({})], before)).kind).not.toBe('decide');
    expect(eventFault(before, fitted({ masterId: 'nowhere' }))).toContain('"nowhere"');
    expect(eventFault(before, fitted({}))).toBeNull();
  });

  test.each([
    { linesStayedFull: false },
    { nothingElseOpened: false },
    { modulatorLostNothing: false },
    { heldDown: false },
    { bench: 'a few tiny bubbles' },
    { bench: 'unknown' },
    { bench: 'not done' },
  ])('%j: every wheel is opened', (went) => {
    const halt = runOf(plan, [fitted(went)], before);
    expect(nextStep(halt)).toMatchObject({ kind: 'decide', halt: { reason: 'not as planned' } });
    const decided: LooseEvent = {
      ...base,
      id: 'd',
      kind: 'decided',
      haltId: 'm',
      decision: 'plan anew',
    };
    const anew = runOf(plan, [decided], halt).plan;
    expect(anew.work.master).toMatchObject({ ...went, notYet: false });
    expect(new Set(opens(anew)).size).toBe(4);
    expect(anew.stages.map((s) => s.kind)).not.toContain('join lines');
  });

  test('on the vehicle already it is not joined anew, nor benched, nor is the servo pumped on it', () => {
    const done = planned({ layout, work: after({ notYet: false }) });
    const kinds = done.stages.map((s) => s.kind);
    expect(kinds).not.toContain('join lines');
    expect(kinds).not.toContain('bench');
    expect(done.preparation).not.toContain('empty servo');
    expect(opens(done).length).toBe(4);
    expect(opens(planned({ layout, work: after({ notYet: false, bench: 'clean' }) }))).toEqual([]);
    // A bench run of which nobody knows the end leaves it empty, for all that anybody can say.
    const unknown = planned({ layout, work: after({ notYet: false, bench: 'unknown' }) });
    expect(unknown.inside.primary!.emptyMl).toBeGreaterThan(0);
    expect(opens(unknown).length).toBe(4);
  });
});

// “Not done yet” is an answer of its own where the plan itself will ask for the work: common practice, no source.
describe('a part that is not done yet', () => {
  const part = { partId: 'left-front-caliper', cappedAtOnce: true, keptFull: true, newPart: false };
  const plan = planned({
    layout: layoutOf('hatchback-diagonal'),
    work: {
      ...routineFlush(['master']),
      purpose: 'after work',
      parts: [{ ...part, notYet: true }],
    },
  });
  const events = follow(plan);
  const at = events.findIndex((e) => e.kind === 'part fitted');
  const before = runOf(plan, events.slice(0, at));
  const fitted = (cappedAtOnce: boolean, keptFull: boolean): LooseEvent => ({
    ...base,
    id: 'f',
    kind: 'part fitted',
    partId: part.partId,
    cappedAtOnce,
    keptFull,
  });

  test('is asked about once it is fitted, before anything is filled', () => {
    expect(opens(plan)).toEqual(['left-front']);
    expect(nextStep(before)).toEqual({ kind: 'fit part', partId: part.partId });
    expect(
      events.slice(0, at).every((e) => e.kind === 'prepared' && e.step !== 'fill reservoir'),
    ).toBe(true);
    const kept = runOf(plan, [fitted(true, true)], before);
    expect(nextStep(kept)).toMatchObject({ kind: 'prepare', step: 'fill reservoir' });
  });

  test.each([
    [false, true],
    [true, false],
  ])(
    'capped %s and kept full %s: what was not kept is planned anew, never smaller',
    (capped, full) => {
      const halt = runOf(plan, [fitted(capped, full)], before);
      expect(nextStep(halt)).toMatchObject({ kind: 'decide', halt: { reason: 'not as planned' } });
      const decided: LooseEvent = {
        ...base,
        id: 'd',
        kind: 'decided',
        haltId: 'f',
        decision: 'plan anew',
      };
      const anew = runOf(plan, [decided], halt).plan;
      expect(anew.work.parts).toEqual([
        { ...part, cappedAtOnce: capped, keptFull: full, notYet: false },
      ]);
      expect(new Set(opens(anew)).size).toBeGreaterThanOrEqual(1);
      if (!full) expect(new Set(opens(anew)).size).toBe(4);
    },
  );
});
