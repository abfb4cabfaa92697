import type { Job, Vehicle } from '@brook/contract';
import { groupOpenItems, openItems, type OpenItem } from '@brook/core/owed/openItems';
import { followCalls, nextStep } from '@brook/core/job/run';
import { randomUUID } from 'node:crypto';
import { QueryTypes } from 'sequelize';
import { OpenItemEntry, Vehicle as VehicleRow } from '../../db/models';
import { factsOf } from '../log/vehicleFacts';
import {
  TestServer,
  fluidSeen,
  fullRun,
  goodProof,
  NOW,
  planOfJob,
  seen,
  SOUND_FLUID,
  stateOfJob,
  usedFluid,
  type Caller,
} from '../../testing';

let testServer: TestServer;
let tech: Caller;
beforeEach(async () => {
  testServer = await TestServer.start();
  tech = await testServer.signedIn();
});
const add = (...of: Parameters<Caller['addVehicle']>) => tech.addVehicle(...of);
const vehicleOf = (id: string) => tech.vehicle(id);
const accepted = (...of: Parameters<Caller['accepted']>) => tech.accepted(...of);
const say = (job: Job, ...said: object[]) => tech.say(job, said);
const runOn = (job: Job) => tech.runOn(job);
const halted = (...of: Parameters<Caller['halted']>) => tech.halted(...of);
const end = (job: Job) => tech.end(job);
const release = (job: Job) => tech.release(job);
afterEach(async () => {
  await rowsAreTheFold();
  await testServer.stop();
});

/** Whatever a test did: the rows of every vehicle are what the fold of its jobs and its own log says. */
async function rowsAreTheFold(): Promise<void> {
  for (const vehicle of await VehicleRow.findAll()) {
    const fold = openItems(await factsOf(vehicle));
    expect(await openRows(vehicle.id)).toEqual(
      [...fold].sort((a, b) => (a.id < b.id ? -1 : 1)).map((m) => JSON.parse(JSON.stringify(m))),
    );
  }
}

const openRows = async (vehicleId: string): Promise<OpenItem[]> =>
  (
    await testServer.db.query<{ openItem: OpenItem }>(
      'SELECT open_item AS "openItem" FROM open_items WHERE vehicle_id = :vehicleId ORDER BY open_item_id COLLATE "C"',
      { type: QueryTypes.SELECT, replacements: { vehicleId } },
    )
  ).map((r) => r.openItem);

/** But for what is by feel, which every job here leaves. */
const kinds = async (id: string) =>
  besides(await vehicleOf(id)).map((m) => `${m.kind} ${m.where ?? ''}`.trim());
const besides = ({ openItems }: { readonly openItems: readonly OpenItem[] }) =>
  openItems.filter((m) => m.kind !== 'by feel');
const flush = (...masterIds: string[]) => (masterIds.length > 0 ? { masterIds } : {});
const onePart = (partId: string, masterIds: string[]) => ({
  purpose: 'after work' as const,
  masterIds,
  parts: [{ partId, cappedAtOnce: true, keptFull: true, newPart: false }],
});
const opens = (job: Job) => new Set(planOfJob(job).openings.map((s) => s.bleeder.id));
const GOOD_FLUID = fluidSeen({ water: { percent: 0.5, meterGrade: 'DOT 4' } });

