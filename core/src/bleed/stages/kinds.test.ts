import type { Layout } from '../../vehicle/circuit';
import { routineFlush, type WorkDone } from '../scope';
import { afterWork, allMasters, cappedPart, layoutOf, planned } from '../../testing';
import type { Plan } from '../plan';
import type { ToolChecked, ToolStepped } from './toolCycle';
import type { PartCompared } from './rightPart';
import {
  afterSaying,
  draftOf,
  isStageThrough,
  leftOut,
  maySkip,
  OWN_STAGE_KINDS,
  ownStage,
  sayingTouches,
  stageFault,
  stageMaterials,
  stageOpens,
  stageRecordLines,
  stageTitle,
  stageWaiting,
  stageWhen,
  stageWords,
  UNTOUCHED,
  usualSaying,
  type OwnDraft,
  type OwnStage,
  type Timed,
  type SlaveTested,
  type StageEvent,
  type StageWhen,
  type StageState,
} from '.';

const hatchback = layoutOf('hatchback-diagonal');
const opened = planned(hatchback, { work: afterWork(hatchback, { modulatorOpened: true }) });
const kindsOf = (plan: Plan) => plan.stages.map((s) => s.kind);
const theOne = <K extends OwnStage['kind']>(plan: Plan, kind: K) =>
  plan.stages.find((s) => s.kind === kind) as Extract<OwnStage, { kind: K }>;
const at = <E extends StageEvent>(event: E, atMs = 0) => ({ ...event, atMs });
/** A stage of any kind in a plan that has none: its head is its draft's. */
const made = (draft: OwnDraft, plan: Plan = opened) =>
  ownStage('s', draft, plan.layout, plan.preferences);

const BENCH = { kind: 'bench', masterId: 'master', compulsory: true, set: false } as const;
const DRAFTS: { readonly [K in OwnDraft['kind']]: Extract<OwnDraft, { kind: K }> } = {
  strip: { kind: 'strip', reservoirIds: ['reservoir'] },
  'right part': { kind: 'right part', partId: 'left-front-caliper' },
  bench: BENCH,
  'join lines': { kind: 'join lines', masterId: 'master' },
  'centre the valve': { kind: 'centre the valve', endLost: 'front' },
  injection: { kind: 'injection' },
  'hold point': { kind: 'hold point', partId: 'left-front-caliper' },
  'tool cycle': { kind: 'tool cycle', atHand: true },
  'slave test': { kind: 'slave test', slaveId: 'slave', way: 'take-up', limitMm: null },
  'tie back': { kind: 'tie back' },
  'water test': { kind: 'water test', reservoirIds: ['reservoir'] },
};
const dry = (layout: Layout): WorkDone => ({
  ...routineFlush(allMasters(layout)),
  purpose: 'new or dry',
});

