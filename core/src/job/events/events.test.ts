import { PREPARATION_STEPS } from '../../bleed/plan';
import { knownEvents, layoutOf, loggedEvent, planned, type LooseEvent } from '../../testing';
import {
  answerOf,
  bearsOnDriving,
  happeningFault,
  happeningWords,
  isBadAnswer,
  isBeforePlan,
  isByPhone,
  opensOf,
  partOf,
  settledBy,
  undoOf,
  voidsOf,
  type JobEvent,
  type JobEventKind,
  type PhoneHappening,
} from '.';

/** Every kind that a job's log may hold, with something that is said by it. Written here from the trade, not from the registry. */
const SAID: { readonly [K in JobEventKind]: object } = {
  prepared: { step: 'protect' },
  counting: { way: 'tap' },
  stroke: { openingId: 'o', made: 3 },
  'round broken': { openingId: 'o', how: 'let go while open' },
  'strokes judged': { eventIds: ['s'], count: true },
  bubbles: { openingId: 'o', reading: 'many' },
  colour: { openingId: 'o', colour: 'amber' },
  tried: { openingId: 'o', what: 'tap it', done: true },
  'bleeder opened': { openingId: 'o', turns: 0.5 },
  'pressure set': { on: true },
  'flow set': { openingId: 'o', lookAfterS: 60 },
  'syringe readied': { openingId: 'o' },
  'syringe empty': { openingId: 'o' },
  'topped up': { reservoirId: 'r', containerId: null },
  'drawn off': { reservoirId: 'r' },
  'level seen': { openingId: 'o', levelMl: 12.4, fluidComes: true },
  'jar set': { jarMl: 3 },
  'jar read': { openingId: 'o', jarMl: 20 },
  shut: { openingId: 'o', tightened: 'by feel' },
  'opened again': { openingId: 'o' },
  'shut early': { openingId: 'o', reason: 'as the new' },
  'stage done': { stageId: 's' },
  'stage skipped': { stageId: 's', reason: 'no tool' },
  'part compared': { stageId: 's' },
  'slave tested': { stageId: 's' },
  'tool checked': { stageId: 's' },
  'tool step': { stageId: 's' },
  'bite measured': { stageId: 's' },
  'bench sign': { stageId: 's' },
  'bench ended': { stageId: 's' },
  'tube end out': { stageId: 's' },
  'level dropped': { stageId: 's' },
  'pumped up': { stageId: 's' },
  'rubber renewed': { stageId: 's' },
  'water tested': { stageId: 's' },
  halted: { reason: 'leak', openingId: null },
  decided: { haltId: 'h', decision: 'go on' },
  mended: { haltId: null, where: 'flare', how: 'remade' },
  'size found': { elementId: 'e', size: 'boreMm', value: 22.2 },
  'part fitted': { partId: 'e', cappedAtOnce: true, keptFull: true },
  'master fitted': { masterId: 'm' },
  'taken off': { elementId: 'e' },
  note: { text: 'x' },
  'pedal judged': { masterId: 'm', result: 'springy' },
  'take-up judged': { masterId: 'm', takeUp: 'middle' },
  'pedal read': { masterId: 'm', when: 'after', at: 'rest', pumped: false, heightMm: 180 },
  'sink watched': { masterId: 'm', when: 'after', mm: 4, seconds: 30 },
  'take-up read': { masterId: 'm', restMm: 180, takeUpMm: 90, pumpedMm: null, playMm: null },
  checked: { item: 'joints dry', passes: false },
  'clutch needs': { masterId: 'm', slaveTravelMm: 12, window: null, pitchMm: null },
  'media note': { medium: 'voice', elementId: null },
  'came off': { what: 'Wheel', elementId: null },
  'back on': { eventId: 'w', openItemId: null },
  'joint tightened': { elementId: 'e', manualNm: 10, appliedNm: 9 },
  'look later': { elementId: null, why: 'worn, used again', what: 'hose' },
  'clock started': { clock: 'penetrant', minutes: 15, elementId: null },
  'clock ended': { eventId: 'c' },
  undone: { eventId: 's' },
  'work said': {},
  'taken in': {},
  'fluid read': {},
  'plan accepted': {},
  'fluid used': {},
  'drive set': {},
  'drive ended': { result: 'good' },
  overridden: {},
  released: {},
  ended: {},
};
const KINDS = Object.keys(SAID) as JobEventKind[];
const event = (kind: JobEventKind, more: object = {}) =>
  loggedEvent({ kind, ...SAID[kind], ...more } as LooseEvent);
