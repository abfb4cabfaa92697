/** One piece of road of one slope, driven at one speed. */
export interface RoadPiece {
  readonly lengthM: number;
  /** Height lost along it; negative uphill. */
  readonly dropM: number;
  readonly speedMs: number;
}

/** What goes down the hill, and how its brakes take heat. All sizes [M] until they were measured. */
export interface DescentVehicle {
  readonly massKg: number;
  /** Share of the braking that the front axle does, 0 to 1. */
  readonly frontShare: number;
  /** Brakes on the front axle: 2 on a car, 1 or 2 on a motorcycle. */
  readonly frontBrakes: number;
  readonly discKg: number;
  /** Caliper, pads and the fluid in them, for one brake. */
  readonly caliperKg: number;
  /** Drag coefficient times frontal area. */
  readonly dragAreaM2: number;
  readonly rollingCoefficient: number;
  /** Share of the heat that the engine takes; none is the safe side. */
  readonly engineShare: number;
}

/** Starting values for a small car [M]. */
export const SMALL_CAR: DescentVehicle = {
  massKg: 1400,
  frontShare: 0.7,
  frontBrakes: 2,
  discKg: 6,
  caliperKg: 5,
  dragAreaM2: 0.65,
  rollingCoefficient: 0.012,
  engineShare: 0,
};

/** Starting values for a motorcycle with its rider and one disc in front [M]. */
export const SMALL_MOTORCYCLE: DescentVehicle = {
  massKg: 260,
  frontShare: 0.75,
  frontBrakes: 1,
  discKg: 1.5,
  caliperKg: 1.2,
  dragAreaM2: 0.45,
  rollingCoefficient: 0.015,
  engineShare: 0,
};

const GRAVITY_MS2 = 9.80665;
const AIR_KG_M3 = 1.2;

/**
 * Heat that one front brake takes on a piece of road, W: weight down the slope
 * less drag and rolling resistance, times speed, less the engine's share; never below 0.
 *
 * @throws RangeError when the piece is steeper than it is long or not driven
 */
export function brakeHeatW(vehicle: DescentVehicle, piece: RoadPiece): number {
  if (!(piece.lengthM > 0 && Math.abs(piece.dropM) < piece.lengthM))
    throw new RangeError(
      `the road drops ${piece.dropM} m over ${piece.lengthM} m; give a drop smaller than the length`,
    );
  if (!(piece.speedMs > 0 && piece.speedMs <= 70))
    throw new RangeError(`speedMs is ${piece.speedMs}; give above 0 to 70 m/s`);
  const sine = piece.dropM / piece.lengthM;
  const cosine = Math.sqrt(1 - sine * sine);
  const weight = vehicle.massKg * GRAVITY_MS2;
  const force =
    weight * sine -
    0.5 * AIR_KG_M3 * vehicle.dragAreaM2 * piece.speedMs ** 2 -
    vehicle.rollingCoefficient * weight * cosine;
  return (
    (Math.max(0, force * piece.speedMs) * (1 - vehicle.engineShare) * vehicle.frontShare) /
    vehicle.frontBrakes
  );
}

/** Heat of the last braking that one front brake takes, J: what the vehicle has in motion, and no help from drag. */
export function lastBrakingHeatJ(vehicle: DescentVehicle, speedMs: number): number {
  return (0.5 * vehicle.massKg * speedMs ** 2 * vehicle.frontShare) / vehicle.frontBrakes;
}
