import request from 'supertest';
import type { Person } from '@brook/contract';
import { SignInTry, User } from '../db/models';
import { ProblemError } from '../http/problems/kinds';
import { TestServer, NOW, type Caller } from '../testing';
import { tryCode, waitAfterWrongMs } from './tries';

let testServer: TestServer;
beforeAll(async () => {
  testServer = await TestServer.start();
});
afterAll(() => testServer.stop());

const signIn = (body: object) => request(testServer.app).post('/api/v1/session').send(body);

test('signing in keeps a cookie that scripts of the page cannot read and other sites do not send', async () => {
  const res = await signIn({ login: 'Tech', password: 'tech-password' }).expect(201);
  expect(res.body).toMatchObject({
    user: { name: 'Tech One', role: 'technician' },
    workshop: { name: 'First' },
  });
  const cookie = res.get('set-cookie')![0]!;
  expect(cookie).toContain('HttpOnly');
  expect(cookie).toContain('SameSite=Strict');
});

test('the password is kept as an argon2id hash only', async () => {
  const user = await User.findOne({ where: { login: 'tech' }, rejectOnEmpty: true });
  expect(user.passwordHash).toMatch(/^\$argon2id\$/);
});

test('the session stands in the database and ends when signed out', async () => {
  const caller = await testServer.signedIn('lead');
  const [rows] = await testServer.db.query('SELECT count(*)::int AS n FROM sessions');
  expect((rows as { n: number }[])[0]!.n).toBeGreaterThan(0);
  expect((await caller.get('/session').expect(200)).body.user.role).toBe('lead');
  await caller.agent.delete('/api/v1/session').expect(204);
  await caller.get('/session').expect(401);
});

test('a wrong password and an unknown name get the same answer', async () => {
  const wrong = await signIn({ login: 'tech', password: 'not it' }).expect(401);
  const unknown = await signIn({ login: 'nobody', password: 'not it' }).expect(401);
  expect(wrong.body).toEqual(unknown.body);
  expect(wrong.type).toBe('application/problem+json');
});

test('what is missing is named at its field', async () => {
  const res = await signIn({ login: 'tech' }).expect(422);
  expect(res.body).toMatchObject({
    type: '/problems/invalid',
    status: 422,
    faults: [{ field: 'password', sentence: 'Password is missing; give it.' }],
  });
});

test('health answers before anybody has signed in', async () => {
  await request(testServer.app).get('/api/v1/health').expect(200, { status: 'ready' });
});

describe('wrong tries', () => {
  const from = (address: string, login: string, password: string) =>
    request(testServer.app)
      .post('/api/v1/session')
      .set('x-forwarded-for', address)
      .send({ login, password });
  const wrong = async (login: string, times: number) => {
    for (let i = 0; i < times; i++) await signIn({ login, password: 'no' }).expect(401);
  };
  beforeEach(async () => {
    await testServer.db.query('DELETE FROM sign_in_tries');
    testServer.now = NOW;
  });

  test('ten are allowed, the eleventh is not, also with the right password, and with a sentence', async () => {
    await wrong('tech', 10);
    const last = await signIn({ login: 'Tech', password: 'tech-password' }).expect(429);
    expect(last.body).toMatchObject({
      type: '/problems/too-many',
      detail: expect.stringContaining('quarter of an hour'),
    });
  });

  test('they lock nobody else out, and the right word forgets them', async () => {
    await wrong('tech', 10);
    await wrong('lead', 9);
    await signIn({ login: 'lead', password: 'lead-password' }).expect(201);
    await wrong('lead', 10);
  });

  test('they stand in the database, where every server process counts them, and name nobody', async () => {
    await wrong('tech', 3);
    const [rows] = await testServer.db.query('SELECT * FROM sign_in_tries');
    expect(rows).toHaveLength(3);
    expect(JSON.stringify(rows)).not.toMatch(/tech|127\.0/);
  });

  test('after a quarter of an hour they are gone', async () => {
    await wrong('tech', 10);
    testServer.now = new Date(NOW.getTime() + 15 * 60_000 - 1);
    await signIn({ login: 'tech', password: 'tech-password' }).expect(429);
    testServer.now = new Date(NOW.getTime() + 15 * 60_000);
    await signIn({ login: 'tech', password: 'tech-password' }).expect(201);
  });

  test('what a request says of its own address changes nothing', async () => {
    await wrong('tech', 10);
    await from('10.0.0.7', 'tech', 'tech-password').expect(429);
  });

  test('made at the same moment they count each other', async () => {
    const all = await Promise.all(
      Array.from({ length: 16 }, () => signIn({ login: 'tech', password: 'no' })),
    );
    expect(all.filter((r) => r.status === 401).length).toBeLessThanOrEqual(10);
  });
});

