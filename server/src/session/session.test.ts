import request from 'supertest';
import { User } from '../db/models';
import { Brook } from '../testing';

let brook: Brook;
beforeAll(async () => {
  brook = await Brook.start();
});
afterAll(() => brook.stop());

const signIn = (body: object) => request(brook.app).post('/api/v1/session').send(body);

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
  const caller = await brook.signedIn('lead');
  const [rows] = await brook.db.query('SELECT count(*)::int AS n FROM sessions');
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
  await request(brook.app).get('/api/v1/health').expect(200, { status: 'ready' });
});

test('too many wrong tries are stopped, with a sentence', async () => {
  let last = await signIn({ login: 'tech', password: 'no' });
  for (let i = 0; i < 25 && last.status === 401; i++)
    last = await signIn({ login: 'tech', password: 'no' });
  expect(last.status).toBe(429);
  expect(last.body).toMatchObject({
    type: '/problems/too-many',
    detail: expect.stringContaining('quarter of an hour'),
  });
});
