/** The workshop's time zone; the phone's own until the workshop is known. */
let zone: string | undefined;
let formats = new Map<string, Intl.DateTimeFormat>();

/** Show moments as the clock on the workshop's wall does, wherever the phone is. */
export function setZone(timeZone: string): void {
  if (timeZone === zone) return;
  zone = timeZone;
  formats = new Map();
}

/** A moment in the workshop's zone; making a format is slow, so that each is made once. */
export function inZone(at: Date, options: Intl.DateTimeFormatOptions): string {
  const key = JSON.stringify(options);
  let format = formats.get(key);
  if (!format) {
    format = new Intl.DateTimeFormat('en-GB', { ...options, timeZone: zone });
    formats.set(key, format);
  }
  return format.format(at);
}

const DAY_MS = 86_400_000;
const NUMBERS = { day: '2-digit', month: '2-digit', year: 'numeric' } as const;

/** How many midnights of the workshop lie between two moments; negative where the second is the later one. */
export function midnightsBetween(later: Date, earlier: Date): number {
  const day = (at: Date): number => {
    const [d, m, y] = inZone(at, NUMBERS).split('/').map(Number);
    return Date.UTC(y!, m! - 1, d!) / DAY_MS;
  };
  return day(later) - day(earlier);
}
