import fc from 'fast-check';
import {
  INSTRUMENT_KINDS,
  INSTRUMENT_WORDS,
  InstrumentLost,
  instrumentState,
  standIn,
  type Instrument,
  type InstrumentKind,
  type InstrumentPhase,
  type RawReading,
  type StandInScript,
} from '.';

/** A clock that only moves when somebody waits. */
function script(
  kind: InstrumentKind,
  settlesAt: number,
  more: Partial<StandInScript> = {},
): StandInScript {
  let nowMs = 0;
  let seed = 7;
  return {
    kind,
    settlesAt,
    batteryPercent: 80,
    now: () => nowMs,
    wait: async (ms) => void (nowMs += ms),
    random: () => (seed = (seed * 48271) % 2147483647) / 2147483647,
    ...more,
  };
}

async function phases(
  instrument: Instrument,
  readings = 60,
): Promise<{ seen: InstrumentPhase[]; value: number | null; plusMinus: number | null }> {
  await instrument.connect();
  const log: RawReading[] = [];
  const seen: InstrumentPhase[] = [];
  for (let i = 0; i < readings; i++) {
    log.push(await instrument.read());
    const { phase } = instrumentState(instrument.kind, log);
    if (seen.at(-1) !== phase) seen.push(phase);
  }
  return { seen, ...instrumentState(instrument.kind, log) };
}

/** What every adapter must do, whatever it drives. */
describe.each(INSTRUMENT_KINDS)('%s', (kind) => {
  const inRange = kind === 'water meter' ? 2.6 : 178;
  test('connects, waits for the fluid, settles, is steady at what is there', async () => {
    const { seen, value, plusMinus } = await phases(standIn(script(kind, inRange)));
    expect(seen).toEqual(['waiting', 'settling', 'steady']);
    expect(Math.abs(value! / inRange - 1)).toBeLessThan(0.02);
    expect(plusMinus).toBeGreaterThan(0);
  });
  test('never offers a value from half-way', async () => {
    const instrument = standIn(script(kind, inRange));
    await instrument.connect();
    const log: RawReading[] = [];
    for (let i = 0; i < 40; i++) {
      log.push(await instrument.read());
      const { phase, value } = instrumentState(kind, log);
      if (phase === 'steady') expect(Math.abs(value! / inRange - 1)).toBeLessThan(0.1);
    }
  });
  test('out of its range it says so and gives no value', async () => {
    expect(await phases(standIn(script(kind, kind === 'water meter' ? 9 : 320)))).toMatchObject({
      value: null,
      seen: expect.arrayContaining(['out of range']),
    });
  });
  test('on a low battery nothing is taken', async () => {
    expect(await phases(standIn(script(kind, inRange, { batteryPercent: 6 })))).toMatchObject({
      value: null,
      seen: ['low battery'],
    });
  });
  test('a link that breaks half-way is told from a reading, and connecting again works', async () => {
    const instrument = standIn(script(kind, inRange, { lostAfterMs: 900 }));
    await expect(phases(instrument)).rejects.toBeInstanceOf(InstrumentLost);
    await expect(instrument.read()).rejects.toBeInstanceOf(InstrumentLost);
    await instrument.connect();
    await expect(instrument.read()).resolves.toMatchObject({ value: null });
  });
  test('nothing comes before it is connected nor after it was put down', async () => {
    const instrument = standIn(script(kind, inRange));
    await expect(instrument.read()).rejects.toThrow(/type the reading/);
    await instrument.connect();
    instrument.disconnect();
    await expect(instrument.read()).rejects.toBeInstanceOf(InstrumentLost);
  });
});

test('steady means that the last few agree, whatever came before', () => {
  const reading = (value: number): RawReading => ({
    atMs: 0,
    value,
    outOfRange: false,
    batteryPercent: 50,
  });
  fc.assert(
    fc.property(
      fc.array(fc.double({ min: 0, max: 6, noNaN: true }), { maxLength: 20 }),
      fc.double({ min: 0, max: 5.8, noNaN: true }),
      (before, value) => {
        const last = [0, 0.1, 0.05, 0.1, 0].map((d) => reading(value + d));
        expect(instrumentState('water meter', [...before.map(reading), ...last])).toMatchObject({
          phase: 'steady',
          plusMinus: expect.closeTo(0.05, 6),
        });
        expect(instrumentState('water meter', [...last, reading(value + 0.3)]).phase).not.toBe(
          'steady',
        );
      },
    ),
  );
});

test('every phase says what to do', () =>
  expect(new Set(Object.values(INSTRUMENT_WORDS)).size).toBe(5));
