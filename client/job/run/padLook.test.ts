import { planBleed, type Plan } from '@brook/core/bleed/plan';
import { emptyRun, foldRun, followCalls, nextStep, type RunState } from '@brook/core/job/run';
import { routineFlush } from '@brook/core/bleed/scope';
import { countingIds, layoutOf, planned, runOf } from '@brook/core/testing';
import { padLook } from './padLook';

const result = planBleed({
  layout: layoutOf('motorcycle-front-disc', 'middle'),
  fillGrade: 'DOT 4',
  newColour: 'clear',
});
const plan = (result as { plan: Plan }).plan;
let n = 0;
const log = followCalls(plan, { deviceId: 'phone', nextId: () => `e${++n}`, startMs: 0 }).map(
  (e) => ({ ...e, person: 'Una' }),
);
const lookAt = (state: RunState) => padLook(plan, state, nextStep(state));
/** Looks after every event of a run that does just what is called for. */
const looks = log.map((_, i) => lookAt(foldRun(plan, log.slice(0, i + 1))));

test('the number counts down to nothing while strokes are called for', () => {
  const numbers = looks.filter((l) => l.counts).map((l) => Number(l.number));
  expect(numbers[0]).toBe(plan.openings[0]!.strokes.value);
  expect(numbers.at(-1)).toBe(1);
  expect([...numbers].sort((a, b) => b - a)).toEqual(numbers);
});

test('a long press counts ten at the most, and never past the next call or the last stroke', () => {
  const counting = looks.filter((l) => l.counts);
  for (const { atOnce, number, next } of counting) {
    expect(atOnce).toBeLessThanOrEqual(Math.min(10, Number(number)));
    const topUp = /next top-up in (\d+)/.exec(next!);
    if (topUp) expect(atOnce).toBeLessThanOrEqual(Number(topUp[1]));
  }
  expect(Math.max(...counting.map((l) => l.atOnce))).toBeGreaterThan(1);
  expect(looks.filter((l) => !l.counts).every((l) => l.atOnce === 0)).toBe(true);
});

test('one stroke left is one stroke', () => {
  expect(looks.find((l) => l.number === '1' && l.counts)!.under).toMatch(/^stroke to go/);
});

test('what must be done before the next stroke is loud and does not count', () => {
  const topUp = looks.find((l) => l.call === 'Top up now')!;
  expect(topUp).toMatchObject({ counts: false, loud: true });
  expect(looks.some((l) => l.call.startsWith('Shut it') && l.loud && !l.counts)).toBe(true);
});

test('the next top-up is said while it lies ahead of the last stroke', () => {
  expect(looks.some((l) => l.next !== null && /next top-up in \d+/.test(l.next))).toBe(true);
});

test('a motorcycle is filled midway at the end, and then it is through', () => {
  expect(
    padLook(plan, emptyRun(plan), {
      kind: 'last fill',
      reservoir: plan.reservoirs[0]!,
      pourMl: 4.4,
    }),
  ).toMatchObject({ call: 'Fill to midway', number: '4', loud: true });
  expect(looks.at(-1)!.call).toBe('Every bleeder is through');
});

test('strokes over the plan are counted up, with the reason', () => {
  const atEnd = log.findIndex((e) => e.kind === 'shut');
  const dark = foldRun(plan, [
    ...log
      .slice(0, atEnd)
      .map((e) => (e.kind === 'colour' ? { ...e, colour: 'brown' as const } : e)),
    { ...log[atEnd]!, id: 'fill', kind: 'topped up', reservoirId: 'reservoir', containerId: null },
  ]);
  expect(lookAt(dark)).toMatchObject({
    number: '+0',
    counts: true,
    call: expect.stringContaining('Darker than the new fluid'),
  });
});

test('before anything was done there is nothing to count', () => {
  expect(lookAt(emptyRun(plan))).toMatchObject({ counts: false, number: null });
});

