import { QueryClientProvider } from '@tanstack/react-query';
import { Slot, usePathname } from 'expo-router';
import { StyleSheet, View } from 'react-native';
import { queryClient } from '../data/queryClient';
import { keepApp } from '../data/serviceWorker';
import { SessionGate } from '../workshop/session/SessionGate';
import { WorkshopNews } from '../workshop/session/WorkshopNews';
import { Boundary } from '../ui/Boundary';
import { LeaveQuestion } from '../ui/LeaveQuestion';
import { SlowNotice } from '../ui/SlowNotice';
import { useOpenFigures } from '../ui/openFigures';
import { keepPresses } from '../ui/pressWhereItBegan';
import { installTheme } from '../ui/theme';
import { FigureSheet } from '../lazyWorkbench';

installTheme();
keepPresses();
keepApp();

export default function Layout() {
  return (
    <QueryClientProvider client={queryClient}>
      <SlowNotice />
      <WorkshopNews />
      <View style={styles.page}>
        <Boundary page={usePathname()}>
          <SessionGate>
            <Slot />
          </SessionGate>
        </Boundary>
        <OpenFigure />
        <LeaveQuestion />
      </View>
    </QueryClientProvider>
  );
}

/** Figures stand on pages of the workbench alone: what opens them comes with it. */
function OpenFigure() {
  return useOpenFigures().length > 0 ? <FigureSheet /> : null;
}

const styles = StyleSheet.create({ page: { flex: 1, minHeight: 0 } });
