import { inZone, midnightsBetween } from './zone';

/**
 * How long ago a day was, for lists.
 *
 * @example "today", "yesterday", "5 days ago", "12 Feb 2026"
 */
export function dayWords(iso: string, now = new Date()): string {
  const date = new Date(iso);
  const days = midnightsBetween(now, date);
  if (days <= 0) return 'today';
  if (days === 1) return 'yesterday';
  if (days < 14) return `${days} days ago`;
  return inZone(date, { day: 'numeric', month: 'short', year: 'numeric' });
}