test('a wrong code is answered at once for a hand that slips, then ever more slowly, and never not at all', () => {
  expect([1, 10].map(waitAfterWrongMs)).toEqual([0, 0]);
  expect([11, 12, 13].map(waitAfterWrongMs)).toEqual([250, 500, 1000]);
  expect([16, 17, 100_000].map(waitAfterWrongMs)).toEqual([8000, 8000, 8000]);
});

describe('wrong codes', () => {
  const wrongCode = () => Promise.reject(new ProblemError('not-found', 'no'));
  const counts = async () => {
    const rows = await SignInTry.count({ group: 'pair' });
    return rows.map((r) => r.count).sort();
  };
  beforeEach(() => testServer.db.query('DELETE FROM sign_in_tries'));
  const tried = (code: string, address: string) =>
    tryCode('code', { code, address }, NOW, wrongCode).catch(() => undefined);

  test('are counted by address and by code; a right one, and what else goes wrong, is not', async () => {
    await tried('A', 'one');
    await tried('B', 'one');
    await tried('B', 'two');
    expect(await counts()).toEqual([1, 1, 2, 2]);
    await tryCode('code', { code: 'B', address: 'one' }, NOW, () => Promise.resolve());
    const refused = () => Promise.reject(new ProblemError('refused', 'no'));
    await expect(tryCode('code', { code: 'B', address: 'one' }, NOW, refused)).rejects.toThrow();
    expect(await counts()).toEqual([1, 1, 2, 2]);
  });
});

describe('a session', () => {
  beforeAll(() => testServer.db.query('DELETE FROM sign_in_tries'));
  afterEach(() => (testServer.now = NOW));

  test('that is used every day ends after seven days all the same', async () => {
    const caller = await testServer.signedIn();
    const at = (days: number, moreMs = 0) =>
      (testServer.now = new Date(NOW.getTime() + days * 86_400_000 + moreMs));
    for (let day = 1; day <= 7; day++) {
      at(day);
      await caller.get('/session').expect(200);
    }
    at(7, 1);
    await caller.get('/session').expect(401);
    await caller.get('/jobs').expect(401);
  });

  test('ends everywhere else when the password is changed, and the old word no longer opens', async () => {
    const [here, there] = [await testServer.signedIn(), await testServer.signedIn()];
    const change = (old: string, to: string) =>
      here.send('put', '/session/password', { old, new: to });
    expect((await change('not it', 'a longer word')).body.faults).toEqual([
      { field: 'old', sentence: 'The password of today is another.' },
    ]);
    expect((await change('tech-password', 'too short')).body.faults[0].sentence).toMatch(
      /10 to 200/,
    );
    await there.get('/session').expect(200);
    await change('tech-password', '10 letters').expect(200);
    await here.get('/session').expect(200);
    await there.get('/session').expect(401);
    await signIn({ login: 'tech', password: 'tech-password' }).expect(401);
    await signIn({ login: 'tech', password: '10 letters' }).expect(201);
    await here.send('put', '/session/password', { old: '10 letters', new: 'tech-password' });
  });
});

describe('a person who left', () => {
  const personNamed = async (lead: Caller, name: string) =>
    ((await lead.get('/people').expect(200)).body.people as Person[]).find((p) => p.name === name)!;

  test('is out at once, comes in no more, keeps the name on the records, and may come back', async () => {
    const [lead, tech] = [await testServer.signedIn('lead'), await testServer.signedIn('tech')];
    const { id } = await personNamed(lead, 'Tech One');
    const job = await tech.running('H 1');
    await lead.send('put', `/people/${id}`, { left: true }).expect(200);
    expect(await personNamed(lead, 'Tech One')).toMatchObject({
      left: { by: 'Lead One', at: NOW.toISOString() },
    });
    await tech.get('/jobs').expect(401);
    const refused = await signIn({ login: 'tech', password: 'tech-password' }).expect(401);
    expect(refused.body.detail).toBe('Name or password is not right.');
    expect((await lead.job(job.id)).openedBy).toBe('Tech One');
    await lead.send('put', `/people/${id}`, { left: false }).expect(200);
    await signIn({ login: 'tech', password: 'tech-password' }).expect(201);
  });

  test('is named by a lead, who cannot send themself away', async () => {
    const [lead, tech] = [await testServer.signedIn('lead'), await testServer.signedIn('tech')];
    const self = await personNamed(lead, 'Lead One');
    await tech.get('/people').expect(403);
    await tech.send('put', `/people/${self.id}`, { left: true }).expect(403);
    await lead.send('put', `/people/${self.id}`, { left: true }).expect(409);
    await lead.get('/session').expect(200);
  });
});

