import fc from 'fast-check';
import { layoutTemplates } from '../../vehicle/circuit/templates';
import { layoutOf } from '../../testing';
import {
  cycleMinutes,
  cycleTimes,
  LEAST_BATTERY_V,
  nextInCycle,
  standInTool,
  TOOL_UNMET_WORDS,
  ToolLost,
  toolSteps,
  toolStepWords,
  toolUnmet,
  type ScanTool,
  type ToolCheck,
  type ToolEntry,
  type ToolScript,
  type ToolStep,
} from '.';

const VAN = layoutOf('van-four-channel');
const ORDER = VAN.bleeders.map((b) => b.id);
const STEPS = toolSteps(VAN, ORDER);
const MET: ToolCheck = { batteryV: 12.4, ignition: 'on', codes: [] };
const COOL_MS = cycleTimes().coolS.value * 1000;

/** A clock that only moves when somebody waits. */
function script(more: Partial<ToolScript> = {}): ToolScript & { pass: (ms: number) => void } {
  let nowMs = 0;
  return {
    batteryV: 12.6,
    ignition: 'on',
    codes: [],
    speed: 1,
    now: () => nowMs,
    wait: async (ms) => void (nowMs += ms),
    pass: (ms) => void (nowMs += ms),
    ...more,
  };
}

describe('the steps', () => {
  test('every wheel behind the modulator has its valves, then its pump, in the order given', () => {
    expect(STEPS.map((s) => [s.bleederId, s.act])).toEqual(
      ORDER.flatMap((id) => [
        [id, 'valves'],
        [id, 'pump'],
      ]),
    );
    const reversed = [...ORDER].reverse();
    expect(
      toolSteps(VAN, [...reversed, ...reversed])
        .map((s) => s.bleederId)
        .filter((_, i) => i % 2 === 0),
    ).toEqual(reversed);
  });

  test.each(layoutTemplates.map((t) => t.id))(
    '%s: without a modulator there is nothing to cycle, and its own bleeder is no wheel',
    (id) => {
      const layout = layoutOf(id);
      const steps = toolSteps(
        layout,
        layout.bleeders.map((b) => b.id),
      );
      if (!layout.nodes.some((n) => n.kind === 'modulator')) expect(steps).toEqual([]);
      for (const s of steps)
        expect(
          layout.nodes.find((n) => n.id === layout.bleeders.find((b) => b.id === s.bleederId)!.at)!
            .kind,
        ).not.toBe('modulator');
    },
  );

  test('each says which wheel, and names the control in hand', () => {
    for (const step of STEPS) {
      const words = toolStepWords(VAN, step, 'brake pedal');
      expect(words.call).toContain('brake pedal');
      expect(words.say).toMatch(/\.$/);
    }
  });

  test('the minutes are the wheels’ and the pauses between them', () => {
    const { valvesS, pumpS, coolS } = cycleTimes();
    expect(cycleMinutes(STEPS).value).toBeCloseTo(
      10 + (4 * (valvesS.value + pumpS.value) + 3 * coolS.value) / 60,
      9,
    );
  });
});

describe('preconditions', () => {
  // A cycle wants ignition on, engine off, a good battery and no fault code: common practice, no source; the voltage is from memory.
  test.each<[string, Partial<ToolCheck>, string[]]>([
    ['all met', {}, []],
    ['a weak battery', { batteryV: LEAST_BATTERY_V - 0.1 }, ['battery low']],
    ['just enough', { batteryV: LEAST_BATTERY_V }, []],
    ['ignition off', { ignition: 'off' }, ['ignition not on']],
    ['engine running', { ignition: 'engine running' }, ['ignition not on']],
    ['a code', { codes: ['pump supply'] }, ['fault codes']],
    [
      'all at once',
      { batteryV: 10, ignition: 'off', codes: ['x'] },
      ['battery low', 'ignition not on', 'fault codes'],
    ],
  ])('%s', (_, more, unmet) => {
    expect(toolUnmet({ ...MET, ...more })).toEqual(unmet);
    for (const u of toolUnmet({ ...MET, ...more })) expect(TOOL_UNMET_WORDS[u]).toMatch(/\.$/);
  });
});

