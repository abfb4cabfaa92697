import { METRIC, type UnitChoice } from '@brook/core/base/units';
import { act, fireEvent, render, screen } from '@testing-library/react';
import { useState } from 'react';
import { Field } from './Field';
import { storedOf } from './typedQuantity';
import { chooseUnits } from './unitChoice';
import { Words } from './Words';

const INCH: UnitChoice = { ...METRIC, length: 'in', volume: 'fl oz' };
const held: string[] = [];

function Form({ first, unit }: { readonly first: string; readonly unit: string }) {
  const [value, setValue] = useState(first);
  held.push(value);
  return <Field label="It is" unit={unit} value={value} onChange={setValue} />;
}

beforeEach(() => {
  held.length = 0;
});
afterEach(() => act(() => chooseUnits(METRIC)));

test('words are read in the units of who is signed in, also where JSX took them apart, and change with them', () => {
  const mm = 111;
  render(
    <Words>
      It stands {mm} mm above {'the floor'}
    </Words>,
  );
  expect(screen.getByText('It stands 111 mm above the floor')).toBeTruthy();
  act(() => chooseUnits(INCH));
  expect(screen.getByText('It stands 4.37 in above the floor')).toBeTruthy();
});

test('what is typed in inches is held in mm, and is shown as it was typed', () => {
  act(() => chooseUnits(INCH));
  render(<Form first="111" unit="mm below MAX" />);
  const field = screen.getByLabelText<HTMLInputElement>('It is');
  expect(field.value).toBe('4.37');
  expect(screen.getByText('in below MAX')).toBeTruthy();
  fireEvent.change(field, { target: { value: '4 3/8' } });
  expect(held.at(-1)).toBe('111.125');
  expect(field.value).toBe('4 3/8');
  // What is no number goes to the form, which says what would be right.
  fireEvent.change(screen.getByLabelText('It is'), { target: { value: 'abc' } });
  expect(held.at(-1)).toBe('abc');
});

test.each([
  ['0.75', 'mm', '19.05'],
  ['20 mm', 'mm', '20'],
  ['16.9', 'mL', '500'],
  ['1.5', 'mL', '44.3602943'],
  ['7', 'strokes', '7'],
])('%s typed where %s is asked for is held as %s', (typed, unit, stored) =>
  expect(storedOf(typed, unit, INCH)).toBe(stored),
);
