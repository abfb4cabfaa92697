import { connect } from './db/connect';
import { MadeByAnotherVersion } from './db/migrate';
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
    process.stderr.write(`${wordsOf(error)}\n`);
    process.exit(1);
  },
);

/** What a person may do something about in a sentence, all else with where it happened. */
function wordsOf(error: unknown): string {
  if (error instanceof MadeByAnotherVersion) return error.message;
  return error instanceof Error ? (error.stack ?? error.message) : String(error);
}
