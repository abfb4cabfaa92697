import type { DriverSide, Layout, VehicleKind } from '../layout';
import { hatchbackDiagonal } from './hatchbackDiagonal';
import { motorcycleFrontDisc } from './motorcycleFrontDisc';
import { pickupFrontRear } from './pickupFrontRear';
import { veteranSingleCircuit } from './veteranSingleCircuit';

export type TemplateId = 'hatchback-diagonal' | 'pickup-front-rear' | 'veteran-single' | 'motorcycle-front-disc';

/** A generic layout that a workshop starts from. No real model; every size is a starting value [M]. */
export interface LayoutTemplate {
  readonly id: TemplateId;
  readonly name: string;
  /** One line that tells a technician whether it fits the vehicle in front of them. */
  readonly about: string;
  readonly vehicleKind: VehicleKind;
  readonly driverSides: readonly DriverSide[];
  readonly build: (driverSide: DriverSide) => Layout;
}

export const layoutTemplates: readonly LayoutTemplate[] = [
  {
    id: 'hatchback-diagonal',
    name: 'Hatchback, diagonal split, ABS',
    about: 'Discs all round; each circuit feeds one front and the opposite rear; modulator beside the master',
    vehicleKind: 'car',
    driverSides: ['right', 'left'],
    build: hatchbackDiagonal,
  },
  {
    id: 'pickup-front-rear',
    name: 'Pickup, front/rear split, no ABS',
    about: 'Discs in front, drums behind; divided reservoir; one hose to the rear axle',
    vehicleKind: 'car',
    driverSides: ['right', 'left'],
    build: pickupFrontRear,
  },
  {
    id: 'veteran-single',
    name: 'Veteran, single circuit, drums',
    about: 'One chamber under the floor feeds all four drums; driver on the right',
    vehicleKind: 'car',
    driverSides: ['right'],
    build: veteranSingleCircuit,
  },
  {
    id: 'motorcycle-front-disc',
    name: 'Motorcycle, one front disc',
    about: 'Lever master on the bar, one hose, one caliper',
    vehicleKind: 'motorcycle',
    driverSides: ['middle'],
    build: motorcycleFrontDisc,
  },
];

/** The template of that id, or undefined. */
export function templateById(id: string): LayoutTemplate | undefined {
  return layoutTemplates.find((t) => t.id === id);
}
