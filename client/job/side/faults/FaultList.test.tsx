import { HALT_REASONS } from '@brook/core/job/events';
import { fireEvent, render, screen } from '@testing-library/react';
import { FaultList } from './FaultList';

test.each(HALT_REASONS)(
  'a halt on "%s" leads to rows that say what is likely, what tells it and what to do',
  (reason) => {
    render(<FaultList signs={[reason]} />);
    fireEvent.click(screen.getByRole('button', { name: 'What it may be' }));
    expect(screen.getAllByRole('listitem').length).toBeGreaterThan(0);
    expect(screen.getAllByText(/^Likely: /).length).toBe(
      screen.getAllByText(/^Tell it by: /).length,
    );
    expect(screen.getByText(/no published source. In no order of likelihood/)).toBeTruthy();
  },
);

test('where nothing fits, nothing is shown', () => {
  render(<FaultList signs={['dry enough']} />);
  expect(screen.queryByRole('button')).toBeNull();
});
