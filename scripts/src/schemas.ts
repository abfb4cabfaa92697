import { writeFileSync } from 'node:fs';
import { COMPUTED_SCHEMA, computedSchema } from './setup/computedSchema';
import { say } from './setup/say';

/** The schemas of what core computes, anew from its types. */
writeFileSync(COMPUTED_SCHEMA, computedSchema());
say(`Written: ${COMPUTED_SCHEMA}`);
process.exit(0);
