import { InstrumentLost, type Instrument, type RawReading } from '@brook/core/fluid/instrument';
import { act, renderHook, waitFor } from '@testing-library/react';
import { PRACTICE_WAYS, practiceInstrument } from './practice';
import { useInstrument } from './useInstrument';

/** An instrument that gives what is put into it, one reading at a time. */
function byHand(): Instrument & { give: (reading: RawReading | Error) => void; downs: number } {
  const waiting: { resolve: (reading: RawReading) => void; reject: (error: Error) => void }[] = [];
  return {
    kind: 'water meter',
    practice: false,
    downs: 0,
    connect: async () => undefined,
    read: () => new Promise((resolve, reject) => waiting.push({ resolve, reject })),
    disconnect() {
      this.downs++;
    },
    give(reading) {
      const next = waiting.shift()!;
      if (reading instanceof Error) next.reject(reading);
      else next.resolve(reading);
    },
  };
}
const reading = (value: number): RawReading => ({
  atMs: 0,
  value,
  outOfRange: false,
  batteryPercent: 70,
});

async function connected() {
  const instrument = byHand();
  const hook = renderHook(() => useInstrument());
  act(() => hook.result.current.connect(instrument));
  expect(hook.result.current.link).toBe('connecting');
  await waitFor(() => expect(hook.result.current.link).toBe('on'));
  return { instrument, hook };
}

test('from connecting to a steady value', async () => {
  const { instrument, hook } = await connected();
  for (const value of [1, 2, 2.4, 2.5, 2.5, 2.5, 2.5]) {
    await act(async () => instrument.give(reading(value)));
  }
  await waitFor(() =>
    expect(hook.result.current.state).toMatchObject({
      phase: 'steady',
      value: expect.closeTo(2.48, 2),
    }),
  );
  expect(hook.result.current.batteryPercent).toBe(70);
});

test('a lost link is told in its sentence, keeps no value, and connecting again starts over', async () => {
  const { instrument, hook } = await connected();
  await act(async () => instrument.give(reading(2.5)));
  await act(async () => instrument.give(new InstrumentLost()));
  await waitFor(() =>
    expect(hook.result.current).toMatchObject({
      link: 'lost',
      state: null,
      problem: expect.stringContaining('out of reach'),
    }),
  );
  act(() => hook.result.current.connect(byHand()));
  await waitFor(() =>
    expect(hook.result.current).toMatchObject({
      link: 'on',
      problem: null,
      state: { phase: 'waiting' },
    }),
  );
});

test('put down, it is disconnected and whatever it still says is not heard', async () => {
  const { instrument, hook } = await connected();
  act(() => hook.result.current.disconnect());
  expect(instrument.downs).toBe(1);
  await act(async () => instrument.give(reading(2.5)));
  expect(hook.result.current).toMatchObject({ link: 'off', state: null, batteryPercent: null });
});

test('a page that is left puts its instrument down', async () => {
  const { instrument, hook } = await connected();
  hook.unmount();
  expect(instrument.downs).toBe(1);
});

test.each(PRACTICE_WAYS)(
  'a practice instrument that goes "%s" says of itself that it is practice',
  (way) => {
    expect(practiceInstrument('boiling tester', way)).toMatchObject({
      kind: 'boiling tester',
      practice: true,
    });
  },
);