// What was released in trials and must not have been, each through the API. Facts of the trade, common practice, no source.
describe('what a job leaves, the next one takes over', () => {
  test('(a) a bleeder snapped and the job ended; a clutch-only job does not free the van', async () => {
    const van = await add('clutch-concentric');
    await halted(await accepted(van, flush('master')), 'snapped', 'left-rear', 'end job');
    expect(await kinds(van.id)).toContain('snapped left-rear');
    const clutch = await accepted(van, flush('clutch-master'), GOOD_FLUID);
    expect(clutch.before.map((m) => m.kind)).toContain('snapped');
    // With it the wheels whose fluid was due and was left in.
    expect(opens(clutch)).toEqual(new Set(van.layout.bleeders.map((b) => b.id)));
    const bled = await runOn(clutch);
    const shut = await tech
      .send('post', `/jobs/${bled.id}/test-drive`, undefined, bled.version)
      .expect(409);
    const said = shut.body.faults.map((f: { sentence: string }) => f.sentence).join(' ');
    expect(said).toContain('Brake pedal: not judged yet.');
    expect(said).toContain('Clutch pedal: not judged yet.');
    expect((await release(bled)).vehicleDrive).toBe('free');
    expect(await kinds(van.id)).toEqual([]);
  });

  test('(b) a flush ran dry and was ended; a one-caliper job bleeds all that may hold air', async () => {
    const car = await add('hatchback-diagonal');
    await halted(await accepted(car), 'ran dry', 'right-rear', 'end job');
    const next = await accepted(car, onePart('left-rear-caliper', ['master']), GOOD_FLUID);
    expect(opens(next)).toEqual(new Set(car.layout.bleeders.map((b) => b.id)));
    expect(next.vehicleDrive).toBe('do not drive');
  });

  test('(c) “leave this one” at a seized wheel, ended; another wheel does not free it', async () => {
    const car = await add('hatchback-diagonal');
    let job = await accepted(car);
    await tech.say(job, fullRun(job, 3));
    job = await halted(
      await tech.job(job.id),
      'seized',
      planOfJob(job).openings[0]!.bleeder.id,
      'leave shut',
    );
    await end(job);
    const seized = `seized ${planOfJob(job).openings[0]!.bleeder.id}`;
    expect(await kinds(car.id)).toContain(seized);
    const next = await accepted(car, onePart('right-front-caliper', ['master']), GOOD_FLUID);
    expect(opens(next).has(planOfJob(job).openings[0]!.bleeder.id)).toBe(true);
    expect((await release(await runOn(next))).vehicleDrive).toBe('free');
  });

  test('(d) hoses off and compared, ended before anything was drawn: not free', async () => {
    const car = await add('hatchback-diagonal');
    const work = { ...onePart('left-front-hose', ['master']) };
    const part = car.layout.stretches.find((s) => s.kind === 'hose')!.id;
    const job = await accepted(car, {
      ...work,
      parts: [{ ...work.parts[0]!, partId: part, newPart: true }],
    });
    const compared = fullRun(job).find((e) => e.kind === 'part compared')!;
    await tech.say(job, [compared]);
    await end(await tech.job(job.id));
    expect((await vehicleOf(car.id)).drive.state).toBe('do not drive');
    expect(await kinds(car.id)).toContain(`part off ${part}`);
  });

  test('(e) a tool cycle that is owed for air is not left out by a sentence', async () => {
    const car = await add('hatchback-diagonal');
    let job = await accepted(car, { purpose: 'after work', modulatorOpened: true });
    const tool = planOfJob(job).stages.find((s) => s.kind === 'tool cycle')!;
    const base = { deviceId: randomUUID(), nextId: randomUUID, startMs: NOW.getTime() };
    await tech.say(job, followCalls(planOfJob(job), { ...base, until: 'tool cycle' }));
    job = await say(job, { kind: 'stage skipped', stageId: tool.id, reason: 'Tool is away' });
    job = await runOn(job);
    expect(nextStep(stateOfJob(job).run!).kind).toBe('finished');
    await tech.change(job, 'put', 'fluid-used', usedFluid(job));
    await tech.say(job, goodProof(await tech.job(job.id)));
    job = await tech.job(job.id);
    const { body } = await tech
      .send('post', `/jobs/${job.id}/test-drive`, undefined, job.version)
      .expect(409);
    expect(body.faults.map((f: { field: string }) => f.field)).toEqual(['stage owed']);
  });

  test('(f) one corner of brown fluid is no change of all', async () => {
    const car = await add('hatchback-diagonal');
    let job = await accepted(car, onePart('left-rear-caliper', ['master']));
    // Due fluid goes along by default; here somebody left it.
    expect(opens(job).size).toBe(4);
    await end(job);
    job = (await tech.send('post', '/jobs', { vehicleId: car.id, purpose: 'after work' }))
      .body as Job;
    job = await tech.change(job, 'put', 'plan/choices', {
      ...job.planChoices,
      work: { ...job.planChoices.work, ...onePart('left-rear-caliper', ['master']) },
      leaveOldFluid: true,
    });
    job = await tech.change(job, 'put', 'fluid', SOUND_FLUID);
    job = await tech.change(job, 'post', 'plan/accept', { lookedAtOpened: true });
    expect(opens(job)).toEqual(new Set(['left-rear']));
    const released = await release(await runOn(job));
    expect(released.vehicleDrive).toBe('free');
    const left = besides(await vehicleOf(car.id)).map((m) => `${m.kind} ${m.where} ${m.weight}`);
    expect(left.sort()).toEqual(car.layout.bleeders.map((b) => `old fluid ${b.id} owed`).sort());
    const history = (await tech.get(`/vehicles/${car.id}/history`).expect(200)).body;
    expect(history.changes).toEqual([]);
  });

  test('(f) new fluid behind one of two levers is no change of all', async () => {
    const outfit = await add('sidecar-outfit');
    const [lever, pedal] = outfit.layout.masters.map((m) => m.id);
    const changes = async () =>
      (await tech.get(`/vehicles/${outfit.id}/history`).expect(200)).body.changes;
    await release(await runOn(await accepted(outfit, { masterIds: [lever!] })));
    expect(await changes()).toEqual([]);
    await release(await runOn(await accepted(outfit, { masterIds: [lever!, pedal!] })));
    expect(await changes()).toHaveLength(1);
  });

  test.each(['motorcycle-abs', 'sidecar-outfit', 'clutch-concentric'] as const)(
    '(g) every control is proved, of a %s',
    async (templateId) => {
      const vehicle = await add(templateId);
      let job = await runOn(await accepted(vehicle));
      await tech.change(job, 'put', 'fluid-used', usedFluid(job));
      const [first] = vehicle.layout.masters;
      const proof = goodProof(await tech.job(job.id));
      // Only the first control in hand, and everything of the whole vehicle.
      const ofFirst = proof.filter((e) => !('masterId' in e) || e.masterId === first!.id);
      expect(ofFirst.length).toBeLessThan(proof.length);
      await tech.say(job, ofFirst);
      job = await tech.job(job.id);
      const { body } = await tech
        .send('post', `/jobs/${job.id}/test-drive`, undefined, job.version)
        .expect(409);
      const said = body.faults.map((f: { field: string }) => f.field);
      expect(said).toContain('control not judged');
      await tech.say(
        job,
        proof.filter((e) => !ofFirst.includes(e)),
      );
      await tech.change(job, 'post', 'test-drive');
    },
  );

  test('(h) a clutch is not released by a brake’s word, and asks no motorcycle for its reverse gear', async () => {
    const bike = await add('motorcycle-clutch-bare');
    let job = await runOn(await accepted(bike));
    await tech.change(job, 'put', 'fluid-used', usedFluid(job));
    const proof = goodProof(await tech.job(job.id));
    const asked = proof.flatMap((e) => (e.kind === 'checked' ? [e.item] : []));
    expect(asked).toContain('rolls in gear');
    expect(asked.join()).not.toMatch(/reverse|servo gives/);
    await tech.say(
      job,
      proof.filter((e) => e.kind !== 'take-up judged'),
    );
    const masterId = bike.layout.masters[0]!.id;
    job = await say(job, { kind: 'pedal judged', masterId, result: 'firm and high' });
    const { body } = await tech
      .send('post', `/jobs/${job.id}/test-drive`, undefined, job.version)
      .expect(409);
    expect(body.detail).toBe('Clutch lever: not judged yet.');
  });
});

