import { QueryClient } from '@tanstack/react-query';
import { Offline } from './api';

/** One client for the app: only an unreachable server is asked again by itself. */
export const queryClient = new QueryClient({
  defaultOptions: {
    queries: {
      staleTime: 5_000,
      retry: (count, error) => error instanceof Offline && count < 2,
      networkMode: 'always',
    },
    mutations: { retry: false, networkMode: 'always' },
  },
});
