import { runningClocks } from '../log';
import { type JobEvent, happeningFault, type Logged } from '../events';
import {
  EVERYTHING,
  jobOf,
  loggedEvent,
  layoutOf,
  planned,
  runOf,
  type LooseEvent,
  knownEvents,
} from '../../testing';
import { lookAfterS } from '../../hydraulics/order';
import { flowFigure, flowLookAfterS, nextStep, type NextStep, type RunState } from '.';

const PLAN = planned(layoutOf('hatchback-diagonal'), { method: 'gravity' });
const [OPENING, SECOND] = PLAN.openings;
const [RESERVOIR] = PLAN.reservoirs;
const READY: readonly LooseEvent[] = PLAN.preparation.map((step) => ({ kind: 'prepared', step }));
const run = (...said: readonly LooseEvent[]) => runOf(PLAN, [...READY, ...said]);
const flow = (lookAfter: number | null, more: Partial<LooseEvent> = {}): LooseEvent =>
  ({ kind: 'flow set', openingId: OPENING!.id, lookAfterS: lookAfter, ...more }) as LooseEvent;
const jar = (jarMl: number): LooseEvent => ({ kind: 'jar read', openingId: OPENING!.id, jarMl });
const step = (...said: readonly LooseEvent[]) => nextStep(run(...said));
const look = (state: RunState) => flowLookAfterS(state, nextStep(state));