describe('the database keeps the same line', () => {
  const update = (job: Job) =>
    testServer.db.query(`UPDATE jobs SET stage = 'released', closed = true WHERE id = '${job.id}'`);

  test('no job becomes released beside the gate, however the change is sent', async () => {
    const job = await tech.proved();
    await expect(update(job)).rejects.toThrow(/released by the gate/);
    const driven = await tech.change(job, 'post', 'test-drive');
    // The answer that is there opens the drive, not the release.
    await expect(update(driven)).rejects.toThrow(/released by the gate/);
    await expect(
      testServer.db.query(`UPDATE jobs SET released = '{"by": "me"}' WHERE id = '${job.id}'`),
    ).rejects.toThrow(/released by the gate/);
    const copy = `INSERT INTO jobs (id, workshop_id, vehicle_id, number, stage, closed, opened_at, opened_by)
      SELECT '${randomUUID()}', workshop_id, vehicle_id, 999, 'released', true, opened_at, opened_by FROM jobs WHERE id = '${job.id}'`;
    await expect(testServer.db.query(copy)).rejects.toThrow(/released by the gate/);
  });

  /** @param behind how far the order of its vehicle has gone on since it was asked */
  const answer = (job: Job, position: number, said: object, behind = 0) =>
    testServer.db.query(
      `INSERT INTO gate_answers (job_id, position, workshop_id, vehicle_position, answer, at, person)
        SELECT id, ${position}, workshop_id,
               (SELECT max(position) FROM vehicle_order o WHERE o.vehicle_id = jobs.vehicle_id) - ${behind},
               '${JSON.stringify(said)}', now(), 'x' FROM jobs WHERE id = '${job.id}'`,
    );

  test('an answer for another position of log or order, or one with a reason, does not do', async () => {
    const car = await add('hatchback-diagonal');
    const job = await accepted(car);
    const reads = { verdict: 'release', reasons: [] };
    await answer(job, job.events.length - 1, reads);
    await answer(job, job.events.length + 1, reads);
    // Something was said of the vehicle since, in whatever log.
    await answer(job, job.events.length, reads, 1);
    await expect(update(job)).rejects.toThrow(/released by the gate/);
    const other = await tech.running();
    await answer(other, other.events.length, { verdict: 'release', reasons: [{ code: 'x' }] });
    await expect(update(other)).rejects.toThrow(/released by the gate/);
  });

  test('nor while something holds its vehicle; and what is written is never changed', async () => {
    const car = await add('hatchback-diagonal');
    const job = await say(await accepted(car), {
      kind: 'taken off',
      elementId: 'left-rear-caliper',
    });
    await answer(job, job.events.length, { verdict: 'release', reasons: [] });
    await expect(update(job)).rejects.toThrow(/something holds its vehicle/);
    for (const sql of [
      'DELETE FROM open_item_entries',
      `UPDATE open_item_entries SET weight = 'owed'`,
      'DELETE FROM gate_answers',
      `UPDATE gate_answers SET position = 1`,
    ])
      await expect(testServer.asOwner((db) => db.query(sql))).rejects.toThrow(/only be added to/);
  });
});

