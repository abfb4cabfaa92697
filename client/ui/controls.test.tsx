import { act, fireEvent, render, screen, within } from '@testing-library/react';
import { ActionBar, PromptBar } from './ActionBar';
import { Choice } from './Choice';
import { Choices } from './Choices';
import { More } from './More';
import { Words } from './Words';
import { DriveMark, spokenVehicle } from './DriveMark';
import { Field } from './Field';

const OPTIONS = [
  { value: 'yes', label: 'Yes' },
  { value: 'no', label: 'No', about: 'It is not' },
] as const;

describe('a choice', () => {
  test('says what is chosen, and gives what is tapped', () => {
    const onChoose = jest.fn();
    render(<Choice question="Dry?" options={OPTIONS} chosen="yes" onChoose={onChoose} />);
    const group = within(screen.getByRole('radiogroup', { name: 'Dry?' }));
    expect(group.getByRole('radio', { name: 'Yes' }).getAttribute('aria-checked')).toBe('true');
    expect(group.getByRole('radio', { name: 'No' }).getAttribute('aria-checked')).toBe('false');
    fireEvent.click(group.getByRole('radio', { name: 'No' }));
    expect(onChoose).toHaveBeenCalledWith('no');
  });

  test('is marked as open until it is answered', () => {
    const { rerender } = render(
      <Choice question="Dry?" options={OPTIONS} chosen={null} onChoose={jest.fn()} />,
    );
    expect(screen.getByTestId('unanswered')).toBeTruthy();
    rerender(
      <Choice
        question="Dry?"
        options={OPTIONS}
        chosen="no"
        onChoose={jest.fn()}
        fault="Put it right."
      />,
    );
    expect(screen.queryByTestId('unanswered')).toBeNull();
    expect(screen.getByText('Put it right.')).toBeTruthy();
  });

  test('gives nothing while it is shut', () => {
    const onChoose = jest.fn();
    render(<Choice question="Dry?" options={OPTIONS} chosen={null} onChoose={onChoose} disabled />);
    fireEvent.click(screen.getByRole('radio', { name: 'Yes' }));
    expect(onChoose).not.toHaveBeenCalled();
  });
});

describe('a question with several answers', () => {
  test('an answer is put on and taken off by itself', () => {
    const onChoose = jest.fn();
    render(<Choices question="Cap?" options={OPTIONS} chosen={['yes']} onChoose={onChoose} />);
    expect(screen.getByRole('checkbox', { name: 'Yes' }).getAttribute('aria-checked')).toBe('true');
    fireEvent.click(screen.getByRole('checkbox', { name: 'No' }));
    expect(onChoose).toHaveBeenLastCalledWith(['yes', 'no']);
    fireEvent.click(screen.getByRole('checkbox', { name: 'Yes' }));
    expect(onChoose).toHaveBeenLastCalledWith([]);
  });

  test('is open until something is chosen, unless none is an answer too', () => {
    const { rerender } = render(
      <Choices question="Cap?" options={OPTIONS} chosen={[]} onChoose={jest.fn()} />,
    );
    expect(screen.getByTestId('unanswered')).toBeTruthy();
    rerender(
      <Choices question="Cap?" options={OPTIONS} chosen={[]} onChoose={jest.fn()} mayBeNone />,
    );
    expect(screen.queryByTestId('unanswered')).toBeNull();
  });

  test('where each is to be tapped it waits for the last one', () => {
    const { rerender } = render(
      <Choices question="Right?" options={OPTIONS} chosen={['yes']} onChoose={jest.fn()} all />,
    );
    expect(screen.getByTestId('unanswered')).toBeTruthy();
    rerender(
      <Choices
        question="Right?"
        options={OPTIONS}
        chosen={['no', 'yes']}
        onChoose={jest.fn()}
        all
      />,
    );
    expect(screen.queryByTestId('unanswered')).toBeNull();
  });
});

test('what most jobs do not need is one tap away and says whether it is open', () => {
  render(
    <More title="Strips" about="Copper and pH">
      <Words>inside</Words>
    </More>,
  );
  const head = screen.getByRole('button', { name: 'Strips' });
  expect(head.getAttribute('aria-expanded')).toBe('false');
  expect(screen.queryByText('inside')).toBeNull();
  fireEvent.click(head);
  expect(head.getAttribute('aria-expanded')).toBe('true');
  expect(screen.getByText('inside')).toBeTruthy();
});

describe('the one next action', () => {
  test('acts when it may', () => {
    const onPress = jest.fn();
    render(<ActionBar label="Make the plan" onPress={onPress} />);
    fireEvent.click(screen.getByTestId('next-action'));
    expect(onPress).toHaveBeenCalledTimes(1);
  });

  test.each([{ waitsFor: 'Read the cap first' }, { busy: true }])(
    'does not act while %j, and says why',
    (state) => {
      const onPress = jest.fn();
      render(<ActionBar label="Make the plan" onPress={onPress} {...state} />);
      const action = screen.getByTestId('next-action');
      fireEvent.click(action);
      expect(onPress).not.toHaveBeenCalled();
      expect(action.textContent).toContain(
        'waitsFor' in state ? 'Read the cap first' : 'One moment',
      );
    },
  );

  test('undo stands beside it, and is shut when there is nothing to undo', () => {
    const undo = jest.fn();
    const { rerender } = render(
      <PromptBar prompt="Tap the bubbles above" side={{ label: 'Undo', onPress: undo }} />,
    );
    fireEvent.click(screen.getByRole('button', { name: 'Undo' }));
    rerender(
      <PromptBar
        prompt="Tap the bubbles above"
        side={{ label: 'Undo', onPress: undo, disabled: true }}
      />,
    );
    fireEvent.click(screen.getByRole('button', { name: 'Undo' }));
    expect(undo).toHaveBeenCalledTimes(1);
    expect(screen.queryByTestId('next-action')).toBeNull();
  });
});

