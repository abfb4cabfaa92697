import { connect } from './db/connect';
import { prepareDatabase } from './db/prepare';
import { readHandedIn } from './handedIn';

/** Bring a database to today and end: the one program that runs as the owner of the tables. */
async function main(): Promise<void> {
  const { database } = await readHandedIn();
  const db = connect(database);
  await prepareDatabase(db);
  await db.close();
}

main().then(
  () => process.exit(0),
  (error: unknown) => {
    process.stderr.write(
      `${error instanceof Error ? (error.stack ?? error.message) : String(error)}\n`,
    );
    process.exit(1);
  },
);
