import { QueryClientProvider } from '@tanstack/react-query';
import { Slot, usePathname } from 'expo-router';
import { StyleSheet, View } from 'react-native';
import { queryClient } from '../data/queryClient';
import { keepApp } from '../data/serviceWorker';
import { SessionGate } from '../session/SessionGate';
import { Boundary } from '../ui/Boundary';
import { FigureSheet } from '../ui/FigureSheet';
import { LeaveQuestion } from '../ui/LeaveQuestion';
import { SlowNotice } from '../ui/SlowNotice';
import { installTheme } from '../ui/theme';

installTheme();
keepApp();

export default function Layout() {
  return (
    <QueryClientProvider client={queryClient}>
      <SlowNotice />
      <View style={styles.page}>
        <Boundary page={usePathname()}>
          <SessionGate>
            <Slot />
          </SessionGate>
        </Boundary>
        <FigureSheet />
        <LeaveQuestion />
      </View>
    </QueryClientProvider>
  );
}

const styles = StyleSheet.create({ page: { flex: 1, minHeight: 0 } });
