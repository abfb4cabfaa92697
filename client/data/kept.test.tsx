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
