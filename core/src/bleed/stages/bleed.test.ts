import type { Method } from '../../hydraulics/flow';
import type { MethodRow } from '../method';
import type { OrderedVisit } from '../../hydraulics/order';
import { findScope, openedBy, routineFlush, type WorkDone } from '../scope';
import { afterWork, allMasters, cappedPart, EVERYTHING, layoutOf } from '../../testing';
import type { StageInput } from './base';
import { bleed } from './bleed';
import { draftStages, needsTool, toolStepsOf } from '.';
import { toolCycle } from './toolCycle';

const car = layoutOf('hatchback-diagonal');
const FLUSH = routineFlush(allMasters(car));
const SOFT: WorkDone = { ...FLUSH, purpose: 'soft pedal' };
const DRY: WorkDone = { ...FLUSH, purpose: 'new or dry' };

/** A ranking in which these methods work, in that order. */
const ranking = (...works: Method[]): MethodRow[] =>
  works.map((method) => ({ method, verdict: 'feasible' }) as MethodRow);
const input = (work: WorkDone, method: Method, more: Partial<StageInput> = {}): StageInput => {
  const finding = findScope(car, work);
  return {
    layout: car,
    work,
    means: EVERYTHING,
    primeInPlace: false,
    holdPoint: true,
    underWay: false,
    finding,
    open: openedBy(finding),
    method,
    ranking: ranking('two people', 'alone, bottle', 'pressure', 'vacuum', 'gravity', 'reverse'),
    orderOf: (bleederIds) =>
      bleederIds.map(
        (bleederId) =>
          ({
            visit: { bleederId, until: 'new' },
            why: { code: 'farthest' },
          }) as unknown as OrderedVisit,
      ),
    ...more,
  };
};
const stagesOf = (work: WorkDone, method: Method, more: Partial<StageInput> = {}) =>
  bleed
    .drafts(input(work, method, more))
    .map((d) =>
      d.kind === 'bleed'
        ? `${d.purpose} by ${d.method}, ${d.visits.length} until ${[...new Set(d.visits.map((v) => v.visit.until))].join('/')}`
        : d.kind,
    );
const only = (...works: Method[]) => ({ ranking: ranking(...works) });

