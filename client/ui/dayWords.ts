const DAY_MS = 86_400_000;

/**
 * How long ago a day was, for lists: without a date library, so that the
 * first page stays light.
 *
 * @example "today", "yesterday", "5 days ago", "12 Feb 2026"
 */
export function dayWords(iso: string, now = new Date()): string {
  const date = new Date(iso);
  const days = Math.round((midnight(now) - midnight(date)) / DAY_MS);
  if (days <= 0) return 'today';
  if (days === 1) return 'yesterday';
  if (days < 14) return `${days} days ago`;
  return date.toLocaleDateString('en-GB', { day: 'numeric', month: 'short', year: 'numeric' });
}

const midnight = (date: Date): number =>
  new Date(date.getFullYear(), date.getMonth(), date.getDate()).getTime();
