import { DEFAULT_RULES } from '@brook/core/bleed/rules';
import { TestServer, SOUND_FLUID, type Caller } from '../../testing';

let testServer: TestServer;
let tech: Caller;
let lead: Caller;
beforeEach(async () => {
  testServer = await TestServer.start();
  tech = await testServer.signedIn();
  lead = await testServer.signedIn('lead');
});
afterEach(() => testServer.stop());

test('a workshop starts with the common rules; a lead changes them, a technician does not', async () => {
  expect((await tech.get('/house-rules').expect(200)).body).toEqual({
    rules: DEFAULT_RULES,
    version: 1,
  });
  const strict = { ...DEFAULT_RULES, openContainers: 'today only' };
  await tech.send('put', '/house-rules', strict, 1).expect(403);
  expect((await lead.send('put', '/house-rules', strict, 1).expect(200)).body).toEqual({
    rules: strict,
    version: 2,
  });
  await lead.send('put', '/house-rules', DEFAULT_RULES, 1).expect(409);
  const other = await testServer.signedIn('other');
  expect((await other.get('/house-rules')).body.rules).toEqual(DEFAULT_RULES);
});

test.each([
  [{ openContainers: 'for ever' }, 'openContainers', /today only/],
  [{ intervalCarMonths: '36' }, 'intervalCarMonths', /12, 18, 24/],
  [{ drumMl: 5 }, 'drumMl', /1,000 to 1,000,000/],
  [{ lowStockMl: 0.5 }, 'lowStockMl', /Shelf runs low below: give 0 to 50,000 mL/],
  [{ newAtOutlet: '99' }, 'newAtOutlet', /90, 95, 98/],
  [{ minutesPerTopUp: 61 }, 'minutesPerTopUp', /One top-up: give 0 to 60 min/],
])('%j is refused at its field', async (wrong, field, words) => {
  const res = await lead.send('put', '/house-rules', { ...DEFAULT_RULES, ...wrong }, 1).expect(422);
  expect(res.body.faults).toMatchObject([{ field, sentence: expect.stringMatching(words) }]);
});

test('a verdict keeps the rules that were in force when it was given', async () => {
  const job = await tech.change(await tech.open(), 'put', 'fluid', SOUND_FLUID);
  await lead
    .send('put', '/house-rules', { ...DEFAULT_RULES, openContainers: 'today only' }, 1)
    .expect(200);
  expect((await tech.job(job.id)).fluid!.rules).toEqual(DEFAULT_RULES);
});

test('a stricter rule refuses what the other school would still take', async () => {
  const [c] = (await tech.get('/shelf').expect(200)).body.containers as {
    id: string;
    version: number;
  }[];
  await tech
    .send('post', `/shelf/${c!.id}/open`, { openedDaysAgo: 3, keptCapped: true }, c!.version)
    .expect(200);
  await lead
    .send('put', '/house-rules', { ...DEFAULT_RULES, openContainers: 'today only' }, 1)
    .expect(200);
  const found = (
    (await tech.get('/shelf')).body.containers as { id: string; admit: object }[]
  ).find((s) => s.id === c!.id);
  expect(found!.admit).toMatchObject({ verdict: 'refuse', reasons: [{ code: 'opened too long' }] });
});
