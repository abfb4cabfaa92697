import type { Sequelize } from 'sequelize';
import { SequelizeStorage, Umzug } from 'umzug';
import { up as workshopToRun } from './migrations/001-workshop-to-run';
import { up as fluid } from './migrations/002-fluid';
import { up as plan } from './migrations/003-plan';
import { up as onward } from './migrations/004-onward';
import { up as oneLog } from './migrations/005-one-log';
import { up as matters } from './migrations/006-matters';
import { up as inside } from './migrations/007-inside';
import { up as foundInContainer } from './migrations/008-found-in-container';
import { up as guarded } from './migrations/009-guarded';
import { up as live } from './migrations/010-live';
import { up as signIn } from './migrations/011-sign-in';
import { up as media } from './migrations/012-media';
import { up as wholeBatches } from './migrations/013-whole-batches';
import { up as helper } from './migrations/014-helper';
import { up as clocks } from './migrations/015-clocks';
import { up as paces } from './migrations/016-paces';
import { up as controls } from './migrations/017-controls';
import { up as people } from './migrations/018-people';
import { up as joints } from './migrations/019-joints';
import { up as air } from './migrations/020-air';
import { up as clutchNeeds } from './migrations/021-clutch-needs';

/** Bring the database up to date; each migration runs once, in order, whole or not at all. */
export async function migrate(db: Sequelize): Promise<void> {
  const umzug = new Umzug({
    migrations: [
      { name: '001-workshop-to-run', up: ({ context }) => workshopToRun(context) },
      { name: '002-fluid', up: ({ context }) => fluid(context) },
      { name: '003-plan', up: ({ context }) => plan(context) },
      { name: '004-onward', up: ({ context }) => onward(context) },
      { name: '005-one-log', up: ({ context }) => oneLog(context) },
      { name: '006-matters', up: ({ context }) => matters(context) },
      { name: '007-inside', up: ({ context }) => inside(context) },
      { name: '008-found-in-container', up: ({ context }) => foundInContainer(context) },
      { name: '009-guarded', up: ({ context }) => guarded(context) },
      { name: '010-live', up: ({ context }) => live(context) },
      { name: '011-sign-in', up: ({ context }) => signIn(context) },
      { name: '012-media', up: ({ context }) => media(context) },
      { name: '013-whole-batches', up: ({ context }) => wholeBatches(context) },
      { name: '014-helper', up: ({ context }) => helper(context) },
      { name: '015-clocks', up: ({ context }) => clocks(context) },
      { name: '016-paces', up: ({ context }) => paces(context) },
      { name: '017-controls', up: ({ context }) => controls(context) },
      { name: '018-people', up: ({ context }) => people(context) },
      { name: '019-joints', up: ({ context }) => joints(context) },
      { name: '020-air', up: ({ context }) => air(context) },
      { name: '021-clutch-needs', up: ({ context }) => clutchNeeds(context) },
    ],
    context: db.getQueryInterface(),
    storage: new SequelizeStorage({ sequelize: db, tableName: 'migrations' }),
    logger: undefined,
  });
  await umzug.up();
}
