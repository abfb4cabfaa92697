import type { Job } from '@brook/contract';
import { openApi } from '@brook/contract/openapi';
import type { JobCard } from '@brook/core/job/card';
import Ajv2020 from 'ajv/dist/2020';
import { writeFileSync } from 'node:fs';
import PDFDocument from 'pdfkit';
import { TestServer, planOfJob, usedFluid, type Caller } from '../../testing';

// Whole jobs through the API: a busy machine takes its time.
jest.setTimeout(120_000);

let testServer: TestServer;
let lead: Caller;
beforeAll(async () => {
  testServer = await TestServer.start();
  lead = await testServer.signedIn('lead');
}, 60_000);
afterAll(() => testServer.stop());

const measure = (job: Job): Promise<void> =>
  lead.measure(job, { first: 165, light: 140, firm: 125, pumped: 130 });

/** A file as it came, byte by byte. */
const file = async (path: string) => {
  const { body, headers } = await lead
    .get(path)
    .buffer(true)
    .parse((res, done) => {
      const parts: Buffer[] = [];
      res.on('data', (part: Buffer) => parts.push(part));
      res.on('end', () => done(null, Buffer.concat(parts)));
    })
    .expect(200);
  if (process.env.CARD_TO)
    writeFileSync(`${process.env.CARD_TO}${path.split('/').at(-1)!}`, body as Buffer);
  return { pdf: (body as Buffer).toString('latin1'), headers };
};

async function released(): Promise<Job> {
  const job = await lead.proved('H 1');
  await measure(job);
  await lead.change(job, 'post', 'test-drive');
  await lead.change(job, 'post', 'test-drive/result', { result: 'good' });
  return lead.change(job, 'post', 'release');
}

test('the card of a released job says what was measured, by feel and reckoned, as its schema has it, and stays the same', async () => {
  const job = await released();
  const { body } = await lead.get(`/jobs/${job.id}/card`).expect(200);
  const ajv = new Ajv2020({ strict: false }).addSchema({ $id: 'brook', ...openApi() });
  const validate = ajv.compile({ $ref: 'brook#/components/schemas/JobCard' });
  expect([validate(body), validate.errors]).toEqual([true, null]);
  // The schema is no open door.
  expect(validate({ ...body, version: 2 })).toBe(false);
  const card = body as JobCard;
  expect(card.outcome).toMatchObject({ is: 'released', by: 'Lead One' });
  expect(card.after).toEqual(
    expect.arrayContaining([
      { what: 'Brake pedal', value: 'firm and high', source: 'measured' },
      { what: 'Brake pedal at 300 N', value: '125 mm', source: 'measured' },
      { what: 'Brake pedal held 30 s', value: 'stayed', source: 'measured' },
    ]),
  );
  expect(card.after.find((l) => l.what === 'Air left')).toMatchObject({ source: 'model' });
  expect(card.openings.map((o) => o.place)).toEqual(
    planOfJob(job).openings.map((s) => s.bleeder.place.replace(/^./, (c) => c.toUpperCase())),
  );
  expect(card.fluid!.poured.reduce((sum, p) => sum + p.ml, 0)).toBeGreaterThan(0);
  expect(card.checks.every((c) => c.passes && c.by === 'Lead One')).toBe(true);
  // Two years by the house rule, on a car whose every bleeder ran clear and new.
  const years = (card.due!.atMs - card.outcome.atMs!) / (365.25 * 86_400_000);
  expect(years).toBeCloseTo(2, 2);
  testServer.now = new Date(testServer.now.getTime() + 86_400_000);
  const later = await lead.get(`/jobs/${job.id}/card`).expect(200);
  expect(later.body).toEqual(body);
});

test('on paper it is one page A4 that holds its own fonts, whatever stands on it', async () => {
  const job = await released();
  const { pdf, headers } = await file(`/jobs/${job.id}/card.pdf`);
  expect(headers['content-type']).toContain('application/pdf');
  expect(headers['content-disposition']).toMatch(/filename="job-\d+-H-1\.pdf"/);
  expect(pdf.startsWith('%PDF-')).toBe(true);
  expect(pdf.match(/\/Type \/Page\b/g)).toHaveLength(1);
  // ISO 216: A4 is 210 by 297 mm, of 72 points an inch.
  expect(pdf).toContain('/MediaBox [0 0 595.28 841.89]');
  expect(pdf.match(/\/FontFile[23]? /g)!.length).toBeGreaterThanOrEqual(3);
});

