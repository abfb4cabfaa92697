import { gateWords } from '../../job/gate';
import { jobEventFault, refitOf } from '../../job/log';
import type { Plan } from '../../bleed/plan';
import {
  eventFault,
  EVERYTHING,
  jobOf,
  loggedEvent,
  logFrom,
  planned,
  runOf,
  type LooseEvent,
} from '../../testing';
import { CAME_OFF } from '../../job/events';
import { openItemTitle } from '.';
import {
  CAR,
  Yard,
  run,
  proof,
  used,
  DRIVEN,
  ended,
  released,
  flush,
  openingAt,
  until,
} from '../../testing/yard';

describe('what comes off goes back on', () => {
  const off = (id: string, more: object = {}): LooseEvent => ({
    id,
    kind: 'came off',
    what: 'Wheel',
    elementId: null,
    ...more,
  });
  const back = (eventId: string): LooseEvent => ({ kind: 'back on', eventId, openItemId: null });
  /** All but the release: what the gate is asked. */
  const through = (plan: Plan, more: readonly LooseEvent[]) =>
    [...run(plan), ...more, used, ...proof(plan, ['master']), ...DRIVEN] as LooseEvent[];
  const verdict = (more: readonly LooseEvent[]) => {
    const yard = new Yard(CAR);
    return yard.gate(yard.take(flush(CAR), (plan) => through(plan, more)));
  };

  test('the gate asks each of them back, by name', () => {
    expect(verdict([]).verdict).toBe('release');
    const shut = verdict([off('a'), off('b', { what: 'Clip or bracket' }), back('a')]);
    expect(shut.verdict).toBe('shut');
    expect(shut.reasons.map(gateWords)).toEqual([
      expect.stringMatching(
        /^Still open: clip or bracket, not back on\. Clears when it is back on/,
      ),
    ]);
    expect(verdict([off('a'), back('a')]).verdict).toBe('release');
    // Taken back, it never was off; the back taken back, it is off again.
    expect(verdict([off('a'), { kind: 'undone', eventId: 'a' }]).verdict).toBe('release');
    const again: LooseEvent[] = [
      off('a'),
      { ...back('a'), id: 'on' },
      { kind: 'undone', eventId: 'on' },
    ];
    expect(verdict(again).verdict).toBe('shut');
  });

  test('a photo or a voice note of it asks it back like any other, and is told of before', () => {
    const note: LooseEvent = { id: 'n', kind: 'media note', medium: 'photo', elementId: null };
    const shown = off('a', { what: 'Another thing', noteId: 'n' });
    expect(verdict([note, shown]).reasons.map(gateWords)).toContainEqual(
      expect.stringMatching(/^Still open: another thing, not back on/),
    );
    // What nobody named may have been a joint: back on is not the end of it.
    expect(verdict([note, shown, back('a')]).reasons.map(gateWords)).toEqual([
      expect.stringMatching(/^Still open: air may be behind/),
    ]);
    const log = logFrom(planned(CAR), [note, shown, off('b')]);
    expect(refitOf(log).map((r) => r.noteId)).toEqual(['n', null]);
    const at = jobOf(planned(CAR), [note]);
    const fault = (event: LooseEvent) =>
      jobEventFault(at, loggedEvent(event), { openedAtMs: 0, nowMs: 0 });
    expect(fault(shown)).toBeNull();
    expect(fault(off('c', { noteId: 'elsewhere' }))).toContain(
      'no photo or voice note "elsewhere"',
    );
    // An event that is none shows nothing.
    expect(fault(off('c', { noteId: 'accepted' }))).toContain('no photo or voice note');
  });

  test('what comes off after the proof asks for it again', () => {
    const yard = new Yard(CAR);
    const job = yard.take(flush(CAR), (plan) => [...through(plan, []), off('late'), back('late')]);
    expect(yard.gate(job).verdict).toBe('shut');
  });

  test('a job that ends leaves it on the vehicle, where it holds until a later one says that it is back', () => {
    const yard = new Yard(CAR);
    const rear = CAR.bleeders[0]!.id;
    yard.take(flush(CAR), () => [off('a', { elementId: rear }), ended]);
    expect(yard.drive).toBe('do not drive');
    const [openItem] = yard.before.filter((m) => m.kind === 'not back on');
    expect(openItemTitle(openItem!)).toMatch(/^Wheel, .+, not back on$/);
    yard.take(flush(CAR), (plan) => released(CAR)(plan));
    expect(yard.drive).toBe('do not drive');
    yard.take(flush(CAR), (plan) => [
      { kind: 'back on', eventId: null, openItemId: openItem!.id },
      ...released(CAR)(plan),
    ]);
    expect(yard.before).toEqual([]);
    expect(yard.drive).toBe('free');
  });

  test('what is said to be back came off before', () => {
    const plan = planned(CAR, { work: flush(CAR), means: EVERYTHING });
    const at = runOf(plan, []);
    expect(eventFault(at, back('nothing'))).toMatch(/no event "nothing"/);
    expect(eventFault(at, { kind: 'back on', eventId: null, openItemId: null })).toMatch(/^Name/);
    expect(eventFault(at, { kind: 'back on', eventId: 'a', openItemId: 'm' })).toMatch(/^Name/);
    expect(eventFault(at, { kind: 'back on', eventId: null, openItemId: 'm' })).toBeNull();
    expect(eventFault(at, off('x', { elementId: 'nowhere' }))).toMatch(/nowhere/);
  });

  // A joint that was undone lets air in; a caliper that hangs by its joined hose does not. Facts of the trade, common practice, no source.
  const CIRCUIT = [
    'Line or hose',
    'Caliper or slave, hose off',
    'Pressure switch or bleeder',
    'Another thing',
  ];
  const CONTROL = [
    'Caliper or slave, hose joined',
    'Pads, shoes or disc',
    'Lever or electric switch',
  ];
  const NO_MORE = ['Wheel', 'Cover, trim or mat', 'Clip or bracket', 'Plug or connector'];
  test('every thing that comes off is of one of three sorts', () => {
    expect([...CIRCUIT, ...CONTROL, ...NO_MORE].sort()).toEqual([...CAME_OFF].sort());
  });

  test.each(CIRCUIT)(
    'd: %s off after the bleed and back on: it is bled again, or it holds',
    (what) => {
      const yard = new Yard(CAR);
      const at = { what, elementId: 'left-rear' };
      const job = yard.take(flush(CAR), (plan) => [
        ...(run(plan) as LooseEvent[]),
        off('a', at),
        back('a'),
        used,
        ...(proof(plan, ['master']) as LooseEvent[]),
        ...DRIVEN,
      ]);
      expect(yard.gate(job).verdict).toBe('shut');
      expect(yard.kinds()).toContain('air possible left-rear');
      expect(yard.kinds().filter((k) => k.startsWith('air'))).toHaveLength(1);
      // Off before the bleed, it is bled with the rest.
      const before = new Yard(CAR);
      before.take(flush(CAR), (plan) => [off('a', at), back('a'), ...released(CAR)(plan)]);
      expect(before.before).toEqual([]);
      // Nobody said where: every bleeder.
      const anywhere = new Yard(CAR);
      anywhere.take(flush(CAR), () => [off('a', { what }), back('a'), ended]);
      expect(anywhere.kinds().filter((k) => k.startsWith('air'))).toHaveLength(CAR.bleeders.length);
    },
  );

  test.each([...CIRCUIT, ...CONTROL])('d: “back on” in an empty job frees nothing: %s', (what) => {
    const yard = new Yard(CAR);
    yard.take(flush(CAR), () => [off('a', { what, elementId: 'left-rear' }), ended]);
    const openItem = yard.before.find((m) => m.kind === 'not back on')!;
    yard.take(flush(CAR), () => [
      { kind: 'back on', eventId: null, openItemId: openItem.id },
      ended,
    ]);
    expect(yard.drive).toBe('do not drive');
    expect(yard.kinds()).toContain('control not proved master');
    expect(yard.kinds().includes('air possible left-rear')).toBe(CIRCUIT.includes(what));
    yard.take(flush(CAR), released(CAR));
    expect(yard.before).toEqual([]);
  });

  test.each(NO_MORE)('%s: back on is enough', (what) => {
    const yard = new Yard(CAR);
    yard.take(flush(CAR), () => [off('a', { what, elementId: 'left-rear' }), back('a'), ended]);
    expect(yard.drive).toBe('free');
    expect(yard.kinds().filter((k) => !k.startsWith('old fluid'))).toEqual([]);
  });

  test('a stroke without a shut behind it, or a shut without a stroke, bleeds nothing', () => {
    const at = { what: 'Line or hose', elementId: 'left-rear' };
    const open = (more: (plan: Plan) => readonly LooseEvent[]) => {
      const yard = new Yard(CAR);
      yard.take(flush(CAR), (plan) => [
        ...(run(plan) as LooseEvent[]),
        off('a', at),
        back('a'),
        ...more(plan),
        ended,
      ]);
      return yard.kinds().includes('air possible left-rear');
    };
    const openingId = (plan: Plan) => openingAt(plan, 'left-rear');
    expect(open(() => [])).toBe(true);
    expect(open((p) => [{ kind: 'shut', openingId: openingId(p), tightened: 'by feel' }])).toBe(
      true,
    );
    const again = (p: Plan): LooseEvent[] => [
      { kind: 'opened again', openingId: openingId(p) },
      ...Array.from({ length: 6 }, (): LooseEvent => ({ kind: 'stroke', openingId: openingId(p) })),
      { kind: 'bubbles', openingId: openingId(p), reading: 'none' },
    ];
    expect(open(again)).toBe(true);
    expect(
      open((p) => [...again(p), { kind: 'shut', openingId: openingId(p), tightened: 'by feel' }]),
    ).toBe(false);
    // Moved here and shut elsewhere, or moved elsewhere and shut here; or the strokes were taken back.
    const shut = (openingId: string): LooseEvent => ({
      kind: 'shut',
      openingId,
      tightened: 'by feel',
    });
    const elsewhere = (p: Plan) => openingAt(p, 'right-rear');
    expect(open((p) => [...again(p), shut(elsewhere(p))])).toBe(true);
    expect(
      open((p) => [
        ...again(p).map((e) => ({ ...e, openingId: elsewhere(p) }) as LooseEvent),
        shut(openingId(p)),
      ]),
    ).toBe(true);
    expect(
      open((p) => [
        { kind: 'opened again', openingId: openingId(p) },
        { id: 'six', kind: 'stroke', openingId: openingId(p), made: 6 } as LooseEvent,
        { kind: 'bubbles', openingId: openingId(p), reading: 'none' },
        { kind: 'undone', eventId: 'six', deviceId: 'another' },
        shut(openingId(p)),
      ]),
    ).toBe(true);
    // At another bleeder it moves nothing here.
    expect(
      open((p) => {
        const other = openingAt(p, 'right-rear');
        return again(p).map((e) => ({ ...e, openingId: other }) as LooseEvent);
      }),
    ).toBe(true);
  });

  test('a bleeder that was owed, bled, and then opened again by hand is owed still', () => {
    const yard = new Yard(CAR);
    yard.take(flush(CAR), (plan) => [...(until(plan, 'left-rear', 2) as LooseEvent[]), ended]);
    expect(yard.kinds()).toContain('air possible left-rear');
    const line = off('a', { what: 'Line or hose', elementId: 'left-rear' });
    const job = yard.take(flush(CAR), (plan) => through(plan, [line, back('a')]));
    expect(yard.gate(job).verdict).toBe('shut');
    expect(yard.kinds()).toContain('air possible left-rear');
  });

  test('taken back later than in its own press it was off all the same', () => {
    const line = off('a', { what: 'Line or hose', elementId: 'left-rear' });
    const undo: LooseEvent = { kind: 'undone', eventId: 'a' };
    const note: LooseEvent = { kind: 'note', text: 'Hm' };
    expect(verdict([line, undo]).verdict).toBe('release');
    expect(verdict([line, note, undo]).verdict).toBe('shut');
  });
});

