import type { Sequelize } from 'sequelize';
import { grantApp } from './grants';
import { migrate } from './migrate';

/** Bring a database to today, as the owner of its tables: its shape, and what the app may do with it. */
export async function prepareDatabase(db: Sequelize): Promise<void> {
  await migrate(db);
  await grantApp(db);
}
