import { fireEvent, render, screen } from '@testing-library/react';
import { Boundary } from './Boundary';

jest.mock('expo-router', () => ({ router: { replace: jest.fn() } }));

let broken: Error | null = null;
function Screen() {
  if (broken) throw broken;
  return <>all is well</>;
}
beforeEach(() => {
  jest.spyOn(console, 'error').mockImplementation(() => undefined);
  broken = null;
});
afterEach(() => jest.restoreAllMocks());

test('a screen that cannot be drawn says what happened and the ways on; tried again it is there', () => {
  broken = new Error('levels of undefined');
  const onAgain = jest.fn(() => {
    broken = null;
  });
  render(
    <Boundary page="/jobs/1" onAgain={onAgain}>
      <Screen />
    </Boundary>,
  );
  expect(screen.getByText('This page cannot be shown')).toBeTruthy();
  expect(screen.getByText('levels of undefined')).toBeTruthy();
  expect(screen.getByRole('button', { name: 'To the jobs' })).toBeTruthy();
  fireEvent.click(screen.getByRole('button', { name: 'Try again' }));
  expect(onAgain).toHaveBeenCalledTimes(1);
  expect(screen.getByText('all is well')).toBeTruthy();
});

test('a part of the program that did not come is told apart from a fault', () => {
  broken = new Error('Loading module http://x/_expo/index.js failed.');
  render(
    <Boundary page="/jobs/1">
      <Screen />
    </Boundary>,
  );
  expect(screen.getByText('A part of the app could not be fetched')).toBeTruthy();
});

test('another page is drawn afresh', () => {
  broken = new Error('x');
  const { rerender } = render(
    <Boundary page="/jobs/1">
      <Screen />
    </Boundary>,
  );
  broken = null;
  rerender(
    <Boundary page="/jobs/2">
      <Screen />
    </Boundary>,
  );
  expect(screen.getByText('all is well')).toBeTruthy();
});
