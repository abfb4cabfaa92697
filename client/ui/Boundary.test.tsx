import { fireEvent, render, screen } from '@testing-library/react';
import { router } from 'expo-router';
import { Boundary } from './Boundary';
import { loadPage } from './loadPage';

jest.mock('expo-router', () => ({ router: { replace: jest.fn() } }));
jest.mock('./loadPage', () => ({ loadPage: jest.fn() }));
const loaded = jest.mocked(loadPage);

let broken: Error | null = null;
function Screen() {
  if (broken) throw broken;
  return <>all is well</>;
}
beforeEach(() => {
  jest.spyOn(console, 'error').mockImplementation(() => undefined);
  broken = null;
});
afterEach(() => {
  jest.restoreAllMocks();
  jest.clearAllMocks();
  window.history.replaceState(null, '', '/');
});

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

const MISSING = new Error('Loading module http://x/_expo/index.js failed.');

test('a part that nobody here can fetch is loaded at the address at which it was missed', () => {
  window.history.replaceState(null, '', '/jobs/1?step=2');
  broken = MISSING;
  const { rerender } = render(
    <Boundary page="/jobs/1">
      <Screen />
    </Boundary>,
  );
  // The router, left without its page, names another: that asks for nothing.
  window.history.replaceState(null, '', '/');
  rerender(
    <Boundary page="/">
      <Screen />
    </Boundary>,
  );
  fireEvent.click(screen.getByRole('button', { name: 'Try again' }));
  fireEvent.click(screen.getByRole('button', { name: 'Load the page anew' }));
  fireEvent.click(screen.getByRole('button', { name: 'To the jobs' }));
  const there = `${window.location.origin}/jobs/1?step=2`;
  expect(loaded.mock.calls).toEqual([[there], [there], ['/']]);
  expect(router.replace).not.toHaveBeenCalled();
});

test('the browser’s back out of a missing part loads where it leads; from a page that is there it loads nothing', () => {
  const { rerender } = render(
    <Boundary page="/jobs/1">
      <Screen />
    </Boundary>,
  );
  fireEvent.popState(window);
  expect(loaded).not.toHaveBeenCalled();
  broken = MISSING;
  rerender(
    <Boundary page="/jobs/1">
      <Screen />
    </Boundary>,
  );
  window.history.replaceState(null, '', '/vehicles');
  fireEvent.popState(window);
  expect(loaded.mock.calls).toEqual([[`${window.location.origin}/vehicles`]]);
});

test('a part that is fetched here is not loaded by the browser', () => {
  broken = MISSING;
  const onAgain = jest.fn(() => {
    broken = null;
  });
  render(
    <Boundary page="/jobs/1" onAgain={onAgain}>
      <Screen />
    </Boundary>,
  );
  fireEvent.popState(window);
  fireEvent.click(screen.getByRole('button', { name: 'To the jobs' }));
  expect(router.replace).toHaveBeenCalledWith('/');
  fireEvent.click(screen.getByRole('button', { name: 'Try again' }));
  expect(screen.getByText('all is well')).toBeTruthy();
  expect(loaded).not.toHaveBeenCalled();
});