describe('a level that was seen at nothing', () => {
  const low = (plan: Plan, levelMl: number): LooseEvent =>
    ({
      kind: 'level seen',
      openingId: openingAt(plan, 'left-rear'),
      levelMl,
      fluidComes: true,
    }) as LooseEvent;
  const gate = (levelMl: number, again: boolean) => {
    const yard = new Yard(CAR);
    const job = yard.take(flush(CAR), (plan) => {
      const openingId = openingAt(plan, 'left-rear');
      const bledAgain = [
        { kind: 'opened again', openingId },
        { kind: 'stroke', openingId, made: 10 },
        { kind: 'bubbles', openingId, reading: 'none' },
        { kind: 'shut', openingId, tightened: 'by feel' },
      ] as LooseEvent[];
      const more = [low(plan, levelMl), ...(again ? bledAgain : [])];
      return [...run(plan), ...more, used, ...proof(plan, ['master']), ...DRIVEN] as LooseEvent[];
    });
    return yard.gate(job).reasons.map(gateWords).join();
  };

  test('is air at that outlet, whatever came out before, until it is bled clear after it', () => {
    expect(gate(0, false)).toMatch(/air may be behind the left rear/);
    expect(gate(0.1, false)).not.toMatch(/air may be/);
    expect(gate(0, true)).not.toMatch(/air may be/);
  });
});

