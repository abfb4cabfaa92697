import { changesTheSums, partIdOf, withSizes } from '../../vehicle/circuit';
import { emptied, emptiesOf, emptyOnWayMl, swallow, wayTo } from '../../fluid/inside';
import { halfMl } from '../../hydraulics/order';
import { heldBack, OPENING_STEPS, type Plan } from '../../bleed/plan';
import {
  afterSaying,
  isStageThrough,
  mostCounts,
  stageOpens,
  type OwnStage,
  type PlanOpening,
  type StageHalt,
} from '../../bleed/stages';
import { countsItself } from './counting';
import { reservoirsRunDry } from './dry';
import {
  MENDABLE,
  type BubbleReading,
  type HaltReason,
  type JarShare,
  type Logged,
  type RunEvent,
} from '../events';
import { JAR_READ_TO_ML, jarAfter, jarSet, jarShares, levelKnown, recounted } from './jar';
import { planOnward } from './onward';
import { bySizes, sizesIn, sizesTold } from './sizes';
import {
  emptyRun,
  freshBleeder,
  isWaiting,
  levelsAtFirst,
  plansOf,
  type BleederState,
  type RunLeg,
  type RunState,
} from './state';

type Of<K extends RunEvent['kind']> = Logged<Extract<RunEvent, { readonly kind: K }>>;

/**
 * State of a run from the events in effect, in log order: undos are resolved
 * before. The same everywhere: phone, server, record.
 *
 * @param plan the one that was accepted
 */
export function foldRun(plan: Plan, events: readonly Logged<RunEvent>[]): RunState {
  // One list grows with the fold: copying it at each event would cost the square of its length.
  const log: Logged<RunEvent>[] = [];
  return events.reduce<RunState>((state, event) => apply(state, event, log), {
    ...emptyRun(plan, sizesIn(plan, events)),
    log,
  });
}

/** One event on top of a state that nobody else goes on from. */
export function foldEvent(state: RunState, event: Logged<RunEvent>): RunState {
  // A size that is found was so all along: the run is read again by it.
  if (sizesTold(state.accepted, plansOf(state), event).length > 0)
    return foldRun(state.accepted, [...state.log, event]);
  const log = [...state.log];
  return apply({ ...state, log }, event, log);
}

function apply(state: RunState, event: Logged<RunEvent>, log: Logged<RunEvent>[]): RunState {
  if (event.kind === 'decided') return decide(state, event, log);
  if (event.kind === 'jar read') return jarRead(state, event, log);
  const otherSize = asksAnew(state, event, log);
  log.push(event);
  const next = happened(state, event, log);
  return otherSize ? halt(next, { id: event.id, reason: 'other size', openingId: null }) : next;
}

/** Whether an event tells a size by which the rest must be worked out anew, and nothing asks for that yet. */
function asksAnew(
  state: RunState,
  event: Logged<RunEvent>,
  log: readonly Logged<RunEvent>[],
): boolean {
  const { accepted } = state;
  const told = sizesTold(accepted, plansOf(state), event);
  if (told.length === 0 || state.halts.some((h) => h.reason === 'other size' && !h.decision))
    return false;
  return changesTheSums(withSizes(accepted.layout, sizesIn(accepted, log)), told);
}

