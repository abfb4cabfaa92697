import type { FluidEntry, Seed } from '@brook/contract';
import { entry, seen, wet } from './fluid';
import { deliveries } from './shelf';

type Workshop = Seed['workshops'][number];
type SeedJob = Workshop['jobs'][number];

export const SKERROW_PASSWORD = 'skerrow-demo';

const HATCHBACK = (
  reservoir: number,
  rear: number | null = null,
  colour: 'straw' | 'amber' | 'brown' = 'amber',
): FluidEntry =>
  entry('DOT 4', [
    wet('reservoir', reservoir, { colour, clarity: colour === 'straw' ? 'hazy' : 'clear' }),
    ...(rear === null ? [] : [wet('left-rear', rear)]),
  ]);
const MOTORCYCLE = (reservoir: number): FluidEntry =>
  entry('DOT 5.1', [wet('reservoir', reservoir)]);
/** By the heated probe, with the barometer's word. */
const PROBED = (observedC: number, ambientHpa: number): FluidEntry =>
  entry('DOT 4', [seen('reservoir', { boiling: { observedC, ambientHpa } })]);
const unmeasured: FluidEntry = entry('DOT 4', [
  seen('reservoir', { colour: 'straw', clarity: 'hazy' }),
]);
const oily: FluidEntry = {
  ...entry('DOT 4', [seen('reservoir', { colour: 'brown', foreign: 'oil film, green or red' })]),
  fill: null,
  newColour: null,
};
const old: FluidEntry = entry(
  'DOT 3',
  [wet('reservoir', 3.1, { colour: 'brown', clarity: 'hazy', copperPpm: 220 })],
  { control: 'none', seals: 'natural rubber', newColour: 'straw' },
);

/** A flush that went through and was released. */
const released = (
  vehicleTag: string,
  daysAgo: number,
  fluid: FluidEntry,
  by = 'una',
  airMl?: number,
): SeedJob => ({
  vehicleTag,
  daysAgo,
  by,
  fluid,
  reach: 'released',
  ...(airMl === undefined ? {} : { airMl }),
});
/** Looked at and measured on the round; nothing was opened. */
const checked = (vehicleTag: string, daysAgo: number, fluid: FluidEntry, by = 'una'): SeedJob => ({
  vehicleTag,
  daysAgo,
  by,
  fluid: { ...fluid, fill: null, newColour: null },
  reach: 'ended',
  endReason: 'Measured on the round, nothing opened.',
});

/** Two years of finished flushes, and of readings in between. */
const history: SeedJob[] = [
  released('HC 1', 702, HATCHBACK(2.1), 'una', 0.1),
  released('HC 2', 688, unmeasured),
  released('HC 3', 660, HATCHBACK(1.9), 'ode'),
  released('HC 4', 655, HATCHBACK(3.1, 3.6, 'brown'), 'una', 0.2),
  released('MC 1', 640, MOTORCYCLE(1.8)),
  released('SM 1', 630, HATCHBACK(2.2, 2.9)),
  released('MC 2', 611, MOTORCYCLE(2), 'ode'),
  released('HP 1', 590, HATCHBACK(3, null, 'brown')),
  released('HC 5', 540, unmeasured),
  checked('SM 1', 505, HATCHBACK(0.9, 1.2)),
  released('HC 6', 502, HATCHBACK(2.4)),
  released('PC 1', 470, old, 'ode'),
  released('PV 1', 640, HATCHBACK(2.4), 'ode', 0.05),
  checked('PV 1', 460, HATCHBACK(1.1)),
  released('PV 1', 400, HATCHBACK(1.9), 'una', 0.2),
  released('MC 3', 455, MOTORCYCLE(1.7)),
  released('HC 7', 430, unmeasured),
  checked('HC 4', 420, HATCHBACK(1.4, 1.9)),
  released('MC 1', 365, MOTORCYCLE(1.9)),
  checked('SM 1', 360, HATCHBACK(1.5, 2)),
  released('HC 2', 330, HATCHBACK(2), 'una', 0.1),
  checked('HC 4', 310, HATCHBACK(1.9, 2.6), 'ode'),
  released('MC 2', 300, MOTORCYCLE(1.8)),
  released('HC 1', 266, PROBED(178, 1002), 'ode', 0.1),
  checked('SM 1', 240, HATCHBACK(2, 2.5)),
  checked('PV 1', 226, PROBED(186, 990)),
  released('PV 1', 200, HATCHBACK(1.8), 'una', 0.5),
  {
    ...released('HP 1', 210, HATCHBACK(2.3, 2.9)),
    lookAgain: [
      {
        kind: 'look later',
        elementId: 'left-front-caliper',
        why: 'worn, used again',
        what: 'Dust boot hardened, no new one on the island',
        byDate: null,
        byKm: 48_000,
      },
    ],
  },
  released('HC 3', 160, unmeasured),
  checked('SM 1', 125, HATCHBACK(2.3, 3)),
  {
    ...released('MC 3', 94, MOTORCYCLE(1.8)),
    lookAgain: [{ kind: 'joint tightened', elementId: 'front', manualNm: 8, appliedNm: 9.4 }],
  },
  released('PV 1', 90, HATCHBACK(2.5, 3.1), 'una', 0.9),
  checked('HC 1', 80, PROBED(203, 985)),
  {
    ...released('HC 5', 61, HATCHBACK(2.2), 'una', 0.2),
    letGo: { by: 'tarn', why: 'Camera of the bay’s phone broken, looked at by two' },
  },
  checked('HC 2', 45, HATCHBACK(1.1)),
  released('HC 4', 19, HATCHBACK(2.8, 3.5, 'brown'), 'una', 0.6),
];