describe('rows', () => {
  const entries = async (vehicleId: string) =>
    (await OpenItemEntry.findAll({ where: { vehicleId }, order: ['position'] })).map(
      (e) => [e.entry, e.openItem.kind, e.settledBy] as const,
    );

  test('an undone tap is settled by “withdrawn”, and opened again when it is made again', async () => {
    const car = await add('hatchback-diagonal');
    const id = randomUUID();
    const off = { kind: 'taken off', elementId: 'left-rear-caliper' };
    const job = await say(await accepted(car), { id, ...off });
    expect(await kinds(car.id)).toContain('part off left-rear-caliper');
    await say(job, { kind: 'undone', eventId: id });
    expect(await kinds(car.id)).toEqual([]);
    await say(job, off);
    const part = (await entries(car.id)).filter(([, kind]) => kind === 'part off');
    expect(part).toEqual([
      ['opened', 'part off', null],
      ['settled', 'part off', 'withdrawn'],
      ['opened', 'part off', null],
    ]);
  });

  test('what a job settled says which job', async () => {
    const job = await tech.proved();
    await tech.change(job, 'post', 'test-drive');
    await tech.change(job, 'post', 'test-drive/result', { result: 'good' });
    await tech.change(job, 'post', 'release');
    const settled = (await entries(job.vehicleId)).filter(([entry]) => entry === 'settled');
    expect(settled.map(([, kind]) => kind)).toContain('control not proved');
    expect(new Set(settled.map(([, , by]) => by))).toEqual(new Set([`job ${job.number}`]));
  });

  test('lists say how much is owed', async () => {
    const car = await add('hatchback-diagonal');
    const job = await say(await accepted(car), {
      kind: 'taken off',
      elementId: 'left-rear-caliper',
    });
    const { body } = await tech.get('/jobs').expect(200);
    const listed = body.jobs.find((j: { id: string }) => j.id === job.id);
    // Of a job in hand what it takes over, of one that ended what it left.
    expect(listed.owes).toBe(0);
    await end(job);
    const again = (await tech.get('/jobs').expect(200)).body.jobs;
    const { owes } = again.find((j: { id: string }) => j.id === job.id);
    const rows = await openRows(car.id);
    // What is by feel is on the list and is not counted: it would be on every vehicle.
    expect(rows.map((m) => m.kind)).toContain('by feel');
    expect(owes).toBe(groupOpenItems(rows.filter((m) => m.kind !== 'by feel')).length);
    expect(owes).toBeGreaterThan(0);
    const next = (await tech.send('post', '/jobs', { vehicleId: car.id }).expect(201)).body as Job;
    expect(next.owes).toBe(owes);
  });
});

