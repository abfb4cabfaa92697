import { act, fireEvent, render, screen } from '@testing-library/react';
import { ARMED_AFTER_MS, DeliberateButton } from './DeliberateButton';

beforeEach(() => jest.useFakeTimers());
afterEach(() => jest.useRealTimers());

test('taps that go on from before confirm nothing; one after a second does', () => {
  const onPress = jest.fn();
  render(<DeliberateButton label="Topped up to MAX" onPress={onPress} />);
  const button = screen.getByRole('button', { name: 'Topped up to MAX' });
  for (let tap = 0; tap < 20; tap++) {
    fireEvent.click(button);
    act(() => jest.advanceTimersByTime((ARMED_AFTER_MS - 1) / 20));
  }
  expect(button.getAttribute('aria-disabled')).toBe('true');
  expect(onPress).not.toHaveBeenCalled();
  act(() => jest.advanceTimersByTime(1));
  expect(button.getAttribute('aria-disabled')).toBeNull();
  fireEvent.click(button);
  expect(onPress).toHaveBeenCalledTimes(1);
});
