import { fireEvent, render, screen } from '@testing-library/react';
import { ActionBar } from './ActionBar';
import { useShortcut } from './shortcuts';

function Page({ act }: { readonly act: (() => void) | null }) {
  useShortcut('u', act);
  return (
    <>
      <input aria-label="words" />
      <div role="radio" aria-checked={false} tabIndex={0} />
      <button>else</button>
    </>
  );
}

describe('a key that does something', () => {
  test('does it wherever nothing is typed or chosen', () => {
    const act = jest.fn();
    render(<Page act={act} />);
    fireEvent.keyDown(document.body, { key: 'u' });
    fireEvent.keyDown(screen.getByRole('button'), { key: 'u' });
    expect(act).toHaveBeenCalledTimes(2);
  });

  test('is a letter where words are typed, and nothing with another key, held, or of another name', () => {
    const act = jest.fn();
    render(<Page act={act} />);
    fireEvent.keyDown(screen.getByRole('textbox'), { key: 'u' });
    fireEvent.keyDown(screen.getByRole('radio'), { key: 'u' });
    for (const more of [{ ctrlKey: true }, { metaKey: true }, { altKey: true }, { repeat: true }])
      fireEvent.keyDown(document.body, { key: 'u', ...more });
    fireEvent.keyDown(document.body, { key: 'v' });
    expect(act).not.toHaveBeenCalled();
  });

  test('does nothing while a sheet lies over the page, or while there is nothing to do', () => {
    const act = jest.fn();
    const { rerender } = render(<Page act={act} />);
    const sheet = document.body.appendChild(document.createElement('div'));
    sheet.setAttribute('role', 'dialog');
    fireEvent.keyDown(document.body, { key: 'u' });
    sheet.remove();
    rerender(<Page act={null} />);
    fireEvent.keyDown(document.body, { key: 'u' });
    expect(act).not.toHaveBeenCalled();
  });
});

describe('an action that waits', () => {
  test('can be reached, says that it cannot be done, and leads to what is asked', () => {
    render(
      <>
        <div data-testid="unanswered">
          <div role="radio" aria-checked={false} tabIndex={0} />
        </div>
        <ActionBar label="Make the plan" onPress={() => undefined} waitsFor="Read the cap" />
      </>,
    );
    const action = screen.getByTestId('next-action');
    expect(action.getAttribute('aria-disabled')).toBe('true');
    expect(action.tabIndex).toBe(0);
    fireEvent.click(action);
    expect(document.activeElement).toBe(screen.getByRole('radio'));
  });

  test('is no longer said to wait once it may be done', () => {
    const bar = (waitsFor: string | null) => (
      <ActionBar label="Make the plan" onPress={() => undefined} waitsFor={waitsFor} />
    );
    const { rerender } = render(bar('Read the cap'));
    rerender(bar(null));
    expect(screen.getByTestId('next-action').getAttribute('aria-disabled')).toBeNull();
  });

  test('the key of the smaller one beside it works while that may be done', () => {
    const undo = jest.fn();
    const bar = (disabled: boolean) => (
      <ActionBar
        label="One stroke made"
        onPress={() => undefined}
        side={{ label: 'Undo', shortcut: 'u', disabled, onPress: undo }}
      />
    );
    const { rerender } = render(bar(false));
    fireEvent.keyDown(document.body, { key: 'u' });
    rerender(bar(true));
    fireEvent.keyDown(document.body, { key: 'u' });
    expect(undo).toHaveBeenCalledTimes(1);
  });
});
