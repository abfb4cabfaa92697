import { layoutTemplates, type Layout } from '../circuit';
import { USUAL_MEANS } from '../flow';
import { planBleed, planChanges, stageTitle, stageWords, type Plan, type PlanRequest } from '../plan';
import { routineFlush } from '../scope';
import { countingIds, layoutOf, planOf } from '../testing';
import { currentStop, eventFault, foldRun, followCalls, maySkip, nextStep, planAgainstActual, RunFluid, skippedStages, type RunEvent } from '.';

const planned = (layout: Layout, more: Partial<PlanRequest> = {}): Plan => {
  const result = planBleed({ layout, fillGrade: 'DOT 4', newColour: 'straw', means: { ...USUAL_MEANS, vacuumPump: true, scanTool: true }, ...more });
  if (result.verdict === 'refused') throw new Error(JSON.stringify(result.reasons));
  return result.plan;
};
const all = (layout: Layout) => layout.masters.map((m) => m.id);
const dry = (layout: Layout) => planned(layout, { work: { ...routineFlush(all(layout)), purpose: 'new or dry' } });
const log = (plan: Plan) => followCalls(plan, { deviceId: 'phone', nextId: countingIds(), startMs: 0 });
const twin = layoutOf('motorcycle-twin-front-master-bleeder');
const hatchback = layoutOf('hatchback-diagonal');
const modulator = planned(hatchback, { work: { ...routineFlush(['master']), purpose: 'after work', modulatorOpened: true } });
const base = { id: 'x', deviceId: 'phone', deviceSeq: 99, atMs: 0 };

test.each(layoutTemplates.filter((t) => t.id !== 'motorcycle-integral-abs').map((t) => t.id))('a new or dry %s can be carried out from the bench to the last fill, each stage and each opening in turn', (id) => {
  const plan = dry(layoutOf(id));
  const events = log(plan);
  const state = foldRun(plan, events);
  expect(nextStep(state).kind).toBe('finished');
  const shut = events.flatMap((e) => (e.kind === 'shut' ? [e.stopId] : []));
  expect(shut).toEqual(plan.stops.map((s) => s.id));
  expect(planAgainstActual(state)[0]!.rows.every((r) => r.strokes.value >= r.plannedStrokes.value)).toBe(true);
  // Bench work comes before anything on the vehicle is filled.
  expect(events.findIndex((e) => e.kind === 'stage done')).toBeLessThan(events.findIndex((e) => e.kind === 'prepared'));
  // What the plan says is poured is what such a run pours.
  expect(state.pouredMl).toBeCloseTo(plan.totals.pouredMl.value, 6);
});

test('what is pushed in from below comes out of the syringe, and the bowl does not fall for it', () => {
  const plan = planned(layoutOf('motorcycle-clutch-bends'), { method: 'reverse' });
  const below = plan.stops.find((s) => !s.fromBowl)!;
  const before = foldRun(plan, []);
  const after = foldRun(plan, [{ ...base, kind: 'stroke', stopId: below.id }]);
  expect(after.levelMl).toEqual(before.levelMl);
  expect(after.pouredMl).toBe(below.strokeMl.value);
});

test('bubbles are asked for at the last opening alone, colour only where the fluid is renewed', () => {
  const events = log(planned(layoutOf('veteran-single'), { method: 'vacuum' }));
  const at = (kind: RunEvent['kind']) => events.flatMap((e) => (e.kind === kind && 'stopId' in e ? [e.stopId] : []));
  expect(at('colour').every((id) => !id!.includes('#'))).toBe(true);
  expect(at('bubbles').every((id) => id!.endsWith('#2'))).toBe(true);
});

test('a tool cycle waits for the base bleed, and is left out only with a reason that stays', () => {
  const tool = modulator.stages.find((s) => s.kind === 'tool cycle')!;
  const events = log(modulator);
  const before = events.slice(0, events.findIndex((e) => e.kind === 'stage done' && e.stageId === tool.id));
  const state = foldRun(modulator, before);
  expect(nextStep(state)).toMatchObject({ kind: 'stage', stage: { id: tool.id } });
  expect(currentStop(state)).toBeNull();
  const skipped: RunEvent = { ...base, kind: 'stage skipped', stageId: tool.id, reason: 'Tool is out on the ferry' };
  expect(eventFault(state, skipped)).toBeNull();
  const after = foldRun(modulator, [skipped], state);
  expect(skippedStages(after)).toEqual([{ title: stageTitle(hatchback, tool), reason: 'Tool is out on the ferry' }]);
  expect(nextStep(after)).toMatchObject({ kind: 'stroke' });
});

test('what must not be left out, and what is no stage, is refused', () => {
  const plan = dry(twin);
  const bench = plan.stages.find((s) => s.kind === 'bench')!;
  const state = foldRun(plan, []);
  expect(maySkip(bench)).toBe(false);
  expect(eventFault(state, { ...base, kind: 'stage skipped', stageId: bench.id, reason: 'In a hurry' })).toContain('cannot be left out');
  for (const stageId of ['nowhere', plan.stages.find((s) => s.kind === 'bleed')!.id]) expect(eventFault(state, { ...base, kind: 'stage done', stageId })).toContain('no stage');
});

test('every stage that opens no bleeder says what to do and why', () => {
  const estate = layoutOf('estate-front-rear');
  const lost = planned(estate, { work: { ...routineFlush(all(estate)), endLost: 'rear' } });
  for (const plan of [dry(twin), modulator, lost]) {
    for (const stage of plan.stages) {
      if (stage.kind === 'bleed') continue;
      const words = stageWords(plan, stage);
      expect(words.steps.length).toBeGreaterThan(1);
      for (const s of [...words.steps, words.why]) expect(s).toMatch(/\.$/);
    }
  }
  // The valve's piston lies towards the end that lost pressure; the other end still flows: common practice, no source.
  expect(stageWords(lost, lost.stages[0] as Parameters<typeof stageWords>[1]).steps.join(' ')).toMatch(/towards the rear end.*bleeder at the front/);
});

test('a dry system begins with nothing above its outlets, in the levels and in the picture', () => {
  const plan = dry(layoutOf('motorcycle-front-disc'));
  expect(foldRun(plan, []).levelMl).toEqual({ bowl: 5 });
  const fill: RunEvent = { ...base, kind: 'prepared', step: 'fill reservoir' };
  expect(new RunFluid(plan).after([fill]).newShares().get('bowl')).toBeCloseTo((32 - 5) / 32, 9);
});

describe('what changed between two plans', () => {
  test('nothing, when nothing did', () => expect(planChanges(planOf(hatchback), planOf(hatchback))).toEqual([]));

  test('bleeders, method, order, stages and amounts, each in a sentence', () => {
    const corner = planned(hatchback, { work: { ...routineFlush(['master']), purpose: 'after work', parts: [{ partId: 'left-front-caliper', cappedAtOnce: true, keptFull: true }] }, method: 'vacuum' });
    const said = planChanges(planned(hatchback), corner).join(' ');
    for (const part of ['May stay shut now:', 'Method: Vacuum at the bleeder, before Two people', 'New stages: Finish with strokes', 'To bleed: 86 mL, before', 'Hands on:']) expect(said).toContain(part);
    expect(planChanges(corner, planned(hatchback)).join(' ')).toContain('Now opened too:');
    expect(planChanges(planned(hatchback), planned(hatchback, { order: 'nearest first' })).join(' ')).toContain('Order: Nearest first, before Farthest first.');
  });
});
