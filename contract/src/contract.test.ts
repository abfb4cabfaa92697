import { layoutOf } from '@brook/core/testing';
import { layoutTemplates } from '@brook/core/vehicle/circuit/templates';
import Ajv2020 from 'ajv/dist/2020';
import { PREPARATION_STEPS } from '@brook/core/bleed/plan';
import { PROOF_ITEMS } from '@brook/core/job/items';
import { DEFAULT_RULES } from '@brook/core/bleed/rules';
import {
  fluidEntry,
  fluidUsed,
  eventBatch,
  houseRules,
  jobEvent,
  jobQuery,
  layout,
  newJob,
  layoutJsonSchema,
  newVehicle,
  planChoices,
  signIn,
  workDone,
} from '.';
import { line } from './common';
import { OPERATIONS, openApi } from './openapi';

const ID = '5d1d3b74-6b0f-4d0e-9f0b-0c8a5c1e7a11';
const EVENT = { id: ID, deviceId: ID, deviceSeq: 1, atMs: 0, planId: null };
const sentences = (
  schema: {
    safeParse(input: unknown): {
      success: boolean;
      error?: { issues: readonly { message: string }[] };
    };
  },
  input: unknown,
) => {
  const result = schema.safeParse(input);
  return result.success ? [] : result.error!.issues.map((i) => i.message);
};

const ENTRY = { demands: [], control: 'none', seals: 'ordinary', inSystem: 'unknown', samples: [] };

describe('every refusal is a sentence that says what would be right', () => {
  test.each([
    ['Batch', '', ['Batch is missing.']],
    ['Name', '   ', ['Give it a name.']],
    ['Name', 'A', ['Name is too short; give 2 to 60 characters.']],
    ['Name', 'A'.repeat(61), ['Name is too long; give 2 to 60 characters.']],
    ['Name', undefined, ['Name is missing; give 2 to 60 characters.']],
    ['Name', 'Ode', []],
  ])('%s given as %j: one sentence', (what, given, sentences) => {
    const answer = line(what, 2, 60).safeParse(given);
    expect(answer.error?.issues.map((issue) => issue.message) ?? []).toEqual(sentences);
  });

  test.each<[string, Parameters<typeof sentences>[0], unknown]>([
    ['sign-in without a name', signIn, { password: 'x' }],
    [
      'a grade that is none',
      fluidEntry,
      { ...ENTRY, demands: [{ source: 'cap', grades: ['DOT 2'] }] },
    ],
    [
      'water above what a meter shows',
      fluidEntry,
      { ...ENTRY, samples: [{ point: 'reservoir', water: { percent: 40, meterGrade: 'DOT 4' } }] },
    ],
    [
      'a fluid entry without demands and samples',
      fluidEntry,
      { control: 'none', seals: 'ordinary', inSystem: 'unknown' },
    ],
    [
      'more poured than any container holds',
      fluidUsed,
      {
        containers: [{ containerId: ID, pouredMl: 30_000 }],
        bledMl: 0,
        bledBy: 'strokes',
        removedMl: 0,
        spilledMl: 0,
      },
    ],
    ['house rules that nobody has', houseRules, { ...DEFAULT_RULES, climate: 'arctic' }],
    ['a job for no vehicle', newJob, { vehicleId: 'x' }],
    ['a purpose that is none', newJob, { vehicleId: ID, purpose: 'a wash' }],
    [
      'work that leaves a condition open',
      workDone,
      {
        purpose: 'after work',
        masterIds: ['master'],
        parts: [{ partId: 'x', cappedAtOnce: true }],
      },
    ],
    ['nothing in hand', workDone, { purpose: 'routine flush', masterIds: [] }],
    [
      'a workshop at the pole',
      planChoices,
      {
        work: { purpose: 'routine flush', masterIds: ['m'] },
        circumstances: {
          temperatureC: -60,
          axleHanging: false,
          masterWorn: false,
          dirty: false,
          takesNoFluid: false,
        },
      },
    ],
    ['a vehicle with neither template nor layout', newVehicle, { name: 'Car', tag: 'C' }],
    ['an empty batch', eventBatch, { events: [], lowestWaiting: 1, since: 0 }],
    ['a limit of none', jobQuery, { limit: 0 }],
    [
      'a pedal word that is none',
      jobEvent,
      { ...EVENT, kind: 'pedal judged', masterId: null, result: 'fine' },
    ],
  ])('%s', (_, schema, input) => {
    const said = sentences(schema, input);
    expect(said.length).toBeGreaterThan(0);
    for (const sentence of said) expect(sentence).toMatch(/(should|give|is|Choose|reading).*\.$/);
  });
});