describe('look and prove', () => {
  const mark = (vehicleId: string, reason: string) =>
    tech
      .send('post', `/vehicles/${vehicleId}/events`, {
        events: [
          {
            id: randomUUID(),
            deviceId: randomUUID(),
            deviceSeq: 1,
            atMs: NOW.getTime(),
            planId: null,
            kind: 'marked',
            reason,
          },
        ],
      })
      .expect(200);

  test('a marked motorcycle: looked at, both controls proved, released; no bleeder, no container', async () => {
    const bike = await add('motorcycle-abs');
    await mark(bike.id, 'Fell over in the yard');
    const job = await accepted(
      bike,
      { purpose: 'look and prove' },
      {
        ...SOUND_FLUID,
        fill: null,
        newColour: null,
      },
    );
    expect(job.before).toMatchObject([{ kind: 'marked', because: 'Fell over in the yard' }]);
    expect(planOfJob(job).openings).toEqual([]);
    expect(job.pick).toBeNull();
    const through = await runOn(job);
    expect(through.stage).toBe('proof');
    expect((await release(through)).vehicleDrive).toBe('free');
  });

  test('a look does not make the last fill forgotten', async () => {
    const bike = await add('motorcycle-front-disc');
    await release(await runOn(await accepted(bike)));
    await mark(bike.id, 'Fell over in the yard');
    const looked = { ...SOUND_FLUID, fill: null, newColour: null };
    await release(await runOn(await accepted(bike, { purpose: 'look and prove' }, looked)));
    const next = (await tech.send('post', '/jobs', { vehicleId: bike.id }).expect(201)).body as Job;
    expect(next.lastFill).toMatchObject({ grade: 'DOT 4' });
    expect(next.knownFluid).toMatchObject({ cap: ['DOT 4'], control: 'ABS', seals: 'ordinary' });
  });

  test('what owes a bleed is not only looked at', async () => {
    const car = await add('hatchback-diagonal');
    await halted(await accepted(car), 'ran dry', 'right-rear', 'end job');
    const { body } = await tech
      .send('post', '/jobs', { vehicleId: car.id, purpose: 'look and prove' })
      .expect(422);
    expect(body.faults[0].field).toBe('purpose');
    // What it owes besides, by feel and old, is no reason.
    expect(body.detail).toMatch(
      /owes a bleed \(Air may be behind [^;]*(; Air may be behind [^;]*)*\);/,
    );
    const job = (await tech.send('post', '/jobs', { vehicleId: car.id })).body as Job;
    const choices = {
      ...job.planChoices,
      work: { ...job.planChoices.work, purpose: 'look and prove' },
    };
    await tech.send('put', `/jobs/${job.id}/plan/choices`, choices, job.version).expect(422);
  });

  test('a tool cycle elsewhere: with its paper, and the bleed after it', async () => {
    const car = await add('hatchback-diagonal');
    await end(await accepted(car, { purpose: 'after work', modulatorOpened: true }));
    const paper = (more: object) => ({
      id: randomUUID(),
      deviceId: randomUUID(),
      deviceSeq: 1,
      atMs: NOW.getTime() + 1,
      planId: null,
      kind: 'cycle elsewhere',
      workshop: 'Harbour garage',
      date: '2026-03-10',
      paper: 'H 12',
      bledAfter: false,
      ...more,
    });
    const put = async (event: object) =>
      (await tech.send('post', `/vehicles/${car.id}/events`, { events: [event] })).body.answers[0];
    expect(await put(paper({ date: 'Monday' }))).toMatchObject({ result: 'refused' });
    expect(await put(paper({ bledAfter: undefined }))).toMatchObject({ result: 'refused' });
    // No date lies ahead, and a paper of before the work says nothing of it.
    for (const date of ['2099-01-01', '2026-03-12'])
      expect(await put(paper({ date }))).toMatchObject({
        result: 'refused',
        sentence: `The paper is dated ${date}; its date should be a day up to today.`,
      });
    for (const date of ['1999-01-01', '2026-03-09']) {
      const event = paper({ date, bledAfter: true });
      expect(await put(event)).toMatchObject({ result: 'new' });
      expect((await kinds(car.id)).join()).toContain('tool cycle owed');
    }
    expect(await put(paper({}))).toMatchObject({ result: 'new' });
    expect(await kinds(car.id)).toContain('base bleed owed modulator-primary');
    expect((await kinds(car.id)).join()).not.toContain('tool cycle owed');
    expect((await vehicleOf(car.id)).drive.state).toBe('do not drive');
  });
});

