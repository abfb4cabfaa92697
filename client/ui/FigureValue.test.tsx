import { ENTRY, figure, MODEL } from '@brook/core/base/figure';
import { fireEvent, render, screen, waitFor } from '@testing-library/react';
import { FigureSheet } from './FigureSheet';
import { FigureRow } from './FigureValue';

const bore = figure({
  label: 'Bore',
  value: 20.6,
  unit: 'mm',
  rule: 'in the layout',
  source: ENTRY,
});
const area = figure({
  label: 'Bore area',
  value: 333,
  unit: 'mm²',
  rule: 'πd²/4',
  source: MODEL,
  from: [bore],
  plusMinus: 2,
});

test('a figure opens to its rule and source, its input opens in turn, and both close again', async () => {
  const Shown = () => (
    <>
      <FigureRow figure={area} />
      <FigureSheet />
    </>
  );
  const { unmount } = render(<Shown />);
  expect(screen.queryByRole('dialog')).toBeNull();
  fireEvent.click(screen.getByRole('button', { name: 'Bore area: 333 mm². Why?' }));
  expect(screen.getByText('Πd²/4.')).toBeTruthy();
  expect(screen.getByText(/Model or value from memory/)).toBeTruthy();
  expect(screen.getByText('give or take 2 mm²')).toBeTruthy();
  fireEvent.click(screen.getByRole('button', { name: 'Bore: 20.6 mm. Why?' }));
  expect(screen.getByText('Entered for this vehicle or job')).toBeTruthy();
  expect(window.location.hash).toBe('#why=Bore');
  fireEvent.click(screen.getByText('Back'));
  expect(window.location.hash).toBe('#why=Bore%20area');
  // A reload draws it from what the browser kept with the address.
  unmount();
  render(<Shown />);
  expect(screen.getByText('Πd²/4.')).toBeTruthy();
  const router = jest.fn();
  window.addEventListener('popstate', router);
  fireEvent.click(screen.getByText('Close'));
  await waitFor(() => expect(screen.queryByText('How this came about')).toBeNull());
  expect(window.location.hash).toBe('');
  // The page was there all the time: its router has nothing to do.
  expect(router).not.toHaveBeenCalled();
  window.removeEventListener('popstate', router);
});

test('another text keeps the whole figure in what is spoken', () => {
  render(<FigureRow figure={area} text="333" />);
  expect(screen.getByRole('button', { name: 'Bore area: 333 mm². Why?' }).textContent).toBe('333');
});