describe('whether a vehicle may move', () => {
  test('is said in words, and nothing is said when it is free', () => {
    const { container, rerender } = render(<DriveMark state="free" />);
    expect(container.textContent).toBe('');
    rerender(<DriveMark state="do not drive" />);
    expect(container.textContent).toContain('Do not drive');
    rerender(<DriveMark state="test drive only" />);
    expect(container.textContent).toContain('Test drive only');
  });

  test('is spoken with the name', () => {
    expect(spokenVehicle({ name: 'Post van', tag: 'PV 1', drive: 'do not drive' })).toBe(
      'Post van, PV 1, do not drive',
    );
    expect(spokenVehicle({ name: 'Post van', tag: 'PV 1', drive: 'free' })).toBe('Post van, PV 1');
  });
});

test('a field is found by its label, gives what is typed, and says what is wrong', () => {
  const onChange = jest.fn();
  render(
    <Field
      label="Water"
      value="12"
      onChange={onChange}
      unit="%"
      fault="Water is 12 %; a reading is between 0 and 10 %."
    />,
  );
  const input = screen.getByLabelText('Water');
  fireEvent.change(input, { target: { value: '3' } });
  expect(onChange).toHaveBeenCalledWith('3');
  expect(screen.getByText(/between 0 and 10 %/)).toBeTruthy();
});

describe('keys among answers', () => {
  const THREE = ['one', 'two', 'three'].map((value) => ({ value, label: value }));
  const press = (name: string, key: string, role: 'radio' | 'checkbox' = 'radio', more = {}) => {
    const at = screen.getByRole(role, { name });
    act(() => at.focus());
    return fireEvent.keyDown(at, { key, ...more });
  };

  test('one stop for the keyboard: at the answer that is chosen, else at the first', () => {
    const tabs = () => screen.getAllByRole('radio').map((r) => r.getAttribute('tabindex'));
    const { rerender } = render(
      <Choice question="Q" options={THREE} chosen={null} onChoose={jest.fn()} />,
    );
    expect(tabs()).toEqual(['0', '-1', '-1']);
    rerender(<Choice question="Q" options={THREE} chosen="two" onChoose={jest.fn()} />);
    expect(tabs()).toEqual(['-1', '0', '-1']);
  });

  test('arrows go round and choose, Space chooses, and the key goes no further', () => {
    const onChoose = jest.fn();
    const outside = jest.fn();
    window.addEventListener('keydown', outside);
    render(<Choice question="Q" options={THREE} chosen="one" onChoose={onChoose} />);
    expect(press('one', 'ArrowRight')).toBe(false);
    expect(document.activeElement).toBe(screen.getByRole('radio', { name: 'two' }));
    press('three', 'ArrowDown');
    press('one', 'ArrowLeft');
    press('two', ' ');
    press('two', ' ', 'radio', { repeat: true });
    expect(onChoose.mock.calls.map(([v]) => v)).toEqual(['two', 'one', 'three', 'two']);
    expect(outside).not.toHaveBeenCalled();
    press('two', 'Tab');
    expect(outside).toHaveBeenCalledTimes(1);
    window.removeEventListener('keydown', outside);
  });

  test('where choosing does something at once an arrow only goes there', () => {
    const onChoose = jest.fn();
    render(<Choice question="Q" options={THREE} chosen={null} onChoose={onChoose} settled />);
    press('one', 'ArrowDown');
    expect(onChoose).not.toHaveBeenCalled();
    press('two', ' ');
    expect(onChoose).toHaveBeenCalledWith('two');
  });

  test('of several answers Space puts one on and off, and arrows go among them', () => {
    const onChoose = jest.fn();
    render(<Choices question="Q" options={THREE} chosen={['one']} onChoose={onChoose} />);
    press('one', ' ', 'checkbox');
    press('three', ' ', 'checkbox');
    press('one', 'ArrowUp', 'checkbox');
    expect(onChoose.mock.calls.map(([v]) => v)).toEqual([[], ['one', 'three']]);
    expect(document.activeElement).toBe(screen.getByRole('checkbox', { name: 'three' }));
  });

  test('nothing is chosen while it is shut', () => {
    const onChoose = jest.fn();
    render(<Choice question="Q" options={THREE} chosen={null} onChoose={onChoose} disabled />);
    fireEvent.keyDown(screen.getByRole('radio', { name: 'one' }), { key: ' ' });
    expect(onChoose).not.toHaveBeenCalled();
  });
});
