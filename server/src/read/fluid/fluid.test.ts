import { TestServer, type Caller } from '../../testing';

let testServer: TestServer;
let tech: Caller;
beforeAll(async () => {
  testServer = await TestServer.start();
  tech = await testServer.signedIn();
});
afterAll(() => testServer.stop());

const ADVICE = {
  demands: [{ source: 'cap', grades: ['DOT 5.1'] }],
  control: 'ABS',
  seals: 'ordinary',
  inSystem: 'unknown',
  candidates: [
    { id: 'b1', grade: 'DOT 5' },
    { id: 'b2', grade: 'DOT 5.1' },
  ],
};

test('the wrong bottle: must not, in words that make the trap plain, and what it costs if it has been poured', async () => {
  const { body } = await tech.send('post', '/fluid/compatibility', ADVICE).expect(200);
  const [wrong, right] = body.candidates;
  expect(wrong).toMatchObject({
    id: 'b1',
    verdict: 'must not',
    secondLook: true,
    remedy: { code: 'strip, new seals, dry system' },
  });
  expect(wrong.sentences.join(' ')).toContain(
    'DOT 5 (five) is silicone, DOT 5.1 (five point one) is glycol',
  );
  expect(right).toMatchObject({ id: 'b2', verdict: 'may fill', remedy: { code: 'nothing' } });
  expect(body.minimum).toMatchObject({ grade: 'DOT 5.1' });
});

test('the worst point governs, with its margin and its sentence', async () => {
  const samples = [
    { point: 'reservoir', water: { percent: 2.6, meterGrade: 'DOT 4' } },
    { point: 'left-rear', water: { percent: 3.4, meterGrade: 'DOT 4' }, copperPpm: 150 },
  ];
  const { body } = await tech
    .send('post', '/fluid/condition', { grade: 'DOT 4', samples })
    .expect(200);
  expect(body).toMatchObject({
    verdict: 'replace now',
    governing: [{ point: 'left-rear', code: 'wet now' }],
  });
  expect(body.governing[0].margin.value).toBeCloseTo(-0.4, 9);
  expect(body.sentences).toHaveLength(body.reasons.length);
});

// Every verdict that there is, through the API. Limits: FMVSS 116 S5.1.2 for 155 °C; the others common practice, no source.
test.each<[string, object, string]>([
  ['good', { water: { percent: 0.8, meterGrade: 'DOT 4' } }, 'dry enough'],
  ['not measured', { colour: 'straw' }, 'colour does not pass'],
  ['replace at this visit', { water: { percent: 1.9, meterGrade: 'DOT 4' } }, 'wet this visit'],
  ['replace now', { boiling: { observedC: 150, ambientHpa: 1013 } }, 'boils below wet limit'],
  ['test first', { dye: 'blue' }, 'water test first'],
  ['stop', { foreign: 'layers' }, 'layers'],
])('verdict "%s"', async (verdict, sample, code) => {
  const { body } = await tech
    .send('post', '/fluid/condition', {
      grade: 'DOT 4',
      samples: [{ point: 'reservoir', ...sample }],
    })
    .expect(200);
  expect(body).toMatchObject({ verdict, governing: [{ code }] });
});
test.each<[string, object]>([
  ['may fill', { id: 'x', grade: 'DOT 5.1' }],
  ['with caution', { id: 'x', grade: 'DOT 5.1', caution: true }],
  ['must not', { id: 'x', grade: 'DOT 3' }],
])('advice "%s"', async (verdict, { caution, ...candidate }: { caution?: boolean }) => {
  const { body } = await tech
    .send('post', '/fluid/compatibility', {
      ...ADVICE,
      seals: caution ? 'natural rubber' : 'ordinary',
      demands: [{ source: 'cap', grades: ['DOT 4'] }],
      candidates: [candidate],
    })
    .expect(200);
  expect(body.candidates[0].verdict).toBe(verdict);
});

test.each<[string, object, string, RegExp]>([
  ['/fluid/compatibility', { ...ADVICE, candidates: [] }, 'candidates', /at least one candidate/],
  [
    '/fluid/compatibility',
    { ...ADVICE, demands: [{ source: 'cap', grades: [] }] },
    'demands.0.grades',
    /at least one grade/,
  ],
  [
    '/fluid/compatibility',
    { ...ADVICE, demands: [ADVICE.demands[0]!, ADVICE.demands[0]!] },
    'demands',
    /stand once/,
  ],
  [
    '/fluid/compatibility',
    { ...ADVICE, candidates: [{ id: 'x', grade: 'DOT 6' }] },
    'candidates.0.grade',
    /DOT 5.1/,
  ],
  ['/fluid/condition', { grade: 'DOT 4', samples: [] }, 'samples', /at least one sample/],
  [
    '/fluid/condition',
    {
      grade: 'DOT 4',
      samples: [{ point: 'reservoir', water: { percent: 11, meterGrade: 'DOT 4' } }],
    },
    'samples.0.water.percent',
    /between 0 and 10 %/,
  ],
  [
    '/fluid/condition',
    {
      grade: 'DOT 4',
      samples: [{ point: 'reservoir', boiling: { observedC: 200, ambientHpa: 30 } }],
    },
    'samples.0.boiling.ambientHpa',
    /between 500 and 1100 hPa/,
  ],
])('%s %j is refused at its field', async (path, body, field, sentence) => {
  const res = await tech.send('post', path, body).expect(422);
  expect(res.body.faults).toContainEqual({ field, sentence: expect.stringMatching(sentence) });
});