function happened(
  state: RunState,
  event: Exclude<Logged<RunEvent>, { readonly kind: 'decided' | 'jar read' }>,
  log: Logged<RunEvent>[],
): RunState {
  switch (event.kind) {
    case 'prepared':
      return prepare(state, event);
    case 'counting':
      return { ...state, counting: { deviceId: event.deviceId, way: event.way } };
    case 'stroke':
      return counted(state, event);
    case 'strokes judged':
      return judge(state, event, log);
    case 'round broken':
      return atBleeder(opened(state, event.atMs), event.openingId, (b) => ({
        ...b,
        broken: b.broken + 1,
        lastBrokenAtStroke: b.strokes,
      }));
    case 'bubbles':
      return atBleeder(state, event.openingId, (b) => read(b, event.reading));
    case 'tried':
      return atBleeder(state, event.openingId, (b) => tried(b, event));
    case 'colour':
      return atBleeder(state, event.openingId, (b) => ({
        ...b,
        colour: { seen: event.colour, atStroke: b.strokes },
      }));
    case 'bleeder opened':
      return atBleeder(opened(state, event.atMs), event.openingId, (b) => ({
        ...b,
        openedTurns: event.turns,
        shut: false,
        tightened: null,
        early: null,
      }));
    case 'pressure set':
      return { ...state, pressureOn: event.on };
    case 'flow set':
      return flowSet(state, event);
    case 'syringe readied':
    case 'syringe empty':
      return atBleeder(state, event.openingId, (b) => ({
        ...b,
        syringeReady: event.kind === 'syringe readied',
      }));
    case 'topped up':
      return topUp(state, event);
    case 'drawn off':
      return drawOff(state, event);
    case 'level seen':
      return levelSeen(state, event);
    case 'jar set':
      return { ...state, jar: jarSet(state.jar, event.jarMl) };
    case 'shut':
      return atBleeder(state, event.openingId, (b) => ({
        ...b,
        shut: true,
        flow: null,
        syringeReady: false,
        tightened: event.tightened,
      }));
    case 'opened again':
      return atBleeder(opened(state, event.atMs), event.openingId, (b) =>
        b.shut ? { ...b, shut: false, tightened: null, early: null, againAtStroke: b.strokes } : b,
      );
    case 'shut early':
      return atBleeder(state, event.openingId, (b) => ({ ...b, early: event.reason }));
    case 'halted':
      return halt(state, event);
    case 'taken off':
      return opened(state, event.atMs);
    case 'part fitted':
      return fitted(opened(state, event.atMs), event);
    case 'master fitted':
      return masterFitted(opened(state, event.atMs), event);
    case 'mended':
      return mended(state, event);
    case 'size found':
    case 'note':
      return state;
    default:
      return atStage(state, event);
  }
}

/** Bubbles as they were seen: how often the same in a row, and what was changed by what was tried. */
function read(b: BleederState, reading: BubbleReading): BleederState {
  const same = b.bubbles?.reading === reading;
  // A second tap on the same answer is no second look.
  const looked = b.bubbles?.atStroke !== b.strokes;
  const equal = same ? b.equalBubbles + (looked ? 1 : 0) : 1;
  return {
    ...b,
    bubbles: { reading, atStroke: b.strokes },
    lastBubblesAtStroke: reading === 'none' ? b.lastBubblesAtStroke : b.strokes,
    equalBubbles: reading === 'none' ? 0 : equal,
    tried: b.tried.map((t) =>
      t.done && t.after === null && b.strokes > t.atStroke ? { ...t, after: reading } : t,
    ),
  };
}

/** What was done against them begins the looks anew; what was passed over does not. */
function tried(b: BleederState, { what, done }: Of<'tried'>): BleederState {
  const entry = {
    what,
    done,
    atStroke: b.strokes,
    before: b.bubbles?.reading ?? null,
    after: null,
  };
  return { ...b, tried: [...b.tried, entry], equalBubbles: done ? 0 : b.equalBubbles };
}

/** From the first opening on the vehicle must not be driven. */
const opened = (state: RunState, atMs: number): RunState =>
  state.openedAtMs === null ? { ...state, openedAtMs: atMs } : state;

function prepare(before: RunState, event: Of<'prepared'>): RunState {
  const state = OPENING_STEPS.includes(event.step) ? opened(before, event.atMs) : before;
  // What was prepared under a plan before says nothing about what the present one asks for anew.
  if (state.prepared.includes(event.step) || isOfPast(state, event.planId)) return state;
  const { reservoirs } = state.plan;
  const next = { ...state, prepared: [...state.prepared, event.step] };
  if (event.step === 'empty reservoir') {
    const removed = reservoirs.reduce(
      (sum, b) => sum + Math.max(0, state.levelMl[b.id]! - b.airDrawnMl),
      0,
    );
    const levels = reservoirs.map((b) => [b.id, Math.min(b.airDrawnMl, state.levelMl[b.id]!)]);
    return {
      ...next,
      removedMl: state.removedMl + removed,
      ...levelled(state, Object.fromEntries(levels)),
    };
  }
  if (event.step === 'clean reservoir') {
    const rinsedMl = (state.plan.treatment?.rinses ?? []).reduce(
      (sum, r) => sum + r.ml * r.times,
      0,
    );
    return {
      ...next,
      removedMl: state.removedMl + rinsedMl,
      ...pouredFrom(state, rinsedMl, event.containerId),
    };
  }
  if (event.step === 'fill reservoir')
    return reservoirs.reduce<RunState>((s, b) => fillTo(s, b.id, b.maxMl, event.containerId), next);
  return next;
}

