import type { QueryInterface } from 'sequelize';

/** Tries to sign in, by account and address together and without either's name; people who left; sessions by their person. */
export async function up({ sequelize }: QueryInterface): Promise<void> {
  await sequelize.query(`
    CREATE TABLE sign_in_tries (
      id uuid PRIMARY KEY,
      pair text NOT NULL,
      at timestamptz NOT NULL
    );
    CREATE INDEX sign_in_tries_pair ON sign_in_tries (pair, at);
    CREATE INDEX sign_in_tries_at ON sign_in_tries (at);
    ALTER TABLE users ADD COLUMN left_at timestamptz, ADD COLUMN left_by text;
    CREATE INDEX users_workshop ON users (workshop_id, name);
    CREATE INDEX sessions_person ON sessions ((sess->>'userId'));
  `);
}