describe('where a cycle stands', () => {
  const checked = (check: ToolCheck = MET): ToolEntry => ({ kind: 'checked', check });
  const step = (s: ToolStep, done: boolean, atMs = 0): ToolEntry => ({
    kind: 'step',
    stepId: s.id,
    done,
    atMs,
  });

  test('first the check, then each step in turn, at the end the codes once more', () => {
    expect(nextInCycle(STEPS, [])).toEqual({ kind: 'check', when: 'before' });
    const log: ToolEntry[] = [checked()];
    STEPS.forEach((s, i) => {
      expect(nextInCycle(STEPS, log)).toMatchObject({
        kind: 'step',
        step: s,
        number: i + 1,
        of: STEPS.length,
      });
      log.push(step(s, true, i * 1000));
    });
    expect(nextInCycle(STEPS, log)).toEqual({ kind: 'check', when: 'after' });
    expect(nextInCycle(STEPS, [...log, checked({ ...MET, codes: ['valve rear'] })])).toEqual({
      kind: 'check',
      when: 'after',
    });
    expect(nextInCycle(STEPS, [...log, checked()])).toEqual({ kind: 'through' });
  });

  test('nothing is done on what is not met, and an aborted step asks for the check before it is repeated', () => {
    expect(nextInCycle(STEPS, [checked({ ...MET, batteryV: 11 })])).toEqual({
      kind: 'check',
      when: 'before',
    });
    const aborted = [checked(), step(STEPS[0]!, true), step(STEPS[1]!, false, 5000)];
    expect(nextInCycle(STEPS, aborted)).toEqual({ kind: 'check', when: 'before' });
    expect(nextInCycle(STEPS, [...aborted, checked()])).toMatchObject({
      kind: 'step',
      step: STEPS[1],
    });
  });

  test('after a pump run the next step waits until it has cooled, after a valve step it does not', () => {
    expect(nextInCycle(STEPS, [checked(), step(STEPS[0]!, true, 7000)])).toMatchObject({
      notBeforeMs: null,
    });
    expect(
      nextInCycle(STEPS, [checked(), step(STEPS[0]!, true, 7000), step(STEPS[1]!, true, 30_000)]),
    ).toMatchObject({ notBeforeMs: 30_000 + COOL_MS });
  });

  test('whatever was put down, it is through only when every step is done and the last word is a clean check', () => {
    const entry = fc.oneof(
      fc
        .record({
          batteryV: fc.double({ min: 10, max: 14, noNaN: true }),
          ignition: fc.constantFrom('off' as const, 'on' as const),
          codes: fc.constantFrom([], ['x']),
        })
        .map((check) => checked(check)),
      fc
        .tuple(fc.constantFrom(...STEPS), fc.boolean(), fc.nat())
        .map(([s, done, at]) => step(s, done, at)),
    );
    fc.assert(
      fc.property(fc.array(entry, { maxLength: 40 }), (log) => {
        const through = nextInCycle(STEPS, log).kind === 'through';
        const last = log.at(-1);
        const all = STEPS.every((s) =>
          log.some((e) => e.kind === 'step' && e.done && e.stepId === s.id),
        );
        expect(through).toBe(all && last?.kind === 'checked' && toolUnmet(last.check).length === 0);
      }),
    );
  });
});

describe('a tool behind the adapter', () => {
  /** Goes through a cycle as the run would, waiting where it must. */
  async function goThrough(
    tool: ScanTool,
    clock: ReturnType<typeof script>,
    limit = 40,
  ): Promise<{ log: ToolEntry[]; why: string[] }> {
    const log: ToolEntry[] = [];
    const why: string[] = [];
    await tool.connect();
    for (let i = 0; i < limit; i++) {
      const next = nextInCycle(STEPS, log);
      if (next.kind === 'through') break;
      if (next.kind === 'check') {
        log.push({ kind: 'checked', check: await tool.check() });
        continue;
      }
      if (next.notBeforeMs !== null) clock.pass(Math.max(0, next.notBeforeMs - clock.now()));
      const outcome = await tool.run(next.step);
      if (!outcome.done) why.push(outcome.why);
      log.push({ kind: 'step', stepId: next.step.id, done: outcome.done, atMs: clock.now() });
    }
    return { log, why };
  }

  test('a cycle goes through, takes its time, and the pump is never run hot', async () => {
    const clock = script();
    const { log, why } = await goThrough(standInTool(clock), clock);
    expect(nextInCycle(STEPS, log).kind).toBe('through');
    expect(why).toEqual([]);
    expect(clock.now()).toBeGreaterThan(3 * COOL_MS);
  });

  test('a step that it aborts is repeated and the cycle still goes through', async () => {
    const clock = script({ abortsAfter: 3 });
    const { log, why } = await goThrough(standInTool(clock), clock);
    expect(why).toHaveLength(1);
    expect(nextInCycle(STEPS, log).kind).toBe('through');
  });

  test('a hot pump is refused by the tool itself', async () => {
    const tool = standInTool(script());
    await tool.connect();
    const pump = STEPS.filter((s) => s.act === 'pump');
    await expect(tool.run(pump[0]!)).resolves.toEqual({ done: true });
    await expect(tool.run(pump[1]!)).resolves.toEqual({
      done: false,
      why: expect.stringContaining('cool'),
    });
  });

  test.each<[string, Partial<ToolScript>]>([
    ['ignition off', { ignition: 'off' }],
    ['a flat battery', { batteryV: 11.2 }],
    ['a code that stays', { codeAfter: 'valve rear left' }],
  ])('%s: it never comes through', async (_, more) => {
    const clock = script(more);
    const { log } = await goThrough(standInTool(clock), clock);
    expect(nextInCycle(STEPS, log).kind).toBe('check');
  });

  test('a link that breaks is told from a step that is done, and connecting again goes on', async () => {
    const clock = script({ lostAfterMs: 30_000 });
    const tool = standInTool(clock);
    await expect(tool.check()).rejects.toBeInstanceOf(ToolLost);
    await expect(goThrough(tool, clock)).rejects.toBeInstanceOf(ToolLost);
    await tool.connect();
    await expect(tool.check()).resolves.toMatchObject({ ignition: 'on' });
    tool.disconnect();
    await expect(tool.run(STEPS[0]!)).rejects.toThrow(/connect again/);
  });
});
