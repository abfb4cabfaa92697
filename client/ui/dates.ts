import { format, isToday, isYesterday } from 'date-fns';

/** A day as short as it can be said. @example "today", "yesterday", "3 Feb 2026" */
export function shortDate(iso: string): string {
  const date = new Date(iso);
  if (isToday(date)) return 'today';
  if (isYesterday(date)) return 'yesterday';
  return format(date, 'd MMM yyyy');
}

/** Time of day. @example "08:31" */
export function clockTime(at: string | number): string {
  return format(new Date(at), 'HH:mm');
}
