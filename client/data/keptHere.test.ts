import { keptForOthers, keptWords } from './keptHere';
import type { WaitingEvent } from './outbox';

const una = { id: 'una', name: 'Una' };
const brek = { id: 'brek', name: 'Brek' };
const tap = (by: WaitingEvent['by']) => ({ event: {}, by }) as unknown as WaitingEvent;
const file = (by: typeof una, medium: 'photo' | 'voice') => ({ by, medium });

test('each person’s taps and files are theirs', () => {
  const waiting = [tap(una), tap(brek), tap(una)];
  const media = [file(una, 'photo'), file(una, 'voice'), file(una, 'photo')];
  expect(keptForOthers(waiting, media, '')).toEqual([
    { id: 'una', person: 'Una', taps: 2, media: ['photo', 'voice', 'photo'] },
    { id: 'brek', person: 'Brek', taps: 1, media: [] },
  ]);
  expect(keptForOthers(waiting, media, 'una')).toEqual([
    { id: 'brek', person: 'Brek', taps: 1, media: [] },
  ]);
});

test('two who go by one name are two', () => {
  const other = { id: 'una 2', name: 'Una' };
  expect(keptForOthers([tap(una), tap(other), tap(other)], [], '').map((k) => k.taps)).toEqual([
    1, 2,
  ]);
});

test('whoever left only a photo here is named as well', () => {
  expect(keptForOthers([], [file(brek, 'photo')], 'una')).toEqual([
    { id: 'brek', person: 'Brek', taps: 0, media: ['photo'] },
  ]);
  expect(keptForOthers([], [file(brek, 'photo')], 'brek')).toEqual([]);
});

test.each([
  [0, [], null],
  [1, [], '1 tap'],
  [0, ['voice'], '1 voice note'],
  [3, ['photo', 'voice', 'photo'], '3 taps, 2 photos, 1 voice note'],
] as const)('%d taps and %j: %s', (taps, media, words) => {
  expect(keptWords({ taps, media })).toBe(words);
});
