import type { FluidEntry, Seed } from '@brook/contract';

type Workshop = Seed['workshops'][number];
type SeedJob = Workshop['jobs'][number];

export const SKERROW_PASSWORD = 'skerrow-demo';

/** Old but sound fluid as most vehicles of a damp island bring it. */
const hazyStraw: FluidEntry = { capGrade: 'DOT 4', seen: { colour: 'straw', clarity: 'hazy', foreign: 'none', waterPercent: null }, newColour: 'clear' };
const amber: FluidEntry = { capGrade: 'DOT 4', seen: { colour: 'amber', clarity: 'clear', foreign: 'none', waterPercent: 2.1 }, newColour: 'clear' };
const brown: FluidEntry = { capGrade: 'DOT 4', seen: { colour: 'brown', clarity: 'clear', foreign: 'none', waterPercent: 3.4 }, newColour: 'straw' };
const bike: FluidEntry = { capGrade: 'DOT 5.1', seen: { colour: 'amber', clarity: 'clear', foreign: 'none', waterPercent: 1.8 }, newColour: 'clear' };
const oily: FluidEntry = { capGrade: 'DOT 4', seen: { colour: 'brown', clarity: 'clear', foreign: 'oil film, green or red', waterPercent: null }, newColour: 'clear' };
const old: FluidEntry = { capGrade: 'DOT 3', seen: { colour: 'brown', clarity: 'hazy', foreign: 'none', waterPercent: 3.1 }, newColour: 'straw' };

/** A flush that went through and was released. */
const released = (vehicleTag: string, daysAgo: number, fluid: FluidEntry, by = 'una'): SeedJob => ({ vehicleTag, daysAgo, by, fluid, reach: 'released' });

/** Two years of finished flushes. */
const history: SeedJob[] = [
  released('HC 1', 702, amber), released('HC 2', 688, hazyStraw), released('HC 3', 660, amber, 'ode'), released('HC 4', 655, brown),
  released('MC 1', 640, bike), released('MC 2', 611, bike, 'ode'), released('HP 1', 590, brown), released('HC 5', 540, hazyStraw),
  released('HC 6', 502, amber), released('PC 1', 470, old, 'ode'), released('MC 3', 455, bike), released('HC 7', 430, hazyStraw),
  released('MC 1', 365, bike), released('HC 2', 330, amber), released('MC 2', 300, bike), released('HC 1', 266, amber, 'ode'),
  released('HP 1', 210, amber), released('HC 3', 160, hazyStraw), released('MC 3', 96, bike), released('HC 5', 61, amber), released('HC 4', 20, brown),
];

/** What stands in the workshop today: every stage and every kind of end. */
const today: SeedJob[] = [
  { vehicleTag: 'HC 7', daysAgo: 0.05, by: 'una', fluid: hazyStraw, reach: 'plan' },
  { vehicleTag: 'HC 2', daysAgo: 0.15, by: 'una', fluid: amber, reach: 'run', strokes: 31 },
  { vehicleTag: 'MC 2', daysAgo: 0.2, by: 'ode', fluid: bike, reach: 'run', strokes: 12, halt: 'nothing comes' },
  { vehicleTag: 'HC 6', daysAgo: 0.3, by: 'ode', fluid: amber, reach: 'proof' },
  { vehicleTag: 'MC 1', daysAgo: 0.4, by: 'una', fluid: bike, reach: 'test drive' },
  { vehicleTag: 'HP 1', daysAgo: 1.2, by: 'una', fluid: null, reach: 'fluid' },
  { vehicleTag: 'HC 8', daysAgo: 3, by: 'ode', fluid: oily, reach: 'ended' },
  { vehicleTag: 'PC 1', daysAgo: 6, by: 'una', fluid: old, reach: 'ended', strokes: 14, halt: 'grease' },
  { vehicleTag: 'HC 1', daysAgo: 9, by: 'una', fluid: hazyStraw, reach: 'ended', endReason: 'Wanted back for the evening round before anything was opened.' },
];

/** The council workshop of Skerrow, a small windswept island. Invented makes and people only. */
export const skerrow: Workshop = {
  name: 'Skerrow council workshop',
  timeZone: 'Atlantic/Faroe',
  users: [
    { login: 'una', name: 'Una Marrick', password: SKERROW_PASSWORD, role: 'technician' },
    { login: 'ode', name: 'Ode Fennick', password: SKERROW_PASSWORD, role: 'technician' },
    { login: 'tarn', name: 'Tarn Hollis', password: SKERROW_PASSWORD, role: 'lead' },
  ],
  vehicles: [
    ...[1, 2, 3, 4, 5, 6, 7, 8].map((n) => ({ name: `Home-care hatchback ${n}`, tag: `HC ${n}`, templateId: 'hatchback-diagonal' as const, driverSide: n === 8 ? ('left' as const) : ('right' as const) })),
    { name: 'Harbour pickup', tag: 'HP 1', templateId: 'pickup-front-rear', driverSide: 'right' },
    { name: 'Parade car', tag: 'PC 1', templateId: 'veteran-single', driverSide: 'right' },
    ...[1, 2, 3].map((n) => ({ name: `Courier motorcycle ${n}`, tag: `MC ${n}`, templateId: 'motorcycle-front-disc' as const, driverSide: 'middle' as const })),
  ],
  jobs: [...history, ...today],
};
