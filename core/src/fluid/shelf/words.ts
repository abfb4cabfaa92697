import { REST_HOURS, type AdmitCode } from './admit';

/** One sentence for every reason for which a container is refused or looked at twice. All common practice, no source. */
export const ADMIT_WORDS: Readonly<Record<AdmitCode, string>> = {
  discarded: 'Discarded: nothing is taken from it.',
  empty: 'Empty.',
  'opened too long': 'Open longer than this workshop allows: it has taken up water. Discard it.',
  'opening date unknown': 'Opened, and nobody knows when: that counts as too old. Discard it.',
  'not kept capped': 'Opened and not kept capped: it has taken up water. Discard it.',
  opened: 'Opened already: look at the date on it, smell it, see that it is clear.',
  'still resting': `Just carried: fine bubbles come out as a soft pedal days later. Let it stand overnight, ${REST_HOURS} h. Never shake it.`,
};