// Who may leave what out, what opens the brakes and what comes first: common practice, no source.
describe('what each kind is', () => {
  test.each<
    [OwnDraft['kind'], { skip: boolean; when: StageWhen; opens: boolean; tap: RegExp | null }]
  >([
    [
      'right part',
      { skip: true, when: 'before drawing', opens: false, tap: /compared and its pieces counted/ },
    ],
    ['strip', { skip: false, when: 'before drawing', opens: true, tap: /part by part/ }],
    ['water test', { skip: false, when: 'in the chain', opens: false, tap: /what was seen/ }],
    ['bench', { skip: false, when: 'before filling', opens: false, tap: null }],
    ['join lines', { skip: false, when: 'before filling', opens: true, tap: null }],
    ['centre the valve', { skip: false, when: 'in the chain', opens: false, tap: null }],
    ['injection', { skip: false, when: 'in the chain', opens: false, tap: null }],
    ['hold point', { skip: false, when: 'in the chain', opens: false, tap: null }],
    ['tool cycle', { skip: true, when: 'in the chain', opens: false, tap: /each of its steps/ }],
    ['slave test', { skip: true, when: 'in the chain', opens: false, tap: /what is measured/ }],
    ['tie back', { skip: true, when: 'in the chain', opens: false, tap: null }],
  ])('%s', (kind, { skip, when, opens, tap }) => {
    const stage = made(DRAFTS[kind]);
    expect(maySkip(stage)).toBe(skip);
    expect(stageWhen(opened, stage)).toBe(when);
    expect(stageOpens(stage)).toBe(opens);
    const done: StageEvent = { kind: 'stage done', stageId: 's' };
    const skipped: StageEvent = { kind: 'stage skipped', stageId: 's', reason: 'no tool' };
    expect(stageFault(opened, stage, skipped)).toBe(skip ? null : 'This stage cannot be left out.');
    const after = afterSaying(opened, stage, undefined, at(done));
    expect(after.halt).toBeNull();
    if (tap) {
      expect(stageFault(opened, stage, done)).toMatch(tap);
      expect(after.state).toEqual(UNTOUCHED);
      expect(isStageThrough(opened, stage, after.state)).toBe(false);
    } else {
      expect(stageFault(opened, stage, done)).toBeNull();
      expect(after.state).toEqual({ ...UNTOUCHED, tapped: true });
      expect(isStageThrough(opened, stage, after.state)).toBe(true);
      expect(usualSaying(opened, stage)).toEqual(done);
      expect(stageRecordLines(opened, stage, after.state)).toEqual([
        `${stageTitle(opened.layout, stage)}: done.`,
      ]);
      expect(stageRecordLines(opened, stage, UNTOUCHED)).toEqual([]);
      expect(leftOut(stage, after.state)).toBeNull();
    }
    expect(isStageThrough(opened, stage)).toBe(false);
  });

  test('every kind is in that list, and a bleed is none of them', () => {
    expect([...OWN_STAGE_KINDS].sort()).toEqual(Object.keys(DRAFTS).sort());
    const bleed = opened.stages.find((s) => s.kind === 'bleed')!;
    expect(maySkip(bleed)).toBe(false);
    expect(stageWhen(opened, bleed)).toBe('in the chain');
    expect(stageMaterials(opened, bleed)).toEqual([]);
    expect(stageWaiting(bleed)).toBeNull();
  });

  test('a bench run may be left out where it is not compulsory', () => {
    expect(maySkip(made({ ...BENCH, compulsory: false }))).toBe(true);
  });

  test('a draft comes back out of its stage, whatever its figures are', () => {
    for (const draft of Object.values(DRAFTS)) {
      expect(draftOf(made(draft), opened)).toEqual(draft);
    }
  });

  test('left out stays left out with its reason, until somebody does it after all', () => {
    const stage = made(DRAFTS['tie back']);
    const skip = at({ kind: 'stage skipped', stageId: 's', reason: 'rain' } as const);
    const skipped = afterSaying(opened, stage, undefined, skip).state;
    expect(isStageThrough(opened, stage, skipped)).toBe(true);
    expect(leftOut(stage, skipped)).toBe('rain');
    const done = afterSaying(opened, stage, skipped, at({ kind: 'stage done', stageId: 's' }));
    expect(leftOut(stage, done.state)).toBeNull();
    expect(isStageThrough(opened, stage, done.state)).toBe(true);
  });

  test('a word of another kind does not belong, and changes nothing', () => {
    const stage = made(DRAFTS.injection);
    const event: StageEvent = { kind: 'slave tested', stageId: 's', mm: 1, reverse: 'clean' };
    expect(stageFault(opened, stage, event)).toBe(
      '"slave tested" does not belong to this stage: Inject fluid at the master’s port.',
    );
    expect(afterSaying(opened, stage, undefined, at(event))).toEqual({
      state: UNTOUCHED,
      halt: null,
    });
    // A name that every object has is no rule either.
    const odd = { ...event, kind: 'constructor' } as unknown as StageEvent;
    expect(stageFault(opened, stage, odd)).toMatch(/^"constructor" does not belong/);
  });

  test('what was measured or done on the vehicle touches it; what was read off a tool does not', () => {
    expect(
      (['part compared', 'slave tested', 'tool checked', 'tool step'] as const).map(sayingTouches),
    ).toEqual([true, true, false, true]);
    expect(
      (
        ['bite measured', 'bench sign', 'tube end out', 'bench ended', 'level dropped'] as const
      ).map(sayingTouches),
    ).toEqual([false, false, false, false, true]);
  });
});

