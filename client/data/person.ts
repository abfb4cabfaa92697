import type { Session } from '@brook/contract';
import type { QueryClient } from '@tanstack/react-query';

/** Who is signed in, as far as is known without asking. */
export const signedInAs = (client: QueryClient): Session['user'] | undefined =>
  client.getQueryData<Session>(['session'])?.user;
