import type { Seed } from '@brook/contract';

type Delivery = NonNullable<Seed['workshops'][number]['deliveries']>[number];

const DOT4 = { grade: 'DOT 4' as const, isoClass: null, justCarried: true };
const DOT51 = { grade: 'DOT 5.1' as const, isoClass: null, justCarried: true };

/** What the ferry brought in two years: a few large ones, many small ones, so that little is left over. */
export const deliveries: Delivery[] = [
  ...(
    [
      [715, 9],
      [640, 5],
      [560, 4],
      [480, 3],
      [400, 2],
      [320, 2],
      [240, 3],
      [170, 2],
    ] as const
  ).flatMap(([daysAgo, count], i): Delivery[] => [
    { ...DOT4, daysAgo, batch: `K-${101 + i * 2}`, sizeMl: 500, count },
    { ...DOT4, daysAgo, batch: `K-${102 + i * 2}`, sizeMl: 250, count: 2 },
    { ...DOT51, daysAgo, batch: `N-${41 + i}`, sizeMl: 250, count: 1 },
  ]),
  { ...DOT4, daysAgo: 96, batch: 'K-117', sizeMl: 500, count: 9 },
  { ...DOT4, daysAgo: 95, batch: 'K-118', sizeMl: 1000, count: 2 },
  {
    grade: 'DOT 3',
    isoClass: null,
    justCarried: false,
    daysAgo: 495,
    batch: 'H-7',
    sizeMl: 500,
    count: 3,
  },
  {
    grade: 'DOT 3',
    isoClass: null,
    justCarried: false,
    daysAgo: 30,
    batch: 'H-9',
    sizeMl: 500,
    count: 3,
  },
  { ...DOT51, daysAgo: 26, batch: 'N-52', sizeMl: 250, count: 2 },
  { ...DOT4, daysAgo: 24, batch: 'K-121', sizeMl: 500, count: 8 },
  { ...DOT4, daysAgo: 23, batch: 'K-122', sizeMl: 250, count: 4 },
  // What stands there to be decided on: opened for days, for too long, nobody knows; just off the ferry; and the wrong bottle.
  { ...DOT4, daysAgo: 90, batch: 'K-119', sizeMl: 1000, count: 1, openedDaysAgo: 44 },
  { ...DOT4, daysAgo: 60, batch: 'K-120', sizeMl: 500, count: 1, openedDaysAgo: null },
  {
    grade: 'DOT 4',
    isoClass: 'class 6',
    justCarried: true,
    daysAgo: 20,
    batch: 'L-3',
    sizeMl: 500,
    count: 1,
  },
  {
    grade: 'DOT 5',
    isoClass: null,
    justCarried: false,
    daysAgo: 18,
    batch: 'S-5',
    sizeMl: 500,
    count: 1,
  },
  { ...DOT4, daysAgo: 0.12, batch: 'K-123', sizeMl: 500, count: 4 },
];
