import type { Place } from './layout';

/** A bleeder's place with a capital, for headings. @example placeWords('left rear') is "Left rear" */
export function placeWords(place: Place): string {
  return place.charAt(0).toUpperCase() + place.slice(1);
}
