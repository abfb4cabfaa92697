import type { QueryInterface } from 'sequelize';

/** What a container was found to have held beyond what the shelf knew of: a pour that happened is kept. */
export async function up({ sequelize }: QueryInterface): Promise<void> {
  await sequelize.query(
    'ALTER TABLE container_draws ADD COLUMN found_ml double precision NOT NULL DEFAULT 0 CHECK (found_ml >= 0)',
  );
}