describe('units', () => {
  test('are one’s own, on every phone, metric until they were chosen', async () => {
    const [here, there, lead] = [
      await testServer.signedIn(),
      await testServer.signedIn(),
      await testServer.signedIn('lead'),
    ];
    const unitsOf = async (caller: Caller) => (await caller.get('/session')).body.user.units;
    const metric = await unitsOf(here);
    expect(metric).toEqual({
      length: 'mm',
      volume: 'mL',
      torque: 'N·m',
      temperature: '°C',
      pressure: 'kPa',
    });
    const inches = { ...metric, length: 'in', pressure: 'psi' };
    await here.send('put', '/session/units', inches).expect(200);
    expect(await unitsOf(there)).toEqual(inches);
    expect(await unitsOf(lead)).toEqual(metric);
    const refused = await here.send('put', '/session/units', { ...metric, torque: 'kg·m' });
    expect(refused.status).toBe(422);
    expect(refused.body.faults[0].sentence).toMatch(/one of N·m, lbf·ft, lbf·in/);
    expect(await unitsOf(here)).toEqual(inches);
    await here.send('put', '/session/units', metric).expect(200);
  });
});

describe('an invitation', () => {
  let lead: Caller;
  beforeAll(async () => {
    testServer.now = NOW;
    lead = await testServer.signedIn('lead');
  });
  const ask = async (name: string, role = 'technician') =>
    (await lead.send('post', '/people/invitations', { name, role }).expect(201)).body;
  const join = (code: string, login: string) =>
    request(testServer.app)
      .post('/api/v1/session/join')
      .send({ code, login, password: 'a word or two' });
  const invited = async () =>
    ((await lead.get('/people').expect(200)).body.invited as { name: string }[]).map((i) => i.name);

  test('lets one person in, once, under the name and role that the lead said', async () => {
    const { code, invitation } = await ask('Ana Holm', 'lead');
    expect(invitation).toMatchObject({ name: 'Ana Holm', role: 'lead', by: 'Lead One' });
    expect(await invited()).toEqual(['Ana Holm']);
    // As somebody types it.
    const typed = code.toLowerCase().replace(/(.{4})/g, '$1 ');
    const joined = await join(typed, 'Ana').expect(201);
    expect(joined.body).toMatchObject({
      user: { name: 'Ana Holm', role: 'lead' },
      workshop: { name: 'First' },
    });
    expect(joined.get('set-cookie')![0]).toContain('HttpOnly');
    await signIn({ login: 'ana', password: 'a word or two' }).expect(201);
    expect(await invited()).toEqual([]);
    await join(code, 'ana2').expect(404);
  });

  test('is made and taken back by a lead alone, of this workshop', async () => {
    const tech = await testServer.signedIn();
    await tech.send('post', '/people/invitations', { name: 'Bo', role: 'lead' }).expect(403);
    const { code, invitation } = await ask('Bo Vik');
    await tech.send('delete', `/people/invitations/${invitation.id}`).expect(403);
    const other = await testServer.signedIn('other');
    await other.send('delete', `/people/invitations/${invitation.id}`).expect(404);
    await lead.send('delete', `/people/invitations/${invitation.id}`).expect(204);
    await join(code, 'bo').expect(404);
    await lead.send('delete', `/people/invitations/${invitation.id}`).expect(404);
  });

  test('holds for seven days to the minute', async () => {
    const [early, late] = [await ask('Early Bird'), await ask('Late Bird')];
    const after = (ms: number) => new Date(NOW.getTime() + 7 * 86_400_000 + ms);
    testServer.now = after(-1);
    await join(early.code, 'early').expect(201);
    testServer.now = after(0);
    await join(late.code, 'late').expect(404);
    testServer.now = NOW;
    await lead.send('delete', `/people/invitations/${late.invitation.id}`).expect(204);
  });

  test('stays where the sign-in name is taken, with one clear sentence', async () => {
    const { code } = await ask('Cal Dane');
    const taken = await join(code, 'TECH').expect(422);
    expect(taken.body.faults).toEqual([
      { field: 'login', sentence: 'Somebody signs in by that name already; take another.' },
    ]);
    expect(await invited()).toEqual(['Cal Dane']);
    expect((await join(code, 'cal dane')).body.faults[0].sentence).toMatch(/no gap/);
    await join(code, 'cal').expect(201);
  });

  test('its code stands nowhere in the database', async () => {
    const { code } = await ask('Dot Marsh');
    const [rows] = await testServer.db.query('SELECT * FROM invitations');
    expect(JSON.stringify(rows)).not.toContain(code);
  });

  test('a right code goes through, whatever was typed here before', async () => {
    const { code } = await ask('Ine Dal');
    for (let n = 0; n < 11; n++) await join('2'.repeat(16), 'ine').expect(404);
    await join(code, 'ine').expect(201);
  });
});
