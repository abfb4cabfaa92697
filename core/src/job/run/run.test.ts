import fc, { pre } from 'fast-check';
import { type Plan, planBleed } from '../../bleed/plan';
import { addToJob, foldJob, NEW_JOB } from '../log';
import {
  after,
  afterWork,
  allMasters,
  arbitraryLayout,
  carefulMaster,
  countingIds,
  eventFault,
  jobOf,
  loggedEvent,
  layoutOf,
  logFrom,
  planned,
  planOf,
  runOf,
  type LooseEvent,
  newShares,
} from '../../testing';
import { routineFlush } from '../../bleed/scope';
import { CircuitFluid } from '../../hydraulics/washout';
import {
  emptyRun,
  followCalls,
  levelFigure,
  missingAt,
  nextStep,
  planAgainstActual,
  pourFigure,
  RunFluid,
  type RunState,
} from '.';
import {
  BUBBLE_READINGS,
  DECISION_WORDS,
  DECISIONS_ON,
  HALT_REASONS,
  HALT_WORDS,
  type Decision,
  type HaltReason,
  type Logged,
  type RunEvent,
} from '../events';

const HATCHBACK = planOf('hatchback-diagonal');
const MOTORCYCLE = planOf('motorcycle-front-disc');
const logOf = (plan: Plan, strokes?: number) =>
  followCalls(plan, { deviceId: 'phone', nextId: countingIds(), startMs: 0, strokes });
const base = (id: string) => ({ id, deviceId: 'phone', deviceSeq: 1, atMs: 1000 });
const at = (state: RunState, openingId: string) =>
  state.bleeders.find((b) => b.openingId === openingId)!;

/** A run whose preparation is through, at the first bleeder. */
const prepared = (plan: Plan) => runOf(plan, logOf(plan, 0));

/** Any log over a plan: sensible and senseless events, undos and second copies among them. */
const anyLog = (plan: Plan): fc.Arbitrary<LooseEvent[]> => {
  const openingId = fc.constantFrom(...plan.openings.map((s) => s.bleeder.id));
  const kind = fc.oneof(
    fc.constantFrom(...plan.preparation).map((step) => ({ kind: 'prepared' as const, step })),
    { weight: 5, arbitrary: openingId.map((b) => ({ kind: 'stroke' as const, openingId: b })) },
    fc
      .tuple(openingId, fc.constantFrom(...BUBBLE_READINGS))
      .map(([b, reading]) => ({ kind: 'bubbles' as const, openingId: b, reading })),
    openingId.map((b) => ({ kind: 'colour' as const, openingId: b, colour: 'straw' as const })),
    fc
      .constantFrom(...plan.reservoirs)
      .map((b) => ({ kind: 'topped up' as const, reservoirId: b.id, containerId: null })),
    openingId.map((b) => ({ kind: 'shut' as const, openingId: b, tightened: 'by feel' as const })),
    fc
      .tuple(openingId, fc.constantFrom(...HALT_REASONS))
      .map(([b, reason]) => ({ kind: 'halted' as const, reason, openingId: b })),
    fc
      .tuple(
        fc.nat(30),
        fc.constantFrom('plan anew' as const, 'go on' as const, 'leave shut' as const),
      )
      .map(([n, decision]) => ({ kind: 'decided' as const, haltId: `e${n}`, decision })),
    fc.nat(30).map((n) => ({ kind: 'undone' as const, eventId: `e${n}` })),
  );
  return fc
    .array(fc.tuple(kind, fc.nat(40)), { maxLength: 40 })
    .map((drawn) => drawn.map(([said, n], i) => ({ ...base(n < 4 ? `e${n}` : `e${i}`), ...said })));
};