/** Some levels, now known for certain. */
const levelled = (
  { levelMl, leastMl }: RunState,
  now: Readonly<Record<string, number>>,
): Pick<RunState, 'levelMl' | 'leastMl'> => ({
  levelMl: { ...levelMl, ...now },
  leastMl: { ...leastMl, ...now },
});

const isOfPast = (state: RunState, planId: string | null): boolean =>
  state.past.some((leg) => leg.plan.id === planId);

/** A stroke of the source that counts; one of another source is kept and asked about. */
function counted(state: RunState, event: Of<'stroke'>): RunState {
  const { counting } = state;
  if (!countsItself(counting, event)) {
    const { id: eventId, openingId, deviceId, person, atMs, made = 1 } = event;
    // Whether it counts is asked; that somebody was at the brakes is not.
    const asked = [...state.asked, { eventId, openingId, deviceId, person, atMs, made }];
    return { ...opened(state, atMs), asked };
  }
  const first = counting ?? { deviceId: event.deviceId, way: 'tap' as const };
  return strokes({ ...state, counting: first }, event);
}

/** What another source counted: strokes of their own are made now, the same ones are dropped. */
function judge(
  before: RunState,
  { eventIds, count }: Of<'strokes judged'>,
  log: readonly Logged<RunEvent>[],
): RunState {
  const judged = before.asked.filter((a) => eventIds.includes(a.eventId));
  const state = { ...before, asked: before.asked.filter((a) => !judged.includes(a)) };
  if (!count) return state;
  return judged.reduce<RunState>((s, { eventId }) => {
    const event = log.find((e) => e.id === eventId);
    return event?.kind === 'stroke' ? strokes(s, event) : s;
  }, state);
}

/** As many as the event says, one after the other. */
function strokes(state: RunState, event: Of<'stroke'>): RunState {
  return Array.from({ length: event.made ?? 1 }).reduce<RunState>((s) => stroke(s, event), state);
}

function stroke(before: RunState, event: Of<'stroke'>): RunState {
  const opening = openingIn(before, event.openingId);
  if (!opening) return before;
  const state = opened(before, event.atMs);
  const ml = opening.strokeMl.value;
  // A mark in the jar says that its way is full: the reservoir gave that as well.
  const inJar = opening.fromReservoir && opening.mostMlS !== null;
  const movedMl = ml + (inJar ? emptyOnWayMl(state.empties, way(state, opening)) : 0);
  const { next, passedMl } = moved(
    state,
    opening,
    movedMl,
    inJar ? movedMl : opening.mostStrokeMl.value,
  );
  const after = atBleeder(next, event.openingId, (b) => ({
    ...flowRead(b),
    strokes: b.strokes + 1,
    bledMl: b.bledMl + passedMl,
    swallowedMl: b.swallowedMl + movedMl - passedMl,
  }));
  return pastItsBand(before, after, opening, event.id);
}

/** What a flow gives is not known until somebody looks. */
const flowSet = (state: RunState, { id, openingId, lookAfterS, atMs }: Of<'flow set'>): RunState =>
  atBleeder(opened(state, atMs), openingId, (b) =>
    lookAfterS === null
      ? { ...b, flow: null }
      : {
          ...b,
          flow: { eventId: id, sinceMs: atMs, dueMs: atMs + lookAfterS * 1000 },
          flowUnread: true,
        },
  );

/** Somebody looked what it gave. */
const flowRead = <B extends BleederState>(b: B): B => ({ ...b, flow: null, flowUnread: false });

