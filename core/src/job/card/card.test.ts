import { controlsOnRecord } from '../log';
import { followCalls } from '../run';
import { DEFAULT_RULES } from '../../bleed/rules';
import {
  afterWork,
  cappedPart,
  countingIds,
  jobOf,
  layoutOf,
  planned,
  planOf,
  type LooseEvent,
} from '../../testing';
import { jobCard, pouredWords, type CardFacts } from '.';

const PLAN = planOf('hatchback-diagonal');
const masterId = PLAN.layout.masters[0]!.id;
const follow = (plan: typeof PLAN) =>
  followCalls(plan, { deviceId: 'phone', nextId: countingIds(), startMs: 0 }) as LooseEvent[];
const RELEASED: LooseEvent = { id: 'r', atMs: 1_000_000, kind: 'released' } as LooseEvent;
const felt: LooseEvent = {
  id: 'f',
  atMs: 900,
  kind: 'pedal judged',
  masterId,
  result: 'firm and high',
} as LooseEvent;

function cardOf(plan: typeof PLAN, said: readonly LooseEvent[], more: Partial<CardFacts> = {}) {
  const job = jobOf(plan, said);
  return jobCard({
    workshop: 'Skerrow',
    jobNumber: 7,
    vehicle: { name: 'Hatchback', tag: 'H 1' },
    job,
    layout: plan.layout,
    plan,
    used: null,
    controls: controlsOnRecord(job),
    air: {},
    cleared: [],
    left: [],
    rules: DEFAULT_RULES,
    makerMonths: null,
    ...more,
  });
}

test('a word is printed by feel and as no millimetres, a reading as what it was', () => {
  const byFeel = cardOf(PLAN, [...follow(PLAN), felt]);
  expect(byFeel.after).toEqual([
    { what: 'Brake pedal', value: 'firm and high', source: 'by feel' },
  ]);
  expect(JSON.stringify(byFeel.after)).not.toMatch(/mm/);
  const read = {
    id: 'm',
    kind: 'pedal read',
    masterId,
    when: 'after',
    at: { forceN: 300 },
    pumped: false,
    heightMm: 118,
  };
  const measured = cardOf(PLAN, [...follow(PLAN), felt, read as LooseEvent]);
  expect(measured.after).toContainEqual({
    what: 'Brake pedal at 300 N',
    value: '118 mm',
    source: 'measured',
  });
  // One reading amounts to no word: that stays by feel.
  expect(measured.after[0]).toMatchObject({ source: 'by feel' });
});

test('plan against done stands opening by opening in the order of the plan, with what nobody looked at', () => {
  const card = cardOf(PLAN, follow(PLAN));
  expect(card.openings.map((o) => o.plannedStrokes)).toEqual(
    PLAN.openings.map((s) => s.strokes.value),
  );
  expect(card.openings.map((o) => o.strokes)).toEqual(PLAN.openings.map((s) => s.strokes.value));
  expect(card.order).toEqual(PLAN.openings.map((s) => s.bleeder.id));
  const first = PLAN.openings[0]!.id;
  const unseen = follow(PLAN).filter((e) => !(e.kind === 'bubbles' && e.openingId === first));
  expect(cardOf(PLAN, unseen).openings[0]!.bubbles).toBeNull();
});

// 1 lbf·ft is 1.3558 N·m: NIST SP 811, appendix B.8.
test('a torque stands in both units, what was tightened by feel as that', () => {
  const first = PLAN.openings[0]!.id;
  const said = follow(PLAN).map((e) =>
    e.kind === 'shut' && e.openingId === first
      ? ({ ...e, tightened: { torqueNm: 10.8 } } as LooseEvent)
      : e,
  );
  const { openings } = cardOf(PLAN, said);
  expect(openings.map((o) => o.tightened)).toEqual([
    '10.8 N·m, 8.0 lbf·ft',
    'by feel',
    'by feel',
    'by feel',
  ]);
});

test('due again by the maker, else by the house rule; not where a corner alone was bled, nor unreleased', () => {
  const months = (card: ReturnType<typeof cardOf>) =>
    card.due && Math.round((card.due.atMs - 1_000_000) / (86_400_000 * 30.4375));
  const all = [...follow(PLAN), RELEASED];
  expect(months(cardOf(PLAN, all))).toBe(24);
  expect(cardOf(PLAN, all).due!.by).toBe('house rule');
  expect(months(cardOf(PLAN, all, { makerMonths: 36 }))).toBe(36);
  expect(cardOf(PLAN, follow(PLAN)).due).toBeNull();
  const layout = layoutOf('hatchback-diagonal');
  const corner = planned(layout, {
    work: afterWork(layout, { parts: [cappedPart('right-front-caliper')] }),
  });
  expect(cardOf(corner, [...follow(corner), RELEASED]).due).toBeNull();
});

