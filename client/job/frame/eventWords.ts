import { happeningWords, namesIn, type PhoneHappening } from '@brook/core/job/events';
import type { Plan } from '@brook/core/bleed/plan';

/** What an event was, in a few words, for a person who is asked about it. */
export const eventWords = (
  plans: readonly Plan[],
  event: PhoneHappening | { readonly kind: string },
): string => happeningWords(event as PhoneHappening, namesIn(plans));