// Which pass follows which: common practice, no source.
describe('the passes of a bleed', () => {
  test.each<[string, WorkDone, Method, Partial<StageInput>, string[]]>([
    ['a flush by strokes is one', FLUSH, 'two people', {}, ['bleed by two people, 4 until new']],
    ['and so is one under pressure', FLUSH, 'pressure', {}, ['bleed by pressure, 4 until new']],
    [
      'bubbles under vacuum are no measure: strokes come last',
      FLUSH,
      'vacuum',
      {},
      ['bleed by vacuum, 4 until new', 'finish with strokes by two people, 4 until clear'],
    ],
    [
      'where nobody can make strokes, vacuum stands alone',
      FLUSH,
      'vacuum',
      only('vacuum'),
      ['bleed by vacuum, 4 until new'],
    ],
    [
      'with air, strokes finish what pressure began',
      SOFT,
      'pressure',
      {},
      ['bleed by pressure, 4 until new', 'finish with strokes by two people, 4 until clear'],
    ],
    ['strokes finish themselves', SOFT, 'two people', {}, ['bleed by two people, 4 until new']],
    [
      'from below the old fluid goes out downwards first, and air may have come with it',
      SOFT,
      'reverse',
      {},
      [
        'old fluid out by two people, 4 until new',
        'bleed by reverse, 4 until sweep',
        'finish with strokes by two people, 4 until clear',
      ],
    ],
    [
      'down by the best way there is',
      SOFT,
      'reverse',
      only('gravity', 'reverse'),
      ['old fluid out by gravity, 4 until new', 'bleed by reverse, 4 until sweep'],
    ],
    [
      'from below with no way down, nothing goes out first',
      SOFT,
      'reverse',
      only('reverse'),
      ['bleed by reverse, 4 until sweep'],
    ],
    [
      'a dry system is primed by vacuum, bled by strokes, and gone round again',
      DRY,
      'two people',
      {},
      [
        'prime by vacuum, 4 until sweep',
        'bleed by two people, 4 until new',
        'in turn until clear by two people, 4 until clear',
      ],
    ],
    [
      'without vacuum, strokes alone do it',
      DRY,
      'two people',
      only('two people'),
      ['bleed by two people, 4 until new', 'in turn until clear by two people, 4 until clear'],
    ],
    [
      'under pressure it primes itself, and strokes bleed it',
      DRY,
      'pressure',
      {},
      [
        'prime by pressure, 4 until sweep',
        'bleed by two people, 4 until new',
        'in turn until clear by two people, 4 until clear',
      ],
    ],
    [
      'under pressure where nobody makes strokes',
      DRY,
      'pressure',
      only('pressure'),
      [
        'prime by pressure, 4 until sweep',
        'bleed by pressure, 4 until new',
        'in turn until clear by pressure, 4 until clear',
      ],
    ],
    [
      'one bleeder is not gone round',
      DRY,
      'two people',
      { open: ['left-rear'] },
      ['prime by vacuum, 1 until sweep', 'bleed by two people, 1 until new'],
    ],
    [
      'after an injection, the strokes that work',
      FLUSH,
      'injection',
      {},
      ['bleed by two people, 4 until new'],
    ],
    [
      'and two people where none is ranked',
      FLUSH,
      'injection',
      only('gravity'),
      ['bleed by two people, 4 until new'],
    ],
    ['nothing open, nothing bled', FLUSH, 'two people', { open: [] }, []],
  ])('%s', (_, work, method, more, stages) => {
    expect(stagesOf(work, method, more)).toEqual(stages);
  });

  test('a method that cannot work is passed over, however high it stands', () => {
    const rows: MethodRow[] = [
      { method: 'two people', verdict: 'hopeless' } as MethodRow,
      { method: 'alone, bottle', verdict: 'second best' } as MethodRow,
      { method: 'vacuum', verdict: 'feasible' } as MethodRow,
    ];
    expect(stagesOf(FLUSH, 'vacuum', { ranking: rows })[1]).toContain('alone, bottle');
  });
});

describe('two changed parts', () => {
  const two = (...ids: string[]) => afterWork(car, { parts: ids.map(cappedPart) });
  const held = two('left-front-caliper', 'right-rear-caliper');

  test('of one circuit are held apart: bled, proved, then the second', () => {
    expect(stagesOf(held, 'two people')).toEqual([
      'bleed by two people, 1 until new',
      'hold point',
      'second part by two people, 1 until new',
    ]);
    const [first, hold, second] = bleed.drafts(input(held, 'two people'));
    expect(first).toMatchObject({ visits: [{ visit: { bleederId: 'left-front' } }] });
    expect(hold).toEqual({ kind: 'hold point', partId: 'right-rear-caliper' });
    expect(second).toMatchObject({ visits: [{ visit: { bleederId: 'right-rear' } }] });
  });

  test.each<[string, WorkDone, Partial<StageInput>]>([
    ['nobody wants to hold', held, { holdPoint: false }],
    ['they are of two circuits', two('left-front-caliper', 'left-rear-caliper'), {}],
    ['there is one part', two('left-front-caliper'), {}],
    ['air is in the modulator', { ...held, modulatorOpened: true }, {}],
    ['it ran dry', { ...held, lowest: [{ reservoirId: 'reservoir', belowMaxMm: 200 }] }, {}],
  ])('go together where %s', (_, work, more) => {
    expect(stagesOf(work, 'two people', more)).not.toContain('hold point');
  });

  test('parts of one wheel open the same bleeder, and are held apart all the same', () => {
    const [wheel, hose] = ['left-front-caliper', 'left-front-hose'];
    const opened = (parts: string[]) => openedBy(findScope(car, two(...parts)));
    expect(opened([wheel!])).toEqual(opened([hose!]));
    expect(stagesOf(two(wheel!, hose!), 'two people')).toContain('hold point');
  });
});

