import { layoutOf } from '@brook/core/testing';
import type { PlanChoices } from '@brook/contract';
import { routineFlush } from '@brook/core/bleed/scope';
import { workDraft, workFaults, workOf, type WorkDraft } from './work';

const layout = layoutOf('clutch-concentric', 'right');
const CHOICES: PlanChoices = {
  work: {
    ...routineFlush(['master', 'clutch-master']),
    masterIds: ['master', 'clutch-master'],
    parts: [],
    master: null,
    lowest: [],
    renewPockets: false,
  },
  means: {
    helper: true,
    bottle: true,
    vacuumPump: false,
    pressurePot: false,
    syringe: true,
    selfRefilling: false,
    scanTool: false,
  },
  circumstances: {
    temperatureC: 20,
    axleHanging: false,
    masterWorn: false,
    dirty: false,
    takesNoFluid: false,
  },
  method: 'two people',
  order: 'least fluid',
  leastFluid: ['left-rear'],
  holdPoint: true,
  primeInPlace: false,
  leaveOldFluid: false,
  partnerAges: [],
};
const draft = (more: Partial<WorkDraft> = {}): WorkDraft => ({
  ...workDraft(layout, CHOICES),
  ...more,
});
const MASTER = {
  masterId: 'master',
  done: 'yes',
  bench: 'clean',
  linesOver: [],
  answers: {
    linesStayedFull: 'yes',
    linesAboveWheels: 'yes',
    nothingElseOpened: 'no',
    modulatorLostNothing: 'yes',
    heldDown: 'yes',
  },
} as const;

test('what was answered comes back as it was answered', () => {
  const answered: PlanChoices = {
    ...CHOICES,
    order: null,
    leastFluid: null,
    partnerAges: [{ partId: 'slave', months: 30 }],
    work: {
      purpose: 'after work',
      also: ['renew'],
      found: [{ what: 'wet joint', where: 'rear bracket' }],
      masterIds: ['clutch-master'],
      parts: [{ partId: 'slave', cappedAtOnce: true, keptFull: false, newPart: true }],
      lowest: [{ reservoirId: 'reservoir', belowMaxMm: 40 }],
      modulatorOpened: false,
      airInModulator: false,
      renewPockets: false,
      endLost: null,
      anotherLamp: false,
      master: {
        masterId: 'clutch-master',
        linesStayedFull: true,
        linesAboveWheels: true,
        nothingElseOpened: false,
        modulatorLostNothing: true,
        heldDown: true,
        bench: 'a few tiny bubbles',
        notYet: false,
        linesOver: [],
      },
    },
  };
  expect(workOf(layout, workDraft(layout, answered), answered)).toEqual(answered);
});

test.each<[string, Partial<WorkDraft>, RegExp | null]>([
  ['a flush needs no more', {}, null],
  ['nothing asked', { asks: [] }, /why it is here/],
  ['nothing in hand', { masterIds: [] }, /in hand/],
  ['work without a part', { asks: ['part'] }, /Which part was changed/],
  [
    'a part named, the rest not asked',
    {
      asks: ['part'],
      parts: [
        { partId: 'slave', done: 'yes', cappedAtOnce: 'yes', keptFull: 'yes', newPart: 'no' },
      ],
    },
    /anything else was opened/,
  ],
  [
    'something else, not named',
    {
      asks: ['part'],
      parts: [
        { partId: 'slave', done: 'yes', cappedAtOnce: 'yes', keptFull: 'yes', newPart: 'no' },
      ],
      elseOpened: 'yes',
    },
    /Name what else/,
  ],
  [
    'a part with an open question',
    {
      asks: ['part'],
      parts: [
        { partId: 'slave', done: 'yes', cappedAtOnce: 'yes', keptFull: null, newPart: 'yes' },
      ],
    },
    /new, done, capped, and kept full/,
  ],
  [
    'a master with an open question',
    { asks: ['part'], masterChanged: { ...MASTER, bench: null } },
    /every question/,
  ],
  [
    'a master of which nobody said whether it is on',
    { asks: ['part'], masterChanged: { ...MASTER, done: null } },
    /every question/,
  ],
  [
    'a master with one question open',
    {
      asks: ['part'],
      masterChanged: { ...MASTER, answers: { ...MASTER.answers, heldDown: undefined } },
    },
    /every question/,
  ],
  [
    'a master that is not on yet: only what can be known before',
    {
      asks: ['part'],
      masterChanged: {
        ...MASTER,
        done: 'no',
        bench: null,
        answers: { linesAboveWheels: 'yes' },
      },
    },
    null,
  ],
  [
    'a master that is not on yet, its lines not said',
    {
      asks: ['part'],
      masterChanged: { ...MASTER, done: 'no', bench: null, answers: {} },
    },
    /every question/,
  ],
  [
    'a level that cannot be',
    { asks: ['soft'], lowest: { reservoir: '900' } },
    /Reservoir: give 0 to 300 mm/,
  ],
  ['a level alone is enough', { asks: ['part'], lowest: { reservoir: '60' } }, null],
])('%s', (_, more, sentence) => {
  const faults = Object.values(workFaults(layout, draft(more)));
  if (sentence === null) expect(faults).toEqual([]);
  else expect(faults.join(' ')).toMatch(sentence);
});

