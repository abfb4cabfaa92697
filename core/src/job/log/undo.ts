import { positionOf, type Heard } from '../events';

interface Undoable {
  readonly id: string;
  readonly kind: string;
  readonly deviceId?: string;
  readonly group?: string | undefined;
}

/** What one press made, by phone and group. */
const pressOf = ({ deviceId, group }: Undoable): string | null =>
  group === undefined ? null : `${deviceId} ${group}`;

/**
 * Ids of the events that are not in effect because a later one took them back:
 * with an event everything that the same press made, also what arrives behind
 * the undo. An undo can be taken back itself; then what it took back holds again.
 *
 * One pass from the end: whatever takes an event back stands behind it.
 */
export function undoneIds<E extends Undoable>(
  log: readonly (E | (E & { readonly kind: 'undone'; readonly eventId: string }))[],
): ReadonlySet<string> {
  const undone = new Set<string>();
  const positions = new Map(log.map((e, i) => [e.id, i]));
  const presses = pressesIn(log);
  for (let i = log.length - 1; i >= 0; i--) {
    const event = log[i]!;
    if (event.kind !== 'undone' || !('eventId' in event) || undone.has(event.id)) continue;
    // Only what stands before it can be taken back.
    const at = positions.get(event.eventId) ?? i;
    if (at >= i) continue;
    for (const { id } of pressed(presses, log[at]!)) undone.add(id);
  }
  return undone;
}

function pressesIn<E extends Undoable>(log: readonly E[]): ReadonlyMap<string, readonly E[]> {
  const presses = new Map<string, E[]>();
  for (const e of log) {
    const press = pressOf(e);
    if (press === null || e.kind === 'undone') continue;
    const known = presses.get(press);
    if (known) known.push(e);
    else presses.set(press, [e]);
  }
  return presses;
}

/** What was made by the press that made an event. */
function pressed<E extends Undoable>(
  presses: ReadonlyMap<string, readonly E[]>,
  event: E,
): readonly E[] {
  const press = pressOf(event);
  return (press !== null && presses.get(press)) || [event];
}

/** Whether an event comes behind an undo of the press that made it: then it is taken back as it arrives. */
export function isTakenBackBefore(
  log: readonly Undoable[],
  undone: ReadonlySet<string>,
  event: Undoable,
): boolean {
  const press = pressOf(event);
  return press !== null && log.some((e) => undone.has(e.id) && pressOf(e) === press);
}

/** What the press made that made an event, itself among it. */
export function pressIn<E extends Undoable>(log: readonly E[], event: E): readonly E[] {
  return pressed(pressesIn(log), event);
}

/** Finds what an undo takes back: an event that stands before it in the log. */
export type TakenBack<E> = (undo: {
  readonly id: string;
  readonly eventId: string;
}) => E | undefined;

/** What the undos of a log take back. */
export function takenBackIn<E extends { readonly id: string }>(log: readonly E[]): TakenBack<E> {
  const positions = new Map(log.map((e, i) => [e.id, i]));
  return ({ id, eventId }) => {
    const at = positions.get(eventId);
    return at !== undefined && at < (positions.get(id) ?? log.length) ? log[at] : undefined;
  };
}

interface Placed extends Undoable, Heard {
  readonly deviceId: string;
  readonly eventId?: unknown;
}

/**
 * What was taken back in the same press as it was said, with what took it back:
 * by the same phone, and nothing of the vehicle in between. Only then bad news
 * is as if it had never been; later it asks what was looked at.
 */
export function slipsIn(log: readonly Placed[]): ReadonlySet<string> {
  const undone = undoneIds(log as readonly Undoable[]);
  const presses = pressesIn(log);
  const byId = new Map(log.map((e) => [e.id, e]));
  const slips = new Set<string>();
  for (const e of log) {
    if (e.kind !== 'undone' || undone.has(e.id)) continue;
    const of = typeof e.eventId === 'string' ? byId.get(e.eventId) : undefined;
    if (!of || of.deviceId !== e.deviceId) continue;
    const press = pressed(presses, of);
    const places = press.map(positionOf);
    const [first, last] = [Math.min(...places), Math.max(...places)];
    const atOnce = positionOf(e) - last === 1 && last - first === press.length - 1;
    if (atOnce) for (const { id } of [...press, e]) slips.add(id);
  }
  return slips;
}