/** Past its band bubbles are no matter of patience any more: somebody says what is wrong. */
function pastItsBand(
  before: RunState,
  after: RunState,
  opening: PlanOpening,
  eventId: string,
): RunState {
  const at = ({ bleeders }: RunState) => bleeders.find((x) => x.openingId === opening.id);
  const b = at(after);
  return b &&
    at(before)!.strokes < mostCounts(opening) &&
    b.strokes >= mostCounts(opening) &&
    b.bubbles !== null &&
    b.bubbles.reading !== 'none'
    ? halt(after, { id: eventId, reason: 'air never ends', openingId: opening.id })
    : after;
}

/** The jar as it was read: count, reservoirs and bottles follow from it, with its sign. */
function jarRead(before: RunState, event: Of<'jar read'>, log: Logged<RunEvent>[]): RunState {
  const shares = jarShares(before, event);
  log.push({ ...event, shares });
  const opening = openingIn(before, event.openingId);
  const { jar, leastMl } = before;
  // Nobody can have drawn more than full strokes since the reservoir was last filled: the bound of before holds.
  const mostMl = jar.since.reduce((sum, s) => sum + (s.filledMl > 0 ? 0 : s.slackMl), 0);
  const boundHolds = event.jarMl - jar.standsMl <= mostMl;
  const after = shares.reduce<RunState>((state, share) => given(state, share), {
    ...opened(before, event.atMs),
    jar: { ...jar, standsMl: event.jarMl, seen: true, since: [] },
  });
  const reservoirIds = new Set(
    [...jar.since, ...shares].flatMap((s) => openingIn(before, s.openingId)?.reservoirId ?? []),
  );
  const least = [...reservoirIds].map((id) => {
    const byJarMl = after.levelMl[id]! - JAR_READ_TO_ML;
    const boundMl = Math.min(after.levelMl[id]!, leastMl[id]!);
    return [id, boundHolds ? Math.max(boundMl, byJarMl) : byJarMl];
  });
  const read = new Set([event.openingId, ...jar.since.map((s) => s.openingId)]);
  const known = [...read].reduce<RunState>(
    (state, id) => atBleeder(state, id, (b) => ({ ...flowRead(b), byJar: true })),
    { ...after, leastMl: { ...after.leastMl, ...Object.fromEntries(least) } },
  );
  return opening ? pastItsBand(before, known, opening, event.id) : known;
}

/** What an opening gave more, or less, than was counted there. */
function given(state: RunState, share: JarShare): RunState {
  const { openingId, ml } = share;
  const opening = openingIn(state, openingId);
  if (!opening) return state;
  const { reservoirId, selfFed } = opening;
  // Fluid stands in the jar: its way is full, and the reservoir gave that as well.
  const fill =
    ml > 0 ? swallow(state.empties, way(state, opening), Infinity).empties : state.empties;
  const swallowedMl = ml > 0 ? emptyOnWayMl(state.empties, way(state, opening)) : 0;
  const pouredMoreMl = selfFed ? ml + swallowedMl : share.filledMl;
  return atBleeder(
    {
      ...state,
      empties: fill,
      bledMl: state.bledMl + ml,
      pouredMl: state.pouredMl + pouredMoreMl,
      // Out of the same containers as what was poured before.
      pouredFromMl: Object.fromEntries(
        Object.entries(state.pouredFromMl).map(([id, was]) => [
          id,
          selfFed ? was : was * (1 + pouredMoreMl / state.pouredMl),
        ]),
      ),
      levelMl: selfFed
        ? state.levelMl
        : {
            ...state.levelMl,
            [reservoirId]: state.levelMl[reservoirId]! - share.fellMl - swallowedMl,
          },
    },
    openingId,
    (b) =>
      recounted(opening, { ...b, bledMl: b.bledMl + ml, swallowedMl: b.swallowedMl + swallowedMl }),
  );
}

const openingIn = (state: RunState, openingId: string): PlanOpening | undefined =>
  plansOf(state)
    .flatMap((p) => p.openings)
    .find((s) => s.id === openingId);

const way = ({ plan }: RunState, opening: PlanOpening): readonly string[] =>
  wayTo(plan.layout, opening.bleeder.id);

