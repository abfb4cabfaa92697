import { isSinking, wasTaken, type ControlMeasured, type Measure } from '@brook/core/control/pedal';
import { StyleSheet, View } from 'react-native';
import { Button } from '../../../ui/Button';
import { inBothUnits } from '../../../ui/typedLength';
import { Words } from '../../../ui/Words';
import { colour, SPACE } from '../../../ui/theme';

export interface TakenProps {
  readonly measures: readonly Measure[];
  readonly here: ControlMeasured | null;
  readonly onAgain: (measure: Measure) => void;
}

/** What was read so far; a press reads it again. */
export function Taken({ measures, here, onAgain }: TakenProps) {
  const taken = measures.filter((m) => wasTaken(m, here));
  if (taken.length === 0) return null;
  return (
    <View role="list" aria-label="Measured so far">
      {taken.map((m) => (
        <View key={m.title} role="listitem" style={styles.taken}>
          <View style={styles.grow}>
            <Words size="small" tone="softWords">
              {m.title}
            </Words>
            <Words strong>{takenWords(m, here!)}</Words>
          </View>
          <Button
            small
            label="Again"
            spoken={`${m.title}: measure again`}
            onPress={() => onAgain(m)}
          />
        </View>
      ))}
    </View>
  );
}

function takenWords({ at, pumped }: Measure, here: ControlMeasured): string {
  if (isSinking(at)) {
    const { mm, seconds } = at === 'sink' ? here.sink! : here.sinkRunning!;
    return mm === 0 ? `stayed ${seconds} s` : `sank ${mm} mm in ${seconds} s`;
  }
  const reading = here.readings.find((r) =>
    wasTaken({ at, pumped }, { readings: [r], sink: null }),
  )!;
  return inBothUnits(reading.heightMm);
}

const styles = StyleSheet.create({
  taken: {
    flexDirection: 'row',
    alignItems: 'center',
    gap: SPACE.medium,
    borderTopWidth: 1,
    borderTopColor: colour.hairline,
    paddingVertical: SPACE.hair,
  },
  grow: { flex: 1 },
});
