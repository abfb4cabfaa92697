import type { VehicleSummary } from '@brook/contract';
import { fireEvent, render, screen, within } from '@testing-library/react';
import { findVehicles, SHOWN_AT_ONCE } from './findVehicles';
import { VehicleFinder } from './VehicleFinder';

/** An invented fleet of two thousand. */
const FLEET = Array.from({ length: 2000 }, (_, i) => ({
  id: `v${i}`,
  name: `${['Hatchback', 'Post van', 'Courier motorcycle', 'Harbour pickup'][i % 4]!} ${i}`,
  tag: `SK ${1000 + i}`,
  layoutName: ['Diagonal split', 'Four-channel'][i % 2]!,
  vehicleKind: 'car',
  masters: [],
  openItems: [],
  drive: { state: 'free', since: null },
  openJobId: null,
  version: 1,
})) as unknown as VehicleSummary[];
const ids = (query: string) => findVehicles(FLEET, query).map((v) => v.id);

test('every word must stand somewhere, in any case and any order', () => {
  expect(ids('')).toHaveLength(2000);
  // By its plate, and by the number in its name.
  expect(ids('sk 1007')).toEqual(['v7', 'v1007']);
  expect(ids('VAN 1001')).toEqual(['v1', 'v1001']);
  expect(ids('1001 van')).toEqual(['v1', 'v1001']);
  expect(ids('van diagonal')).toEqual([]);
  expect(ids('pickup four-channel')).toHaveLength(500);
  expect(ids('  ')).toHaveLength(2000);
});

test('of two thousand the first are shown, the rest is counted, and one is found by its plate', () => {
  const onPick = jest.fn();
  render(
    <VehicleFinder vehicles={FLEET} about={(v) => v.layoutName} role="button" onPick={onPick} />,
  );
  const list = () => within(screen.getByRole('list')).getAllByRole('listitem');
  expect(list()).toHaveLength(SHOWN_AT_ONCE);
  expect(screen.getByText(/^and 1960 more/)).toBeTruthy();
  const field = screen.getByRole('textbox', { name: /Find a vehicle/ });
  fireEvent.change(field, { target: { value: '2999' } });
  expect(screen.getByText('1 of 2000')).toBeTruthy();
  expect(list()).toHaveLength(1);
  fireEvent.click(screen.getByRole('button', { name: /SK 2999/ }));
  expect(onPick).toHaveBeenCalledWith(FLEET[1999]);
  fireEvent.change(field, { target: { value: 'nothing like it' } });
  expect(screen.getByText(/^None: type less/)).toBeTruthy();
});

test('a handful is looked through, not searched', () => {
  const show = (n: number) => (
    <VehicleFinder vehicles={FLEET.slice(0, n)} about={() => ''} role="button" onPick={jest.fn()} />
  );
  const { rerender } = render(show(7));
  expect(screen.queryByRole('textbox')).toBeNull();
  rerender(show(8));
  expect(screen.getByRole('textbox')).toBeTruthy();
});
