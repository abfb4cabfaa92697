import type { Seed } from '@brook/contract';

/** A second, small workshop across the sound, so that isolation can be tried. Invented. */
export const lunna: Seed['workshops'][number] = {
  name: 'Lunna boatyard garage',
  timeZone: 'Atlantic/Faroe',
  users: [{ login: 'brek', name: 'Brek Sandel', password: 'lunna-demo', role: 'lead' }],
  vehicles: [
    { name: 'Yard runabout', tag: 'LUN 1', templateId: 'hatchback-diagonal', driverSide: 'left' },
  ],
  jobs: [],
};
