import type { DriveState } from '@brook/core/job/stage';
import { StyleSheet, View } from 'react-native';
import { StopSign } from './Notice';
import { colour, SPACE } from './theme';
import { Words } from './Words';

/** "Do not drive" or "Test drive only" wherever a vehicle is named, with how many open items it has; nothing when it is free and owes nothing. */
export function DriveMark({
  state,
  owes = 0,
}: {
  readonly state: DriveState;
  readonly owes?: number;
}) {
  const owed = owes > 0 ? `owes ${owes}` : null;
  if (state === 'free')
    return owed ? (
      <Words size="small" tone="softWords">
        {owed}
      </Words>
    ) : null;
  const stop = state === 'do not drive';
  return (
    <View style={[styles.mark, stop ? null : styles.caution]}>
      {stop ? <StopSign small /> : null}
      <Words size="small" strong tone={stop ? 'stop' : 'words'}>
        {[stop ? 'Do not drive' : 'Test drive only', owed].filter(Boolean).join(', ')}
      </Words>
    </View>
  );
}

/** A vehicle's name as it is spoken: with its tag, and whether it may move. */
export function spokenVehicle(of: {
  readonly name: string;
  readonly tag: string;
  readonly drive: DriveState;
}): string {
  return [of.name, of.tag, of.drive === 'free' ? null : of.drive].filter(Boolean).join(', ');
}

const styles = StyleSheet.create({
  mark: { flexDirection: 'row', alignItems: 'center', gap: SPACE.hair, alignSelf: 'flex-start' },
  caution: {
    borderLeftWidth: 6,
    borderLeftColor: colour.words,
    borderStyle: 'dashed',
    paddingLeft: SPACE.small,
  },
});