describe('minutes, waiting and materials', () => {
  // Starting values of ours [M]: they are hands-on minutes and add up to the plan's.
  test.each<[OwnDraft['kind'], number]>([
    ['right part', 5],
    ['bench', 15],
    ['join lines', 15],
    ['centre the valve', 15],
    ['injection', 5],
    ['hold point', 5],
    ['slave test', 5],
    ['tie back', 2],
  ])('%s takes %d minutes of hands', (kind, minutes) => {
    expect(made(DRAFTS[kind]).minutes).toMatchObject({
      label: 'Hands on',
      value: minutes,
      unit: 'min',
      source: { kind: 'model' },
    });
  });

  test('a tool cycle takes as long as its wheels', () => {
    // Ten to connect and check; each of four wheels 20 s valves and 5 s pump, 60 s to cool between [M].
    expect(made(DRAFTS['tool cycle']).minutes.value).toBeCloseTo(10 + (4 * 25 + 3 * 60) / 60, 0);
  });

  test('a bench run says what it saves; how long it takes is anything from five minutes to thirty', () => {
    const stage = made(BENCH) as Extract<OwnStage, { kind: 'bench' }>;
    expect(stage.minutes.plusMinus).toBe(12);
    expect(stage.savesMinutes).toMatchObject({ value: 20, plusMinus: 15, unit: 'min' });
  });

  test('a lever stays tied back over night: ten hours without hands; nothing else waits', () => {
    for (const draft of Object.values(DRAFTS)) {
      const waits = stageWaiting(made(draft));
      if (draft.kind === 'tie back') expect(waits).toMatchObject({ value: 600, unit: 'min' });
      else expect(waits).toBeNull();
    }
  });

  test('what must be at hand', () => {
    const need = (draft: OwnDraft, plan: Plan = opened) =>
      stageMaterials(plan, made(draft, plan)).map((m) => [m.kind, m.what, m.for]);
    expect(need(BENCH)).toEqual([
      ['kit', 'Soft jaws, hoses from the ports back into the reservoir', 'the master on the bench'],
    ]);
    const can = planned(hatchback, { preferences: { benchFill: 'into a can' } });
    expect(need(BENCH, can)).toEqual([
      ['kit', 'Soft jaws, hoses into a can', 'the master on the bench'],
    ]);
    // One cap and one plug for every line that leaves the master.
    const lines = hatchback.stretches.filter((s) =>
      hatchback.masters[0]!.chambers.some((c) => c.port === s.from),
    );
    expect(lines.length).toBeGreaterThan(1);
    expect(
      need(DRAFTS['join lines'])
        .map(([kind, , what]) => [kind, what])
        .sort(),
    ).toEqual(lines.map((l) => ['cap', l.name]).sort());
    expect(need(DRAFTS['tool cycle'])).toEqual([
      ['tool', 'Scan tool that cycles this modulator', 'between the two base bleeds'],
    ]);
    expect(need(DRAFTS['right part']).length).toBeGreaterThan(0);
    for (const [kind, what] of need(DRAFTS['right part'])) {
      expect(kind).toBe('kit');
      expect(what).toMatch(/^\d+ × [a-z].*, new$/);
    }
    expect(need(DRAFTS['centre the valve']).map(([, what]) => what)).toEqual([
      'Pinning tool for the differential valve',
      'Blunt pin',
    ]);
    expect(need(DRAFTS.injection).map(([, what]) => what)).toEqual(['Small tipped bulb']);
    for (const kind of ['hold point', 'slave test'] as const)
      expect(need(DRAFTS[kind])).toEqual([]);
  });
});

