import { bleederName, paths, type Master } from '../../vehicle/circuit';
import type { Method } from '../../hydraulics/flow';
import { emptyOnWayMl, oldMl, volumeMl, wayTo } from '../../fluid/inside';
import type { PlanOpening } from '../../bleed/stages';
import { capital } from '../../base/text';
import { insideNow } from './insideAfter';
import type { RunState } from './state';
import type { BleederState } from '../standing';

/** Why air is rather there than elsewhere. */
export type AirClue =
  /** By the count its way is not filled yet. */
  | { readonly code: 'still empty'; readonly ml: number }
  /** Bubbles were seen in the last three counts, or nobody looked. */
  | { readonly code: 'bubbles' | 'nobody looked' }
  /** By the count most of what was inside its way never left it, and so did what sat in it. */
  | { readonly code: 'hardly moved'; readonly oldMl: number }
  /** It was not opened in this job. */
  | { readonly code: 'not opened' }
  /** The flow leaves a bubble behind on a stretch that falls. */
  | { readonly code: 'left behind'; readonly stretch: string }
  /** A modulator on the way may have got air, and was not cycled since. */
  | { readonly code: 'modulator' }
  /** Of all that was done the least sure: the stretch with the least velocity to spare, or the longest way. */
  | { readonly code: 'least to spare'; readonly stretch: string }
  | { readonly code: 'longest way' };

/** One place where air may sit, with what says so and how it is got out. */
export interface AirPlace {
  readonly bleederId: string;
  readonly place: string;
  readonly clue: AirClue;
  /** By what it is bled again. */
  readonly method: Method;
}

/** Less than this on a way is rounding of the count, mL [M]. */
const EMPTY_FROM_ML = 0.2;
/** A way that still holds more than this share of what was in it was hardly moved [M]. */
const HARDLY_MOVED_SHARE = 0.5;

/**
 * Where in a control's circuits air most likely sits when the bleed is through,
 * the likeliest first: what the run itself saw, then what its methods leave
 * behind and its strokes never moved, then what it did not reach. A model: it says where to begin, not
 * where the air is.
 *
 * @returns one place for each bleeder of the control that something points to, at least one
 */
export function airSits(run: RunState, master: Pick<Master, 'id'>): AirPlace[] {
  const { plan, empties } = run;
  const ways = paths(plan.layout).filter((p) => p.master.id === master.id);
  const opened = (bleederId: string): Opened | null => {
    // Of several openings the last one tells how it was left.
    for (const leg of [run, ...[...run.past].reverse()]) {
      const opening = leg.plan.openings.filter((s) => s.bleeder.id === bleederId).at(-1);
      const b = opening && leg.bleeders.find((x) => x.openingId === opening.id);
      if (opening && b && (b.strokes > 0 || b.shut)) return { opening, b };
    }
    return null;
  };
  const inside = insideNow(run);
  const found: { place: AirPlace; rank: number }[] = [];
  for (const { bleeder, points } of ways) {
    const at = opened(bleeder.id);
    const method = at?.opening.method ?? plan.openings[0]?.method ?? 'two people';
    const row = plan.methods.find((m) => m.method === method);
    const stretch = row?.deciding?.bleederId === bleeder.id ? row.deciding : null;
    const say = (rank: number, clue: AirClue, by: Method = method) =>
      found.push({
        rank,
        place: { bleederId: bleeder.id, place: bleederName(bleeder), clue, method: by },
      });
    const way = wayTo(plan.layout, bleeder.id);
    const ml = emptyOnWayMl(empties, way);
    const held = way.flatMap((id) => inside[id] ?? []);
    const stayedMl = held.reduce((sum, c) => sum + oldMl(c), 0);
    const share = stayedMl / held.reduce((sum, c) => sum + volumeMl(c), 0);
    if (ml >= EMPTY_FROM_ML) say(0, { code: 'still empty', ml });
    else if (at && sawBubbles(at.b)) say(1, { code: 'bubbles' });
    else if (at && (!at.b.bubbles || at.b.early !== null)) say(2, { code: 'nobody looked' });
    else if (at && stretch && stretch.verdict !== 'carried')
      say(3, { code: 'left behind', stretch: stretch.name }, carrierOf(run, method));
    else if (at && share > HARDLY_MOVED_SHARE) say(4, { code: 'hardly moved', oldMl: stayedMl });
    else if (!at) say(5, { code: 'not opened' });
    else if (stretch) say(6, { code: 'least to spare', stretch: stretch.name });
    else if (
      airInModulator(run) &&
      points.some((p) => p.node.kind === 'modulator') &&
      !found.some((f) => f.place.clue.code === 'modulator')
    )
      say(7, { code: 'modulator' });
  }
  if (found.length > 0) return found.sort((a, b) => a.rank - b.rank).map((f) => f.place);
  const longest = ways.reduce((a, b) => (b.lengthM.value > a.lengthM.value ? b : a));
  return [
    {
      bleederId: longest.bleeder.id,
      place: bleederName(longest.bleeder),
      clue: { code: 'longest way' },
      method: opened(longest.bleeder.id)?.opening.method ?? 'two people',
    },
  ];
}

interface Opened {
  readonly opening: PlanOpening;
  readonly b: BleederState;
}

const sawBubbles = ({ bubbles }: BleederState): boolean =>
  bubbles !== null && bubbles.reading !== 'none';

/** A method of the plan that carries a bubble down what this one leaves it on; this one where there is none. */
function carrierOf({ plan }: RunState, than: Method): Method {
  const other = plan.methods.find(
    (m) =>
      m.method !== than &&
      m.verdict !== 'hopeless' &&
      (m.deciding === null || m.deciding.verdict === 'carried'),
  );
  return other?.method ?? than;
}

/** Whether a modulator may have got air that no tool has cycled out since. */
const airInModulator = ({ plan, log }: RunState): boolean =>
  (plan.work.modulatorOpened ||
    plan.work.airInModulator ||
    log.some((e) => e.kind === 'halted' && e.reason === 'ran dry')) &&
  !log.some((e) => e.kind === 'tool step' && e.done);

/** What says so, in one sentence of the trade. */
export function airClueWords({ place, clue }: AirPlace): string {
  switch (clue.code) {
    case 'still empty':
      return `${capital(place)}: by the count its way still lacks ${clue.ml.toFixed(1)} mL.`;
    case 'bubbles':
      return `${capital(place)}: bubbles still came when it was shut.`;
    case 'nobody looked':
      return `${capital(place)}: shut before anybody saw it clear.`;
    case 'hardly moved':
      return `${capital(place)}: by the count ${clue.oldMl.toFixed(1)} mL of what was in its way never left it.`;
    case 'not opened':
      return `${capital(place)}: not opened in this job.`;
    case 'left behind':
      return `${capital(place)}: the flow leaves a bubble behind in “${clue.stretch}”.`;
    case 'modulator':
      return `${capital(place)}: a modulator on its way may hold air, and no tool cycled it.`;
    case 'least to spare':
      return `${capital(place)}: “${clue.stretch}” falls, and the flow has the least to spare there.`;
    case 'longest way':
      return `${capital(place)}: nothing points to one place; it has the longest way.`;
  }
}
