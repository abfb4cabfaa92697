import { CONTROL_TRAITS, type Control, type VehicleKind } from './kinds';
import type {
  AbsKind,
  Bleeder,
  Reservoir,
  Fitting,
  Layout,
  LayoutNode,
  Master,
  MasterChamber,
  Place,
  Stretch,
  ValveKind,
} from './layout';

/** Usual inside diameters, mm [M]: 4.75 mm line, 6.35 mm line, brake hose. */
export const LINE_4_75_INSIDE_MM = 3.35;
export const LINE_6_35_INSIDE_MM = 4.9;
export const HOSE_INSIDE_MM = 3.2;
/** Upper limit of a hose of regular expansion, 0.66 mL per foot at 1000 psi (FMVSS 106, from memory) [M]. */
const HOSE_WIDENING_ML_PER_M = 2.2;

export type Side = 'left' | 'right';

/** The side that is not the driver's. */
export const otherSide = (side: Side): Side => (side === 'left' ? 'right' : 'left');

const listed = (wrenchMm: number, thread: string | null = null): Fitting => ({
  listed: { wrenchMm, thread, torqueNm: null },
  found: null,
});
const LINE_NUT = listed(11, 'M10×1');

export const line = (
  id: string,
  name: string,
  from: string,
  to: string,
  lengthMm: number,
  insideMm = LINE_4_75_INSIDE_MM,
): Stretch => ({
  id,
  name,
  kind: 'line',
  from,
  to,
  lengthMm,
  insideMm,
  wideningMlPerM: null,
  nut: LINE_NUT,
});
export const hose = (
  id: string,
  name: string,
  from: string,
  to: string,
  lengthMm: number,
): Stretch => ({
  id,
  name,
  kind: 'hose',
  from,
  to,
  lengthMm,
  insideMm: HOSE_INSIDE_MM,
  wideningMlPerM: HOSE_WIDENING_ML_PER_M,
  nut: null,
});

export const port = (id: string, name: string, heightMm: number): LayoutNode => ({
  kind: 'port',
  id,
  name,
  heightMm,
});
export const joint = (id: string, name: string, heightMm: number): LayoutNode => ({
  kind: 'joint',
  id,
  name,
  heightMm,
});
export const tee = (id: string, name: string, heightMm: number): LayoutNode => ({
  kind: 'tee',
  id,
  name,
  heightMm,
});
export const valve = (
  id: string,
  name: string,
  heightMm: number,
  kind: ValveKind,
  end: 'front' | 'rear' | null = null,
): LayoutNode => ({ kind: 'valve', id, name, heightMm, valve: kind, end, button: false });
export const modulator = (
  id: string,
  name: string,
  heightMm: number,
  openPathMl: number,
  pocketsMl: number,
): LayoutNode => ({ kind: 'modulator', id, name, heightMm, openPathMl, pocketsMl });
export const caliper = (
  id: string,
  name: string,
  heightMm: number,
  cavityMl: number,
  pistonMm: number,
  pistons = 1,
): LayoutNode => ({
  kind: 'caliper',
  id,
  name,
  heightMm,
  cavityMl,
  pistonMm,
  pistons,
  retractionMm: 0.15,
});
export const cylinder = (
  id: string,
  name: string,
  heightMm: number,
  cavityMl: number,
): LayoutNode => ({
  kind: 'wheel cylinder',
  id,
  name,
  heightMm,
  cavityMl,
  pistonMm: 19,
  pistons: 2,
  retractionMm: 1,
});
export const slave = (
  id: string,
  name: string,
  heightMm: number,
  cavityMl: number,
  pistonMm: number,
  where: { inGearbox: boolean; holdable: boolean },
): LayoutNode => ({
  kind: 'slave',
  id,
  name,
  heightMm,
  cavityMl,
  pistonMm,
  pistons: 1,
  retractionMm: 0,
  ...where,
});

export const bleeder = (
  id: string,
  at: string,
  place: Place,
  wrenchMm: number,
  more: Partial<Bleeder> = {},
): Bleeder => ({
  id,
  at,
  place,
  which: null,
  type: 'screw',
  atTop: true,
  seat: 'not tried',
  fitting: listed(wrenchMm),
  ...more,
});

export const reservoir = (
  id: string,
  name: string,
  heightMm: number,
  maxMl: number,
  minMl: number,
): Reservoir => ({ id, name, heightMm, maxMl, minMl, makerPressureKpa: null });
export const chamber = (
  id: string,
  name: string,
  boreMm: number,
  strokesMm: { full: number; bleed: number },
  fedBy: string,
  port: string,
  outlet: { airDrawnMl: number; belowMaxMm: number },
): MasterChamber => ({
  id,
  name,
  boreMm,
  fullStrokeMm: strokesMm.full,
  bleedStrokeMm: strokesMm.bleed,
  fedBy,
  port,
  outlet,
});
export const master = (
  id: string,
  name: string,
  control: Control,
  heightMm: number,
  ratio: number,
  chambers: readonly MasterChamber[],
  attitude: Master['attitude'] = 'level',
): Master => ({
  id,
  name,
  system: CONTROL_TRAITS[control].system,
  control,
  heightMm,
  ratio,
  attitude,
  chambers,
});

type Parts = Pick<Layout, 'reservoirs' | 'masters' | 'nodes' | 'stretches' | 'bleeders'>;

const of =
  (vehicleKind: VehicleKind) =>
  (name: string, driverSide: Layout['driverSide'], abs: AbsKind, parts: Parts): Layout => ({
    version: 2,
    name,
    vehicleKind,
    driverSide,
    abs,
    ...parts,
  });
/** A layout of a kind of vehicle; the rest of it says what is in it. */
export const car = of('car');
export const threeWheeled = of('three-wheeler');
export const motorcycle = (name: string, abs: AbsKind, parts: Parts): Layout =>
  of('motorcycle')(name, 'middle', abs, parts);
export const trailer = (name: string, parts: Parts): Layout =>
  of('trailer')(name, 'middle', 'none', parts);