describe('words', () => {
  const titleOf = (draft: OwnDraft, layout = hatchback) =>
    stageTitle(layout, ownStage('s', draft, layout, opened.preferences));
  const words = (draft: OwnDraft, plan: Plan = opened) => {
    const { steps, why } = stageWords(plan, made(draft, plan));
    return [...steps, why].join(' ');
  };

  test('each kind is called by what is done, and says why', () => {
    const titles = Object.values(DRAFTS).map((d) => titleOf(d));
    expect(new Set(titles).size).toBe(titles.length);
    for (const draft of Object.values(DRAFTS)) {
      const { steps, why } = stageWords(opened, made(draft));
      expect(steps.length).toBeGreaterThanOrEqual(2);
      for (const sentence of [...steps, why]) expect(sentence).toMatch(/[.!]$/);
    }
  });

  test('a bench run names its master; a set goes as one, and one chamber lies nose up', () => {
    expect(titleOf(BENCH)).toMatch(/on the bench$/);
    expect(titleOf(BENCH)).not.toBe(titleOf({ ...BENCH, set: true }));
    expect(words(BENCH)).toContain('level, never nose down');
    expect(words({ ...BENCH, set: true })).toContain('nothing is parted again');
    const lever = planned(layoutOf('motorcycle-front-disc'));
    const single = { ...BENCH, masterId: lever.layout.masters[0]!.id };
    expect(words(single, lever)).toContain('with its outlet nose up');
    expect(words(BENCH)).toContain('back under the fluid');
    expect(
      words(BENCH, planned(hatchback, { preferences: { benchFill: 'into a can' } })),
    ).toContain('into a can');
  });

  test('a valve is pushed back from the end that lost pressure, through the other, by its button where there is one', () => {
    const at = (endLost: 'front' | 'rear', button: boolean) => {
      const stage = { ...made({ kind: 'centre the valve', endLost }), button } as OwnStage;
      return stageWords(opened, stage).steps.join(' ');
    };
    expect(at('front', false)).toContain('towards the front end');
    expect(at('front', false)).toContain('open a bleeder at the rear');
    expect(at('rear', false)).toContain('open a bleeder at the front');
    expect(at('front', false)).not.toContain('button');
    expect(at('rear', true)).toContain('by the button at the rear end');
  });

  test('a button serves the end that its valve names, and no other', () => {
    const veteran = planned(layoutOf('estate-front-rear'));
    const valved: Layout = {
      ...veteran.layout,
      nodes: veteran.layout.nodes.map((n) =>
        n.kind === 'modulator' || n.kind === 'valve'
          ? ({ ...n, kind: 'valve', valve: 'differential', end: 'front', button: true } as never)
          : n,
      ),
    };
    const buttonFor = (endLost: 'front' | 'rear', layout: Layout) =>
      (
        ownStage('s', { kind: 'centre the valve', endLost }, layout, veteran.preferences) as {
          button?: boolean;
        }
      ).button;
    expect(buttonFor('front', valved)).toBe(true);
    expect(buttonFor('rear', valved)).toBe(false);
    expect(
      buttonFor('front', {
        ...valved,
        nodes: valved.nodes.map((n) => ('button' in n ? { ...n, button: false } : n)),
      }),
    ).toBe(false);
    expect(buttonFor('front', hatchback)).toBe(false);
  });

  test('without a tool at hand the vehicle is handed over, and a tap says so', () => {
    const none = made({ kind: 'tool cycle', atHand: false });
    expect(stageWords(opened, none).steps.join(' ')).toContain('do not drive');
    expect(stageFault(opened, none, { kind: 'stage done', stageId: 's' })).toBeNull();
    expect(usualSaying(opened, none)).toEqual({ kind: 'stage done', stageId: 's' });
    expect(words(DRAFTS['tool cycle'])).toContain('12 V or more');
  });

  test('a clutch is proved in the way that its slave allows', () => {
    const way = (w: 'blocked' | 'travel' | 'take-up') =>
      words({ kind: 'slave test', slaveId: 'slave', way: w, limitMm: null });
    // 1/8 in of rod travel with the slave held: common practice, no source.
    expect(way('blocked')).toContain('3.2 mm (1/8 in)');
    expect(way('travel')).toContain('without grating');
    expect(way('take-up')).toContain('reverse');
  });
});

