import type { Job } from '@brook/contract';
import { withTold, type LogAnswer } from './takeUp';

const event = (id: string) => ({ id }) as Job['events'][number];
const FREE = { state: 'free', since: null, reason: null } as const;
const HELD = { state: 'do not drive', since: null, reason: 'open' } as const;
const known = {
  events: ['a', 'b', 'c'].map(event),
  version: 3,
  stage: 'run',
  drive: FREE,
  vehicleDrive: 'free',
} as unknown as Job;
const told = (ids: string[], version = 3, drive: LogAnswer['drive'] = FREE): LogAnswer => ({
  events: ids.map(event),
  version,
  drive,
  stage: 'run',
  lastPlace: 0,
});
const ids = (job: Job | null) => job!.events.map((e) => e.id).join('');

test('what comes behind is put behind, and what is told again stands once', () => {
  expect(ids(withTold(known, 3, told(['d'])))).toBe('abcd');
  expect(ids(withTold(known, 1, told(['b', 'c', 'd', 'e'])))).toBe('abcde');
});

test('what tells less than is known changes nothing, not even what is drawn', () => {
  expect(withTold(known, 0, told(['a', 'b']))).toBe(known);
  expect(withTold(known, 3, told([]))).toBe(known);
  expect(ids(withTold(known, 0, told(['a'], 9)))).toBe('abc');
});

test('events between that are missing are said, not bridged', () => {
  expect(withTold(known, 4, told(['e']))).toBeNull();
});

test('the job moves on with what was told, but is not closed before it is known by whom', () => {
  const moved = (stage: LogAnswer['stage']) => withTold(known, 3, { ...told(['d']), stage })!.stage;
  expect(
    ['proof', 'test drive', 'ended', 'released'].map((s) => moved(s as LogAnswer['stage'])),
  ).toEqual(['proof', 'test drive', 'run', 'run']);
});

test('the version never falls, and with it goes whether the vehicle may move', () => {
  const later = withTold(known, 3, told(['d'], 4, HELD))!;
  expect(later).toMatchObject({ version: 4, drive: HELD, vehicleDrive: 'do not drive' });
  const earlier = withTold(later, 4, told(['e'], 3, FREE))!;
  expect([ids(earlier), earlier.version, earlier.vehicleDrive]).toEqual([
    'abcde',
    4,
    'do not drive',
  ]);
});
