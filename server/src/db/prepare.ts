import type { Sequelize } from 'sequelize';
import { liftJobs } from '../lift/liftJobs';
import { liftInside } from '../lift/liftInside';
import { liftMatters } from '../lift/liftMatters';
import { migrate } from './migrate';

/** Bring a database to today: its shape by the migrations, then what stands in it by the lift. */
export async function prepareDatabase(db: Sequelize): Promise<void> {
  await migrate(db);
  await liftJobs(db);
  await liftMatters(db);
  await liftInside(db);
}