const voids = (kind: JobEventKind, more: object = {}) => voidsOf(event(kind, more));

// What moves fluid or a piston, opens, shuts or unbolts makes void what was proved before it: facts of the trade, common practice, no source.
const MOVES: readonly JobEventKind[] = [
  'stroke',
  'round broken',
  'strokes judged',
  'bleeder opened',
  'flow set',
  'level seen',
  'jar read',
  'shut',
  'opened again',
  'stage done',
  'stage skipped',
  'part compared',
  'slave tested',
  'tool step',
  'level dropped',
  'pumped up',
  'rubber renewed',
  'halted',
  'mended',
  'part fitted',
  'master fitted',
  'taken off',
  'came off',
];

test('what moves, opens, shuts or unbolts makes the whole proof void', () => {
  expect(KINDS.filter((kind) => voids(kind) === 'all').sort()).toEqual([...MOVES].sort());
});

test('a kind that nothing knows counts as touching', () => {
  expect(voidsOf({ kind: 'never heard of' } as unknown as PhoneHappening)).toBe('all');
});

test('fluid that is poured or drawn off makes void what was said of the level', () => {
  expect(KINDS.filter((kind) => voids(kind) === 'level').sort()).toEqual([
    'drawn off',
    'topped up',
  ]);
  expect(voids('prepared', { step: 'fill reservoir' })).toBe('level');
});

test('what touches nothing says why', () => {
  for (const kind of KINDS) {
    const said = voids(kind);
    if (typeof said !== 'string') expect(said.nothing).toMatch(/\w+ \w+/);
  }
});

test('of the preparation, cracking the bleeders and what else opens a circuit makes all of it void', () => {
  expect(voids('prepared', { step: 'crack bleeders' })).toBe('all');
  const harmless = PREPARATION_STEPS.filter(
    (step) => typeof voids('prepared', { step }) !== 'string',
  );
  expect(harmless).toContain('protect');
  expect(harmless).not.toContain('crack bleeders');
});

test('a drive that went badly makes all of it void, a good one nothing', () => {
  expect(voids('drive ended', { result: 'bad' })).toBe('all');
  expect(voids('drive ended')).toEqual({ nothing: expect.any(String) });
});

// What speaks against a vehicle by itself, from the trade: common practice, no source. Beside each what it is called.
const BRINGS: readonly (readonly [JobEventKind, object, readonly string[]])[] = [
  ['round broken', {}, ['air possible']],
  ['bubbles', {}, ['air possible']],
  ['bubbles', { reading: 'fine' }, ['air possible']],
  ['bubbles', { reading: 'none' }, []],
  ['pressure set', {}, ['done after close']],
  ['pressure set', { on: false }, []],
  ['topped up', {}, []],
  ['topped up', { product: null }, ['product not known']],
  ['prepared', { product: null }, ['product not known']],
  ['level seen', {}, []],
  ['level seen', { levelMl: 0 }, ['air possible']],
  ['shut early', {}, ['air possible']],
  ['halted', {}, ['leak']],
  ['halted', { reason: 'ran dry' }, ['air possible']],
  ['halted', { reason: 'seized' }, ['seized']],
  ['halted', { reason: 'snapped' }, ['snapped']],
  ['halted', { reason: 'nothing comes' }, ['bleeder left']],
  ['halted', { reason: 'air never ends' }, ['air possible']],
  ['halted', { reason: 'grease' }, ['wrong fluid']],
  ['halted', { reason: 'other product' }, ['wrong fluid']],
  ['halted', { reason: 'pedal not right', masterId: 'm' }, ['control soft']],
  ['halted', { reason: 'other size' }, []],
  ['decided', {}, []],
  ['decided', { decision: 'leave shut' }, ['done after close']],
  ['decided', { decision: 'end job' }, ['done after close']],
  ['taken off', {}, ['part off']],
  ['pedal judged', {}, ['control soft']],
  ['pedal judged', { result: 'firm and high' }, []],
  ['take-up judged', {}, []],
  ['take-up judged', { takeUp: 'near the end' }, ['control soft']],
  ['sink watched', { mm: 2 }, []],
  ['sink watched', { mm: 2.1 }, ['control soft']],
  ['take-up read', {}, []],
  ['take-up read', { takeUpMm: 1 }, ['control soft']],
  ['checked', {}, ['leak']],
  ['checked', { item: 'slave and master dry', masterId: 'm' }, ['leak']],
  ['checked', { item: 'no slip', masterId: 'm' }, ['control soft']],
  ['checked', { item: 'level' }, ['done after close']],
  ['checked', { passes: true }, []],
  ['came off', {}, ['not back on']],
  ['came off', { what: 'Line or hose' }, ['air possible', 'not back on']],
  ['joint tightened', {}, []],
  ['joint tightened', { appliedNm: 13 }, ['tightness']],
  ['joint tightened', { appliedNm: 8 }, ['tightness']],
  ['joint tightened', { appliedNm: null }, []],
  ['look later', {}, ['look again']],
  ['drive ended', {}, []],
  ['drive ended', { result: 'bad' }, ['drive failed']],
  ['ended', {}, []],
  ['ended', { stop: true }, ['stop verdict']],
];
const brought = (kind: JobEventKind, more: object = {}) =>
  [...new Set(opensOf(event(kind, more), []).map((b) => b.what))].sort();