describe('a tool cycle', () => {
  const opened = afterWork(car, { modulatorOpened: true });
  const cycle = (work: WorkDone, method: Method = 'two people', more: Partial<StageInput> = {}) =>
    toolCycle
      .drafts(input(work, method, more))
      .map((d) => (d.kind === 'bleed' ? `${d.purpose} by ${d.method}` : `${d.kind} ${d.atHand}`));

  test('comes where air may be in the pockets, or they are to be renewed, with a base bleed after it', () => {
    expect(cycle(opened)).toEqual(['tool cycle true', 'again after the tool by two people']);
    expect(cycle({ ...FLUSH, renewPockets: true })).toHaveLength(2);
    expect(cycle(FLUSH)).toEqual([]);
    expect(cycle({ ...SOFT, renewPockets: true })).toEqual([]);
    expect(cycle(opened, 'two people', { means: { ...EVERYTHING, scanTool: false } })[0]).toBe(
      'tool cycle false',
    );
  });

  test('the bleed after it is by strokes where any work, else as before', () => {
    expect(cycle(opened, 'pressure')[1]).toContain('two people');
    expect(cycle(opened, 'pressure', only('pressure'))[1]).toContain('pressure');
    expect(cycle(opened, 'injection', only('injection'))[1]).toContain('two people');
  });

  test('only where a tool is made for it', () => {
    const kinds = (['hatchback-diagonal', 'van-four-channel', 'motorcycle-abs'] as const).map(
      (id) => needsTool(layoutOf(id)),
    );
    expect(kinds).toEqual([true, true, true]);
    expect(needsTool(layoutOf('estate-front-rear'))).toBe(false);
    expect(needsTool(layoutOf('pickup-rear-abs'))).toBe(false);
  });

  test('goes wheel by wheel in the order of what is bled after it, not before', () => {
    const stop = (id: string) => ({ id, bleeder: car.bleeders.find((b) => b.id === id)! });
    const plan = {
      layout: car,
      stages: [
        { id: 'a', kind: 'bleed', openingIds: ['left-front'] },
        { id: 'b', kind: 'tool cycle' },
        { id: 'c', kind: 'bleed', openingIds: ['right-rear', 'left-rear'] },
      ],
      openings: ['left-front', 'right-rear', 'left-rear'].map(stop),
    } as unknown as Parameters<typeof toolStepsOf>[0];
    expect(toolStepsOf(plan, 'b').map((s) => s.id)).toEqual([
      'right-rear:valves',
      'right-rear:pump',
      'left-rear:valves',
      'left-rear:pump',
    ]);
  });
});

test('the chain: right part, bench, lines, then the bleed, the tool and what proves it', () => {
  const kinds = (work: WorkDone, more: Partial<StageInput> = {}) =>
    draftStages(input(work, 'two people', more)).map((d) => d.kind);
  const master = {
    masterId: 'master',
    linesStayedFull: false,
    linesAboveWheels: true,
    nothingElseOpened: true,
    modulatorLostNothing: false,
    heldDown: true,
    bench: 'not done' as const,
  };
  const work = afterWork(car, { master, endLost: 'front' });
  expect(kinds(work)).toEqual([
    'right part',
    'bench',
    'join lines',
    'centre the valve',
    'bleed',
    'tool cycle',
    'bleed',
  ]);
  // Planned anew while a run is under way, parts are compared and lines joined already.
  expect(kinds(work, { underWay: true })).toEqual([
    'bench',
    'centre the valve',
    'bleed',
    'tool cycle',
    'bleed',
  ]);
  expect(kinds(work, { primeInPlace: true })).not.toContain('bench');
  expect(kinds({ ...work, purpose: 'soft pedal' })).not.toContain('join lines');
});
