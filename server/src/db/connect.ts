import { Sequelize } from 'sequelize';
import { defineModels } from './models';

/** Open a database with its models. */
export function connect(url: string): Sequelize {
  const db = new Sequelize(url, {
    dialect: 'postgres',
    logging: false,
    pool: { max: 10 },
    define: { underscored: true, timestamps: false },
  });
  defineModels(db);
  return db;
}
