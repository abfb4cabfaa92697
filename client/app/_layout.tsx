import { QueryClientProvider } from '@tanstack/react-query';
import { Slot } from 'expo-router';
import { queryClient } from '../data/queryClient';
import { SessionGate } from '../session/SessionGate';
import { installTheme } from '../ui/theme';

installTheme();

export default function Layout() {
  return (
    <QueryClientProvider client={queryClient}>
      <SessionGate>
        <Slot />
      </SessionGate>
    </QueryClientProvider>
  );
}
