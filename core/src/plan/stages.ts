import { chambersOf, type Layout } from '../circuit';
import { clutchSet, slaveTests } from '../clutch';
import { METHOD_TRAITS, type Method, type MethodRow } from '../flow';
import type { OrderedVisit } from '../order';
import { circuitOf, findScope, type ScopeFinding, type WorkDone } from '../scope';
import type { BleedPurpose, StageDraft } from './draft';
import type { PlanAsked } from './request';

/** What the stages are made of. */
export interface StageInput {
  readonly asked: PlanAsked;
  readonly finding: ScopeFinding;
  /** Ids of the bleeders to open. */
  readonly open: readonly string[];
  /** Method of the main stage, one that can work. */
  readonly method: Method;
  readonly ranking: readonly MethodRow[];
  /** The order chosen, for a set of bleeders. */
  readonly orderOf: (bleederIds: readonly string[], method: Method) => readonly OrderedVisit[];
}

/** Methods that open bleeders for strokes; the last pass is one of these wherever one works. */
const STROKES: readonly Method[] = ['two people', 'alone at the lever', 'alone, bottle'];

/**
 * Chain the stages of a job: the right part, bench, valve, priming, the bleed itself, finishing
 * strokes, hold point, tool cycle with its second base bleed, rounds, clutch
 * proved, lever tied back. Whatever the chain, the last pass at every bleeder must be free of bubbles.
 */
export function stagesFor(input: StageInput): StageDraft[] {
  const { asked, finding, open, method } = input;
  const stages: StageDraft[] = [];
  if (!asked.reached)
    for (const partId of newParts(asked.work)) stages.push({ kind: 'right part', partId });
  if (!asked.primeInPlace)
    for (const masterId of finding.bench)
      stages.push({
        kind: 'bench',
        masterId,
        compulsory: true,
        set: asked.work.purpose === 'new or dry' && clutchSet(asked.layout, masterId),
      });
  if (!asked.reached && asked.work.purpose === 'after work' && asked.work.master)
    stages.push({ kind: 'join lines', masterId: asked.work.master.masterId });
  if (asked.work.endLost) stages.push({ kind: 'centre the valve', endLost: asked.work.endLost });
  if (method === 'injection') stages.push({ kind: 'injection' });
  const main = method === 'injection' ? (working(input, STROKES) ?? 'two people') : method;
  const held = asked.holdPoint ? heldParts(asked.layout, asked.work, finding) : null;
  if (held) {
    stages.push(
      bleed('bleed', main, input.orderOf(held.first, main)),
      { kind: 'hold point', partId: held.secondPart },
      bleed('second part', main, input.orderOf(held.second, main)),
    );
  } else if (open.length > 0) {
    stages.push(...mainStages(input, main, open));
  }
  const pockets = asked.work.purpose === 'routine flush' && asked.work.renewPockets === true;
  if ((finding.airInModulator || pockets) && needsTool(asked.layout)) {
    const again = working(input, STROKES) ?? main;
    stages.push(
      { kind: 'tool cycle', atHand: asked.means.scanTool },
      bleed('again after the tool', again, each(input.orderOf(open, again), 'sweep')),
    );
  }
  // Fluid that is only renewed lets no air in; everything else is proved.
  if (asked.work.purpose !== 'routine flush')
    for (const test of slaveTests(asked.layout, open)) stages.push({ kind: 'slave test', ...test });
  if (
    asked.layout.vehicleKind === 'motorcycle' &&
    (asked.work.purpose === 'new or dry' || asked.work.purpose === 'soft pedal')
  )
    stages.push({ kind: 'tie back' });
  return stages;
}

/** Parts that come new, the master among them: each is compared before anything is filled. */
function newParts({ purpose, parts, master }: WorkDone): string[] {
  if (purpose !== 'after work') return [];
  return [
    ...(master ? [master.masterId] : []),
    ...parts.filter((p) => p.newPart !== false).map((p) => p.partId),
  ];
}

