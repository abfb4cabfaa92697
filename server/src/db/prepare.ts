import type { Sequelize } from 'sequelize';
import { liftAir } from '../lift/liftAir';
import { liftJobs } from '../lift/liftJobs';
import { liftInside } from '../lift/liftInside';
import { liftMatters } from '../lift/liftMatters';
import { grantApp } from './grants';
import { migrate } from './migrate';

/** Bring a database to today, as the owner of its tables: its shape by the migrations, what stands in it by the lift, and what the app may do with it. */
export async function prepareDatabase(db: Sequelize): Promise<void> {
  await migrate(db);
  await liftJobs(db);
  await liftMatters(db);
  await liftInside(db);
  await liftAir(db);
  await grantApp(db);
}
