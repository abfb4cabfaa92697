import { DECISIONS, type Product } from '../../job/events';
import type { Layout } from '../../vehicle/circuit';
import { usualSaying } from '../../bleed/stages';
import { openItems } from '../../owed/openItems';
import type { Draw, Job, Said, World } from './world';

const PRODUCTS: readonly (Product | null)[] = [
  { grade: 'DOT 5', batch: 'S', remedy: 'strip, new seals, dry system' },
  { grade: 'mineral oil', batch: 'O', remedy: 'strip, all rubber renewed' },
  { grade: 'DOT 3', batch: 'L', remedy: 'flush with the grade asked for' },
  { grade: 'DOT 4', batch: 'F', remedy: 'nothing' },
  null,
];

/** Something that may be said at any moment of a job: mostly harm, some of it none. */
export function anything(world: World, job: Job): Said {
  const { pick, draw } = world;
  const { layout } = world;
  const plan = job.state.run?.plan;
  const openingId = plan && plan.openings.length > 0 ? pick(plan.openings).id : 'nowhere';
  const bleederId = pick(layout.bleeders).id;
  const place = pick([bleederId, pick(layout.nodes).id, pick(layout.stretches).id, null]);
  const masterId = pick(layout.masters).id;
  const brakes = pick(layout.masters.filter((m) => m.system === 'brakes')).id;
  const reservoirId = pick(layout.reservoirs).id;
  const stageId = plan && plan.stages.length > 0 ? pick(plan.stages).id : 's';
  const said = (kind: string): string[] =>
    world.order.filter((s) => s.job === job.number && s.event.kind === kind).map((s) => s.event.id);
  // What follows from something that was said before is rare, and so drawn more often.
  const follows: readonly Said[] = [
    ...said('came off').map((eventId) => ({ kind: 'back on', eventId, openItemId: null })),
    ...said('clock started').map((eventId) => ({ kind: 'clock ended', eventId })),
    ...said('halted').map((haltId) => ({ kind: 'decided', haltId, decision: pick(DECISIONS) })),
  ];
  if (follows.length > 0 && draw() < 0.25) return pick(follows);
  // What only some plans and vehicles have room for is drawn more often where they have.
  const flowing = (plan?.openings ?? []).filter((o) => o.fromReservoir && o.mostMlS !== null);
  const ofFlow = flowing.map((o) => ({
    kind: 'flow set',
    openingId: o.id,
    lookAfterS: pick([null, 20]),
  }));
  const inStages = stageSayings(job, draw);
  const ofClutches = clutchSayings(layout, pick);
  for (const some of [ofFlow, inStages, ofClutches])
    if (some.length > 0 && draw() < 0.15) return pick(some);
  const may: readonly Said[] = [
    {
      kind: 'pedal judged',
      masterId,
      result: pick(['sinks', 'springy', 'no pressure', 'firm and high']),
    },
    {
      kind: 'checked',
      item: pick(['joints dry', 'level', 'wheels', 'lamps out', 'reservoir cap']),
      passes: draw() < 0.3,
    },
    { kind: 'checked', item: 'wheels held and free', masterId: brakes, passes: draw() < 0.3 },
    { kind: 'sink watched', masterId, when: 'after', mm: pick([0, 1, 30, 60]), seconds: 30 },
    { kind: 'pedal read', masterId, when: 'after', at: 'rest', pumped: false, heightMm: 180 },
    { kind: 'bubbles', openingId, reading: pick(['none', 'fine', 'some', 'many']) },
    { kind: 'colour', openingId, colour: pick(['straw', 'amber', 'brown']) },
    { kind: 'round broken', openingId, how: pick(['let go while open', 'hose end out']) },
    { kind: 'stroke', openingId },
    { kind: 'opened again', openingId },
    { kind: 'bleeder opened', openingId, turns: 0.5 },
    { kind: 'shut', openingId, tightened: 'by feel' },
    { kind: 'shut early', openingId, reason: 'bay needed' },
    { kind: 'pressure set', on: draw() < 0.6 },
    { kind: 'level seen', openingId, levelMl: pick([0, 40]), fluidComes: true },
    { kind: 'topped up', reservoirId, containerId: 'c', product: pick(PRODUCTS) },
    { kind: 'drawn off', reservoirId },
    { kind: 'prepared', step: 'protect' },
    {
      kind: 'halted',
      reason: pick([
        'leak',
        'ran dry',
        'grease',
        'other product',
        'seized',
        'snapped',
        'air never ends',
        'pedal not right',
      ]),
      openingId: pick([openingId, null]),
    },
    {
      kind: 'mended',
      haltId: null,
      openItemId: pick(
        world
          .facts()
          .jobs.flatMap((j) => j.open)
          .map((m) => m.id)
          .concat('none'),
      ),
      where: 'there',
      how: 'so',
    },
    {
      kind: 'came off',
      what: pick([
        'Wheel',
        'Cover, trim or mat',
        'Line or hose',
        'Caliper or slave, hose off',
        'Caliper or slave, hose joined',
        'Plug or connector',
        'Another thing',
        'Pads, shoes or disc',
      ]),
      elementId: place,
    },
    ...inStages,
    ...ofClutches,
    {
      kind: 'size found',
      elementId: pick(layout.masters).chambers[0]!.id,
      size: 'boreMm',
      value: 22,
    },
    { kind: 'taken off', elementId: pick(layout.nodes).id },
    {
      kind: 'joint tightened',
      elementId: bleederId,
      manualNm: 10,
      appliedNm: pick([5, 8.9, 10, 11, 12.5, 20]),
    },
    {
      kind: 'look later',
      elementId: bleederId,
      why: 'worn, used again',
      what: 'hose',
      byDate: null,
      byKm: null,
    },
    { kind: 'note', text: 'Dusty' },
    { kind: 'media note', medium: 'photo', elementId: null },
    { kind: 'clock started', clock: 'penetrant', minutes: 15, elementId: null },
    { kind: 'counting', way: 'tap' },
    { kind: 'jar set', jarMl: 3 },
    { kind: 'jar read', openingId, jarMl: 40 },
    { kind: 'tried', openingId, what: 'tap it', done: true },
    { kind: 'syringe readied', openingId },
    { kind: 'syringe empty', openingId },
    { kind: 'strokes judged', eventIds: [], count: true },
    { kind: 'stage done', stageId },
    { kind: 'part fitted', partId: pick(layout.nodes).id, cappedAtOnce: true, keptFull: true },
    { kind: 'undone', eventId: pick(ofJob(world, job)) },
    { kind: 'undone', eventId: pick(ofJob(world, job).slice(-1)) },
  ];
  return pick(may);
}