test.each(BRINGS)('%s %j brings %j', (kind, more, what) => {
  expect(brought(kind, more)).toEqual(what);
});

test('whatever is not in that list brings nothing by itself', () => {
  const said = new Set(BRINGS.map(([kind]) => kind));
  for (const kind of KINDS) if (!said.has(kind)) expect([kind, brought(kind)]).toEqual([kind, []]);
});

test('what is over by what: each sort of open item has something that ends it, and nothing ends a wrong fluid in a job', () => {
  const by = (what: string) =>
    [...KINDS, 'marked', 'looked at', 'cycle elsewhere', 'stripped elsewhere']
      .filter((kind) => settledBy(kind).some((s) => s === what))
      .sort();
  expect(by('wrong fluid')).toEqual(['stripped elsewhere']);
  expect(by('product not known')).toEqual(['stripped elsewhere']);
  expect(by('marked')).toEqual(['looked at', 'released']);
  expect(by('not back on')).toEqual(['back on', 'mended']);
  expect(by('leak')).toEqual(['decided', 'mended', 'released']);
  expect(by('air possible')).toEqual(['bubbles', 'decided', 'shut']);
  expect(by('old fluid')).toEqual(['colour', 'shut']);
  expect(by('tightness')).toEqual(['joint tightened', 'mended']);
  expect(by('drive failed')).toEqual(['drive ended', 'released']);
  expect(by('tool cycle owed')).toEqual(['cycle elsewhere']);
  expect(settledBy('never heard of')).toEqual([]);
});

test('what bears on whether it may be driven: all but what is only written, timed, shown or set beside the vehicle', () => {
  const harmless = KINDS.filter((kind) => isByPhone(kind) && !bearsOnDriving(event(kind)));
  expect(harmless.sort()).toEqual([
    'clock ended',
    'clock started',
    'clutch needs',
    'counting',
    'jar set',
    'look later',
    'media note',
    'note',
    'size found',
    'syringe empty',
    'syringe readied',
    'tried',
    'undone',
  ]);
});

test('an answer says what it answers, and whether; a reading answers only with the others', () => {
  const [plan] = [planned(layoutOf('hatchback-diagonal'))];
  const of = (kind: JobEventKind, more: object = {}) => answerOf(event(kind, more), [plan!]);
  expect(of('pedal judged')).toEqual({ masterId: 'm', item: 'result', value: 'springy' });
  // An old one that named no master spoke of the first in hand.
  expect(of('pedal judged', { masterId: null })).toMatchObject({ masterId: 'master' });
  expect(of('take-up judged')).toEqual({ masterId: 'm', item: 'result', value: 'middle' });
  expect(of('checked')).toEqual({ masterId: null, item: 'joints dry', value: false });
  for (const kind of KINDS)
    if (!['pedal judged', 'take-up judged', 'checked'].includes(kind)) expect(of(kind)).toBeNull();
  expect(isBadAnswer(event('checked') as JobEvent, [plan!])).toBe(true);
  expect(isBadAnswer(event('checked', { passes: true }) as JobEvent, [plan!])).toBe(false);
  // Bad news, and no answer.
  expect(isBadAnswer(event('halted') as JobEvent, [plan!])).toBe(false);
});

test('what is decided with the server’s answer is said at the desk; a phone says everything else', () => {
  const desk = KINDS.filter((kind) => !isByPhone(kind));
  expect(desk.sort()).toEqual([
    'drive ended',
    'drive set',
    'ended',
    'fluid read',
    'fluid used',
    'overridden',
    'plan accepted',
    'released',
    'taken in',
    'work said',
  ]);
  expect(isByPhone('marked')).toBe(false);
});

