import { VEHICLE_TRAITS, type VehicleKind } from '@brook/core/vehicle/circuit';
import { ENTRY, figure, type Figure } from '@brook/core/base/figure';
import {
  boilingFigure,
  CHEMISTRY,
  limitsOf,
  readingFault,
  type Grade,
} from '@brook/core/fluid/verdict';
import {
  SMALL_CAR,
  SMALL_MOTORCYCLE,
  type DescentVehicle,
  type RoadPiece,
  type VapourRequest,
} from '@brook/core/fluid/vapour';
import { typedNumber } from '../../ui/typedNumber';

/** One piece of road of one slope, as typed. */
export interface PieceDraft {
  readonly lengthKm: string;
  readonly dropM: string;
  readonly speedKmh: string;
}

/** The descent and what goes down it, as typed. */
export interface DescentDraft extends PieceDraft {
  /** Pieces of road after the first. */
  readonly further: readonly PieceDraft[];
  readonly massKg: string;
  readonly frontPercent: string;
  readonly altitudeM: string;
  readonly airC: string;
  readonly enginePercent: string;
  readonly discKg: string;
  readonly caliperKg: string;
  readonly waterPercent: string;
  readonly boilingC: string;
}

export type PieceField = keyof PieceDraft;
export type DescentField = Exclude<keyof DescentDraft, 'further'>;

/** What each field may hold, and its unit. Sizes of the vehicle are starting values [M]. */
export const DESCENT_FIELDS: Readonly<
  Record<
    DescentField,
    {
      readonly label: string;
      readonly unit: string;
      readonly least: number;
      readonly most: number;
      readonly why?: string;
    }
  >
> = {
  lengthKm: { label: 'Length of the descent', unit: 'km', least: 0.2, most: 60 },
  dropM: { label: 'Drop', unit: 'm', least: 1, most: 4000 },
  speedKmh: { label: 'Speed', unit: 'km/h', least: 5, most: 130 },
  massKg: {
    label: 'Mass, loaded',
    unit: 'kg',
    least: 80,
    most: 7500,
    why: 'As it will go down the hill: people and load with it.',
  },
  frontPercent: { label: 'Braking done by the front', unit: '%', least: 30, most: 100 },
  altitudeM: {
    label: 'Altitude at the foot',
    unit: 'm',
    least: 0,
    most: 4500,
    why: 'Thin air lowers the boiling point.',
  },
  airC: { label: 'Air', unit: '°C', least: -30, most: 50 },
  enginePercent: {
    label: 'Held by the engine',
    unit: '%',
    least: 0,
    most: 80,
    why: 'None is the safe side.',
  },
  discKg: {
    label: 'One front disc',
    unit: 'kg',
    least: 0.4,
    most: 30,
    why: 'A starting value until it was weighed.',
  },
  caliperKg: {
    label: 'Its caliper with pads',
    unit: 'kg',
    least: 0.4,
    most: 25,
    why: 'A starting value until it was weighed.',
  },
  waterPercent: {
    label: 'Water in the fluid',
    unit: '%',
    least: 0,
    most: 10,
    why: 'The worst point that was measured.',
  },
  boilingC: {
    label: 'Or its boiling point, measured',
    unit: '°C',
    least: 100,
    most: 350,
    why: 'At 1013 hPa; it wins over the water.',
  },
};

/** Starting values by kind of vehicle [M], with what is known of the fluid. */
export function descentDraft(
  kind: VehicleKind,
  given: { readonly water?: string | undefined; readonly boiling?: string | undefined },
  /** Where the workshop lies: a road near it begins there. */
  workshopM = 0,
): DescentDraft {
  const v = startingVehicle(kind);
  return {
    lengthKm: '8',
    dropM: '500',
    speedKmh: '50',
    massKg: String(v.massKg),
    frontPercent: String(v.frontShare * 100),
    altitudeM: String(workshopM),
    further: [],
    airC: '25',
    enginePercent: '0',
    discKg: String(v.discKg),
    caliperKg: String(v.caliperKg),
    waterPercent: given.water ?? '',
    boilingC: given.boiling ?? '',
  };
}

const startingVehicle = (kind: VehicleKind): DescentVehicle =>
  VEHICLE_TRAITS[kind].bar ? SMALL_MOTORCYCLE : SMALL_CAR;

