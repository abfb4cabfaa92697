import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { ROOT } from './setup/paths';
import { giveUp, say } from './setup/say';
import { shapeOf } from './shape/figures';
import { PICTURE, pictureOf } from './shape/picture';

const USAGE = 'npm run shape, or npm run shape -- --draw for the picture of the rooms';

/** The structure of the product, one JSON line a figure; ends with 1 where a figure that is held is over its limit. */
const [flag, ...rest] = process.argv.slice(2);
if (rest.length > 0 || (flag !== undefined && flag !== '--draw')) giveUp(USAGE);
if (flag === '--draw') {
  writeFileSync(join(ROOT, PICTURE), pictureOf(ROOT));
  say(`Drawn: ${PICTURE}`);
} else {
  const figures = shapeOf(ROOT);
  for (const figure of figures) say(JSON.stringify(figure));
  if (figures.some((f) => f.held && f.value > f.limit)) process.exitCode = 1;
}