/** The bleed itself, with what goes before and after it. */
function mainStages(input: StageInput, main: Method, open: readonly string[]): StageDraft[] {
  const { asked, finding } = input;
  const air = finding.air.size > 0 || asked.work.purpose === 'soft pedal';
  const strokes = working(input, STROKES);
  const empty = asked.work.purpose === 'new or dry';
  const stages: StageDraft[] = [];
  const fromBelow = METHOD_TRAITS[main].reverse;
  if (empty) {
    const prime = STROKES.includes(main) ? working(input, ['vacuum']) : main;
    if (prime) stages.push(bleed('prime', prime, each(once(input.orderOf(open, prime)), 'sweep')));
  }
  if (fromBelow && !empty) {
    const down = working(input, [...STROKES, 'pressure', 'vacuum', 'gravity']);
    if (down) stages.push(bleed('old fluid out', down, input.orderOf(open, down)));
  }
  const then = empty && strokes && !STROKES.includes(main) ? strokes : main;
  if (fromBelow && !empty)
    stages.push(bleed('bleed', main, each(once(input.orderOf(open, main)), 'sweep')));
  else stages.push(bleed('bleed', then, input.orderOf(open, then)));
  if (empty && open.length > 1)
    stages.push(bleed('in turn until clear', then, each(once(input.orderOf(open, then)), 'clear')));
  else if (strokes && !STROKES.includes(then) && (air || then === 'vacuum'))
    stages.push(
      bleed('finish with strokes', strokes, each(once(input.orderOf(open, strokes)), 'clear')),
    );
  return stages;
}

const bleed = (
  purpose: BleedPurpose,
  method: Method,
  visits: readonly OrderedVisit[],
): StageDraft => ({ kind: 'bleed', purpose, method, visits });

/** The same bleeders, each once, in the order of their last visit that is not a pass of its own. */
function once(visits: readonly OrderedVisit[]): OrderedVisit[] {
  const first = new Map<string, OrderedVisit>();
  for (const v of visits)
    if (v.why.code !== 'primes' && v.why.code !== 'master first' && !first.has(v.visit.bleederId))
      first.set(v.visit.bleederId, v);
  return [...first.values()];
}

const each = (
  visits: readonly OrderedVisit[],
  until: OrderedVisit['visit']['until'],
): OrderedVisit[] => visits.map((v) => ({ ...v, visit: { ...v.visit, until } }));

/** The first of these methods that is not hopeless, the better ranked first. */
function working({ ranking }: StageInput, of: readonly Method[]): Method | null {
  return ranking.find((r) => r.verdict !== 'hopeless' && of.includes(r.method))?.method ?? null;
}

/** Bleeders that a finding opens. */
export function openIds(finding: ScopeFinding): string[] {
  return finding.bleeders.filter((b) => b.open).map((b) => b.bleederId);
}

/** Kinds whose pockets are only reached by the tool. */
export function needsTool(layout: Layout): boolean {
  return layout.abs === 'four-channel' || layout.abs === 'motorcycle, two circuits';
}

/** Two changed parts of one circuit, whose bleeders are opened in two goes; null where there is nothing to hold for. */
function heldParts(
  layout: Layout,
  work: WorkDone,
  finding: ScopeFinding,
): { first: string[]; second: string[]; secondPart: string } | null {
  const [a, b] = work.parts;
  if (
    !a ||
    !b ||
    finding.drewAir.length > 0 ||
    finding.airInModulator ||
    work.purpose !== 'after work'
  )
    return null;
  const sameCircuit = chambersOf(layout).some(({ chamber }) =>
    [a, b].every((p) => circuitOf(layout, chamber).has(p.partId)),
  );
  if (!sameCircuit) return null;
  const first = openIds(findScope(layout, { ...work, parts: [a] }));
  const second = openIds(findScope(layout, { ...work, parts: work.parts.slice(1) }));
  return first.length > 0 && second.length > 0 ? { first, second, secondPart: b.partId } : null;
}