test('who did what stands once each; what was taken back was done by nobody', () => {
  const checked = {
    id: 'c',
    kind: 'checked',
    item: 'level',
    passes: true,
    person: 'Tarn',
  } as LooseEvent;
  const undone = { id: 'u', kind: 'undone', eventId: 'c', person: 'Tarn' } as LooseEvent;
  const people = (said: readonly LooseEvent[]) => cardOf(PLAN, said).people;
  expect(people([...follow(PLAN), felt])).toEqual([{ name: 'Una', did: 'bled, proved' }]);
  expect(people([...follow(PLAN), checked])).toContainEqual({ name: 'Tarn', did: 'proved' });
  expect(people([...follow(PLAN), checked, undone]).map((p) => p.name)).not.toContain('Tarn');
});

test('what was poured names grade and batch; an empty container is not on it', () => {
  const used = {
    containers: [
      { grade: 'DOT 4', batch: 'K-119', pouredMl: 500.4 },
      { grade: 'DOT 4', batch: 'K-120', pouredMl: 0 },
    ],
    bledMl: 480,
    bledBy: 'measured' as const,
    removedMl: 20,
    spilledMl: 0,
  };
  const { fluid } = cardOf(PLAN, follow(PLAN), { used });
  expect(pouredWords(fluid!)).toBe('DOT 4, batch K-119: 500 mL');
});

test('ended, it says why and what is left; the fluid as it was seen stands before', () => {
  const ended = {
    id: 'e',
    atMs: 5,
    kind: 'ended',
    reason: 'Bay needed',
    stop: false,
  } as LooseEvent;
  const card = cardOf(PLAN, [...follow(PLAN).slice(0, 12), ended]);
  expect(card.outcome).toEqual({
    is: 'ended unreleased',
    by: 'Una',
    atMs: 5,
    reason: 'Bay needed',
  });
  expect(card.title).toBe('Renew the fluid');
  expect(cardOf(PLAN, [...follow(PLAN), felt, RELEASED]).title).toBe(
    'Renew the fluid, brake pedal proved',
  );
});

test('a joint that was tightened stands on the card as it was said', () => {
  const joint = {
    id: 't',
    kind: 'joint tightened',
    elementId: PLAN.openings[0]!.bleeder.id,
    manualNm: 10,
    appliedNm: 14,
  } as LooseEvent;
  expect(cardOf(PLAN, [...follow(PLAN), joint]).steps.at(-1)).toMatch(
    /tightened to 14\.0 N·m = 10\.3 lbf·ft.*above it$/,
  );
});

test('a job that was not released proves nothing on its card, whatever was judged in it', () => {
  const ended: LooseEvent = { kind: 'ended', reason: 'Bay needed', stop: false };
  expect(cardOf(PLAN, [...follow(PLAN), felt, ended]).title).toBe('Renew the fluid');
  expect(cardOf(PLAN, [...follow(PLAN), felt]).title).toBe('Renew the fluid');
});

test('strokes and millilitres on it are those that were made, not those that were planned', () => {
  const [first] = PLAN.openings;
  const all = follow(PLAN);
  const at = all.findIndex((e) => e.kind === 'stroke');
  const { openings } = cardOf(PLAN, all.slice(0, at + 3));
  const made = all.slice(0, at + 3).filter((e) => e.kind === 'stroke').length;
  expect(made).toBeGreaterThan(0);
  expect(made).toBeLessThan(first!.strokes.value);
  expect(openings[0]!.strokes).toBe(made);
  expect(openings[0]!.plannedStrokes).toBe(first!.strokes.value);
  expect(openings[0]!.bledMl).toBeLessThan(openings[0]!.plannedMl);
});

test('a photo stands beside what it shows, and beside nothing else', () => {
  const looked = (item: string): LooseEvent =>
    ({ id: item, kind: 'checked', item, passes: true }) as LooseEvent;
  const photo = {
    kind: 'media note',
    medium: 'photo',
    elementId: null,
    proof: { masterId: null, item: 'level' },
  } as LooseEvent;
  const { checks } = cardOf(PLAN, [...follow(PLAN), looked('joints dry'), looked('level'), photo]);
  expect(checks.map((c) => c.photo)).toEqual([false, true]);
  expect(checks[1]!.what).toMatch(/MIN and MAX/);
});