describe('the fold', () => {
  test('event by event it comes to what the whole log gives', () => {
    fc.assert(
      fc.property(anyLog(HATCHBACK), (said) => {
        const log = logFrom(HATCHBACK, said);
        const stepwise = log.reduce(addToJob, NEW_JOB);
        const whole = foldJob(log);
        expect({ ...stepwise, log: [] }).toEqual({ ...whole, log: [] });
        expect(stepwise.log.map((e) => e.id)).toEqual(whole.log.map((e) => e.id));
      }),
    );
  });

  test('undoing what was done last gives the run before it', () => {
    fc.assert(
      fc.property(anyLog(HATCHBACK), (log) => {
        const before = runOf(HATCHBACK, log);
        const undone = runOf(HATCHBACK, [
          ...log,
          { ...base('new'), kind: 'stroke', openingId: 'left-rear' },
          { ...base('undo'), kind: 'undone', eventId: 'new' },
        ]);
        expect(undone).toEqual(before);
      }),
    );
  });

  test('fluid is conserved: start + poured = removed + bled + what stands in the reservoirs', () => {
    fc.assert(
      fc.property(
        anyLog(HATCHBACK).map((log) => log.filter((e) => e.kind !== 'halted')),
        (log) => {
          const s = runOf(HATCHBACK, log);
          const start = HATCHBACK.reservoirs.reduce((sum, b) => sum + b.maxMl, 0);
          const standing = Object.values(s.levelMl).reduce((sum, ml) => sum + ml, 0);
          expect(start + s.pouredMl).toBeCloseTo(s.removedMl + s.bledMl + standing, 6);
        },
      ),
    );
  });

  test('an event of another plan changes nothing but what was seen', () => {
    const state = after(prepared(HATCHBACK), {
      ...base('x'),
      kind: 'stroke',
      openingId: 'nowhere',
    });
    expect(state.bledMl).toBe(0);
  });
});

describe('following the calls', () => {
  test('the level never goes under MIN, on any layout, and the run finishes', () => {
    fc.assert(
      fc.property(arbitraryLayout, (layout) => {
        const result = planBleed({ layout, fillGrade: 'DOT 4', newColour: 'straw' });
        pre(result.verdict === 'planned');
        const { plan } = result;
        let job = jobOf(plan, []);
        for (const event of logOf(plan)) {
          job = addToJob(job, loggedEvent(event));
          if (job.run!.bledMl > 0)
            for (const b of plan.reservoirs)
              expect(job.run!.levelMl[b.id]).toBeGreaterThanOrEqual(b.minMl - 1e-9);
        }
        expect(nextStep(job.run!).kind).toBe('finished');
      }),
      { numRuns: 40 },
    );
  });

  test.each([HATCHBACK, planOf('estate-front-rear'), planOf('veteran-single'), MOTORCYCLE])(
    'the plan is met to the stroke: $layout.name',
    (plan) => {
      const state = runOf(plan, logOf(plan));
      expect(planAgainstActual(state)[0]!.rows.map((r) => r.strokes.value)).toEqual(
        plan.openings.map((s) => s.strokes.value),
      );
      expect(state.bledMl).toBeCloseTo(plan.totals.bledMl.value, 6);
      expect(state.removedMl).toBeCloseTo(plan.totals.removedMl.value, 6);
      expect(state.pouredMl).toBeCloseTo(plan.totals.pouredMl.value, 6);
      expect(state.topUps).toBe(plan.totals.topUps.value);
    },
  );

  test('a run begun later goes on at the same stroke', () => {
    const state = runOf(HATCHBACK, logOf(HATCHBACK, 17));
    expect(nextStep(state)).toMatchObject({
      kind: 'stroke',
      strokesLeft: HATCHBACK.openings[0]!.strokes.value - 17,
    });
  });
});