/** What stands in the workshop today: every stage and every kind of end. */
const today: SeedJob[] = [
  { vehicleTag: 'HC 7', daysAgo: 0.05, by: 'una', fluid: unmeasured, reach: 'plan' },
  {
    vehicleTag: 'HC 2',
    daysAgo: 0.15,
    by: 'una',
    fluid: HATCHBACK(1.7),
    reach: 'run',
    strokes: 31,
  },
  {
    vehicleTag: 'MC 2',
    daysAgo: 0.2,
    by: 'ode',
    fluid: MOTORCYCLE(1.8),
    reach: 'run',
    strokes: 12,
    halt: 'nothing comes',
  },
  { vehicleTag: 'HC 6', daysAgo: 0.3, by: 'ode', fluid: HATCHBACK(2.6), reach: 'proof' },
  { vehicleTag: 'MC 1', daysAgo: 0.4, by: 'una', fluid: MOTORCYCLE(1.9), reach: 'test drive' },
  {
    vehicleTag: 'HP 1',
    daysAgo: 0.1,
    by: 'ode',
    fluid: HATCHBACK(1.6),
    reach: 'plan',
    purpose: 'after work',
    choices: {
      work: {
        purpose: 'after work',
        masterIds: ['master'],
        parts: [{ partId: 'rear-hose', cappedAtOnce: true, keptFull: false }],
      },
      method: 'vacuum',
      means: {
        helper: false,
        bottle: true,
        vacuumPump: true,
        pressurePot: false,
        syringe: true,
        selfRefilling: false,
        scanTool: false,
      },
    },
  },
  {
    vehicleTag: 'PV 1',
    daysAgo: 0.35,
    by: 'ode',
    fluid: HATCHBACK(1.2),
    reach: 'run',
    purpose: 'after work',
    before: 'tool cycle',
    choices: {
      work: { purpose: 'after work', masterIds: ['master'], modulatorOpened: true },
      means: {
        helper: true,
        bottle: true,
        vacuumPump: true,
        pressurePot: false,
        syringe: true,
        selfRefilling: false,
        scanTool: true,
      },
    },
  },
  {
    vehicleTag: 'RS 1',
    daysAgo: 0.25,
    by: 'una',
    fluid: MOTORCYCLE(1.4),
    reach: 'plan',
    purpose: 'after work',
    choices: {
      work: {
        purpose: 'after work',
        masterIds: ['rear-master'],
        parts: [{ partId: 'hump-up', cappedAtOnce: true, keptFull: true }],
      },
    },
  },
  { vehicleTag: 'SM 1', daysAgo: 0.45, by: 'una', fluid: null, reach: 'fluid' },
  {
    vehicleTag: 'FV 1',
    daysAgo: 1.2,
    by: 'una',
    fluid: null,
    reach: 'fluid',
    purpose: 'soft pedal',
  },
  { vehicleTag: 'HC 8', daysAgo: 3, by: 'ode', fluid: oily, reach: 'ended' },
  {
    vehicleTag: 'PC 1',
    daysAgo: 6,
    by: 'una',
    fluid: old,
    reach: 'ended',
    strokes: 14,
    halt: 'grease',
  },
  {
    vehicleTag: 'LB 1',
    daysAgo: 3.1,
    by: 'una',
    fluid: HATCHBACK(2.4, 3.1, 'brown'),
    reach: 'ended',
    strokes: 70,
    halt: 'ran dry',
  },
  {
    vehicleTag: 'HC 1',
    daysAgo: 9,
    by: 'una',
    fluid: unmeasured,
    reach: 'ended',
    endReason: 'Wanted back for the evening round before anything was opened.',
  },
];

