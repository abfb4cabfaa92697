import type { QueryInterface } from 'sequelize';

/** The units that each person reads in, metric where none were chosen; invitations of a lead, each known by the hash of its code and used once. */
export async function up({ sequelize }: QueryInterface): Promise<void> {
  await sequelize.query(`
    ALTER TABLE users ADD COLUMN units jsonb;
    CREATE TABLE invitations (
      id uuid PRIMARY KEY,
      workshop_id uuid NOT NULL REFERENCES workshops,
      name text NOT NULL,
      role text NOT NULL CHECK (role IN ('technician', 'lead')),
      code_hash text NOT NULL UNIQUE,
      made_by text NOT NULL,
      made_at timestamptz NOT NULL,
      until timestamptz NOT NULL,
      ended_at timestamptz
    );
    CREATE INDEX invitations_workshop ON invitations (workshop_id, made_at);
  `);
}
