import { act, fireEvent, render, screen, waitFor } from '@testing-library/react';
import { LeaveQuestion } from './LeaveQuestion';
import { leavePage, useUnsaved } from './unsaved';

function Form({ dirty }: { readonly dirty: boolean }) {
  useUnsaved(dirty);
  return (
    <a href="/elsewhere" onClick={(e) => e.preventDefault()}>
      elsewhere
    </a>
  );
}
const page = (dirty: boolean) => (
  <>
    <Form dirty={dirty} />
    <LeaveQuestion />
  </>
);
const asked = () => screen.queryByText('Leave without saving?');

beforeEach(() => {
  window.history.pushState({ id: 'before' }, '', '/before');
  window.history.pushState({ id: 'form' }, '', '/form');
});

test('with nothing unsaved every way out is open', async () => {
  render(page(false));
  const go = jest.fn();
  leavePage(go);
  expect(go).toHaveBeenCalledTimes(1);
  fireEvent.click(screen.getByText('elsewhere'));
  window.history.back();
  await waitFor(() => expect(window.location.pathname).toBe('/before'));
  expect(asked()).toBeNull();
  expect(fireEvent(window, new Event('beforeunload', { cancelable: true }))).toBe(true);
});

test('a way out goes once the changes may be dropped, and not before', () => {
  render(page(true));
  const go = jest.fn();
  act(() => leavePage(go));
  fireEvent.click(screen.getByText('Stay here'));
  expect(asked()).toBeNull();
  expect(go).not.toHaveBeenCalled();
  act(() => leavePage(go));
  fireEvent.click(screen.getByText('Drop it and leave'));
  expect(go).toHaveBeenCalledTimes(1);
  expect(asked()).toBeNull();
});

test('saved, or taken off the page, a form asks no more', () => {
  const { rerender, unmount } = render(page(true));
  rerender(page(false));
  act(() => leavePage(() => undefined));
  expect(asked()).toBeNull();
  rerender(page(true));
  unmount();
  const go = jest.fn();
  leavePage(go);
  expect(go).toHaveBeenCalledTimes(1);
});

test('a link is held until it is asked about, and followed then', () => {
  render(page(true));
  const followed = jest.fn((e: Event) => e.preventDefault());
  screen.getByText('elsewhere').addEventListener('click', followed);
  fireEvent.click(screen.getByText('elsewhere'));
  expect(followed).not.toHaveBeenCalled();
  fireEvent.click(screen.getByText('Drop it and leave'));
  expect(followed).toHaveBeenCalledTimes(1);
});

test('the browser’s back is held: the address is the page’s again and the router hears nothing; dropped, it is gone back', async () => {
  render(page(true));
  const router = jest.fn();
  window.addEventListener('popstate', router);
  window.history.back();
  await waitFor(() => expect(asked()).toBeTruthy());
  expect(router).not.toHaveBeenCalled();
  expect(window.location.pathname).toBe('/form');
  expect(window.history.state).toEqual({ id: 'form' });
  fireEvent.click(screen.getByText('Drop it and leave'));
  await waitFor(() => expect(router).toHaveBeenCalledTimes(1));
  expect(window.location.pathname).toBe('/before');
  window.removeEventListener('popstate', router);
});

test('a step between the page and what is open on it leaves nothing', async () => {
  render(page(true));
  window.history.pushState({ id: 'form' }, '', '/form#why=Strokes');
  window.history.back();
  await waitFor(() => expect(window.location.hash).toBe(''));
  expect(asked()).toBeNull();
});

test('closing the window is asked about by the browser', () => {
  render(page(true));
  expect(fireEvent(window, new Event('beforeunload', { cancelable: true }))).toBe(false);
});