describe('the next step', () => {
  test('preparation comes before any stroke, in the order of the trade', () => {
    const order = logOf(HATCHBACK, 0).map((e) => (e.kind === 'prepared' ? e.step : e.kind));
    // The servo is emptied before the pedal counts, the reservoir before the first stroke: common practice, no source.
    expect(order).toEqual([
      'protect',
      'stand',
      'read cap',
      'empty servo',
      'crack bleeders',
      'empty reservoir',
      'clean reservoir',
      'fill reservoir',
    ]);
    expect(
      logOf(MOTORCYCLE, 0).map((e) => (e.kind === 'prepared' ? e.step : e.kind)),
    ).not.toContain('empty servo');
  });

  // Gloves first, the servo while the old system holds pressure, old fluid off before the master comes
  // off, new fluid only into what is joined: common practice, no source.
  test('a changed master: nothing new is drawn off again, gloves come before the first nut', () => {
    const layout = layoutOf('hatchback-diagonal');
    const master = { ...carefulMaster('master'), bench: 'not done' as const };
    const plan = planned(layout, { work: afterWork(layout, { master }) });
    const order = logOf(plan, 0).map((e) => {
      if (e.kind === 'prepared') return e.step;
      return 'stageId' in e ? plan.stages.find((s) => s.id === e.stageId)!.kind : e.kind;
    });
    expect(order.filter((step, at) => step !== order[at - 1])).toEqual([
      'protect',
      'stand',
      'read cap',
      'empty servo',
      'crack bleeders',
      'right part',
      'empty reservoir',
      'bench',
      'join lines',
      'fill reservoir',
    ]);
  });

  test('the servo is not pumped on a dry system: it holds no pressure', () => {
    const layout = layoutOf('hatchback-diagonal');
    const work = { ...routineFlush(allMasters(layout)), purpose: 'new or dry' as const };
    expect(planned(layout, { work }).preparation).not.toContain('empty servo');
  });

  test('the vehicle counts as open from the first step that opens it', () => {
    const log = logOf(HATCHBACK, 0);
    const opened = log.findIndex((e) => e.kind === 'prepared' && e.step === 'crack bleeders');
    expect(runOf(HATCHBACK, log.slice(0, opened)).openedAtMs).toBeNull();
    expect(runOf(HATCHBACK, log).openedAtMs).toBe(log[opened]!.atMs);
  });

  const opening = MOTORCYCLE.openings[0]!;
  const openingId = opening.bleeder.id;
  const afterStrokes = runOf(
    MOTORCYCLE,
    logOf(MOTORCYCLE, opening.strokes.value).filter(
      (e) => e.kind === 'prepared' || e.kind === 'topped up' || e.kind === 'stroke',
    ),
  );
  const then = (...said: object[]) =>
    runOf(
      MOTORCYCLE,
      said.map((s, i) => ({ ...base(`t${i}`), ...s }) as RunEvent),
      afterStrokes,
    );

  test('planned strokes alone do not shut a bleeder: both readings are asked for', () => {
    expect(nextStep(afterStrokes)).toMatchObject({
      kind: 'read',
      missing: ['bubbles not read', 'colour not read'],
    });
  });

  test('bubbles ask for three strokes free of them and a reading after the last', () => {
    const seen = then(
      { kind: 'colour', openingId, colour: 'straw' },
      { kind: 'bubbles', openingId, reading: 'some' },
    );
    expect(missingAt(MOTORCYCLE, opening, at(seen, openingId))).toEqual([
      'bubbles in the last three',
    ]);
    const strokes = Array.from({ length: 3 }, () => ({ kind: 'stroke', openingId }));
    const later = then(
      { kind: 'bubbles', openingId, reading: 'some' },
      { kind: 'topped up', reservoirId: 'reservoir' },
      ...strokes,
    );
    expect(missingAt(MOTORCYCLE, opening, at(later, openingId))).toContain('bubbles not read');
    const read = then(
      { kind: 'bubbles', openingId, reading: 'some' },
      { kind: 'topped up', reservoirId: 'reservoir' },
      ...strokes,
      { kind: 'bubbles', openingId, reading: 'none' },
      { kind: 'colour', openingId, colour: 'straw' },
    );
    expect(nextStep(read)).toMatchObject({ kind: 'shut' });
  });

  test('a colour darker than the new fluid asks for more, a lighter one does not', () => {
    expect(
      missingAt(
        MOTORCYCLE,
        opening,
        at(then({ kind: 'colour', openingId, colour: 'amber' }), openingId),
      ),
    ).toContain('colour not new');
    expect(
      missingAt(
        MOTORCYCLE,
        opening,
        at(then({ kind: 'colour', openingId, colour: 'clear' }), openingId),
      ),
    ).not.toContain('colour not new');
  });

  test('a reading goes stale by strokes made after it', () => {
    const state = then(
      { kind: 'bubbles', openingId, reading: 'none' },
      { kind: 'colour', openingId, colour: 'straw' },
      { kind: 'stroke', openingId },
    );
    expect(missingAt(MOTORCYCLE, opening, at(state, openingId))).toEqual(['bubbles not read']);
  });
});

