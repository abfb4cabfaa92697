import type { JobEvent, Logged, VehicleEvent } from '../../job/events';

/** One event of a vehicle, in whatever log it stands. */
export interface Seen {
  readonly position: number;
  /** The day on which the server got it, where a day ends last on earth: YYYY-MM-DD. */
  readonly receivedDay: string;
  /** Its job; null where it was said of the vehicle. */
  readonly job: number | null;
  readonly event: Logged<JobEvent | VehicleEvent>;
}

/** Ids of what was taken back: by an undo behind it that is not taken back itself, with all of its press. */
export function takenBack(order: readonly Seen[]): Set<string> {
  const gone = new Set<string>();
  for (const s of [...order].reverse()) {
    const e = s.event;
    if (e.kind !== 'undone' || gone.has(e.id)) continue;
    const of = order.find((x) => x.event.id === e.eventId && x.job === s.job);
    if (!of || of.position >= s.position) continue;
    for (const x of samePress(order, of)) gone.add(x.event.id);
  }
  return gone;
}

const samePress = (order: readonly Seen[], of: Seen): Seen[] =>
  of.event.group === undefined
    ? [of]
    : order.filter(
        (x) =>
          x.job === of.job &&
          x.event.group === of.event.group &&
          x.event.deviceId === of.event.deviceId &&
          x.event.kind !== 'undone',
      );

/** What was taken back at once, by the same phone: nothing of the vehicle stands between. */
export function slipped(order: readonly Seen[], gone: ReadonlySet<string>): Set<string> {
  const slips = new Set<string>();
  for (const s of order) {
    const e = s.event;
    if (e.kind !== 'undone' || gone.has(e.id)) continue;
    const of = order.find((x) => x.event.id === e.eventId && x.job === s.job);
    if (!of || of.event.deviceId !== e.deviceId) continue;
    const press = samePress(order, of);
    const between = order.filter(
      (x) =>
        x.position > Math.min(...press.map((p) => p.position)) &&
        x.position < s.position &&
        !press.includes(x),
    );
    if (between.length > 0 || press.some((p) => p.position > s.position)) continue;
    for (const p of [...press, s]) slips.add(p.event.id);
  }
  return slips;
}
