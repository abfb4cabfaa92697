import { inZone, midnightsBetween } from './zone';

const DATE = { day: 'numeric', month: 'short', year: 'numeric' } as const;
const TIME = { hour: '2-digit', minute: '2-digit', hourCycle: 'h23' } as const;

/** A day as short as it can be said. @example "today", "yesterday", "3 Feb 2026" */
export function shortDate(iso: string, now = new Date()): string {
  const date = new Date(iso);
  const days = midnightsBetween(now, date);
  if (days === 0) return 'today';
  if (days === 1) return 'yesterday';
  return inZone(date, DATE);
}

/** The day of a moment in a list: its weekday within the week, its date before that. @example "Fri", "12 Feb 2026" */
export function dayOf(atMs: number, now = new Date()): string {
  const date = new Date(atMs);
  return inZone(date, midnightsBetween(now, date) < 7 ? { weekday: 'short' } : DATE);
}

/** Time of day. @example "08:31" */
export function clockTime(at: string | number): string {
  return inZone(new Date(at), TIME);
}