describe('a new part', () => {
  const plan = planned(hatchback, {
    work: afterWork(hatchback, {
      parts: [{ partId: 'left-front-caliper', cappedAtOnce: true, keptFull: true }],
    }),
  });
  const stage = theOne(plan, 'right part');
  const fits = usualSaying(plan, stage) as PartCompared;
  const say = (...events: PartCompared[]) =>
    events.reduce<StageState>(
      (state, e) => afterSaying(plan, stage, state, at(e)).state,
      UNTOUCHED,
    );

  test('the usual answer agrees with the layout, piece by piece', () => {
    expect(fits).toMatchObject({ kind: 'part compared', stageId: stage.id });
    expect(Object.keys(fits.found).length).toBeGreaterThan(1);
    expect(fits.pieces.length).toBeGreaterThan(0);
    expect(fits.pieces.every((p) => p.state === 'right')).toBe(true);
    expect(afterSaying(plan, stage, undefined, at(fits)).halt).toBeNull();
    expect(isStageThrough(plan, stage, say(fits))).toBe(true);
    expect(stageRecordLines(plan, stage, say(fits))).toEqual([
      `${stageTitle(hatchback, stage)}: fits, ${fits.pieces.reduce((n, p) => n + p.count, 0)} pieces counted. Piston diameter 54 mm, as the old one. Pistons 1, as the old one.`,
    ]);
  });

  test('one that does not fit halts the run and says by what', () => {
    const piston = { newPart: 57.2, oldPart: 54, maker: null };
    const wrong: PartCompared = { ...fits, found: { ...fits.found, piston } };
    expect(afterSaying(plan, stage, undefined, at(wrong)).halt).toBe('wrong part');
    expect(isStageThrough(plan, stage, say(wrong))).toBe(false);
    expect(stageRecordLines(plan, stage, say(wrong, fits))).toEqual([
      expect.stringContaining('57.2'),
      expect.stringContaining('fits'),
    ]);
    expect(isStageThrough(plan, stage, say(wrong, fits))).toBe(true);
  });

  test('only what comes new is compared, the master before the parts, and never twice', () => {
    const both = planned(hatchback, {
      work: afterWork(hatchback, {
        parts: [
          cappedPart('left-front-caliper'),
          { ...cappedPart('left-front-hose'), newPart: true },
        ],
        master: {
          masterId: 'master',
          linesStayedFull: true,
          linesAboveWheels: true,
          nothingElseOpened: false,
          modulatorLostNothing: true,
          heldDown: true,
          bench: 'clean',
          linesOver: [],
        },
      }),
    });
    expect(both.stages.flatMap((s) => (s.kind === 'right part' ? [s.partId] : []))).toEqual([
      'master',
      'left-front-hose',
    ]);
    expect(kindsOf(both)).toContain('join lines');
    // Nothing was changed in a flush.
    expect(kindsOf(planned(hatchback))).toEqual(['bleed']);
  });
});

describe('a clutch', () => {
  const layout = layoutOf('clutch-external');
  const plan = planned(layout, { work: { ...dry(layout), purpose: 'soft pedal' } });
  const stage = theOne(plan, 'slave test');
  const tested = (mm: number, reverse: SlaveTested['reverse'] = null): SlaveTested => ({
    kind: 'slave tested',
    stageId: stage.id,
    mm,
    reverse,
  });
  const after = (...events: SlaveTested[]) =>
    events.reduce<StageState>((s, e) => afterSaying(plan, stage, s, at(e)).state, UNTOUCHED);

  test('passes under an eighth of an inch, halts the run at it', () => {
    expect(stage.way).toBe('blocked');
    expect(afterSaying(plan, stage, undefined, at(tested(3.1))).halt).toBeNull();
    expect(afterSaying(plan, stage, undefined, at(tested(3.2))).halt).toBe('pedal not right');
    expect(isStageThrough(plan, stage, after(tested(3.2)))).toBe(false);
    expect(isStageThrough(plan, stage, after(tested(3.2), tested(3.1)))).toBe(true);
    expect(leftOut(stage, after(tested(3.1)))).toBeNull();
  });

  test('the record says what was measured, each time', () => {
    expect(stageRecordLines(plan, stage, after(tested(5), tested(2, 'clean')))).toEqual([
      'Prove the clutch: slave blocked: rod travel 5 mm, does not pass.',
      'Prove the clutch: slave blocked: rod travel 2 mm, reverse clean, passes.',
    ]);
  });

  test('the usual reading passes, by each way of proving it', () => {
    expect(usualSaying(plan, stage)).toEqual(tested(1.6));
    for (const id of ['clutch-external', 'clutch-concentric', 'motorcycle-clutch-bends'] as const) {
      const other = layoutOf(id);
      const of = planned(other, { work: dry(other) });
      const test = theOne(of, 'slave test');
      const usual = usualSaying(of, test) as SlaveTested;
      expect(usual.reverse).toBe(test.way === 'blocked' ? null : 'clean');
      expect(afterSaying(of, test, undefined, at(usual)).halt).toBeNull();
      expect(stageRecordLines(of, test, { ...UNTOUCHED, said: [at(usual)] })[0]).toMatch(
        test.way === 'blocked'
          ? /rod travel/
          : test.way === 'travel'
            ? /slave travel/
            : /takes up at/,
      );
    }
  });

  test('is not asked of a flush, in which no air was let in', () => {
    expect(kindsOf(planned(layout))).not.toContain('slave test');
  });
});