describe('a job on the wrong vehicle', () => {
  test('is moved before anything was done in it; what was said counts for both until somebody looked', async () => {
    const [wrong, right] = [await add('hatchback-diagonal'), await add('motorcycle-abs')];
    const body = { vehicleId: wrong.id, purpose: 'soft pedal' };
    const job = (await tech.send('post', '/jobs', body).expect(201)).body as Job;
    expect((await vehicleOf(wrong.id)).drive.state).toBe('do not drive');
    const moved = await tech.change(job, 'put', 'vehicle', { vehicleId: right.id });
    expect(moved).toMatchObject({ vehicleId: right.id, purpose: 'soft pedal' });
    expect(moved.planChoices.work.masterIds).toEqual(right.layout.masters.map((m) => m.id));
    expect(await kinds(right.id)).toEqual([
      'control soft front-master',
      'control soft rear-master',
    ]);
    expect(await kinds(wrong.id)).toEqual(['control soft master']);
    // Its events have places in both orders, in each at the end of what was there.
    const order = async (id: string) =>
      (
        await testServer.db.query(
          `SELECT position, event_id FROM vehicle_order WHERE vehicle_id = '${id}' ORDER BY position`,
        )
      )[0] as { position: number; event_id: string }[];
    expect((await order(wrong.id)).map((o) => o.position)).toEqual([1]);
    expect((await order(right.id)).map((o) => [o.position, o.event_id])).toEqual(
      moved.events.map((e) => [e.order!.position, e.id]),
    );
    // There and back, it has its places still; what it said counts for both.
    const there = await tech.change(moved, 'put', 'vehicle', { vehicleId: wrong.id });
    expect(there.events[0]!.order!.position).toBe(1);
    const again = await tech.change(there, 'put', 'vehicle', { vehicleId: right.id });
    expect(again.events.map((e) => e.order!.position)).toEqual(
      [...again.events.map((e) => e.order!.position)].sort((a, b) => a - b),
    );
    // What holds the one holds it whatever becomes of the other.
    await tech.end(again);
    const { openItems } = await vehicleOf(wrong.id);
    await tech.sayOf(wrong, {
      kind: 'looked at',
      openItemId: openItems[0]!.id,
      saw: 'Pedal firm and high',
    });
    expect((await vehicleOf(wrong.id)).drive.state).toBe('free');
    expect((await vehicleOf(right.id)).drive.state).toBe('do not drive');
  });

  test('stays once something was read, and where the other one has a job', async () => {
    const [wrong, right] = [await add('hatchback-diagonal'), await add('motorcycle-abs')];
    const open = async (v: Vehicle) =>
      (await tech.send('post', '/jobs', { vehicleId: v.id }).expect(201)).body as Job;
    const job = await open(wrong);
    await open(right);
    const move = async () =>
      tech.send(
        'put',
        `/jobs/${job.id}/vehicle`,
        { vehicleId: right.id },
        (await tech.job(job.id)).version,
      );
    expect((await move()).body.detail).toContain('has an open job already');
    expect((await tech.job(job.id)).vehicleId).toBe(wrong.id);
    await tech.change(job, 'put', 'fluid', SOUND_FLUID);
    expect((await move()).body.detail).toContain('Something was done in this job already');
  });
});

