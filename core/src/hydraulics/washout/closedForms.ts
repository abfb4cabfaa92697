import type { Source } from '../../base/figure';

/** Where both wash-out laws come from. */
export const WASHOUT_SOURCE: Source = {
  kind: 'standard',
  name: 'Danckwerts 1953; Levenspiel, Chemical Reaction Engineering',
};

/**
 * Line volumes of new fluid until the outlet of a laminar line carries `newShare`: 1/(2√(1 − newShare)).
 *
 * @param newShare 0 up to, not including, 1
 * @throws RangeError outside that range
 * @example laminarVolumesFor(0.98) is 3.54
 */
export function laminarVolumesFor(newShare: number): number {
  checkShare(newShare);
  return 1 / (2 * Math.sqrt(1 - newShare));
}

/**
 * Old share still inside a laminar line after θ line volumes: 1/(4θ) from θ = ½ on, 1 − θ before.
 *
 * @param volumes θ, 0 or more
 * @example laminarOldInside(3.5355) is 0.0707
 */
export function laminarOldInside(volumes: number): number {
  if (!(volumes >= 0)) throw new RangeError(`volumes is ${volumes}; give 0 or more`);
  return volumes >= 0.5 ? 1 / (4 * volumes) : 1 - volumes;
}

/**
 * Volumes of new fluid until a cavity that mixes holds and gives `newShare`: −ln(1 − newShare).
 *
 * @param newShare 0 up to, not including, 1
 * @throws RangeError outside that range
 * @example mixedVolumesFor(0.98) is 3.91
 */
export function mixedVolumesFor(newShare: number): number {
  checkShare(newShare);
  return -Math.log(1 - newShare);
}

function checkShare(newShare: number): void {
  if (!(newShare >= 0 && newShare < 1)) {
    throw new RangeError(`newShare is ${newShare}; give a share from 0 up to, not including, 1`);
  }
}
