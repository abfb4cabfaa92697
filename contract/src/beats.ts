/**
 * How often phones and server say that they are there, and after how long
 * without a word the other side is taken as gone. All are house values from
 * memory [M], each pair chosen so that two words may be lost on the way.
 */

/** The line of a job beats this often, ms. */
export const JOB_BEAT_MS = 4_000;
/** A phone takes the line of a job as lost after so long without a word, ms: two beats and a bit. */
export const JOB_LINE_LOST_MS = 10_000;
/** Another phone of a job that was heard of this long ago is not in touch, ms: three beats and a bit. */
export const PHONE_UNHEARD_MS = 15_000;

/** The line of a helper's phone beats this often, ms: a call is over in a few seconds. */
export const HELPER_BEAT_MS = 2_000;
/** A helper's phone takes its line as lost after so long without a word, ms: two beats and a bit. */
export const HELPER_LINE_LOST_MS = 5_000;

/** Both phones of a helped run say this often that a person looks at them, ms. */
export const HERE_EVERY_MS = 3_000;
/** A phone of a helped run that says nothing for so long is out of step, ms: two words missed and a bit. */
export const OUT_OF_STEP_MS = 8_000;