test('what is proved, shown, timed or owed is no step of the run', () => {
  const ofRun = KINDS.filter((kind) => partOf(kind) === 'run');
  for (const kind of ['stroke', 'shut', 'halted', 'note', 'tool step'] as const)
    expect(ofRun).toContain(kind);
  for (const kind of ['checked', 'pedal read', 'media note', 'clock started', 'undone'] as const)
    expect(ofRun).not.toContain(kind);
});

test('from the first day a job takes photos, clocks, torques, notes and what came off; the rest waits for its plan', () => {
  expect(KINDS.filter(isBeforePlan).sort()).toEqual([
    'back on',
    'came off',
    'clock ended',
    'clock started',
    'joint tightened',
    'look later',
    'media note',
    'note',
    'undone',
  ]);
});

test('whoever is asked about an event is told what it was', () => {
  const names = {
    at: () => 'left rear',
    control: () => 'brake pedal',
    stage: () => 'tool cycle',
  };
  const words = (kind: JobEventKind, more: object = {}) =>
    happeningWords(event(kind, more) as unknown as PhoneHappening, names);
  for (const kind of KINDS.filter(isByPhone)) expect(words(kind).length).toBeGreaterThan(3);
  expect(words('stroke')).toBe('3 strokes, left rear');
  expect(words('stroke', { made: undefined })).toBe('a stroke, left rear');
  expect(words('bubbles')).toBe('bubbles many, left rear');
  expect(words('sink watched', { engine: 'running' })).toBe(
    'brake pedal: sank 4 mm in 30 s, engine running',
  );
  expect(words('flow set', { lookAfterS: null })).toBe('the flow stopped, left rear');
  expect(words('tool step')).toBe('tool cycle');
  expect(words('checked')).toMatch(/^joints .*: no$/);
});

test('what a phone said is taken back; of what was poured it is asked whether it went in; what was decided at the desk stays', () => {
  const undo = (kind: string, more: object = {}) => undoOf({ kind, ...more } as { kind: string });
  for (const kind of ['stroke', 'shut', 'halted', 'pedal judged', 'came off', 'stage done'])
    expect(undo(kind)).toBe('takes it back');
  expect(undo('topped up')).toBe('asks whether it went in');
  expect(undo('prepared', { step: 'fill reservoir' })).toBe('asks whether it went in');
  expect(undo('prepared', { step: 'clean reservoir' })).toBe('asks whether it went in');
  expect(undo('prepared', { step: 'empty reservoir' })).toBe('takes it back');
  for (const kind of ['released', 'ended', 'plan accepted', 'marked', 'looked at'])
    expect(undo(kind)).toEqual({ nothing: expect.stringMatching(/decided at the desk/) });
});

describe('an event that names what was never there is refused', () => {
  const plan = planned(layoutOf('hatchback-diagonal'));
  const openingId = plan.openings[0]!.id;
  const known = { plans: [plan], ...knownEvents({ w: 'came off', c: 'clock started' }) };
  const fault = (kind: JobEventKind, more: object = {}) =>
    happeningFault(known, event(kind, { planId: plan.id, ...more }) as JobEvent);

  test.each<[JobEventKind, object, RegExp | null]>([
    ['stroke', {}, /no bleeder "o"/],
    ['stroke', { openingId }, null],
    ['stroke', { openingId, planId: 'other' }, /no plan "other"/],
    ['came off', {}, null],
    ['came off', { noteId: 'w' }, /no photo or voice note/],
    ['back on', {}, null],
    ['back on', { eventId: 'c' }, /no event "c" by which/],
    ['back on', { openItemId: 'x' }, /Name what is back/],
    ['clock ended', {}, null],
    ['clock ended', { eventId: 'w' }, /no clock "w"/],
    ['taken off', {}, /no element "e"/],
    ['look later', { elementId: 'left-rear' }, null],
    ['look later', { elementId: 'nowhere' }, /no element "nowhere"/],
    ['checked', { masterId: 'master' }, /whole vehicle/],
    ['checked', { item: 'servo gives' }, /give its master/],
    ['take-up read', { masterId: 'master' }, /only a clutch/],
    ['tool step', {}, /no stage "s"/],
  ])('%s %j', (kind, more, sentence) => {
    if (sentence) expect(fault(kind, more)).toMatch(sentence);
    else expect(fault(kind, more)).toBeNull();
  });

  test('a job keeps two hundred photos and voice notes', () => {
    const at = (mediaNotes: number) =>
      happeningFault({ ...known, mediaNotes }, event('media note') as JobEvent);
    expect(at(199)).toBeNull();
    expect(at(200)).toContain('keeps 200');
  });
});
