import fc from 'fast-check';
import { after, eventFault, loggedEvent, planOf, runOf, type LooseEvent } from '../../testing';
import { dangerAt, missingAt, nextStep, planAgainstActual, RunFluid } from '.';

const plan = planOf('hatchback-diagonal');
const [first, second] = plan.openings;
const stroke = (openingId: string, made?: number): LooseEvent => ({
  kind: 'stroke',
  openingId,
  ...(made === undefined ? {} : { made }),
});
const broken = (openingId: string): LooseEvent => ({
  kind: 'round broken',
  openingId,
  how: 'let go while open',
});

describe('strokes said at once', () => {
  test('count, level and what is inside are as if each had been said by itself', () => {
    const said = fc.array(fc.integer({ min: 1, max: 10 }), { minLength: 1, maxLength: 8 });
    fc.assert(
      fc.property(said, fc.constantFrom(first!.id, second!.id), (rows, openingId) => {
        const total = rows.reduce((sum, n) => sum + n, 0);
        const atOnce = runOf(
          plan,
          rows.map((n) => stroke(openingId, n)),
        );
        const singly = runOf(
          plan,
          Array.from({ length: total }, () => stroke(openingId)),
        );
        const { log: _, ...by } = singly;
        expect(atOnce).toMatchObject(by);
        expect(new RunFluid(plan).after(atOnce.log)).toEqual(new RunFluid(plan).after(singly.log));
      }),
      { numRuns: 8 },
    );
  });

  test('of another phone they are asked about as many as they are', () => {
    const own = runOf(plan, [stroke(first!.id)]);
    const asked = after(own, { ...stroke(first!.id, 7), id: 'theirs', deviceId: 'other' });
    expect(asked.asked).toMatchObject([{ made: 7 }]);
    const count = { kind: 'strokes judged', eventIds: ['theirs'], count: true } as const;
    expect(after(asked, count).bleeders[0]!.strokes).toBe(8);
    expect(after(asked, { ...count, count: false }).bleeders[0]!.strokes).toBe(1);
  });

  test('taken back, all of them are', () => {
    const ten = loggedEvent({ ...stroke(first!.id, 10), id: 'ten' });
    const run = runOf(plan, [stroke(first!.id), ten as LooseEvent]);
    expect(run.bleeders[0]!.strokes).toBe(11);
    expect(after(run, { kind: 'undone', eventId: 'ten' }).bleeders[0]!.strokes).toBe(1);
  });
});

describe('a broken round', () => {
  const count = first!.strokes.value;
  const clean: LooseEvent[] = [
    { kind: 'bubbles', openingId: first!.id, reading: 'none' },
    { kind: 'colour', openingId: first!.id, colour: plan.newColour },
  ];
  const bled = runOf(plan, [stroke(first!.id, 10), stroke(first!.id, count - 10)]);
  const missing = (run: typeof bled) => missingAt(run.plan, first!, run.bleeders[0]!);

  test('asks for three strokes behind it, whatever was seen before', () => {
    const through = after(bled, ...clean);
    expect(missing(through)).toEqual([]);
    const wrong = after(through, broken(first!.id));
    expect(missing(wrong)).toEqual(['round broken']);
    // Seen as clean just then, it is not enough.
    expect(missing(after(wrong, ...clean))).toEqual(['round broken']);
    expect(missing(after(wrong, stroke(first!.id, 2), ...clean))).toEqual(['round broken']);
    expect(missing(after(wrong, stroke(first!.id, 3), ...clean))).toEqual([]);
  });

  test('calls for strokes, not for a look', () => {
    const prepared = plan.preparation.map((step): LooseEvent => ({ kind: 'prepared', step }));
    const wrong = after(runOf(plan, prepared), ...bled.log, ...clean, broken(first!.id));
    expect(['more strokes', 'top up']).toContain(nextStep(wrong).kind);
  });

  test('left like that, air may be inside: the vehicle is not free', () => {
    const wrong = after(bled, ...clean, broken(first!.id));
    expect(dangerAt(wrong.plan, first!, wrong.bleeders[0]!)).toEqual(['round broken']);
  });

  test('opens the brake, stands on the record, and is taken back like a tap', () => {
    const wrong = after(runOf(plan, []), { ...broken(first!.id), id: 'wrong', atMs: 5 });
    expect(wrong.openedAtMs).toBe(5);
    expect(planAgainstActual(wrong)[0]!.rows[0]!.broken).toBe(1);
    const back = after(wrong, { kind: 'undone', eventId: 'wrong' });
    expect(planAgainstActual(back)[0]!.rows[0]!.broken).toBe(0);
  });

  test('belongs to a bleeder that a plan knows', () => {
    expect(eventFault(runOf(plan, []), broken('nowhere'))).toMatch(/nowhere/);
    expect(eventFault(runOf(plan, []), broken(first!.id))).toBeNull();
  });
});

describe('back to a bleeder that was through', () => {
  const through: LooseEvent[] = [
    ...plan.preparation.map((step): LooseEvent => ({ kind: 'prepared', step })),
    ...Array.from({ length: Math.ceil(first!.strokes.value / 10) }, () => stroke(first!.id, 10)),
    { kind: 'topped up', reservoirId: first!.reservoirId, containerId: null },
    { kind: 'bubbles', openingId: first!.id, reading: 'none' },
    { kind: 'colour', openingId: first!.id, colour: plan.newColour },
    { kind: 'shut', openingId: first!.id, tightened: 'by feel' },
    stroke(second!.id),
  ];
  const at = runOf(plan, through);
  const again = after(at, { kind: 'opened again', openingId: first!.id });
  const openingOf = (state: typeof at) => {
    const step = nextStep(state);
    return 'opening' in step ? step.opening.id : step.kind;
  };

  test('it is in hand again, and is shut only behind three strokes and a look', () => {
    expect(openingOf(at)).toBe(second!.id);
    expect(nextStep(again)).toMatchObject({
      kind: 'more strokes',
      opening: first,
      missing: expect.arrayContaining(['opened again']),
    });
    const two = after(again, stroke(first!.id, 2));
    expect(nextStep(two).kind).toBe('more strokes');
    const three = after(two, stroke(first!.id));
    expect(nextStep(three)).toMatchObject({ kind: 'read', opening: first });
    const looked = after(
      three,
      { kind: 'bubbles', openingId: first!.id, reading: 'none' },
      { kind: 'colour', openingId: first!.id, colour: plan.newColour },
    );
    expect(nextStep(looked)).toMatchObject({ kind: 'shut', opening: first });
    const shut = after(looked, { kind: 'shut', openingId: first!.id, tightened: 'by feel' });
    expect(openingOf(shut)).toBe(second!.id);
  });

  test('left open it is dangerous, and one that is open already is not opened again', () => {
    const b = again.bleeders.find((x) => x.openingId === first!.id)!;
    expect(dangerAt(plan, first!, b)).toContain('opened again');
    const open = after(at, { kind: 'opened again', openingId: second!.id });
    expect(open.bleeders).toEqual(at.bleeders);
  });
});
