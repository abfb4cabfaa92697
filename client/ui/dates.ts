import { differenceInCalendarDays, format, isToday, isYesterday } from 'date-fns';

/** A day as short as it can be said. @example "today", "yesterday", "3 Feb 2026" */
export function shortDate(iso: string): string {
  const date = new Date(iso);
  if (isToday(date)) return 'today';
  if (isYesterday(date)) return 'yesterday';
  return format(date, 'd MMM yyyy');
}

/** The day of a moment in a list: its weekday within the week, its date before that. @example "Fri", "12 Feb" */
export function dayOf(atMs: number): string {
  const date = new Date(atMs);
  return differenceInCalendarDays(new Date(), date) < 7
    ? format(date, 'EEE')
    : format(date, 'd MMM yyyy');
}

/** Time of day. @example "08:31" */
export function clockTime(at: string | number): string {
  return format(new Date(at), 'HH:mm');
}
