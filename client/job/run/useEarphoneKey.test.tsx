import { act, renderHook } from '@testing-library/react';
import { silence, useEarphoneKey } from './useEarphoneKey';

const handlers = new Map<string, (() => void) | null>();
const play = jest.fn(() => Promise.resolve());
const pause = jest.fn();

beforeEach(() => {
  handlers.clear();
  play.mockClear();
  pause.mockClear();
  Object.defineProperty(navigator, 'mediaSession', {
    configurable: true,
    value: {
      playbackState: 'none',
      setActionHandler: (key: string, heard: (() => void) | null) => handlers.set(key, heard),
    },
  });
  Object.assign(URL, { createObjectURL: () => 'blob:silence', revokeObjectURL: () => undefined });
  Object.assign(window, {
    Audio: class {
      loop = false;
      play = play;
      pause = pause;
    },
  });
});
afterEach(() => Reflect.deleteProperty(navigator, 'mediaSession'));

test('off until somebody asks for it; then each press of the key counts, whichever the browser thinks it is', () => {
  const onPress = jest.fn();
  const { result, unmount } = renderHook(() => useEarphoneKey(onPress));
  expect(result.current!.on).toBe(false);
  expect(handlers.size).toBe(0);
  act(() => result.current!.toggle());
  expect(play).toHaveBeenCalledTimes(1);
  handlers.get('pause')!();
  handlers.get('play')!();
  expect(onPress).toHaveBeenCalledTimes(2);
  // It goes on being the one that plays.
  expect(play).toHaveBeenCalledTimes(3);
  unmount();
  expect([...handlers.values()]).toEqual([null, null]);
  expect(pause).toHaveBeenCalled();
});

test('where nothing is to be counted a press counts nothing, and the key is kept', () => {
  const onPress = jest.fn();
  const { result, rerender } = renderHook(({ to }) => useEarphoneKey(to), {
    initialProps: { to: onPress as (() => void) | null },
  });
  act(() => result.current!.toggle());
  rerender({ to: null });
  handlers.get('play')!();
  expect(onPress).not.toHaveBeenCalled();
  expect(play).toHaveBeenCalledTimes(2);
});

test('a browser that lets nothing play keeps it off, and one that hears no key offers none', async () => {
  play.mockImplementationOnce(() => Promise.reject(new Error('not allowed')));
  const { result } = renderHook(() => useEarphoneKey(() => undefined));
  await act(async () => result.current!.toggle());
  expect(result.current!.on).toBe(false);
  Reflect.deleteProperty(navigator, 'mediaSession');
  expect(renderHook(() => useEarphoneKey(null)).result.current).toBeNull();
});

test('what is played is a second of silence that a player takes', async () => {
  const blob = silence();
  expect(blob.type).toBe('audio/wav');
  // 44 bytes of head, and as many samples of one byte as its rate says.
  expect(blob.size).toBe(44 + 8_000);
});
