/** @jest-environment node */
import 'fake-indexeddb/auto';
import { QueryClient } from '@tanstack/react-query';
import { api, ApiProblem, Offline } from './api';
import { adoptMedia, dropMedia, keepMedia, sendMedia, waitingMedia } from './media';
import { enqueue, settle } from './outbox';

jest.mock('./api', () => ({ ...jest.requireActual('./api'), api: jest.fn() }));
const server = jest.mocked(api as (path: string, options?: { file: Blob }) => Promise<unknown>);

const UNA = { id: 'una', name: 'Una' };
const ODE = { id: 'ode', name: 'Ode' };
const file = new Blob(['picture'], { type: 'image/jpeg' });
const photo = (id: string, by = UNA, jobId = 'job') =>
  keepMedia({ id, jobId, medium: 'photo', by, file });
const tell = (id: string) =>
  enqueue('job', UNA, 0, (deviceSeq) => ({
    id,
    deviceId: 'phone',
    deviceSeq,
    atMs: 0,
    planId: null,
    kind: 'media note',
    medium: 'photo',
    elementId: null,
  }));
const client = new QueryClient();
const sent = () => server.mock.calls.map(([path]) => path);
const waiting = async () => (await waitingMedia('job')).map((m) => m.id);
const signIn = (user: typeof UNA | null) =>
  client.setQueryData(['session'], user ? { user } : undefined);

beforeEach(async () => {
  for (const { id } of await waitingMedia()) await dropMedia(id);
  signIn(UNA);
  server.mockReset().mockResolvedValue(undefined);
});

test('what was taken goes as it is and is kept no longer; another job’s stands apart', async () => {
  await photo('a');
  await photo('b', UNA, 'other');
  expect(await waiting()).toEqual(['a']);
  expect((await waitingMedia('job'))[0]).toMatchObject({ medium: 'photo', by: UNA });
  await sendMedia(client);
  expect(sent().sort()).toEqual(['/media/a', '/media/b']);
  const [, options] = server.mock.calls[0]!;
  expect(await options!.file.text()).toBe('picture');
  expect(await waitingMedia()).toEqual([]);
});

test('it goes in the name of who took it, and of nobody while nobody is signed in', async () => {
  await photo('a');
  for (const user of [ODE, null]) {
    signIn(user);
    if (user === null) client.removeQueries({ queryKey: ['session'] });
    await sendMedia(client);
  }
  expect(sent()).toEqual([]);
  signIn(UNA);
  await sendMedia(client);
  expect(sent()).toEqual(['/media/a']);
});

test('it waits for the event that tells of it', async () => {
  await photo('a');
  await tell('a');
  await sendMedia(client);
  expect(sent()).toEqual([]);
  await settle('job', new Set(['a']));
  await sendMedia(client);
  expect(sent()).toEqual(['/media/a']);
});

test('one that is refused keeps its sentence, is not sent again, and stops nothing behind it', async () => {
  await photo('a');
  await photo('b');
  server.mockRejectedValueOnce(new ApiProblem(422, 'Take it again.'));
  await sendMedia(client);
  expect(sent()).toEqual(['/media/a', '/media/b']);
  expect(await waitingMedia('job')).toMatchObject([{ id: 'a', refusal: 'Take it again.' }]);
  await sendMedia(client);
  expect(sent()).toHaveLength(2);
});

test.each([401, 404])('answered %i it waits: that may come right by itself', async (status) => {
  await photo('a');
  server.mockRejectedValueOnce(new ApiProblem(status, 'Not now.'));
  await sendMedia(client);
  expect(await waitingMedia('job')).toMatchObject([{ id: 'a', refusal: null }]);
  await sendMedia(client);
  expect(await waiting()).toEqual([]);
});

test('without reception nothing is lost, and the rest is not tried', async () => {
  await photo('a');
  await photo('b');
  server.mockRejectedValueOnce(new Offline());
  await sendMedia(client);
  expect(sent()).toHaveLength(1);
  expect(await waiting()).toEqual(['a', 'b']);
});

test('told of by somebody else, it goes in their name and is tried once more; what is not here is not made', async () => {
  await photo('a');
  server.mockRejectedValueOnce(new ApiProblem(409, 'No.'));
  await sendMedia(client);
  await adoptMedia('a', ODE);
  await adoptMedia('nowhere', ODE);
  expect(await waitingMedia()).toMatchObject([{ id: 'a', by: ODE, refusal: null }]);
  signIn(ODE);
  await sendMedia(client);
  expect(await waitingMedia()).toEqual([]);
});

test('asked twice at once it sends once', async () => {
  await photo('a');
  await Promise.all([sendMedia(client), sendMedia(client)]);
  expect(sent()).toEqual(['/media/a']);
});
