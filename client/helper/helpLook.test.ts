import type { HelperScreen } from '@brook/contract';
import { helpLook, type HelpFacts } from './helpLook';

const call = (more: object = {}): HelperScreen => ({
  inStep: true,
  view: {
    kind: 'call',
    openingId: 's',
    bleeder: 'left rear',
    strokes: 3,
    strokesLeft: 9,
    word: 'Push',
    say: 'Brake pedal: push it down and hold it',
    signal: 'at the end',
    first: null,
    firstS: 0,
    ...more,
  },
});
const look = (said: HelperScreen | null, more: Partial<HelpFacts> = {}) =>
  helpLook({ said, inTouch: true, full: false, ended: false, upAgain: true, ...more });
const byVoice = (openAt: string | null): HelperScreen => ({
  inStep: true,
  view: { kind: 'by voice', word: 'By voice', say: 'The wrench hand counts', openAt },
});

test('one word, one sentence, one tap: about which bleeder, and how many to go', () => {
  expect(look(call())).toMatchObject({
    about: 'Left rear · 9 to go',
    word: 'Push',
    tap: { label: 'At the end, held there', signal: 'at the end', openingId: 's' },
    loud: false,
  });
  expect(look(call({ word: 'Hold', signal: 'shut' })).tap?.label).toBe('“Shut” was called');
  expect(look(call({ strokesLeft: null })).about).toBe('Left rear');
});

test('between "shut" and the next push nothing can be tapped but what takes back', () => {
  const first = { word: 'Let go', say: 'Brake pedal: let it come up' };
  const up = look(call({ first }), { upAgain: false });
  expect(up).toMatchObject({ word: 'Let go', tap: null });
  expect(up.aside.map((t) => t.signal)).toEqual(['take it back']);
  expect(look(call({ first })).word).toBe('Push');
});

test('a slip is said by one tap, and before the first stroke there is nothing to take back', () => {
  expect(look(call()).aside.map((t) => t.signal)).toEqual(['let go too soon', 'take it back']);
  expect(look(call({ strokes: 0 })).aside.map((t) => t.signal)).toEqual(['let go too soon']);
  const stopped = look(call({ word: 'Stop', signal: 'shut' }));
  expect(stopped).toMatchObject({ aside: [], loud: true, tap: { signal: 'shut' } });
});

test.each([
  ['without reception', { inTouch: false }, call(), /no reception/],
  ['beside too many pages', { inTouch: false, full: true }, call(), /Too many pages/],
  ['without the technician’s phone', {}, { ...call(), inStep: false }, /does not answer/],
] as const)('%s it says that it is out of step, and takes no tap', (_, more, said, why) => {
  const lost = look(said, more);
  expect(lost).toMatchObject({ word: 'Stop', tap: null, aside: [], loud: true });
  expect(lost.say).toMatch(why);
  expect(lost.say).toContain('until “shut” is called aloud');
});

test('who counts by voice is left to it; this phone takes the count again by one tap, but not while it is open', () => {
  expect(look(byVoice(null)).aside).toEqual([
    { label: 'Count on this phone again', signal: 'count here', openingId: null },
  ]);
  const open = look(byVoice('s'));
  expect(open.aside).toEqual([]);
  expect(open.tap).toMatchObject({ signal: 'shut', openingId: 's' });
});

test('over is over, whether or not anything is in step; ended says how to come back', () => {
  const over: HelperScreen = { view: { kind: 'over' }, inStep: false };
  expect(look(over, { inTouch: false })).toMatchObject({ word: 'Over', tap: null, loud: false });
  expect(look(call(), { ended: true }).say).toContain('join again with a new code');
  expect(look(null)).toMatchObject({ word: 'Wait', tap: null });
});

test('before the first word it waits, and says where too many pages are the reason', () => {
  expect(look(null).say).toMatch(/Looking for the run/);
  expect(look(null, { inTouch: false, full: true }).say).toMatch(/^Too many pages.*tries again/);
});