describe('air that is seen at a bleeder behind its last shut', () => {
  /** A dry car is opened several times at each wheel: a second phone may still hold the first. */
  const gate = (...said: ((first: string, last: string) => object)[]) => {
    const yard = new Yard(CAR);
    const job = yard.take({ ...flush(CAR), purpose: 'new or dry' }, (plan) => {
      const at = plan.openings.filter((o) => o.bleeder.id === 'left-rear').map((o) => o.id);
      expect(at.length).toBeGreaterThan(1);
      const more = said.map((s) => s(at[0]!, at.at(-1)!)) as LooseEvent[];
      return [...run(plan), ...more, used, ...proof(plan, ['master']), ...DRIVEN] as LooseEvent[];
    });
    return yard.gate(job).reasons.map(gateWords).join();
  };
  const AIR = /air may be behind the left rear/;
  const many = (openingId: string) => ({ kind: 'bubbles', openingId, reading: 'many' });
  const none =
    (more: object = {}) =>
    (_: string, openingId: string) => ({
      kind: 'bubbles',
      openingId,
      reading: 'none',
      ...more,
    });

  test.each<[string, (first: string) => object]>([
    ['many bubbles', many],
    [
      'let go while open',
      (openingId) => ({ kind: 'round broken', openingId, how: 'let go while open' }),
    ],
    [
      'a level at nothing',
      (openingId) => ({ kind: 'level seen', openingId, levelMl: 0, fluidComes: true }),
    ],
  ])('%s, said of an opening before: air may be there', (_, said) => {
    expect(gate(said)).toMatch(AIR);
  });

  test('air that never ends at an opening before, fixed and gone on: until it was bled again it may be there', () => {
    const halted = (openingId: string) => ({
      id: 'never',
      kind: 'halted',
      reason: 'air never ends',
      openingId,
    });
    const fixed = () => ({ kind: 'decided', haltId: 'never', decision: 'go on' });
    expect(gate(halted, fixed)).toMatch(AIR);
    // No look alone ends it: it is bled again.
    expect(gate(halted, fixed, none())).toMatch(AIR);
  });

  test('a look by somebody who had heard of it ends bubbles, and no level at nothing', () => {
    expect(gate()).not.toMatch(AIR);
    expect(gate(many, none())).not.toMatch(AIR);
    expect(gate(none(), many)).toMatch(AIR);
    // A few are not none, and none elsewhere is not none here.
    expect(gate(many, none({ reading: 'few' }))).toMatch(AIR);
    const elsewhere = (_: string, last: string) => ({
      kind: 'bubbles',
      openingId: last.replace('left-rear', 'right-rear'),
      reading: 'none',
    });
    expect(gate(many, elsewhere)).toMatch(AIR);
    // Taken back, nobody looked.
    const takenBack = () => ({ kind: 'undone', eventId: 'looked' });
    expect(gate(many, none({ id: 'looked' }), takenBack)).toMatch(AIR);
    const unaware = none({ deviceId: 'another', heard: 1 });
    expect(gate(many, unaware)).toMatch(AIR);
    const low = (openingId: string) => ({
      kind: 'level seen',
      openingId,
      levelMl: 0,
      fluidComes: true,
    });
    expect(gate(low, none())).toMatch(AIR);
  });
});
