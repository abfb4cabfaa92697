import { ENTRY, figure, MODEL, type Figure } from '../../base/figure';
import { atLocalPressureC } from '../verdict';
import { simulateHeat, twoMasses, type HeatPhase, type HeatRun } from './brakeHeat';
import { brakeHeatW, lastBrakingHeatJ, type DescentVehicle, type RoadPiece } from './descent';

export interface VapourRequest {
  readonly vehicle: DescentVehicle;
  readonly road: readonly RoadPiece[];
  readonly airC: number;
  /** Where the fluid is hottest: the foot of the descent. */
  readonly altitudeM: number;
  /** Boiling point for 1013 hPa, estimated or measured and corrected. */
  readonly boiling: Figure;
}

export interface VapourAnswer {
  /** Boiling point at that place less the hottest fluid, °C; below 0 the fluid boils. */
  readonly margin: Figure;
  readonly peakFluid: Figure;
  readonly heat: HeatRun;
}

/** Deceleration of the last braking, m/s² [M]. */
const BRAKING_MS2 = 3;
/** The fluid goes on heating while the vehicle stands. */
const STANDING_S = 15 * 60;

/**
 * How near the hottest front brake's fluid comes to boiling on a descent that
 * ends in a stop and a quarter of an hour of standing still. A model [M]: it
 * never softens a verdict on the fluid.
 *
 * @throws RangeError when the road is empty or a piece of it cannot be driven
 */
export function vapourMargin(request: VapourRequest): VapourAnswer {
  const { vehicle, road, airC, altitudeM, boiling } = request;
  const last = road.at(-1);
  if (!last) throw new RangeError('the road has no piece; give at least one');
  const brakingS = last.speedMs / BRAKING_MS2;
  const phases: HeatPhase[] = [
    ...road.map((p) => ({
      seconds: p.lengthM / p.speedMs,
      heatW: brakeHeatW(vehicle, p),
      speedMs: p.speedMs,
    })),
    {
      seconds: brakingS,
      heatW: lastBrakingHeatJ(vehicle, last.speedMs) / brakingS,
      speedMs: last.speedMs / 2,
    },
    { seconds: STANDING_S, heatW: 0, speedMs: 0 },
  ];
  const heat = simulateHeat(twoMasses(vehicle.discKg, vehicle.caliperKg), phases, airC);
  const entry = (label: string, value: number, unit: 'm' | '°C' | 'kg' | 'km/h') =>
    figure({ label, value, unit, rule: 'entered', source: ENTRY });
  const peakFluid = figure({
    label: 'Hottest fluid',
    value: heat.peak.fluidC,
    unit: '°C',
    rule: `two masses, disc and caliper with fluid; the fluid is hottest ${Math.round(heat.peak.seconds / 60)} min after the start, at the stop or while standing`,
    source: MODEL,
    from: [
      entry(
        'Length',
        road.reduce((sum, p) => sum + p.lengthM, 0),
        'm',
      ),
      entry(
        'Drop',
        road.reduce((sum, p) => sum + p.dropM, 0),
        'm',
      ),
      entry('Speed', last.speedMs * 3.6, 'km/h'),
      entry('Mass', vehicle.massKg, 'kg'),
      entry('One front disc', vehicle.discKg, 'kg'),
      entry('Its caliper', vehicle.caliperKg, 'kg'),
      entry('Air', airC, '°C'),
    ],
  });
  const local = figure({
    label: 'Boiling point there',
    value: atLocalPressureC(boiling.value, altitudeM),
    unit: '°C',
    rule: 'lowered for the thinner air',
    source: MODEL,
    from: [boiling, entry('Altitude', altitudeM, 'm')],
  });
  return {
    margin: figure({
      label: 'Margin to boiling',
      value: local.value - peakFluid.value,
      unit: '°C',
      isDifference: true,
      rule: 'boiling point there less the hottest fluid',
      source: MODEL,
      from: [local, peakFluid],
    }),
    peakFluid,
    heat,
  };
}
