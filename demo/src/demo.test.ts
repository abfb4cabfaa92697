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
  expect(new Set(DEMO.workshops.flatMap((w) => w.users).map((u) => u.role))).toEqual(
    new Set(['technician', 'lead']),
  );
});

test('every stage of the way stands somewhere in the workshop', () => {
  const stages = new Set(DEMO.workshops.flatMap((w) => w.jobs).map((j) => j.reach));
  expect(stages).toEqual(
    new Set(['fluid', 'plan', 'run', 'proof', 'test drive', 'released', 'ended']),
  );
});

test('jobs name vehicles and people of their own workshop', () => {
  for (const w of DEMO.workshops) {
    for (const job of w.jobs) {
      expect(w.vehicles.map((v) => v.tag)).toContain(job.vehicleTag);
      expect(w.users.map((u) => u.login)).toContain(job.by);
    }
  }
});

test('the shelf holds what has to be decided on: sealed, opened, too old, just carried, and the bottle with the confusing name', () => {
  const deliveries = DEMO.workshops[0]!.deliveries!;
  expect(
    deliveries.some(
      (d) => d.openedDaysAgo !== undefined && d.openedDaysAgo !== null && d.openedDaysAgo > 30,
    ),
  ).toBe(true);
  expect(deliveries.some((d) => d.openedDaysAgo === null)).toBe(true);
  expect(deliveries.some((d) => d.justCarried && d.daysAgo < 0.5)).toBe(true);
  expect(deliveries.map((d) => d.grade)).toEqual(
    expect.arrayContaining(['DOT 3', 'DOT 4', 'DOT 5', 'DOT 5.1']),
  );
  expect(deliveries.map((d) => d.batch)).toContain('K-117');
});

test('some vehicle was measured often enough for a chart', () => {
  const jobs = DEMO.workshops[0]!.jobs;
  const measured = (tag: string) =>
    jobs.filter((j) => j.vehicleTag === tag && j.fluid?.samples.some((s) => s.water ?? s.boiling))
      .length;
  expect(measured('SM 1')).toBeGreaterThanOrEqual(5);
});

test('a lead finds one of each on a Friday: a part that was used again, a joint above its value, paper that was let go', () => {
  const jobs = DEMO.workshops[0]!.jobs;
  expect(jobs.flatMap((j) => (j.lookAgain ?? []).map((e) => e.kind)).sort()).toEqual([
    'joint tightened',
    'look later',
  ]);
  expect(jobs.filter((j) => j.letGo)).not.toEqual([]);
});