test('while a way fills the seconds until the look are the number; strokes say what is swallowed first', () => {
  const layout = layoutOf('hatchback-diagonal');
  const work = { ...routineFlush(['master']), purpose: 'new or dry' as const };
  const dry = planned(layout, { work, method: 'vacuum' });
  const state = runOf(
    dry,
    followCalls(dry, { deviceId: 'p', nextId: countingIds(), startMs: 0, strokes: 0 }).filter(
      (e) => e.kind !== 'level seen' && e.kind !== 'topped up',
    ),
  );
  const step = nextStep(state);
  if (step.kind !== 'fill way') throw new Error(step.kind);
  expect(padLook(dry, state, step)).toMatchObject({
    number: String(step.lookAfterS),
    under: 'seconds at the most, then stop',
    counts: false,
    next: expect.stringContaining(`About ${Math.ceil(step.leftMl)} mL`),
  });
  expect(padLook(dry, state, { ...step, lookAfterS: 1 }).under).toMatch(/^second at/);
  const stroke = { kind: 'stroke', strokesLeft: 9, strokesUntilTopUp: 4 } as const;
  const opening = dry.openings[0]!;
  expect(padLook(dry, state, { ...stroke, opening }).next).toMatch(
    /^the way swallows about \d+ mL first · next top-up in 4$/,
  );
  const full = { ...state, empties: {} };
  expect(padLook(dry, full, { ...stroke, opening }).next).toBe('next top-up in 4');
});

test('how a stroke goes and why stands there until the first is made; into a bottle also how it is opened, and that it ends held', () => {
  const bottle = planned(layoutOf('hatchback-diagonal'), { method: 'alone, bottle' });
  const [opening] = bottle.openings;
  const step = { kind: 'stroke', opening: opening!, strokesLeft: 9, strokesUntilTopUp: 9 } as const;
  const first = padLook(bottle, runOf(bottle, []), step).next!;
  expect(first).toContain('end of the hose below the fluid, then open');
  expect(first).toContain('snaps back draws air past the seals');
  const made = runOf(bottle, [{ kind: 'stroke', openingId: opening!.id }]);
  expect(padLook(bottle, made, step).next).not.toMatch(/end of the hose|snaps back/);
  const shut = (plan: Plan) =>
    padLook(plan, runOf(plan, []), { kind: 'shut', opening: plan.openings[0]! }).next!;
  expect(shut(bottle)).toContain('Brake pedal held down until it is shut.');
  expect(shut(planned(layoutOf('hatchback-diagonal')))).not.toContain('held down');
});

test('by the jar nothing is tapped: it is read before the reservoir could stand where it is topped up', () => {
  const [opening] = plan.openings;
  const byJar = runOf(plan, [
    { kind: 'counting', way: 'jar' },
    { kind: 'jar read', openingId: opening!.id, jarMl: 10 },
  ]);
  const at = (strokesUntilTopUp: number) =>
    padLook(plan, byJar, { kind: 'stroke', opening: opening!, strokesLeft: 30, strokesUntilTopUp });
  const ml = (n: number) => Math.floor(10 + n * opening!.mostStrokeMl.value);
  expect(at(4)).toMatchObject({
    call: `Read the jar at ${ml(4)} mL at the latest, after 4 strokes`,
    atOnce: 0,
  });
  // And never later than a look at the level after ten.
  expect(at(25).call).toBe(`Read the jar at ${ml(10)} mL at the latest, after 10 strokes`);
});

test('a flow that runs says so; stopped it is read', () => {
  const [opening] = plan.openings;
  const flow = { kind: 'flow', opening: opening!, strokesLeft: 3 } as const;
  const running = { eventId: 'f', sinceMs: 0, dueMs: 1000 };
  expect(padLook(plan, emptyRun(plan), { ...flow, running }).call).toBe('Let it run');
  expect(padLook(plan, emptyRun(plan), { ...flow, running: null }).call).toBe('Read the jar');
});
