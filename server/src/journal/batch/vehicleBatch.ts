import { vehicleEvent, type EventAnswer } from '@brook/contract';
import { type VehicleEvent, type Logged } from '@brook/core/job/events';
import {
  clearsByLook,
  openItemClearsWhen,
  openItemTitle,
  type OpenItem,
} from '@brook/core/owed/openItems';
import { isDeepStrictEqual } from 'node:util';
import { Vehicle } from '../../db/models';
import type { Actor } from '../../session/actor';
import { findVehicle } from '../../workshop/vehicle/findVehicle';
import { appendToVehicle, placed } from '../log/append';
import { lastInOrder } from '../log/order';
import { projectOpenItems } from '../log/drive';
import { vehicleLogOf } from '../log/stored';
import { openItemsOf } from '../rows/openItems';

/** Take what somebody says of a vehicle outside any job into its own log, by the same rules as a job's. */
export async function takeVehicleBatch(
  actor: Actor,
  vehicleId: string,
  events: readonly unknown[],
  at: Date,
): Promise<EventAnswer[]> {
  return Vehicle.sequelize!.transaction(async (transaction) => {
    const vehicle = await findVehicle(actor, vehicleId, transaction);
    const log = await vehicleLogOf(vehicleId, transaction);
    const answers: EventAnswer[] = [];
    const openItems = (await openItemsOf([vehicleId], transaction)).get(vehicleId) ?? [];
    const locked = { actor, at, lastPlace: await lastInOrder(vehicleId, transaction) };
    for (const given of events) {
      const { answer, fresh } = look({ log, openItems, ...locked, at }, given);
      answers.push(answer);
      if (!fresh) continue;
      const kept = placed(locked, fresh);
      log.push(kept);
      await appendToVehicle(vehicle, kept, at, transaction);
    }
    const settledBy = settles(log.at(-1));
    await projectOpenItems(vehicle, { person: actor.name, at, settledBy }, transaction);
    return answers;
  });
}

/** What is there when something is said of a vehicle. */
interface Standing {
  readonly log: readonly Logged<VehicleEvent>[];
  readonly openItems: readonly OpenItem[];
  readonly lastPlace: number;
  readonly at: Date;
}

function look(
  { log, openItems, lastPlace, at }: Standing,
  given: unknown,
): { readonly answer: EventAnswer; readonly fresh?: VehicleEvent } {
  const read = vehicleEvent.safeParse(given);
  if (!read.success) {
    const id = (given as { id?: unknown } | null)?.id;
    const sentence = read.error.issues.map((i) => i.message).join(' ');
    return { answer: { id: typeof id === 'string' ? id : null, result: 'refused', sentence } };
  }
  const event = read.data;
  const refused = (sentence: string) => ({
    answer: { id: event.id, result: 'refused' as const, sentence },
  });
  const known = { answer: { id: event.id, result: 'known' as const, sentence: null } };
  const before = log.find((e) => e.id === event.id);
  if (before) {
    const { person: _, order: __, ...sent } = before;
    return isDeepStrictEqual(sent, event)
      ? known
      : refused('This id stands for another event already; an event keeps its content.');
  }
  if ('date' in event && liesAhead(event.date, at))
    return refused(`The paper is dated ${event.date}; its date should be a day up to today.`);
  if (event.kind === 'undone') {
    const target = log.find((e) => e.id === event.eventId);
    if (!target) return refused(`There is no event "${event.eventId}" to undo.`);
    if (log.some((e) => e.kind === 'undone' && e.eventId === event.eventId)) return known;
    const slip = target.deviceId === event.deviceId && target.order?.position === lastPlace;
    if (target.kind === 'marked' && !slip)
      return refused('A mark is taken back by whoever looked; say what was looked at.');
  }
  if (event.kind === 'looked at') {
    const of = openItems.find((m) => m.id === event.openItemId);
    if (!of) return refused(`There is nothing open "${event.openItemId}" on this vehicle.`);
    if (!clearsByLook(of))
      return refused(`${openItemTitle(of)}: a look does not clear this. ${openItemClearsWhen(of)}`);
  }
  return { answer: { id: event.id, result: 'new', sentence: null }, fresh: event };
}

/** What settles what is gone by the last that was said. */
function settles(last: VehicleEvent | undefined): string {
  if (last?.kind === 'looked at') return `a look: ${last.saw}`;
  return last?.kind === 'undone' ? 'withdrawn' : 'the paper of a workshop';
}

/** Nowhere on earth a day has begun sooner than so long before it does at Greenwich, ms. */
const FIRST_ZONE_MS = 14 * 3_600_000;

const liesAhead = (date: string, at: Date): boolean =>
  Date.parse(date) - FIRST_ZONE_MS > at.getTime();