test('spaces around what was typed do not count', () => {
  expect(
    newVehicle.parse({ name: '  Post van ', tag: ' PV 1 ', templateId: 'hatchback-diagonal' }),
  ).toMatchObject({ name: 'Post van', tag: 'PV 1' });
});

test('what the contract does not know is refused, not dropped', () => {
  expect(sentences(signIn, { login: 'una', password: 'x', admin: true })).toHaveLength(1);
  expect(
    sentences(jobEvent, {
      ...EVENT,
      kind: 'stroke',
      openingId: 'a',
      by: 'somebody',
    }),
  ).toHaveLength(1);
  const checked = {
    ...EVENT,
    kind: 'tool checked',
    stageId: 'stage-2',
    by: 'by hand',
    check: { batteryV: 12.4, ignition: 'on', codes: [] },
  };
  expect(sentences(jobEvent, checked)).toEqual([]);
  expect(sentences(jobEvent, { ...checked, check: { ...checked.check, batteryV: 120 } })).toEqual([
    'Battery should be 0 to 30 V.',
  ]);
});

test('every step and every check of core can be put down', () => {
  for (const step of PREPARATION_STEPS) {
    expect(jobEvent.safeParse({ ...EVENT, kind: 'prepared', step }).success).toBe(true);
  }
  for (const item of new Set(Object.values(PROOF_ITEMS).flat()))
    expect(jobEvent.safeParse({ ...EVENT, kind: 'checked', item, passes: true }).success).toBe(
      true,
    );
});

test('every template passes as it is, a bad layout names its element in the path', () => {
  for (const t of layoutTemplates)
    for (const side of t.driverSides) expect(layout.parse(t.build(side))).toEqual(t.build(side));
  const good = layoutOf('hatchback-diagonal', 'left');
  const bad = layout.safeParse({
    ...good,
    bleeders: [
      {
        ...good.bleeders[0]!,
        fitting: { listed: { wrenchMm: 99, thread: null, torqueNm: null }, found: null },
      },
      ...good.bleeders.slice(1),
    ],
  });
  expect(bad.error!.issues[0]!.path).toEqual(['left-front']);
});

test('the description names each call once, and every schema that it takes or gives', () => {
  const keys = OPERATIONS.map((o) => `${o.method} ${o.path}`);
  expect(new Set(keys).size).toBe(keys.length);
  const document = openApi() as { components: { schemas: Record<string, object> } };
  for (const o of OPERATIONS)
    for (const name of [o.takes, o.gives])
      if (name) expect(document.components.schemas[name]).toBeDefined();
});

// JSON Schema 2020-12, checked by Ajv.
test('the published schema of a layout takes every template and refuses what the contract refuses', () => {
  const check = new Ajv2020({ strict: false }).compile(layoutJsonSchema());
  for (const t of layoutTemplates)
    expect(check(JSON.parse(JSON.stringify(t.build(t.driverSides[0]!))))).toBe(true);
  const good = layoutOf('three-wheeler', 'left');
  for (const bad of [
    { ...good, version: 1 },
    { ...good, colour: 'red' },
    { ...good, masters: [{}] },
    { ...good, abs: 'magic' },
  ]) {
    expect(check(bad)).toBe(false);
    expect(layout.safeParse(bad).success).toBe(false);
  }
});
