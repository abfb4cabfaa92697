import type { VehicleKind } from '../kinds';
import type { DriverSide, Layout } from '../layout';
import {
  clutchConcentricShared,
  clutchExternalSlave,
  clutchNoseUp,
  motorcycleClutchBare,
  motorcycleClutchBends,
} from './clutches';
import { estateFrontRear, pickupRearAbs, vanFourChannel } from './frontRear';
import { hatchbackDiagonal } from './hatchback';
import {
  absIntegral,
  absTwoCircuits,
  frontDisc,
  linkedBrakes,
  rearDisc,
  sidecarOutfit,
  twinFrontDiscs,
  twinFrontDiscsMasterBleeder,
} from './motorcycles';
import { sportsCoupe, threeWheeler, veteranSingleCircuit } from './olderCars';
import { trailerOverrun } from './trailers';

export type TemplateId =
  | 'hatchback-diagonal'
  | 'estate-front-rear'
  | 'pickup-rear-abs'
  | 'van-four-channel'
  | 'veteran-single'
  | 'sports-coupe'
  | 'three-wheeler'
  | 'clutch-external'
  | 'clutch-concentric'
  | 'clutch-nose-up'
  | 'motorcycle-front-disc'
  | 'motorcycle-twin-front'
  | 'motorcycle-twin-front-master-bleeder'
  | 'motorcycle-rear-disc'
  | 'motorcycle-clutch-bends'
  | 'motorcycle-clutch-bare'
  | 'motorcycle-linked'
  | 'motorcycle-abs'
  | 'motorcycle-integral-abs'
  | 'sidecar-outfit'
  | 'trailer-overrun';

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

const car = (id: TemplateId, about: string, build: LayoutTemplate['build']): LayoutTemplate => ({
  id,
  name: build('right').name,
  about,
  vehicleKind: 'car',
  driverSides: ['right', 'left'],
  build,
});
const motorcycle = (
  id: TemplateId,
  about: string,
  build: LayoutTemplate['build'],
): LayoutTemplate => ({
  id,
  name: build('middle').name,
  about,
  vehicleKind: 'motorcycle',
  driverSides: ['middle'],
  build,
});

export const layoutTemplates: readonly LayoutTemplate[] = [
  car(
    'hatchback-diagonal',
    'Discs all round; each circuit feeds one front and the opposite rear; modulator beside the master',
    hatchbackDiagonal,
  ),
  car(
    'estate-front-rear',
    'Discs in front, drums behind; divided reservoir; valve block with metering and differential; one hose to the axle',
    estateFrontRear,
  ),
  car(
    'pickup-rear-abs',
    'Discs in front, drums behind; divided reservoir; ABS modulator with a bleeder on the frame',
    pickupRearAbs,
  ),
  car(
    'van-four-channel',
    'Discs all round, front/rear split; modulator under the floor, one line to each wheel',
    vanFourChannel,
  ),
  car('veteran-single', 'One chamber under the floor feeds all four drums', veteranSingleCircuit),
  car(
    'sports-coupe',
    'Masters in the nose, engine behind; long clutch line that falls again behind a crossmember',
    sportsCoupe,
  ),
  car(
    'clutch-external',
    'Clutch alone: reservoir of its own, slave outside on the gearbox',
    clutchExternalSlave,
  ),
  car(
    'clutch-concentric',
    'Brakes and clutch on one reservoir; slave inside the gearbox, quarter-turn bleeder',
    clutchConcentricShared,
  ),
  car(
    'clutch-nose-up',
    'Clutch alone: master tilted nose up, line over the wheel arch',
    clutchNoseUp,
  ),
  motorcycle('motorcycle-front-disc', 'Lever master on the bar, one hose, one caliper', frontDisc),
  motorcycle(
    'motorcycle-twin-front',
    'Lever master, tee at the yoke, two calipers',
    twinFrontDiscs,
  ),
  motorcycle(
    'motorcycle-twin-front-master-bleeder',
    'As above, with a bleeder on the master',
    twinFrontDiscsMasterBleeder,
  ),
  motorcycle('motorcycle-rear-disc', 'Master at the footrest, one caliper', rearDisc),
  motorcycle(
    'motorcycle-clutch-bends',
    'Clutch lever, line round the steering head and over the engine',
    motorcycleClutchBends,
  ),
  motorcycle(
    'motorcycle-clutch-bare',
    'Clutch lever, short hose, bare slave',
    motorcycleClutchBare,
  ),
  motorcycle(
    'motorcycle-linked',
    'Lever on both fronts; pedal on the rear and, behind a delay valve, on one front piston',
    linkedBrakes,
  ),
  motorcycle('motorcycle-abs', 'Lever and pedal each through the modulator', absTwoCircuits),
  motorcycle(
    'motorcycle-integral-abs',
    'Lever and pedal end in a unit that feeds the wheels under high pressure',
    absIntegral,
  ),
  motorcycle(
    'sidecar-outfit',
    'Front disc at the lever; pedal on rear and sidecar wheel, its line over the frame',
    sidecarOutfit,
  ),
  {
    id: 'three-wheeler',
    name: threeWheeler('right').name,
    about: 'One chamber, two front drums, one rear behind a load valve',
    vehicleKind: 'three-wheeler',
    driverSides: ['right', 'left'],
    build: threeWheeler,
  },
  {
    id: 'trailer-overrun',
    name: trailerOverrun().name,
    about: 'Master in the coupling, worked by its own push; one axle with drums',
    vehicleKind: 'trailer',
    driverSides: ['middle'],
    build: trailerOverrun,
  },
];

/** The template of that id, or undefined. */
export function templateById(id: string): LayoutTemplate | undefined {
  return layoutTemplates.find((t) => t.id === id);
}