/** The council workshop of Skerrow, a small windswept island. Invented makes and people only. */
export const skerrow: Workshop = {
  name: 'Skerrow council workshop',
  timeZone: 'Atlantic/Faroe',
  houseRules: {
    openContainers: '30 days capped',
    intervalCarMonths: '24',
    intervalMotorcycleMonths: '12',
    climate: 'humid',
    lowStockMl: 600,
    drumMl: 20_000,
  },
  users: [
    { login: 'una', name: 'Una Marrick', password: SKERROW_PASSWORD, role: 'technician' },
    { login: 'ode', name: 'Ode Fennick', password: SKERROW_PASSWORD, role: 'technician' },
    { login: 'tarn', name: 'Tarn Hollis', password: SKERROW_PASSWORD, role: 'lead' },
  ],
  deliveries,
  clearOuts: [600, 500, 400, 300, 200, 100, 40].map((daysAgo) => ({ daysAgo, by: 'ode' })),
  handOvers: [
    { daysAgo: 380, by: 'tarn', toWhom: 'Harbour waste station', document: 'W 204' },
    { daysAgo: 128, by: 'tarn', toWhom: 'Harbour waste station', document: 'W 251' },
  ],
  vehicles: [
    ...[1, 2, 3, 4, 5, 6, 7, 8].map((n) => ({
      name: `Home-care hatchback ${n}`,
      tag: `HC ${n}`,
      templateId: 'hatchback-diagonal' as const,
      driverSide: n === 8 ? ('left' as const) : ('right' as const),
    })),
    { name: 'School minibus', tag: 'SM 1', templateId: 'hatchback-diagonal', driverSide: 'right' },
    { name: 'Library bus', tag: 'LB 1', templateId: 'hatchback-diagonal', driverSide: 'right' },
    {
      name: 'Post van',
      tag: 'PV 1',
      templateId: 'van-four-channel',
      driverSide: 'right',
      makerEntry: { grades: ['DOT 4'], lowViscosity: false, intervalMonths: 36 },
    },
    { name: 'Harbour pickup', tag: 'HP 1', templateId: 'pickup-rear-abs', driverSide: 'right' },
    { name: 'Parade car', tag: 'PC 1', templateId: 'veteran-single', driverSide: 'right' },
    { name: 'Beach three-wheeler', tag: 'TW 1', templateId: 'three-wheeler', driverSide: 'right' },
    { name: 'Lifeboat trailer', tag: 'LT 1', templateId: 'trailer-overrun', driverSide: 'middle' },
    { name: 'Ferry van', tag: 'FV 1', templateId: 'clutch-concentric', driverSide: 'right' },
    {
      name: 'Rescue sidecar outfit',
      tag: 'RS 1',
      templateId: 'sidecar-outfit',
      driverSide: 'middle',
    },
    ...[1, 2, 3].map((n) => ({
      name: `Courier motorcycle ${n}`,
      tag: `MC ${n}`,
      templateId:
        n === 2
          ? ('motorcycle-twin-front-master-bleeder' as const)
          : ('motorcycle-front-disc' as const),
      driverSide: 'middle' as const,
    })),
  ],
  jobs: [...history, ...today],
};
