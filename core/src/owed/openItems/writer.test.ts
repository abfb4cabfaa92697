import { jobOf, placed, planned, loggedEvent } from '../../testing';
import { CAR, FERRY_VAN, flush, run } from '../../testing/yard';
import { firstOpened, placeOf, Writer } from './writer';

const ABOUT = { jobId: 'job-7', jobNumber: 7, openedAtMs: 0, layout: CAR };
const [NOTE, LAST] = placed([
  loggedEvent({ id: 'n', kind: 'note', text: 'x' }),
  loggedEvent({ id: 'm', kind: 'note', text: 'y' }),
]);
const by = { person: 'Una', atMs: 5 };
/** Where one thing stands that was said by that, in a log of two. */
const order = (said: object, log = [NOTE!, LAST!]) => {
  const out = new Writer(ABOUT, CAR, log);
  out.add('leak', 'holds', 'left-rear', 'x', { ...by, ...said });
  return out.openItems[0]!.order?.position;
};

test('it stands where it was said; what nobody can find, where its job stands now', () => {
  expect(order({ order: { position: 40, receivedMs: 0 }, eventId: 'n' })).toBe(40);
  expect(order({ eventId: 'n' })).toBe(1);
  expect(order({ eventId: 'nothing' })).toBe(2);
  expect(order({})).toBe(2);
  expect(order({}, [])).toBeUndefined();
});

test('one thing at one place is said once, by whoever said it first', () => {
  const out = new Writer(ABOUT, CAR, []);
  out.add('leak', 'holds', 'left-rear', 'first', by);
  out.add('leak', 'owed', 'left-rear', 'second', { ...by, person: 'Bo' });
  out.add('leak', 'holds', 'right-rear', 'third', by);
  out.add('marked', 'holds', null, 'fourth', by);
  expect(out.openItems.map((m) => [m.id, m.because, m.place, m.by])).toEqual([
    ['job-7 leak left-rear', 'first', 'left rear', 'Una'],
    ['job-7 leak right-rear', 'third', 'right rear', 'Una'],
    ['job-7 marked vehicle', 'fourth', null, 'Una'],
  ]);
});

test('a place has the name that one calls it by', () => {
  expect(placeOf(CAR, 'left-rear')).toBe('left rear');
  expect(placeOf(FERRY_VAN, 'clutch-master')).toBe('clutch pedal');
  expect(placeOf(FERRY_VAN, 'slave')).toBe(FERRY_VAN.nodes.find((n) => n.id === 'slave')!.name);
});

test('who opened a vehicle is who did the first thing to it, else who said what is to be done', () => {
  const plan = planned(CAR, { work: flush(CAR) });
  const work = loggedEvent({ kind: 'work said', work: flush(CAR), person: 'Ode', atMs: 3 });
  const accepted = jobOf(plan, []);
  expect(firstOpened(accepted)).toMatchObject({ kind: 'plan accepted' });
  expect(firstOpened({ ...accepted, said: work as never })).toMatchObject({ person: 'Ode' });
  const opened = jobOf(
    plan,
    run(plan).map((e) => ({ ...e, person: 'Bo' })),
  );
  const at = opened.run!.openedAtMs!;
  expect(firstOpened({ ...opened, said: work as never })).toMatchObject({ person: 'Bo', atMs: at });
});
