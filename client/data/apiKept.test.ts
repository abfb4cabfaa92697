/** @jest-environment node */
import 'fake-indexeddb/auto';
import { createStore, set } from 'idb-keyval';
import { api, ApiProblem, Offline } from './api';
import { apiKept } from './apiKept';
import { forgetAnswers, keepAnswer } from './keptAnswers';

jest.mock('./api', () => ({
  api: jest.fn(),
  Offline: class Offline extends Error {},
  ApiProblem: class ApiProblem extends Error {},
}));
const server = jest.mocked(api);
const answers = (answer: unknown) => server.mockResolvedValue(answer);
const fails = (error: Error) => server.mockRejectedValue(error);
/** An answer is kept beside what it was asked for. */
const kept = () => new Promise((done) => setTimeout(done, 20));

beforeEach(() => forgetAnswers());

test('is shown without reception as it last came; what never came is not', async () => {
  for (const name of ['first', 'second']) {
    answers({ name });
    await apiKept('/jobs/1');
    await kept();
  }
  await keepAnswer('/jobs/2', { name: 'by hand' });
  fails(new Offline());
  expect(await apiKept('/jobs/1')).toEqual({ name: 'second' });
  expect(await apiKept('/jobs/2')).toEqual({ name: 'by hand' });
  await expect(apiKept('/jobs/3')).rejects.toBeInstanceOf(Offline);
});

test('a shorter log or an older version, as another tab knows it, does not take the place of the later one', async () => {
  const job = (events: number, version: number) => ({ events: Array(events).fill('e'), version });
  await keepAnswer('/jobs/1', job(3, 5));
  await keepAnswer('/jobs/1', job(2, 5));
  await keepAnswer('/jobs/1', job(4, 4));
  fails(new Offline());
  expect(await apiKept('/jobs/1')).toEqual(job(3, 5));
  await keepAnswer('/jobs/1', job(3, 6));
  await keepAnswer('/jobs/1', job(4, 6));
  expect(await apiKept('/jobs/1')).toEqual(job(4, 6));
  await keepAnswer('/jobs', null);
  await keepAnswer('/jobs', { jobs: [] });
  expect(await apiKept('/jobs')).toEqual({ jobs: [] });
});

test('what an older app kept lacks what pages need by now: it is not shown, and gives way to whatever comes', async () => {
  const longer = { events: Array(9).fill('e'), version: 9 };
  await set('/jobs/1', { atMs: 1, answer: longer }, createStore('brook-answers', 'answers'));
  fails(new Offline());
  await expect(apiKept('/jobs/1')).rejects.toBeInstanceOf(Offline);
  await keepAnswer('/jobs/1', { events: ['e'], version: 1 });
  expect(await apiKept('/jobs/1')).toEqual({ events: ['e'], version: 1 });
});

test('does not stand in for a refusal, and is gone when it is to be forgotten', async () => {
  await keepAnswer('/jobs/1', { name: 'kept' });
  fails(new ApiProblem(401, 'Sign in to go on.'));
  await expect(apiKept('/jobs/1')).rejects.toBeInstanceOf(ApiProblem);
  fails(new Offline());
  await forgetAnswers();
  await expect(apiKept('/jobs/1')).rejects.toBeInstanceOf(Offline);
});

test('makes room: forty are kept, the oldest gives way', async () => {
  const now = jest.spyOn(Date, 'now');
  for (let i = 0; i <= 40; i++) {
    now.mockReturnValue(1_000 + i);
    await keepAnswer(`/jobs/${i}`, i);
  }
  now.mockRestore();
  fails(new Offline());
  await expect(apiKept('/jobs/0')).rejects.toBeInstanceOf(Offline);
  expect([await apiKept('/jobs/1'), await apiKept('/jobs/40')]).toEqual([1, 40]);
});
