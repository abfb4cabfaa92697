const DAY_MS = 86_400_000;
/** Days of 400 years of the Gregorian calendar: after that it repeats itself. */
const ERA_DAYS = 146_097;
/** From the first of March of the year 0 to the first of January 1970. */
const EPOCH_DAYS = 719_468;

/**
 * When a day is over at Greenwich, milliseconds since 1970. By the count of
 * days of H. Hinnant, "chrono-Compatible Low-Level Date Algorithms" (2013):
 * years begin in March, so that the leap day is their last.
 *
 * @param date YYYY-MM-DD, a day that exists, from the year 1 on
 */
export function dayEndsMs(date: string): number {
  const [y, month, day] = date.split('-').map(Number) as [number, number, number];
  const year = month <= 2 ? y - 1 : y;
  const era = Math.floor(year / 400);
  const yearOfEra = year - era * 400;
  const dayOfYear = Math.floor((153 * ((month + 9) % 12) + 2) / 5) + day - 1;
  const dayOfEra =
    yearOfEra * 365 + Math.floor(yearOfEra / 4) - Math.floor(yearOfEra / 100) + dayOfYear;
  return (era * ERA_DAYS + dayOfEra - EPOCH_DAYS + 1) * DAY_MS;
}
