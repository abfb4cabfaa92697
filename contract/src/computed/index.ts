import { z } from 'zod';
import type { Computed } from './types';

/** Something that core computes, carried as it is: the document names its schema, which is made from the type. */
export const computed = <N extends keyof Computed>(name: N) =>
  z.custom<Computed[N]>().meta({ computed: name });

export type { Computed, JobPick } from './types';
