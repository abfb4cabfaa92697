import { seed } from '@brook/contract';
import { DEMO, DEMO_SIGN_IN } from '.';

test('the demo keeps to its contract', () => {
  expect(() => seed.parse(DEMO)).not.toThrow();
});

test('the sign-in that is printed at the start is there', () => {
  const users = DEMO.workshops.flatMap((w) => w.users);
  expect(users.find((u) => u.login === DEMO_SIGN_IN.login)!.password).toBe(DEMO_SIGN_IN.password);
  expect(new Set(users.map((u) => u.login)).size).toBe(users.length);
});

test('both roles and a second workshop are there to be tried', () => {
  expect(DEMO.workshops).toHaveLength(2);
  expect(new Set(DEMO.workshops.flatMap((w) => w.users).map((u) => u.role))).toEqual(new Set(['technician', 'lead']));
});

test('every stage of the way stands somewhere in the workshop', () => {
  const stages = new Set(DEMO.workshops.flatMap((w) => w.jobs).map((j) => j.reach));
  expect(stages).toEqual(new Set(['fluid', 'plan', 'run', 'proof', 'test drive', 'released', 'ended']));
});

test('jobs name vehicles and people of their own workshop', () => {
  for (const w of DEMO.workshops) {
    for (const job of w.jobs) {
      expect(w.vehicles.map((v) => v.tag)).toContain(job.vehicleTag);
      expect(w.users.map((u) => u.login)).toContain(job.by);
    }
  }
});
