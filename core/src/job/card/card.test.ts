import { airOf } from '../../control/pedal';
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

/** Fluid as it was read at intake: only what the card looks at. */
const fluidRead = (samples: readonly object[], inSystem: string | null): LooseEvent =>
  ({
    kind: 'fluid read',
    person: 'Ode',
    read: {
      samples,
      inSystem,
      verdict: { verdict: 'fill', advice: { minimum: { grade: 'DOT 4' } } },
    },
  }) as unknown as LooseEvent;

describe('the fluid before', () => {
  const water = (meterGrade: string, percent: number) => ({ water: { meterGrade, percent } });
  const nothing = { colour: null, clarity: null, water: null, boiling: null, practice: false };
  const before = (samples: readonly object[], inSystem: string | null = null) =>
    cardOf(PLAN, [fluidRead(samples, inSystem), ...follow(PLAN)]).before;

  test('stands point by point, what was seen apart from what was measured', () => {
    expect(
      before([
        {
          ...nothing,
          point: 'reservoir',
          colour: 'amber',
          clarity: 'hazy',
          ...water('DOT 4', 2.6),
        },
        {
          ...nothing,
          point: 'left-rear',
          colour: 'brown',
          boiling: { observedC: 171, ambientHpa: 1013.25 },
        },
      ]),
    ).toEqual([
      { what: 'Fluid, reservoir', value: 'amber, hazy', source: 'seen' },
      { what: 'Water, reservoir', value: '2.6 %', source: 'measured' },
      { what: 'Fluid, at a bleeder', value: 'brown', source: 'seen' },
      { what: 'Boils at, at a bleeder', value: '171 °C', source: 'measured' },
    ]);
  });

  test('a meter that was set to another grade measured nothing; what somebody said is inside goes before what belongs there', () => {
    const one = { ...nothing, point: 'reservoir', ...water('DOT 5.1', 1.2) };
    expect(before([one])).toEqual([]);
    expect(before([one], 'DOT 5.1')).toEqual([
      { what: 'Water, reservoir', value: '1.2 %', source: 'measured' },
    ]);
  });

  test('where nobody looked nothing stands', () => {
    expect(before([{ ...nothing, point: 'reservoir' }])).toEqual([]);
    expect(cardOf(PLAN, follow(PLAN)).before).toEqual([]);
  });
});

describe('what was read at a control', () => {
  const reading = (forceN: number, heightMm: number, more: object = {}): LooseEvent =>
    ({
      kind: 'pedal read',
      masterId,
      when: 'after',
      at: { forceN },
      pumped: false,
      heightMm,
      ...more,
    }) as LooseEvent;
  const after = (...said: readonly LooseEvent[]) => cardOf(PLAN, [...follow(PLAN), ...said]).after;
  const at = (forceN: number, heightMm: number) => ({
    what: `Brake pedal at ${forceN} N`,
    value: `${heightMm} mm`,
    source: 'measured',
  });

  test('is the hardest first stroke, in whatever order they were read; a pumped one, or one at rest, is none', () => {
    expect(after(reading(100, 130), reading(300, 118))).toEqual([at(300, 118)]);
    expect(after(reading(300, 118), reading(100, 130))).toEqual([at(300, 118)]);
    expect(
      after(reading(100, 130), reading(300, 125, { pumped: true }), {
        ...reading(0, 180),
        at: 'rest',
      } as LooseEvent),
    ).toEqual([at(100, 130)]);
  });

  test('before stands what was read with the servo emptied, when it came', () => {
    const { before } = cardOf(PLAN, [
      ...follow(PLAN),
      reading(300, 101, { when: 'servo emptied' }),
      reading(300, 118),
    ]);
    expect(before).toEqual([at(300, 101)]);
  });

  test('a hold says for how long, and whether it stayed; with the engine running by itself', () => {
    const held = (mm: number, more: object = {}): LooseEvent =>
      ({ kind: 'sink watched', masterId, when: 'after', mm, seconds: 30, ...more }) as LooseEvent;
    expect(after(held(0))).toContainEqual({
      what: 'Brake pedal held 30 s',
      value: 'stayed',
      source: 'measured',
    });
    expect(after(held(12, { engine: 'running' }))).toContainEqual({
      what: 'Brake pedal, engine running, held 30 s',
      value: 'sank 12 mm',
      source: 'measured',
    });
  });

  test('air left stands as what the model makes of it, at its own control', () => {
    const air = airOf(1.2, 0.2);
    const job = jobOf(PLAN, [...follow(PLAN), felt]);
    const lines = (of: string) =>
      cardOf(PLAN, [...follow(PLAN), felt], { controls: controlsOnRecord(job), air: { [of]: air } })
        .after;
    expect(lines('another').map((l) => l.what)).toEqual(['Brake pedal']);
    expect(lines(masterId)).toContainEqual({
      what: 'Air left',
      value: 'about 1.2 mL, give or take 0.4',
      source: 'model',
    });
  });
});