describe('a tool cycle', () => {
  const stage = theOne(opened, 'tool cycle');
  const MET = { batteryV: 12.6, ignition: 'on', codes: [] } as const;
  const checked = (check: Partial<ToolChecked['check']> = {}): ToolChecked => ({
    kind: 'tool checked',
    stageId: stage.id,
    by: 'by hand',
    check: { ...MET, ...check },
  });
  const stepped = (stepId: string, more: Partial<ToolStepped> = {}): ToolStepped => ({
    kind: 'tool step',
    stageId: stage.id,
    stepId,
    by: 'by hand',
    done: true,
    why: null,
    ...more,
  });
  const haltOf = (event: ToolChecked | ToolStepped) =>
    afterSaying(opened, stage, undefined, at(event)).halt;

  test('a check halts the run where battery, ignition or codes are not right', () => {
    expect(haltOf(checked())).toBeNull();
    expect(haltOf(checked({ batteryV: 12 }))).toBeNull();
    expect(haltOf(checked({ batteryV: 11.9 }))).toBe('tool stopped');
    expect(haltOf(checked({ ignition: 'off' }))).toBe('tool stopped');
    expect(haltOf(checked({ codes: ['pump'] }))).toBe('tool stopped');
  });

  test('a step that was aborted halts it, one that is none of its steps is refused', () => {
    expect(haltOf(stepped('left-rear:valves'))).toBeNull();
    expect(haltOf(stepped('left-rear:valves', { done: false, why: 'timeout' }))).toBe(
      'tool stopped',
    );
    expect(stageFault(opened, stage, stepped('left-rear:valves'))).toBeNull();
    expect(stageFault(opened, stage, stepped('spare:valves'))).toMatch(
      /no step "spare:valves".*left-rear:valves, left-rear:pump/,
    );
    expect(afterSaying(opened, stage, undefined, at(stepped('spare:valves'))).state).toEqual(
      UNTOUCHED,
    );
  });

  test('done as it calls for, it is through after the last codes and in one line of the record', () => {
    let state = UNTOUCHED;
    const kinds: string[] = [];
    while (!isStageThrough(opened, stage, state) && kinds.length < 20) {
      const next = usualSaying(opened, stage, state) as Timed<ToolChecked>;
      kinds.push(next.kind);
      const after = afterSaying(opened, stage, state, at(next, kinds.length));
      expect(after.halt).toBeNull();
      state = after.state;
    }
    // A check, valves and pump of four wheels, a check.
    expect(kinds).toEqual(['tool checked', ...Array<string>(8).fill('tool step'), 'tool checked']);
    expect(stageRecordLines(opened, stage, state)).toEqual([
      'Tool cycle, read off by hand: 8 of 8 steps done; battery 12.6 V; codes at the last reading: none.',
    ]);
    expect(leftOut(stage, state)).toBeNull();
  });

  test('the record counts what stopped and names the codes; what was practised counts as left out', () => {
    const said = [
      checked({ batteryV: 12.2 }),
      stepped('left-rear:valves', { by: 'tool' }),
      stepped('left-rear:pump', { done: false, why: 'timeout' }),
      checked({ codes: ['C1', 'C2'] }),
    ].map((e) => at(e));
    expect(stageRecordLines(opened, stage, { ...UNTOUCHED, said })).toEqual([
      'Tool cycle, read off by hand, by the tool: 1 of 8 steps done, stopped once; battery 12.2 V; codes at the last reading: C1, C2.',
    ]);
    expect(leftOut(stage, { ...UNTOUCHED, said })).toBeNull();
    const twice = [said[2]!, said[2]!];
    expect(stageRecordLines(opened, stage, { ...UNTOUCHED, said: twice })).toEqual([
      'Tool cycle, read off by hand: 0 of 8 steps done, stopped 2 times; battery – V; codes at the last reading: none.',
    ]);
    expect(stageRecordLines(opened, stage, UNTOUCHED)).toEqual([]);
    const practised = [...said, at(checked())].map((e) => ({ ...e, by: 'practice' as const }));
    expect(leftOut(stage, { ...UNTOUCHED, said: practised })).toMatch(/^Only practised/);
    expect(leftOut(stage, { ...UNTOUCHED, said: [...said, practised[0]!] })).toMatch(
      /nothing was done on this vehicle/,
    );
  });
});