/** Fluid moved at one opening: out of the reservoir, or out of a syringe from below, where the reservoir is drawn down as it rises. What is empty takes up its part. */
function moved(
  state: RunState,
  opening: PlanOpening,
  ml: number,
  mostMl: number,
): { readonly next: RunState; readonly passedMl: number } {
  const { fromReservoir, reservoirId } = opening;
  const along = way(state, opening);
  const { empties, passedMl } = swallow(
    state.empties,
    fromReservoir ? along : [...along].reverse(),
    ml,
  );
  // What feeds the reservoir by itself brings it to MAX and keeps it there: all of it comes out of a container.
  const maxMl = state.plan.reservoirs.find((b) => b.id === reservoirId)?.maxMl;
  const fedTo = fromReservoir && opening.selfFed && maxMl !== undefined ? maxMl : null;
  const falls = fromReservoir && fedTo === null;
  // From below what is not swallowed comes up into the reservoir.
  const less = (levels: RunState['levelMl'], by: number) =>
    !fromReservoir
      ? { ...levels, [reservoirId]: levels[reservoirId]! + passedMl }
      : falls
        ? { ...levels, [reservoirId]: levels[reservoirId]! - by }
        : fedTo === null
          ? levels
          : { ...levels, [reservoirId]: fedTo };
  return {
    passedMl,
    next: {
      ...state,
      empties,
      levelMl: less(state.levelMl, ml),
      leastMl: less(state.leastMl, mostMl),
      // What went up is not in the jar.
      bledMl: state.bledMl + (fromReservoir ? passedMl : 0),
      jar: fromReservoir ? jarAfter(state.jar, opening, passedMl, mostMl - ml) : state.jar,
      pouredMl:
        state.pouredMl +
        (falls ? 0 : ml + (fedTo === null ? 0 : Math.max(0, fedTo - state.levelMl[reservoirId]!))),
    },
  };
}

/** A look into the reservoir while a way fills: what it fell by went into what is empty, and the rest into the jar. */
function levelSeen(before: RunState, event: Of<'level seen'>): RunState {
  const opening = openingIn(before, event.openingId);
  if (!opening || before.levelMl[opening.reservoirId] === undefined) return before;
  const state = opened(before, event.atMs);
  const fellMl = Math.max(0, state.levelMl[opening.reservoirId]! - event.levelMl);
  // What fell was not fed.
  const { next, passedMl } = moved(state, { ...opening, selfFed: false }, fellMl, fellMl);
  const leftMl = event.fluidComes ? emptyOnWayMl(next.empties, way(state, opening)) : 0;
  const full = event.fluidComes
    ? swallow(next.empties, way(state, opening), Infinity).empties
    : next.empties;
  return atBleeder(
    {
      ...next,
      empties: full,
      // The level did not tell of it where something kept it up: it came out of that.
      pouredMl: next.pouredMl + (opening.selfFed ? leftMl : 0),
      ...levelled(next, { [opening.reservoirId]: event.levelMl }),
      jar: levelKnown(next.jar, opening.reservoirId, false),
    },
    event.openingId,
    (b) => {
      const given = {
        ...flowRead(b),
        bledMl: b.bledMl + passedMl,
        swallowedMl: b.swallowedMl + fellMl - passedMl + leftMl,
      };
      // Marks of the jar are counted by the jar.
      return opening.counted === 'strokes' ? recounted(opening, given) : given;
    },
  );
}

function drawOff(state: RunState, { reservoirId }: Of<'drawn off'>): RunState {
  const reservoir = state.plan.reservoirs.find((b) => b.id === reservoirId);
  if (!reservoir) return state;
  const removed = Math.max(0, state.levelMl[reservoirId]! - halfMl(reservoir));
  return {
    ...state,
    removedMl: state.removedMl + removed,
    ...levelled(state, { [reservoirId]: state.levelMl[reservoirId]! - removed }),
  };
}

function topUp(state: RunState, { reservoirId, containerId }: Of<'topped up'>): RunState {
  const reservoir = state.plan.reservoirs.find((b) => b.id === reservoirId);
  if (!reservoir) return state;
  const everyShut = state.bleeders.every((b) => !isWaiting(state, b));
  return {
    ...fillTo(
      state,
      reservoirId,
      everyShut ? reservoir.finalLevelMl : reservoir.maxMl,
      containerId,
    ),
    topUps: state.topUps + (everyShut ? 0 : 1),
  };
}