describe('halts', () => {
  const state = runOf(HATCHBACK, logOf(HATCHBACK, 20));
  const halted = (reason: HaltReason) =>
    after(state, { ...base('h'), kind: 'halted', reason, openingId: 'left-rear' });
  const decide = (reason: HaltReason, decision: Decision) =>
    after(halted(reason), { ...base('d'), kind: 'decided', haltId: 'h', decision });

  test.each(HALT_REASONS)(
    '%s stands in the way until somebody decides, by one of the decisions that are open',
    (reason) => {
      expect(nextStep(halted(reason))).toMatchObject({ kind: 'decide', halt: { reason } });
      for (const decision of DECISIONS_ON[reason]) {
        expect(nextStep(decide(reason, decision)).kind).not.toBe('decide');
        expect(DECISION_WORDS[decision].title).not.toBe('');
      }
      expect(HALT_WORDS[reason].say).toMatch(/\.$/);
    },
  );

  test('seized and cured: the count goes on where it stood', () => {
    expect(nextStep(decide('seized', 'go on'))).toMatchObject({
      kind: 'stroke',
      strokesLeft: HATCHBACK.openings[0]!.strokes.value - 20,
    });
  });

  test('grease: the others may be finished, this one is left', () => {
    const left = decide('grease', 'leave shut');
    expect(left.leftShut).toEqual(new Map([['left-rear', 'grease']]));
    expect(nextStep(left)).toMatchObject({
      kind: 'stroke',
      opening: { bleeder: { id: 'right-rear' } },
    });
    expect(DECISIONS_ON.grease).not.toContain('go on');
  });

  test('another product and a leak end the job; nothing more is filled', () => {
    expect(DECISIONS_ON['other product']).toEqual(['end job']);
    expect(DECISIONS_ON.leak).toEqual(['end job']);
    expect(nextStep(decide('leak', 'end job')).kind).toBe('ended');
  });

  test('a halt is decided once', () => {
    const twice = after(decide('seized', 'go on'), {
      ...base('d2'),
      kind: 'decided',
      haltId: 'h',
      decision: 'end job',
    });
    expect(twice.ended).toBeNull();
  });
});

describe('events that cannot belong to the run', () => {
  const state = after(prepared(HATCHBACK), {
    ...base('h'),
    kind: 'halted',
    reason: 'leak',
    openingId: null,
  });
  const fault = (said: object, on = state) => eventFault(on, { ...base('f'), ...said } as RunEvent);

  test.each([
    [{ kind: 'stroke', openingId: 'nowhere' }, 'left-rear'],
    [{ kind: 'topped up', reservoirId: 'nowhere' }, 'reservoir'],
    [{ kind: 'prepared', step: 'bar level' }, 'protect'],
    [{ kind: 'halted', reason: 'leak', openingId: 'nowhere' }, 'left-rear'],
    [{ kind: 'decided', haltId: 'nowhere', decision: 'end job' }, 'nowhere'],
    [{ kind: 'decided', haltId: 'h', decision: 'go on' }, 'end job'],
    [{ kind: 'undone', eventId: 'nowhere' }, 'nowhere'],
  ])('%j is refused and the sentence says what would be right', (said, names) => {
    expect(fault(said)).toContain(names);
  });

  test('what belongs is let through', () => {
    expect(fault({ kind: 'stroke', openingId: 'left-rear' })).toBeNull();
    expect(fault({ kind: 'halted', reason: 'leak', openingId: null })).toBeNull();
  });

  test('what was done is kept in whatever order it arrives: after a halt, after the end, on an opening that is shut', () => {
    expect(fault({ kind: 'stroke', openingId: 'left-rear' })).toBeNull();
    const ended = after(state, { ...base('d'), kind: 'decided', haltId: 'h', decision: 'end job' });
    expect(fault({ kind: 'stroke', openingId: 'left-rear' }, ended)).toBeNull();
    expect(fault({ kind: 'undone', eventId: 'd' }, ended)).toBeNull();
  });
});

