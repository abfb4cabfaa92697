import { render, screen, waitFor } from '@testing-library/react';
import { usePageTitle } from './usePageTitle';

function Screen({
  name,
  of,
  drawn = true,
}: {
  readonly name?: string;
  readonly of?: string;
  readonly drawn?: boolean;
}) {
  usePageTitle(name, of);
  return (
    <main>
      {drawn ? <h1>{name}</h1> : null}
      <input aria-label="typed" />
    </main>
  );
}

test('titles, most particular first; the head of a new page is focused, not that of the first, nor from who types', async () => {
  const { rerender } = render(<Screen />);
  expect(document.title).toBe('Cascade Brook');
  rerender(<Screen name="Jobs" />);
  expect(document.title).toBe('Jobs · Cascade Brook');
  expect(document.activeElement).toBe(document.body);

  rerender(<Screen name="Vehicles" />);
  expect(document.activeElement).toBe(screen.getByRole('heading', { name: 'Vehicles' }));

  // Nothing is called anything while it loads, and its head comes later.
  rerender(<Screen drawn={false} />);
  rerender(<Screen name="Fluid shelf" drawn={false} />);
  rerender(<Screen name="Fluid shelf" />);
  await waitFor(() =>
    expect(document.activeElement).toBe(screen.getByRole('heading', { name: 'Fluid shelf' })),
  );

  // What the page is about comes after it was opened: reading has begun.
  rerender(<Screen name="History" />);
  (document.activeElement as HTMLElement).blur();
  rerender(<Screen name="History" of="Minibus" />);
  expect(document.title).toBe('History · Minibus · Cascade Brook');
  expect(document.activeElement).toBe(document.body);
  // A page that opens on it has a title of its own before all that.
  rerender(<Screen name="Descent" of="Minibus" />);
  expect(document.activeElement).toBe(screen.getByRole('heading', { name: 'Descent' }));

  // A field that asked for the keyboard before the head came keeps it.
  (document.activeElement as HTMLElement).blur();
  rerender(<Screen drawn={false} />);
  rerender(<Screen name="Measure" drawn={false} />);
  screen.getByLabelText('typed').focus();
  rerender(<Screen name="Measure" />);
  await new Promise((done) => setTimeout(done, 0));
  expect(document.activeElement).toBe(screen.getByLabelText('typed'));

  rerender(<Screen name="House rules" />);
  expect(document.title).toBe('House rules · Cascade Brook');
  expect(document.activeElement).toBe(screen.getByLabelText('typed'));
});