describe('a clutch', () => {
  const van = planOf('clutch-concentric');
  const clutch = van.layout.masters.find((m) => m.system === 'clutch')!.id;
  const judged = (takeUp: string): LooseEvent =>
    ({ kind: 'take-up judged', masterId: clutch, takeUp }) as LooseEvent;
  const read = (more: object = {}): LooseEvent =>
    ({
      kind: 'take-up read',
      masterId: clutch,
      restMm: 180,
      takeUpMm: 95,
      pumpedMm: null,
      playMm: null,
      ...more,
    }) as LooseEvent;
  const after = (...said: readonly LooseEvent[]) =>
    cardOf(van, said).after.filter((l) => l.what.startsWith('Clutch'));

  test.each(['near the end', 'lower half', 'middle', 'high'])(
    'that takes up %s says so in its own words',
    (word) => {
      const said = word === 'near the end' ? 'near the floor' : word;
      expect(after(judged(word))).toEqual([
        { what: 'Clutch pedal', value: `takes up ${said}`, source: 'by feel' },
      ]);
    },
  );

  test('that was measured says where, and what else was read; what was not read is not on it', () => {
    const lines = (more: object) => after(read(more)).map((l) => `${l.what}: ${l.value}`);
    expect(lines({})).toContain('Clutch pedal takes up at: 95 mm of 180 mm');
    expect(lines({}).join()).not.toMatch(/free play|end of travel|slave blocked/);
    expect(lines({ playMm: 6, endOfTravelMm: 20, blockedMm: 4 })).toEqual(
      expect.arrayContaining([
        'Clutch pedal, free play: 6 mm',
        'Clutch pedal, end of travel at: 20 mm',
        'Clutch pedal, slave blocked: rod travel: 4 mm',
      ]),
    );
  });
});

test('checks stand in the order of the proof, control by control, with who looked and whether it passed', () => {
  const looked = (item: string, more: object = {}): LooseEvent =>
    ({ id: item, kind: 'checked', item, passes: true, ...more }) as LooseEvent;
  const photo = (of: string | null, item: string): LooseEvent =>
    ({
      kind: 'media note',
      medium: 'photo',
      elementId: null,
      proof: { masterId: of, item },
    }) as LooseEvent;
  const { checks } = cardOf(PLAN, [
    ...follow(PLAN),
    felt,
    looked('lamps out', { passes: false, person: 'Tarn' }),
    looked('joints dry'),
    looked('servo gives', { masterId }),
    looked('wheels held and free', { masterId }),
    photo(masterId, 'servo gives'),
  ]);
  expect(
    checks.map((c) => [
      c.what.toLowerCase().match(/engine started|wheel|joints|lamp/)?.[0],
      c.passes,
      c.by,
    ]),
  ).toEqual([
    ['wheel', true, 'Una'],
    ['engine started', true, 'Una'],
    ['joints', true, 'Una'],
    ['lamp', false, 'Tarn'],
  ]);
  expect(checks.map((c) => c.photo)).toEqual([false, true, false, false]);
});

test('each is named with what they did, the helper last', () => {
  const by = (person: string, said: object): LooseEvent => ({ ...said, person }) as LooseEvent;
  const { people } = cardOf(PLAN, [
    by('Desk', { kind: 'taken in', odometerKm: null, helper: 'Hale' }),
    fluidRead([], null),
    ...follow(PLAN).map((e) => by('Una', e)),
    by('Bo', { kind: 'pedal judged', masterId, result: 'firm and high' }),
    by('Mira', {
      kind: 'pedal read',
      masterId,
      when: 'after',
      at: { forceN: 300 },
      pumped: false,
      heightMm: 118,
    }),
    by('Sink', { kind: 'sink watched', masterId, when: 'after', mm: 0, seconds: 30 }),
    by('Lead', { kind: 'overridden', code: 'photo asked for', of: 'level', why: 'No camera' }),
    by('Kit', { kind: 'drive set' }),
    by('Kit', { kind: 'drive ended', result: 'good' }),
    by('Rell', { kind: 'released' }),
  ]);
  expect(people).toEqual([
    { name: 'Ode', did: 'read the fluid' },
    { name: 'Una', did: 'bled' },
    { name: 'Bo', did: 'proved' },
    { name: 'Mira', did: 'measured' },
    { name: 'Sink', did: 'measured' },
    { name: 'Lead', did: 'let paper go' },
    { name: 'Kit', did: 'drove' },
    { name: 'Rell', did: 'released' },
    { name: 'Hale', did: 'helped' },
  ]);
});

test('openings are counted from one, with their colour; paper that was let go says which and why', () => {
  const card = cardOf(PLAN, [
    ...follow(PLAN),
    {
      kind: 'overridden',
      code: 'photo asked for',
      of: 'level',
      why: 'No camera',
      person: 'Lead',
    } as LooseEvent,
  ]);
  expect(card.openings.map((o) => o.number)).toEqual(PLAN.openings.map((_, i) => i + 1));
  expect(card.openings.map((o) => o.colour)).toEqual(PLAN.openings.map(() => PLAN.newColour));
  expect(card.overridden).toEqual([
    { what: expect.stringMatching(/^photo of: /), why: 'No camera', by: 'Lead' },
  ]);
  // Before anybody made a plan nothing of one stands there.
  const bare = cardOf(PLAN, follow(PLAN), { plan: null, job: { ...jobOf(PLAN, []), run: null } });
  expect([bare.order, bare.openings, bare.steps]).toEqual([[], [], []]);
  expect(bare.outcome).toEqual({ is: 'under way', by: null, atMs: null, reason: null });
});
