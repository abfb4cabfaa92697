import type { VehicleSummary } from '@brook/contract';
import { owesCount } from '@brook/core/owed/openItems';
import { StyleSheet, View } from 'react-native';
import { DriveMark, spokenVehicle } from '../ui/DriveMark';
import { Press } from '../ui/Press';
import { Words } from '../ui/Words';
import { colour, SPACE } from '../ui/theme';

export interface VehicleLineProps {
  readonly vehicle: VehicleSummary;
  /** The quiet line under the name. */
  readonly about: string;
  /** A link leads to another page, a button answers on this one. */
  readonly role: 'link' | 'button';
  readonly onPress: () => void;
}

/** One vehicle in a list: name, tag, whether it may move. */
export function VehicleLine({ vehicle, about, role, onPress }: VehicleLineProps) {
  return (
    <View role="listitem" style={styles.item}>
      <Press
        role={role}
        aria-label={spokenVehicle({ ...vehicle, drive: vehicle.drive.state })}
        onPress={onPress}
        style={styles.press}
        pressedStyle={{ backgroundColor: colour.well }}
      >
        <View style={styles.between}>
          <Words strong>{vehicle.name}</Words>
          <Words size="small" tone="softWords">
            {vehicle.tag}
          </Words>
        </View>
        <View style={styles.between}>
          <Words size="small" tone="softWords">
            {about}
          </Words>
          <DriveMark state={vehicle.drive.state} owes={owesCount(vehicle.openItems)} />
        </View>
      </Press>
    </View>
  );
}

const styles = StyleSheet.create({
  item: { borderTopWidth: 1, borderTopColor: colour.hairline },
  press: { paddingVertical: SPACE.medium, gap: SPACE.hair },
  between: {
    flexDirection: 'row',
    justifyContent: 'space-between',
    alignItems: 'center',
    gap: SPACE.medium,
  },
});
