import { act, renderHook } from '@testing-library/react';
import { useAwake } from './useAwake';

interface Lock {
  released: boolean;
  release: jest.Mock;
}
let locks: Lock[];
const request = jest.fn(async () => {
  const lock: Lock = {
    released: false,
    release: jest.fn(async () => {
      lock.released = true;
    }),
  };
  locks.push(lock);
  return lock;
});
const shown = (hidden: boolean) => {
  jest.spyOn(document, 'hidden', 'get').mockReturnValue(hidden);
  document.dispatchEvent(new Event('visibilitychange'));
};

beforeEach(() => {
  locks = [];
  request.mockClear();
  Object.defineProperty(navigator, 'wakeLock', { value: { request }, configurable: true });
});
afterEach(() => {
  jest.restoreAllMocks();
  Reflect.deleteProperty(navigator, 'wakeLock');
});

test('the screen stays lit while the run is there, and no longer', async () => {
  const { unmount } = renderHook(useAwake);
  await act(async () => undefined);
  expect(locks).toHaveLength(1);
  unmount();
  expect(locks[0]!.released).toBe(true);
});

test('put away the browser lets it go; taken in hand again it is asked for anew, once', async () => {
  renderHook(useAwake);
  await act(async () => undefined);
  locks[0]!.released = true;
  await act(async () => shown(true));
  expect(locks).toHaveLength(1);
  await act(async () => shown(false));
  expect(locks).toHaveLength(2);
  await act(async () => shown(false));
  expect(locks).toHaveLength(2);
});

test('what is given only after the run was left is given back', async () => {
  renderHook(useAwake).unmount();
  await act(async () => undefined);
  expect(locks[0]!.released).toBe(true);
});

test('a phone that cannot goes on without, one that will not as well', async () => {
  request.mockRejectedValueOnce(new Error('low battery'));
  renderHook(useAwake);
  await act(async () => undefined);
  expect(locks).toEqual([]);
  Reflect.deleteProperty(navigator, 'wakeLock');
  expect(() => renderHook(useAwake)).not.toThrow();
});