/** What was poured out of a container so far, with some more; of one that nobody named only the sum is known. */
const pouredFrom = (
  { pouredMl, pouredFromMl }: RunState,
  ml: number,
  containerId: string | null | undefined,
): Pick<RunState, 'pouredMl' | 'pouredFromMl'> => ({
  pouredMl: pouredMl + ml,
  pouredFromMl: containerId
    ? { ...pouredFromMl, [containerId]: (pouredFromMl[containerId] ?? 0) + ml }
    : pouredFromMl,
});

function fillTo(
  state: RunState,
  reservoirId: string,
  toMl: number,
  containerId: string | null | undefined,
): RunState {
  const poured = Math.max(0, toMl - state.levelMl[reservoirId]!);
  return {
    ...state,
    ...pouredFrom(state, poured, containerId),
    ...levelled(state, { [reservoirId]: state.levelMl[reservoirId]! + poured }),
    jar: levelKnown(state.jar, reservoirId, true),
  };
}

/** Something said in a stage that opens no bleeder, under the plan to which that stage belongs. */
function atStage(
  state: RunState,
  event: Logged<Extract<RunEvent, { readonly stageId: string }>>,
): RunState {
  const legs: readonly Pick<RunLeg, 'plan' | 'stages'>[] = [state, ...state.past];
  for (const leg of legs) {
    const stage = leg.plan.stages.find(
      (s): s is OwnStage => s.id === event.stageId && s.kind !== 'bleed',
    );
    if (!stage) continue;
    const after = afterSaying(leg.plan, stage, leg.stages[stage.id], event);
    const stages = { ...leg.stages, [stage.id]: after.state };
    const next =
      leg === state
        ? { ...state, stages }
        : { ...state, past: state.past.map((l) => (l === leg ? { ...l, stages } : l)) };
    const through = event.kind === 'stage done' && stageOpens(stage);
    const canMl =
      stage.kind === 'bench' &&
      event.kind !== 'stage skipped' &&
      isStageThrough(leg.plan, stage, after.state) &&
      !isStageThrough(leg.plan, stage, leg.stages[stage.id])
        ? stage.canMl?.value
        : 0;
    const off = event.kind === 'stage done' && stage.kind === 'hold point' && leg === state;
    // What went into the can on the bench came out of a container, and is no fluid of the vehicle any more.
    const benched = canMl
      ? { ...next, pouredMl: next.pouredMl + canMl, removedMl: next.removedMl + canMl }
      : next;
    const parts = off
      ? { ...benched, empties: emptied(leg.plan.layout, next.empties, heldBack(leg.plan)) }
      : benched;
    return halted(
      through ? opened(parts, event.atMs) : parts,
      event.id,
      after.halt,
      stage.kind === 'tie back' ? stage.masterId : undefined,
    );
  }
  return state;
}

const halted = (
  state: RunState,
  eventId: string,
  reason: StageHalt | null,
  masterId: string | null = null,
): RunState => (reason ? halt(state, { id: eventId, reason, openingId: null, masterId }) : state);

function halt(
  state: RunState,
  {
    id: eventId,
    reason,
    openingId,
    masterId = null,
  }: Pick<Of<'halted'>, 'id' | 'reason' | 'openingId' | 'masterId'>,
): RunState {
  const next = {
    ...state,
    // What ran by the clock runs no longer: what it gave is read before the run goes on.
    bleeders: state.bleeders.map((b) => (b.flow ? { ...b, flow: null } : b)),
    halts: [...state.halts, { eventId, reason, openingId, masterId, decision: null }],
  };
  if (reason !== 'ran dry') return next;
  const dry = new Set(reservoirsRunDry(state.plan, openingId));
  const levels = state.plan.reservoirs.map((b) => [
    b.id,
    dry.has(b.id) ? Math.min(b.airDrawnMl, state.levelMl[b.id]!) : state.levelMl[b.id]!,
  ]);
  return { ...next, ...levelled(next, Object.fromEntries(levels)) };
}

/** How a part went in. What the plan was made for and was not kept halts it. */
function fitted(state: RunState, event: Of<'part fitted'>): RunState {
  const next = { ...state, fitted: [...state.fitted, partIdOf(state.plan.layout, event.partId)] };
  const kept = event.cappedAtOnce && event.keptFull;
  return kept ? next : halt(next, { id: event.id, reason: 'not as planned', openingId: null });
}