test('saving the layout keeps what was said of the work, and what is gone is said no more', async () => {
  const car = await add('hatchback-diagonal');
  let job = (await tech.send('post', '/jobs', { vehicleId: car.id, purpose: 'after work' }))
    .body as Job;
  const work = { ...job.planChoices.work, ...onePart('left-rear-caliper', ['master']) };
  job = await tech.change(job, 'put', 'plan/choices', {
    ...job.planChoices,
    work,
    method: 'vacuum',
    means: { ...job.planChoices.means, vacuumPump: true },
  });
  job = await tech.change(job, 'put', 'fluid', GOOD_FLUID);
  const { version } = await vehicleOf(car.id);
  const wider = {
    ...car.layout,
    stretches: car.layout.stretches.map((s) => ({ ...s, lengthMm: s.lengthMm + 10 })),
  };
  await tech.send('put', `/vehicles/${car.id}/layout`, wider, version).expect(200);
  const after = await tech.job(job.id);
  expect(after.planChoices).toEqual(job.planChoices);
  expect(planOfJob(after).work.parts).toEqual(work.parts);
  expect(planOfJob(after).layout.stretches[0]!.lengthMm).toBe(wider.stretches[0]!.lengthMm);
});

describe('fluid that does not agree with the run', () => {
  test('is asked about: lost, still inside, or miscounted; more out than in is never taken', async () => {
    let job = await tech.bled();
    const right = usedFluid(job);
    const put = async (more: object) =>
      tech.send(
        'put',
        `/jobs/${job.id}/fluid-used`,
        { ...right, ...more },
        (await tech.job(job.id)).version,
      );
    const less = { bledMl: right.bledMl / 2 };
    const refused = await put(less);
    expect(refused.status).toBe(422);
    expect(refused.body.faults).toMatchObject([{ field: 'gap' }]);
    expect(refused.body.detail).toContain('more went in than came out');
    await put({ bledMl: right.bledMl * 2, gap: 'still inside' }).then((res) => {
      expect(res.status).toBe(422);
      expect(res.body.detail).toContain('more came out than can have been there');
    });
    expect((await put({ ...less, spilledMl: right.bledMl / 2 })).status).toBe(200);
    expect((await put({ ...less, gap: 'still inside' })).status).toBe(200);
    job = await tech.job(job.id);
    expect(stateOfJob(job).fluidUsed!.used.gap).toBe('still inside');
  });
});

describe('what is known goes on by itself', () => {
  test('dark fluid puts pushing from below last; who is at hand is asked once', async () => {
    const bike = await add('motorcycle-clutch-bends');
    const body = { vehicleId: bike.id, purpose: 'soft pedal', helper: false };
    let job = (await tech.send('post', '/jobs', body).expect(201)).body as Job;
    expect(job.planChoices.means.helper).toBe(false);
    const methods = async (colour: 'amber' | 'brown') => {
      job = await tech.change(job, 'put', 'fluid', {
        ...GOOD_FLUID,
        samples: [seen('reservoir', { colour })],
      });
      const reverse = planOfJob(job).methods.find((m) => m.method === 'reverse')!;
      return reverse.reasons.map((r) => r.code);
    };
    expect(await methods('amber')).not.toContain('dirty fluid');
    expect(await methods('brown')).toContain('dirty fluid');
    // It was not said by hand: the choice itself stays as it was.
    expect(job.planChoices.circumstances.dirty).toBe(false);
  });
});
