import { jarSet as emptied } from '../standing';
import {
  BRINGS_NOTHING,
  SETTLES_NOTHING,
  PROVES_NOTHING,
  nothing,
  runEvent,
  TAKES_BACK,
} from './kind';

/** The jar as it was emptied, changed or first put under: what stands in it now counts nothing. */
export interface JarSetHappening {
  readonly kind: 'jar set';
  readonly jarMl: number;
}

export const jarSet = runEvent<JarSetHappening>({
  kind: 'jar set',
  voids: nothing('the jar moves nothing in the vehicle'),
  opens: BRINGS_NOTHING,
  settles: SETTLES_NOTHING,
  proves: PROVES_NOTHING,
  undo: TAKES_BACK,
  fold: (run, { jarMl }) => ({ ...run, jar: emptied(run.jar, jarMl) }),
  fault: () => null,
  words: ({ jarMl }) => `the jar, ${Math.round(jarMl)} mL in it at first`,
});
