import type { Container } from '@brook/contract';
import { admitContainer } from '@brook/core/fluid/shelf';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { fireEvent, render, screen, waitFor } from '@testing-library/react';
import { ContainerLine } from './ContainerLine';

const base: Omit<Container, 'admit'> = {
  id: '5d1d3b74-6b0f-4d0e-9f0b-0c8a5c1e7a11',
  grade: 'DOT 4',
  isoClass: null,
  batch: 'K-117',
  sizeMl: 500,
  overdrawnMl: 0,
  leftMl: 500,
  state: 'sealed',
  openedDays: null,
  keptCapped: true,
  ageDays: 4,
  restedHours: null,
  receivedAt: '2026-01-01T09:00:00Z',
  openedAt: null,
  discardedAt: null,
  version: 3,
};

function show(more: Partial<Container>): void {
  const c = { ...base, ...more };
  const container: Container = { ...c, admit: admitContainer(c, '30 days capped') };
  render(
    <QueryClientProvider client={new QueryClient()}>
      <ContainerLine container={container} />
    </QueryClientProvider>,
  );
  fireEvent.click(screen.getByRole('button', { name: /^Batch K-117/ }));
}

const sent: { url: string; init: RequestInit }[] = [];
beforeEach(() => {
  sent.length = 0;
  globalThis.fetch = jest.fn(async (url: string, init: RequestInit) => {
    sent.push({ url, init });
    return { ok: true, status: 200, json: async () => ({}) };
  }) as never;
});

// 30 days, a night of rest, an unknown date counts as too old: common practice, no source.
test.each<[string, Partial<Container>, RegExp, RegExp | null]>([
  ['sealed', {}, /500 of 500 mL, sealed, may be used/, null],
  [
    'opened yesterday',
    { state: 'opened', openedDays: 1, leftMl: 212 },
    /212 of 500 mL, opened yesterday, with a second look/,
    /look at the date on it/,
  ],
  [
    'opened for too long',
    { state: 'opened', openedDays: 44 },
    /opened 44 days ago, must not be used/,
    /longer than this workshop allows/,
  ],
  [
    'nobody knows when',
    { state: 'opened', openedDays: null },
    /nobody knows when, must not be used/,
    /counts as too old/,
  ],
  [
    'left without its cap',
    { state: 'opened', openedDays: 2, keptCapped: false },
    /not kept capped, must not be used/,
    /has taken up water/,
  ],
  [
    'just carried',
    { restedHours: 2 },
    /rests until .*\d\d:\d\d, with a second look/,
    /Never shake it/,
  ],
])('%s', (_, more, spoken, reason) => {
  show(more);
  expect(screen.getByRole('button', { name: spoken })).toBeTruthy();
  if (reason) {
    expect(screen.getByText(reason)).toBeTruthy();
    expect(screen.getByText('Common practice in the trade; no published source')).toBeTruthy();
  }
  expect(screen.getByText(/By FMVSS 116, DOT 4/)).toBeTruthy();
});

test('a sealed one is said to be open since a time, by the version that was seen', async () => {
  show({});
  fireEvent.click(screen.getByRole('radio', { name: 'nobody knows' }));
  await waitFor(() =>
    expect(sent[0]).toMatchObject({
      url: `/api/v1/shelf/${base.id}/open`,
      init: { method: 'POST', headers: { 'if-match': '"3"' } },
    }),
  );
  expect(JSON.parse(sent[0]!.init.body as string)).toEqual({
    openedDaysAgo: null,
    keptCapped: true,
  });
});

test('discarding asks first where the fluid goes', async () => {
  show({});
  expect(screen.queryByText(/into the waste drum\?/)).toBeNull();
  fireEvent.click(screen.getByRole('button', { name: 'Discard it …' }));
  fireEvent.click(screen.getByRole('radio', { name: 'No, it was lost' }));
  await waitFor(() => expect(sent[0]?.url).toBe(`/api/v1/shelf/${base.id}/discard`));
  expect(JSON.parse(sent[0]!.init.body as string)).toEqual({ caught: false });
});

test('one that gave more than it was down for is counted, by what can be in it', async () => {
  show({ state: 'opened', openedDays: 1, leftMl: 0, overdrawnMl: 38.4 });
  expect(
    screen.getByRole('button', { name: /0 of 500 mL, opened yesterday, to be counted/ }),
  ).toBeTruthy();
  expect(screen.getByText(/38 mL more came out of it than it was down as holding/)).toBeTruthy();
  const field = screen.getByRole('textbox', { name: 'Left in it' });
  const button = screen.getByRole('button', { name: 'That is what is left' });
  for (const wrong of ['', 'half', '500', '-1']) {
    fireEvent.change(field, { target: { value: wrong } });
    fireEvent.click(button);
  }
  expect(screen.getByText('Give what is left in it, from 0 to less than 500 mL.')).toBeTruthy();
  expect(sent).toEqual([]);
  fireEvent.change(field, { target: { value: '120' } });
  fireEvent.click(button);
  await waitFor(() => expect(sent[0]?.url).toBe(`/api/v1/shelf/${base.id}/count`));
  expect(JSON.parse(sent[0]!.init.body as string)).toEqual({ leftMl: 120 });
});