test('another purpose drops what belonged to the last one, and the method is chosen anew', () => {
  const full = draft({
    asks: ['part'],
    parts: [{ partId: 'slave', done: 'yes', cappedAtOnce: 'yes', keptFull: 'yes', newPart: 'no' }],
    masterChanged: MASTER,
    lowest: { reservoir: '40' },
    modulatorOpened: 'yes',
  });
  expect(workOf(layout, full, CHOICES)).toMatchObject({
    method: null,
    order: null,
    leastFluid: null,
    work: { master: { modulatorLostNothing: false }, lowest: [{ belowMaxMm: 40 }] },
  });
  expect(workOf(layout, { ...full, asks: ['renew'] }, CHOICES)).toMatchObject({
    method: 'two people',
    work: { parts: [], master: null, lowest: [], modulatorOpened: false },
  });
});

// Not knowing is never the smaller scope; what is not done yet is asked about by the run: common practice, no source.
test('nobody knows counts as no, not yet as an answer of its own', () => {
  const part = {
    partId: 'slave',
    newPart: 'yes',
    cappedAtOnce: 'unknown',
    keptFull: 'unknown',
  } as const;
  const sent = (done: 'yes' | 'no') =>
    workOf(layout, draft({ asks: ['part'], parts: [{ ...part, done }] }), CHOICES).work.parts;
  expect(sent('yes')).toEqual([
    { partId: 'slave', newPart: true, cappedAtOnce: false, keptFull: false },
  ]);
  expect(sent('no')).toEqual([
    { partId: 'slave', newPart: true, cappedAtOnce: true, keptFull: true, notYet: true },
  ]);
  const back = workDraft(layout, { ...CHOICES, work: { ...CHOICES.work, parts: [...sent('no')] } });
  expect(back.parts).toMatchObject([{ done: 'no' }]);
  const open = { ...part, done: 'no' as const, cappedAtOnce: null, keptFull: null };
  const asked = draft({ asks: ['part'], parts: [open], elseOpened: 'no' });
  expect(workFaults(layout, asked)).toEqual({});
});

// A question is put so that yes is not always the good answer; what nobody knows was not kept.
test('of a master each answer counts by what is good, nobody knows as not kept, not yet as kept until the run asks', () => {
  const sent = (more: object) =>
    workOf(layout, draft({ asks: ['part'], masterChanged: { ...MASTER, ...more } }), CHOICES).work
      .master;
  expect(sent({})).toMatchObject({
    linesStayedFull: true,
    nothingElseOpened: true,
    // A modulator that lost fluid: yes is the bad answer.
    modulatorLostNothing: false,
    bench: 'clean',
    notYet: false,
  });
  const nobody = Object.fromEntries(Object.keys(MASTER.answers).map((k) => [k, 'unknown']));
  expect(sent({ answers: nobody })).toMatchObject({
    linesStayedFull: false,
    linesAboveWheels: false,
    nothingElseOpened: false,
    modulatorLostNothing: false,
    heldDown: false,
  });
  expect(sent({ done: 'no', bench: null, answers: { linesAboveWheels: 'unknown' } })).toMatchObject(
    {
      linesStayedFull: true,
      linesAboveWheels: false,
      nothingElseOpened: true,
      modulatorLostNothing: true,
      heldDown: true,
      bench: 'not done',
      notYet: true,
    },
  );
  const older = { ...CHOICES.work, master: { ...sent({})!, notYet: undefined } };
  expect(workDraft(layout, { ...CHOICES, work: older }).masterChanged).toMatchObject({
    done: null,
  });
});

// A lamp that was lit at intake may be the valve's: it is not taken for “no” where nobody said so.
test('a lamp lit at intake asks which end was lost, on a vehicle whose differential valve has one', () => {
  const valve = {
    kind: 'valve' as const,
    id: 'differential',
    name: 'Differential valve',
    heightMm: 500,
    valve: 'differential' as const,
    end: 'front' as const,
    button: false,
  };
  const withValve = { ...layout, nodes: [...layout.nodes, valve] };
  const found = [{ what: 'lamp lit' as const, where: 'brake' }];
  const came = (more: object) => ({ ...CHOICES, work: { ...CHOICES.work, ...more } });
  const asked = workDraft(withValve, came({ found }));
  expect(asked.endLost).toBeNull();
  expect(workFaults(withValve, asked)).toHaveProperty('endLost');
  expect(workFaults(withValve, { ...asked, endLost: 'rear' })).toEqual({});
  expect(workDraft(withValve, came({ found, endLost: 'front' })).endLost).toBe('front');
  // Said once, it is not asked again.
  const other = workOf(withValve, { ...asked, endLost: 'no' }, came({ found }));
  expect(other.work).toMatchObject({ endLost: null, anotherLamp: true });
  expect(workDraft(withValve, other).endLost).toBe('no');
  for (const [on, work] of [
    [layout, { found }],
    [withValve, {}],
    [withValve, { found: [{ what: 'sinks', where: '' }] }],
  ] as const)
    expect(workDraft(on, came(work)).endLost).toBe('no');
});
