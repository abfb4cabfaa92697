import { linkWords, type LinkFacts } from './linkWords';

const AT = Date.UTC(2026, 2, 10, 9, 0, 0);
const phone = (seenAgoMs: number, holds: number | null = null) => ({
  deviceId: 'x',
  person: 'Brek',
  seenAtMs: AT - seenAgoMs,
  holds,
});
const say = (more: Partial<LinkFacts>) =>
  linkWords({
    open: true,
    waiting: 0,
    media: [],
    waitsFor: [],
    inTouch: true,
    full: false,
    outSinceMs: null,
    others: [],
    nowMs: AT,
    ...more,
  })!;

test('where everything is with the workshop, that is said calmly', () => {
  expect(say({})).toEqual({ words: 'All with the workshop', calm: true });
});

test('what waits here is counted, and said with since when there is no connection', () => {
  expect(say({ waiting: 1 })).toEqual({ words: '1 tap kept on this phone', calm: false });
  expect(say({ waiting: 5, outSinceMs: AT, inTouch: false }).words).toBe(
    '5 taps kept on this phone · no connection since 09:00',
  );
});

test('photos and voice notes are counted beside the taps, and alone', () => {
  expect(say({ waiting: 2, media: ['photo', 'voice', 'photo'] }).words).toBe(
    '2 taps, 2 photos, 1 voice note kept on this phone',
  );
  expect(say({ media: ['voice'] })).toEqual({
    words: '1 voice note kept on this phone',
    calm: false,
  });
});

test('what waits for somebody who is not signed in is said by name', () => {
  const una = { id: 'una', person: 'Una' };
  expect(say({ waiting: 3, waitsFor: [{ ...una, taps: 2, media: [] }] }).words).toBe(
    '3 taps kept on this phone · 2 taps for Una to sign in',
  );
  const photo = { ...una, taps: 0, media: ['photo'] as const };
  expect(say({ media: ['photo', 'voice'], waitsFor: [photo] }).words).toBe(
    '1 photo, 1 voice note kept on this phone · 1 photo for Una to sign in',
  );
});

test('a line that is lost while the server answers says what may be missing', () => {
  expect(say({ inTouch: false })).toEqual({
    words: 'All with the workshop · others’ taps not seen just now',
    calm: false,
  });
});

test('another phone: in touch, silent for more than a quarter of a minute, put away with and without taps', () => {
  expect(say({ others: [phone(15_000)] }).calm).toBe(true);
  expect(say({ others: [phone(15_001)] })).toEqual({
    words: 'All with the workshop · Brek’s phone may hold more, last heard of 08:59',
    calm: false,
  });
  expect(say({ others: [phone(3_600_000, 0)] }).calm).toBe(true);
  expect(say({ others: [phone(3_600_000, 1)] }).words).toBe(
    'All with the workshop · Brek’s phone holds 1 tap',
  );
});

test('a line that was not opened because there are too many says what would open it', () => {
  expect(say({ inTouch: false }).words).toMatch(/others’ taps not seen just now/);
  expect(say({ inTouch: false, full: true }).words).toMatch(/too many pages.*close some/);
});

test('of a closed job it says only what is amiss', () => {
  const closed = { open: false, inTouch: false, others: [phone(0, 2)] };
  expect(say(closed)).toBeNull();
  expect(say({ ...closed, waiting: 1 }).words).toContain('1 tap kept on this phone');
  expect(say({ ...closed, media: ['photo'] }).words).toContain('1 photo kept on this phone');
  expect(say({ ...closed, full: true }).words).toContain('too many pages');
});
