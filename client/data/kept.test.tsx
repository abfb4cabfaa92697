import { act, renderHook } from '@testing-library/react';
import { useKept } from './kept';

beforeEach(() => sessionStorage.clear());
const kept = (key = 'fluid-1') => renderHook(() => useKept(key, 1, () => ({ water: '' })));

test('a half-filled entry is there again when its page comes back, each under its own key', () => {
  const first = kept();
  act(() => first.result.current[1]((v) => ({ ...v, water: '2.6' })));
  first.unmount();
  expect(kept().result.current[0]).toEqual({ water: '2.6' });
  expect(kept('fluid-2').result.current[0]).toEqual({ water: '' });
});

test('once it was sent it is forgotten', () => {
  const first = kept();
  act(() => first.result.current[1](() => ({ water: '3' })));
  act(() => first.result.current[2]());
  expect(kept().result.current[0]).toEqual({ water: '' });
});

test('what cannot be read back counts as nothing kept, and a full store loses nothing on the page', () => {
  sessionStorage.setItem('kept-fluid-1', '{half');
  const { result } = kept();
  expect(result.current[0]).toEqual({ water: '' });
  const full = jest.spyOn(Storage.prototype, 'setItem').mockImplementation(() => {
    throw new Error('full');
  });
  act(() => result.current[1](() => ({ water: '1' })));
  expect(result.current[0]).toEqual({ water: '1' });
  full.mockRestore();
});

test('an entry that was kept in another shape is set aside, not read and not lost', () => {
  const old = JSON.stringify({ shape: 0, value: { wasser: '3' } });
  sessionStorage.setItem('kept-fluid-1', old);
  expect(kept().result.current[0]).toEqual({ water: '' });
  expect(sessionStorage.getItem('kept-fluid-1-aside')).toBe(old);
});

test('nothing kept leaves nothing behind; a kept one without content is set aside', () => {
  kept();
  expect(sessionStorage).toHaveLength(0);
  sessionStorage.setItem('kept-fluid-1', '{"shape":1}');
  expect(kept().result.current[0]).toEqual({ water: '' });
  expect(sessionStorage.getItem('kept-fluid-1-aside')).toBe('{"shape":1}');
});

test('what is changed and forgotten is what is looked at now', () => {
  const { result, rerender } = renderHook(
    ({ key, shape }) => useKept(key, shape, () => ({ water: '' })),
    { initialProps: { key: 'fluid-1', shape: 1 } },
  );
  rerender({ key: 'fluid-2', shape: 2 });
  act(() => result.current[1](() => ({ water: '3' })));
  expect(Object.keys(sessionStorage)).toEqual(['kept-fluid-2']);
  expect(sessionStorage.getItem('kept-fluid-2')).toBe('{"shape":2,"value":{"water":"3"}}');
  act(() => result.current[2]());
  expect(sessionStorage).toHaveLength(0);
});