describe('a steady flow by the clock', () => {
  test('somebody looks before the level could have fallen to the call, or at the planned end', () => {
    expect(OPENING).toMatchObject({ method: 'gravity', counted: 'marks', fromReservoir: true });
    const state = run();
    const byLevel = lookAfterS(state.leastMl[RESERVOIR!.id]!, RESERVOIR!, OPENING!.mostMlS!.value)!;
    const toEnd = Math.ceil(OPENING!.strokes.value * OPENING!.secondsPerStroke);
    expect(byLevel).toBeLessThan(toEnd);
    expect(look(state)).toBe(byLevel);
    // By then it stands at the call and not below it, were it as fast as it can be.
    const fellMl = byLevel * OPENING!.mostMlS!.value;
    expect(RESERVOIR!.maxMl - fellMl).toBeGreaterThanOrEqual(RESERVOIR!.topUpLevelMl.value - 1e-9);
    expect(fellMl + OPENING!.mostMlS!.value).toBeGreaterThan(
      RESERVOIR!.maxMl - RESERVOIR!.topUpLevelMl.value,
    );
    // Two marks before the end the end is nearer than the level.
    const near = run(
      jar(60),
      { kind: 'topped up', reservoirId: RESERVOIR!.id, containerId: null },
      jar((OPENING!.strokes.value - 2) * OPENING!.strokeMl.value),
      { kind: 'topped up', reservoirId: RESERVOIR!.id, containerId: null },
    );
    expect(look(near)).toBe(Math.ceil(2 * OPENING!.secondsPerStroke));
  });

  test('what feeds itself is looked at for its marks alone; strokes and a push from below have no clock', () => {
    const fed = planned(layoutOf('hatchback-diagonal'), { method: 'pressure' });
    const onward = runOf(fed, [
      ...fed.preparation.map((s): LooseEvent => ({ kind: 'prepared', step: s })),
      { kind: 'pressure set', on: true },
    ]);
    expect(fed.openings[0]!.selfFed).toBe(true);
    expect(flowLookAfterS(onward, nextStep(onward))).toBe(
      Math.ceil(fed.openings[0]!.strokes.value * fed.openings[0]!.secondsPerStroke),
    );
    for (const plan of [
      planned(layoutOf('hatchback-diagonal')),
      planned(layoutOf('motorcycle-clutch-bends'), { method: 'reverse', means: EVERYTHING }),
    ])
      for (const opening of plan.openings) {
        if (opening.mostMlS && opening.fromReservoir) continue;
        const at: NextStep = { kind: 'stroke', opening, strokesLeft: 5, strokesUntilTopUp: 5 };
        expect(flowLookAfterS(runOf(plan, []), at)).toBeNull();
      }
  });

  test('it runs until the jar is read: a tap, a look and a reading end it, and nothing goes on without', () => {
    expect(step(flow(100, { id: 'f', atMs: 5_000 }))).toMatchObject({
      kind: 'flow',
      running: { eventId: 'f', sinceMs: 5_000, dueMs: 105_000 },
      strokesLeft: OPENING!.strokes.value,
    });
    expect(step(flow(100), flow(null))).toMatchObject({ kind: 'flow', running: null });
    expect(step(flow(100), flow(null), jar(20))).toMatchObject({
      kind: 'stroke',
      strokesLeft: OPENING!.strokes.value - Math.floor(20 / OPENING!.strokeMl.value),
    });
    expect(step(flow(100), { kind: 'stroke', openingId: OPENING!.id }).kind).toBe('stroke');
    expect(
      step(flow(100), {
        kind: 'level seen',
        openingId: OPENING!.id,
        levelMl: RESERVOIR!.maxMl - 20,
        fluidComes: true,
      }).kind,
    ).toBe('stroke');
    // Shut without a look: what it gave is asked for all the same.
    expect(
      step(flow(100), { kind: 'shut', openingId: OPENING!.id, tightened: 'by feel' }),
    ).toMatchObject({ kind: 'flow', running: null, opening: { id: OPENING!.id } });
  });

  test('nothing flows by itself where strokes are made', () => {
    const strokes = planned(layoutOf('hatchback-diagonal'));
    const known = { plans: [strokes], ...knownEvents({}) };
    const event = loggedEvent({ ...flow(60), openingId: strokes.openings[0]!.id } as LooseEvent);
    expect(happeningFault(known, event as never)).toContain('Nothing flows by itself');
    expect(happeningFault({ ...known, plans: [PLAN] }, loggedEvent(flow(60)) as never)).toBeNull();
  });

  test('what it may have given is time by flow, and never below nothing', () => {
    expect(flowFigure(OPENING!, 2 * OPENING!.secondsPerStroke).value).toBeCloseTo(
      2 * OPENING!.strokeMl.value,
      9,
    );
    expect(flowFigure(OPENING!, -3).value).toBe(0);
  });

  test('it is a clock of the job: on every phone, until somebody looked at that bleeder', () => {
    const clocks = (...said: LooseEvent[]) =>
      runningClocks(jobOf(PLAN, [...READY, ...said]).log as readonly Logged<JobEvent>[]);
    const set = flow(100, { id: 'f', atMs: 5_000 });
    expect(clocks(set)).toMatchObject([
      { eventId: 'f', clock: 'level look', dueMs: 105_000, ofRun: true },
    ]);
    const elsewhere: LooseEvent = { kind: 'stroke', openingId: SECOND!.id };
    expect(clocks(set, elsewhere)).toHaveLength(1);
    for (const end of [
      jar(10),
      flow(null),
      { kind: 'stroke', openingId: OPENING!.id } as LooseEvent,
    ])
      expect(clocks(set, end)).toEqual([]);
    expect(clocks(set, flow(50, { id: 'g', atMs: 9_000 }))).toMatchObject([{ eventId: 'g' }]);
    const halt: LooseEvent = { id: 'h', kind: 'halted', reason: 'leak', openingId: null };
    const goOn: LooseEvent = { kind: 'decided', haltId: 'h', decision: 'go on' };
    expect(clocks(set, halt)).toEqual([]);
    expect(clocks(set, halt, goOn)).toEqual([]);
    // The run says the same: it stopped, and what it gave is read first.
    expect(step(set, halt, goOn)).toMatchObject({ kind: 'flow', running: null });
    expect(clocks(set, { kind: 'undone', eventId: 'f' })).toEqual([]);
  });
});