test('a tag for the wheel while something holds the vehicle, none once nothing does; one for the reservoir once its fluid is on record', async () => {
  const id = await lead.vehicleId('M 1');
  await lead.get(`/vehicles/${id}/tag-wheel.pdf`).expect(409);
  const unknown = await lead.get(`/vehicles/${id}/tag-reservoir.pdf`).expect(409);
  expect(unknown.body.detail).toMatch(/No change of the whole fluid is on record/);
  const job = await lead.bled('M 1');
  const wheel = await file(`/vehicles/${id}/tag-wheel.pdf`);
  // ISO 216: A6 is 105 by 148 mm.
  expect(wheel.pdf).toContain('/MediaBox [0 0 297.64 419.53]');
  expect(wheel.pdf.match(/\/Type \/Page\b/g)).toHaveLength(1);
  await lead.change(job, 'put', 'fluid-used', usedFluid(job));
  await lead.prove(job);
  await lead.change(job, 'post', 'test-drive');
  await file(`/vehicles/${id}/tag-wheel.pdf`);
  await lead.change(job, 'post', 'test-drive/result', { result: 'good' });
  await lead.change(job, 'post', 'release');
  const free = await lead.get(`/vehicles/${id}/tag-wheel.pdf`).expect(409);
  expect(free.body.detail).toMatch(/Nothing on record holds this vehicle/);
  const reservoir = await file(`/vehicles/${id}/tag-reservoir.pdf`);
  expect(reservoir.pdf).toContain('/MediaBox [0 0 297.64 419.53]');
  const other = await testServer.signedIn('other');
  await other.get(`/vehicles/${id}/tag-reservoir.pdf`).expect(404);
});

test('a job that lacks its release says so; another workshop’s has no card', async () => {
  const job = await lead.bled('M 1');
  const { body } = await lead.get(`/jobs/${job.id}/card`).expect(200);
  expect(body).toMatchObject({ outcome: { is: 'under way', by: null }, due: null, checks: [] });
  await lead.get(`/jobs/${job.id}/card.pdf`).expect(200);
  await lead.change(job, 'post', 'end', { reason: 'Bay needed' });
  const ended = (await lead.get(`/jobs/${job.id}/card`).expect(200)).body as JobCard;
  expect(ended.outcome).toMatchObject({ is: 'ended unreleased', reason: 'Bay needed' });
  expect(ended.left.length).toBeGreaterThan(0);
  expect(ended.due).toBeNull();
  const other = await testServer.signedIn('other');
  await other.get(`/jobs/${job.id}/card`).expect(404);
  await other.get(`/jobs/${job.id}/card.pdf`).expect(404);
});

test('who reads in ounces and inches prints the card in them; the card as JSON stays metric', async () => {
  const job = await released();
  const written = jest.spyOn(PDFDocument.prototype, 'text');
  const wordsOf = async (): Promise<string> => {
    written.mockClear();
    await file(`/jobs/${job.id}/card.pdf`);
    return written.mock.calls.map(([words]) => words).join('\n');
  };
  const metric = await wordsOf();
  expect(metric).toMatch(/\d mm\b/);
  expect(metric).toMatch(/\d mL\b/);
  const before = (await lead.get(`/jobs/${job.id}/card`).expect(200)).body;
  const { units } = (await lead.get('/session').expect(200)).body.user;
  await lead.send('put', '/session/units', { ...units, length: 'in', volume: 'fl oz' }).expect(200);
  const inches = await wordsOf();
  expect(inches).toMatch(/\d in\b/);
  expect(inches).toMatch(/\d fl oz\b/);
  expect(inches).toMatch(/^fl oz plan \/ done$/m);
  expect(inches).not.toMatch(/\d (mm|mL|m)\b/);
  expect((await lead.get(`/jobs/${job.id}/card`).expect(200)).body).toEqual(before);
  await lead.send('put', '/session/units', units).expect(200);
  written.mockRestore();
});

test('names in any script stand on card and tag, and one that cannot be printed says so', async () => {
  const written = jest.spyOn(PDFDocument.prototype, 'text');
  const job = await lead.bled('M 1');
  const id = job.vehicleId;
  await testServer.db.query(`UPDATE vehicles SET name = 'Щука 李' WHERE id = '${id}'`);
  for (const path of [`/jobs/${job.id}/card.pdf`, `/vehicles/${id}/tag-wheel.pdf`]) {
    written.mockClear();
    const { pdf } = await file(path);
    const words = written.mock.calls.map(([said]) => said).join('|');
    expect(words).toContain('Щука');
    expect(words).toContain('cannot be printed here');
    expect(words).not.toContain('李');
    expect(pdf).toMatch(/NotoSans/);
  }
  written.mockRestore();
});
