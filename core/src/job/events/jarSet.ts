import { nothing, runEvent } from './kind';

/** The jar as it was emptied, changed or first put under: what stands in it now counts nothing. */
export interface JarSetHappening {
  readonly kind: 'jar set';
  readonly jarMl: number;
}

export const jarSet = runEvent<JarSetHappening>({
  kind: 'jar set',
  voids: nothing('the jar moves nothing in the vehicle'),
  fault: () => null,
  words: ({ jarMl }) => `the jar, ${Math.round(jarMl)} mL in it at first`,
});