describe('the fluid that a run has moved', () => {
  const follow = (plan: Plan, strokes?: number) =>
    logOf(plan, strokes).map(loggedEvent) as Logged<RunEvent>[];

  test('it is that of the simulation behind the plan', () => {
    const shares = newShares(new RunFluid(HATCHBACK).after(follow(HATCHBACK)));
    const fluid = new CircuitFluid(layoutOf('hatchback-diagonal'));
    fluid.emptyReservoir('reservoir');
    for (const { ml, times } of HATCHBACK.treatment!.rinses)
      for (let i = 0; i < times; i++) fluid.rinseReservoir('reservoir', ml);
    fluid.fillReservoir('reservoir', 220);
    for (const opening of HATCHBACK.openings) {
      for (let s = 0; s < opening.strokes.value; s++) {
        for (const t of opening.topUps)
          if (t.afterStrokes === s) fluid.fillReservoir(t.reservoirId, 220);
        fluid.bleed(opening.bleeder.id, opening.strokeMl.value);
      }
    }
    const expected = newShares(fluid);
    for (const [id, share] of shares)
      if (id !== 'reservoir') expect(share).toBeCloseTo(expected.get(id)!, 9);
    // What leaves a mixed caliper is what it holds: the target of the house, 95 %.
    expect(shares.get('left-rear-caliper')).toBeGreaterThan(0.95);
    expect(shares.get('left-rear-caliper')).toBeLessThan(0.97);
  });

  test('following on gives what starting over gives, and an undo goes back', () => {
    const log = follow(HATCHBACK, 40);
    const followed = new RunFluid(HATCHBACK);
    followed.after(log.slice(0, 20));
    expect([...newShares(followed.after(log))]).toEqual([
      ...newShares(new RunFluid(HATCHBACK).after(log)),
    ]);
    expect([...newShares(followed.after(log.slice(0, -1)))]).toEqual([
      ...newShares(new RunFluid(HATCHBACK).after(log.slice(0, -1))),
    ]);
  });

  test('strokes against the call never draw more than there is', () => {
    const log = [
      ...follow(MOTORCYCLE, 0),
      ...Array.from(
        { length: 50 },
        (_, i) =>
          loggedEvent({ ...base(`s${i}`), kind: 'stroke', openingId: 'front' }) as Logged<RunEvent>,
      ),
    ];
    expect(() => new RunFluid(MOTORCYCLE).after(log)).not.toThrow();
  });
});

describe('figures of a run', () => {
  test('the level names its marks and the stroke that lowers it', () => {
    const reservoir = HATCHBACK.reservoirs[0]!;
    const level = levelFigure(reservoir, 150, HATCHBACK.openings[0]!);
    expect(level).toMatchObject({ value: 150, unit: 'mL', source: { kind: 'model' } });
    expect(level.from.map((f) => f.label)).toEqual([
      'At MAX',
      'At MIN',
      'Top-up level',
      'Fluid in one stroke',
    ]);
  });

  test('what is to be poured is what the next step asks for', () => {
    let state = emptyRun(HATCHBACK);
    let asked = 0;
    for (const event of logOf(HATCHBACK)) {
      const step = nextStep(state);
      if (step.kind === 'top up') {
        asked++;
        expect(
          pourFigure(step.reservoir, state.levelMl[step.reservoir.id]!, step.reservoir.maxMl).value,
        ).toBeCloseTo(step.pourMl, 9);
      }
      state = after(state, event);
    }
    expect(asked).toBe(HATCHBACK.totals.topUps.value);
  });
});
