import type { Seed } from '@brook/contract';
import { skerrow, SKERROW_PASSWORD } from './skerrow';
import { lunna } from './lunna';

/** The whole demo: the council workshop of Skerrow, and a small one that must not see it. All of it is invented. */
export const DEMO: Seed = { workshops: [skerrow, lunna] };

/** The sign-in that is printed at the start. */
export const DEMO_SIGN_IN = { login: 'una', password: SKERROW_PASSWORD };