/** What may be said in the stages of a job's plan that open no bleeder: what is called for, and what goes wrong there. */
function stageSayings({ state }: Job, draw: Draw): Said[] {
  const { run } = state;
  if (!run) return [];
  return run.plan.stages.flatMap((stage): Said[] => {
    if (stage.kind === 'bleed') return [];
    const usual = usualSaying(run.plan, stage, run.stages[stage.id]) as unknown as Said;
    const skipped = { kind: 'stage skipped', stageId: stage.id, reason: 'no tool' };
    if (stage.kind === 'water test')
      return [{ ...usual, seen: draw() < 0.5 ? 'drops or a film' : 'mixes' }, skipped];
    if (stage.kind === 'bench') {
      const master = run.plan.layout.masters.find((m) => m.id === stage.masterId)!;
      return [
        usual,
        skipped,
        ...master.chambers.map((c) => ({
          kind: 'tube end out',
          stageId: stage.id,
          chamber: c.name,
        })),
      ];
    }
    if (stage.kind === 'injection')
      return [usual, ...Array<Said>(6).fill({ kind: 'pumped up', stageId: stage.id }), skipped];
    return [usual, skipped];
  });
}

/** What may be said of a clutch: good, bad, and a number of each. */
const clutchSayings = (layout: Layout, pick: World['pick']): Said[] =>
  layout.masters
    .filter((m) => m.system === 'clutch')
    .flatMap(({ id }) => [
      { kind: 'take-up judged', masterId: id, takeUp: pick(['near the start', 'near the end']) },
      {
        kind: 'take-up read',
        masterId: id,
        restMm: 180,
        takeUpMm: 90,
        pumpedMm: null,
        playMm: null,
      },
      { kind: 'clutch needs', masterId: id, slaveTravelMm: 12, window: null, pitchMm: null },
    ]);

const ofJob = (world: World, job: Job): string[] =>
  world.order
    .filter((s) => s.job === job.number && s.event.kind !== 'work said')
    .filter((s) => !DESK.includes(s.event.kind))
    .map((s) => s.event.id)
    .concat('none');

const DESK = [
  'work said',
  'taken in',
  'fluid read',
  'overridden',
  'plan accepted',
  'fluid used',
  'drive set',
  'drive ended',
  'released',
  'ended',
];

/** Something that is said of the vehicle outside any job. */
export function outside(world: World): void {
  const { pick } = world;
  const marks = world.own.filter((e) => e.kind === 'marked').map((e) => e.id);
  const date = pick(['1999-01-01', '2026-03-09', '2026-03-10', '2026-03-11']);
  const paper = { workshop: 'Harbour garage', paper: 'H 12', date };
  // A paper where one would settle something, and a mark that somebody would take back, come more often.
  const owes = openItems(world.facts()).map((m) => m.kind);
  if (owes.includes('wrong fluid') && world.chance(0.4))
    return void world.say({ kind: 'stripped elsewhere', ...paper });
  if (marks.length > 0 && world.chance(0.4))
    return void world.say({ kind: 'undone', eventId: pick(marks) });
  const said: readonly Said[] = [
    { kind: 'marked', reason: 'Towed in' },
    { kind: 'cycle elsewhere', ...paper, bledAfter: world.chance(0.5) },
    { kind: 'stripped elsewhere', ...paper },
    { kind: 'undone', eventId: pick([...marks, 'none']) },
    { kind: 'looked at', openItemId: pick([...marks, 'none']), saw: 'All dry' },
  ];
  world.say(pick(said));
}

export const harmless = (world: World): Said =>
  world.pick<Said>([
    { kind: 'note', text: 'Dusty' },
    { kind: 'clock started', clock: 'penetrant', minutes: 15, elementId: null },
    { kind: 'media note', medium: 'photo', elementId: null },
    {
      kind: 'look later',
      elementId: null,
      why: 'worn, used again',
      what: 'hose',
      byDate: null,
      byKm: null,
    },
  ]);
