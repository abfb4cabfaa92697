import { computed } from './computed';

/** The card of a job, as it is handed over. */
export const jobCard = computed('JobCard');
