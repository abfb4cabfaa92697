import { pressureAtAltitudeHpa } from '../../fluid/verdict';

/**
 * The air round a vehicle, MPa, by how high it stands: the standard atmosphere
 * of ISO 2533:1975. The weather moves it by some hundredths, which no reading of
 * a pedal tells.
 *
 * @param altitudeM −400 to 5000 m
 * @throws RangeError outside that range
 * @example at 2,000 m it is 0.0795 MPa
 */
export const ambientMPaAt = (altitudeM: number): number =>
  pressureAtAltitudeHpa(altitudeM) / 10_000;

/** The air round a vehicle at sea level, MPa. */
export const SEA_LEVEL_MPA = ambientMPaAt(0);