/** Every field that cannot be right, in one sentence each. */
export function descentFaults(draft: DescentDraft): Partial<Record<DescentField, string>> {
  const faults: Partial<Record<DescentField, string>> = {};
  for (const field of Object.keys(DESCENT_FIELDS) as DescentField[]) {
    const { label, unit, least, most } = DESCENT_FIELDS[field];
    const text = draft[field];
    if ((field === 'waterPercent' || field === 'boilingC') && text.trim() === '') continue;
    const value = typedNumber(text);
    if (!(value >= least && value <= most))
      faults[field] = `${label} is ${text.trim() || 'missing'}; give ${least} to ${most} ${unit}.`;
  }
  return { ...faults, ...steep(draft, faults) };
}

/** Every field of one further piece of road that cannot be right. It may be flat or climb. */
export function pieceFaults(piece: PieceDraft): Partial<Record<PieceField, string>> {
  const faults: Partial<Record<PieceField, string>> = {};
  for (const field of ['lengthKm', 'dropM', 'speedKmh'] as const) {
    const { label, unit, most } = DESCENT_FIELDS[field];
    const least = field === 'dropM' ? -most : DESCENT_FIELDS[field].least;
    const value = typedNumber(piece[field]);
    if (!(value >= least && value <= most))
      faults[field] =
        `${label} is ${piece[field].trim() || 'missing'}; give ${least} to ${most} ${unit}.`;
  }
  return { ...faults, ...steep(piece, faults) };
}

function steep(piece: PieceDraft, faults: Partial<Record<PieceField, string>>): { dropM?: string } {
  if (
    faults.dropM ||
    faults.lengthKm ||
    Math.abs(typedNumber(piece.dropM)) <= typedNumber(piece.lengthKm) * 250
  )
    return {};
  return {
    dropM: `A drop of ${piece.dropM} m over ${piece.lengthKm} km is steeper than a road; one in four is the most.`,
  };
}

/** Boiling point of the fluid: as measured, else estimated from its water; null while neither is known. */
export function boilingOf(draft: DescentDraft, grade: Grade): Figure | null {
  const measured = typedNumber(draft.boilingC);
  if (draft.boilingC.trim() !== '' && !readingFault('boilingC', measured))
    return figure({
      label: 'Boiling point, measured',
      value: measured,
      unit: '°C',
      rule: 'read off a tester, at 1013 hPa',
      source: ENTRY,
    });
  const water = typedNumber(draft.waterPercent);
  if (
    draft.waterPercent.trim() === '' ||
    readingFault('waterPercent', water) ||
    CHEMISTRY[grade] !== 'glycol'
  )
    return null;
  return boilingFigure(
    limitsOf(grade, null),
    figure({
      label: 'Water',
      value: water,
      unit: '%',
      rule: 'the worst point that was measured',
      source: ENTRY,
    }),
  );
}

/** The requests to reckon: the descent as given, and the same held at half and one and a half times the speed, for comparison. Null while something is missing. */
export function vapourRequests(
  draft: DescentDraft,
  kind: VehicleKind,
  grade: Grade,
): VapourRequest[] | null {
  const boiling = boilingOf(draft, grade);
  const faulty = [descentFaults(draft), ...draft.further.map(pieceFaults)].some(
    (f) => Object.keys(f).length > 0,
  );
  if (!boiling || faulty) return null;
  const vehicle: DescentVehicle = {
    ...startingVehicle(kind),
    massKg: typedNumber(draft.massKg),
    frontShare: typedNumber(draft.frontPercent) / 100,
    engineShare: typedNumber(draft.enginePercent) / 100,
    discKg: typedNumber(draft.discKg),
    caliperKg: typedNumber(draft.caliperKg),
  };
  return [1, 0.5, 1.5].map((times) => ({
    vehicle,
    road: [draft, ...draft.further].flatMap((piece) => road(piece, times)),
    airC: typedNumber(draft.airC),
    altitudeM: typedNumber(draft.altitudeM),
    boiling,
  }));
}

/** Fastest that a comparison goes, m/s. */
const FASTEST_MS = 36;

/** One piece of road cut into parts of a kilometre or less, at so many times its speed. */
function road(piece: PieceDraft, times: number): RoadPiece[] {
  const lengthM = typedNumber(piece.lengthKm) * 1000;
  const parts = Math.max(1, Math.ceil(lengthM / 1000));
  const speedMs = Math.min(FASTEST_MS, (typedNumber(piece.speedKmh) / 3.6) * times);
  return Array.from({ length: parts }, () => ({
    lengthM: lengthM / parts,
    dropM: typedNumber(piece.dropM) / parts,
    speedMs,
  }));
}