/** How a master was joined. What the plan was made for and was not kept halts it. */
function masterFitted(state: RunState, event: Of<'master fitted'>): RunState {
  const next = { ...state, fitted: [...state.fitted, event.masterId] };
  const kept =
    event.linesStayedFull &&
    event.nothingElseOpened &&
    event.modulatorLostNothing &&
    event.heldDown &&
    event.bench === 'clean';
  return kept ? next : halt(next, { id: event.id, reason: 'not as planned', openingId: null });
}

/** What was mended halts the run no longer, where a mend is a cure: the count goes on where it stood. */
function mended(state: RunState, { haltId }: Of<'mended'>): RunState {
  return {
    ...state,
    halts: state.halts.map((h) =>
      h.eventId === haltId && h.decision === null && MENDABLE.includes(h.reason)
        ? { ...h, decision: 'go on' as const }
        : h,
    ),
  };
}

function decide(state: RunState, event: Of<'decided'>, log: Logged<RunEvent>[]): RunState {
  const stays = (next: RunState): RunState => {
    log.push({ ...event, plan: null });
    return next;
  };
  const halt = state.halts.find((h) => h.eventId === event.haltId);
  // The first decision on a halt counts; another one is kept and changes nothing.
  if (!halt || halt.decision !== null) return stays(state);
  const decided = {
    ...state,
    halts: state.halts.map((h) => (h === halt ? { ...h, decision: event.decision } : h)),
  };
  switch (event.decision) {
    case 'go on':
      return stays(decided);
    case 'end job':
      return stays({ ...decided, ended: halt.reason });
    case 'plan anew':
    case 'another method':
    case 'leave shut':
    case 'do it last': {
      const onward =
        event.plan === undefined ? planOnward(decided, halt, event.decision, event.id) : null;
      // Where the rest cannot be planned like this, nothing is decided, however often the log is read.
      if (onward?.verdict === 'refused') {
        log.push(event);
        return state;
      }
      const kept = onward ? onward.plan : (event.plan ?? null);
      const plan = kept && bySizes(kept, state.sizes);
      log.push({ ...event, plan });
      const bleederId = plansOf(state)
        .flatMap((p) => p.openings)
        .find((s) => s.id === halt.openingId)?.bleeder.id;
      const left =
        event.decision === 'leave shut' && bleederId !== undefined
          ? { ...decided, leftShut: new Map([...decided.leftShut, [bleederId, halt.reason]]) }
          : decided;
      return plan ? takeUp(left, plan, halt.reason) : left;
    }
    default:
      return event.decision satisfies never;
  }
}

/** From here on the rest goes by another plan; what was done under the one before stays beside it. */
function takeUp(state: RunState, plan: Plan, because: HaltReason): RunState {
  const { stages, bleeders } = state;
  return {
    ...state,
    plan,
    stages: {},
    bleeders: plan.openings.map((s) => freshBleeder(s.id)),
    past: [...state.past, { plan: state.plan, stages, bleeders, because }],
    prepared: state.prepared.filter((s) => !plan.preparation.includes(s)),
    // A reservoir that first comes in now begins as the plan says; the others stand where the run left them.
    levelMl: { ...levelsAtFirst(plan), ...state.levelMl },
    leastMl: { ...levelsAtFirst(plan), ...state.leastMl },
    empties: emptiesOf(plan.layout, plan.inside),
  };
}

/** Change one opening, under whatever plan it was made. */
function atBleeder(
  state: RunState,
  openingId: string,
  change: (b: BleederState) => BleederState,
): RunState {
  const changed = (bleeders: readonly BleederState[]) =>
    bleeders.map((b) => (b.openingId === openingId ? change(b) : b));
  if (state.bleeders.some((b) => b.openingId === openingId))
    return { ...state, bleeders: changed(state.bleeders) };
  return {
    ...state,
    past: state.past.map((leg) =>
      leg.bleeders.some((b) => b.openingId === openingId)
        ? { ...leg, bleeders: changed(leg.bleeders) }
        : leg,
    ),
  };
}
