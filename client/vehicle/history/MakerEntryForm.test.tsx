import type { Vehicle } from '@brook/contract';
import { layoutOf } from '@brook/core/testing';
import { fireEvent, render, screen } from '@testing-library/react';
import { MakerEntryForm } from './MakerEntryForm';

const mockSend = jest.fn();
const mockBuiltOn = jest.fn();
jest.mock('../../data/vehicles', () => ({
  useMakerEntry: (vehicle: { readonly version: number }) => {
    mockBuiltOn(vehicle.version);
    return { mutate: mockSend, reset: jest.fn(), error: null, isPending: false };
  },
}));

const vehicle = (version: number, entry: Partial<NonNullable<Vehicle['makerEntry']>> | null) =>
  ({
    id: 'v',
    version,
    layout: layoutOf('hatchback-diagonal'),
    makerEntry: entry && {
      grades: [],
      lowViscosity: false,
      intervalMonths: null,
      order: null,
      ...entry,
    },
  }) as unknown as Vehicle;
const interval = () => screen.getByRole<HTMLInputElement>('textbox', { name: 'Interval' });
const keep = () => fireEvent.click(screen.getByRole('button', { name: 'Keep the maker’s word' }));
const button = (name: string) => screen.getByRole('button', { name });

function open(first: Vehicle) {
  const shown = render(<MakerEntryForm vehicle={first} />);
  fireEvent.click(screen.getByRole('button', { name: /The maker’s word/ }));
  return (next: Vehicle) => shown.rerender(<MakerEntryForm vehicle={next} />);
}

beforeEach(() => jest.clearAllMocks());

test('what a colleague entered is taken up where nothing was changed here', () => {
  const then = open(vehicle(1, { intervalMonths: 24 }));
  then(vehicle(2, { intervalMonths: 36 }));
  expect(interval().value).toBe('36');
  expect(screen.queryByText('Somebody changed the same meanwhile')).toBeNull();
  expect(mockBuiltOn).toHaveBeenLastCalledWith(2);
});

test('both changed one field: both stand side by side, what only the colleague changed is taken', () => {
  const then = open(vehicle(1, { intervalMonths: 24 }));
  fireEvent.change(interval(), { target: { value: '12' } });
  then(vehicle(2, { intervalMonths: 36, grades: ['DOT 4'] }));
  // Sent now it would go with the version that it was built on.
  expect(mockBuiltOn).toHaveBeenLastCalledWith(1);
  const asked = screen.getByRole('radiogroup', { name: 'Interval' });
  expect(asked.textContent).toContain('every 12 months');
  expect(asked.textContent).toContain('every 36 months');
  expect(screen.getAllByRole('radiogroup')).toHaveLength(1);
  expect(button('Choose: Interval').getAttribute('aria-disabled')).toBe('true');
  fireEvent.click(screen.getByRole('radio', { name: /^Yours/ }));
  fireEvent.click(button('Go on with these'));
  keep();
  expect(mockBuiltOn).toHaveBeenLastCalledWith(2);
  expect(mockSend.mock.calls[0]![0]).toEqual({
    grades: ['DOT 4'],
    lowViscosity: false,
    order: null,
    intervalMonths: 12,
  });
});

test('taken as the colleague has it, nothing of one’s own is left', () => {
  const then = open(vehicle(1, null));
  fireEvent.change(interval(), { target: { value: '12' } });
  then(vehicle(2, { intervalMonths: 36 }));
  fireEvent.click(screen.getByRole('radio', { name: /^Theirs/ }));
  fireEvent.click(button('Go on with these'));
  expect(interval().value).toBe('36');
});

test('an order of several passes is entered as the maker gives it', () => {
  open(vehicle(1, { grades: ['DOT 4'], order: ['left-rear', 'right-rear', 'left-front'] }));
  expect(screen.queryByRole('radiogroup', { name: 'Is one opened once more?' })).toBeNull();
  fireEvent.click(screen.getByRole('checkbox', { name: /Right front/ }));
  // What was opened last is not opened again at once.
  expect(screen.queryByRole('radio', { name: 'Then right front again' })).toBeNull();
  fireEvent.click(screen.getByRole('radio', { name: 'Then left rear again' }));
  keep();
  expect(mockSend.mock.calls[0]![0]).toMatchObject({
    order: ['left-rear', 'right-rear', 'left-front', 'right-front', 'left-rear'],
  });
});
