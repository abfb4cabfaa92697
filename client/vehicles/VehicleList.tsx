import { router } from 'expo-router';
import { StyleSheet, View } from 'react-native';
import { useVehicles } from '../data/vehicles';
import { ActionBar } from '../ui/ActionBar';
import { DriveMark, spokenVehicle } from '../ui/DriveMark';
import { Page } from '../ui/Page';
import { Press } from '../ui/Press';
import { Failed, Loading } from '../ui/States';
import { Words } from '../ui/Words';
import { colour, SPACE } from '../ui/theme';

/** Every vehicle of the workshop. */
export function VehicleList() {
  const { data, error, isPending, refetch } = useVehicles();
  return (
    <Page action={<ActionBar label="Add a vehicle" onPress={() => router.push('/vehicles/new')} side={{ label: 'Jobs', onPress: () => router.replace('/') }} />}>
      <Words size="head" heading={1}>
        Vehicles
      </Words>
      {isPending ? <Loading what="the vehicles" /> : null}
      {error ? <Failed error={error} again={() => void refetch()} /> : null}
      {data?.length === 0 ? <Words>No vehicle yet. Add the one in front of you from a layout.</Words> : null}
      <View role="list">
        {data?.map((v) => (
          <View key={v.id} role="listitem" style={styles.item}>
            <Press role="link" aria-label={spokenVehicle({ ...v, drive: v.drive.state })} onPress={() => router.push(`/vehicles/${v.id}`)} style={styles.link} pressedStyle={{ backgroundColor: colour.well }}>
              <View style={styles.between}>
                <Words strong>{v.name}</Words>
                <Words size="small" tone="softWords">
                  {v.tag}
                </Words>
              </View>
              <View style={styles.between}>
                <Words size="small" tone="softWords">
                  {v.layoutName}
                </Words>
                <DriveMark state={v.drive.state} />
              </View>
            </Press>
          </View>
        ))}
      </View>
    </Page>
  );
}

const styles = StyleSheet.create({
  item: { borderTopWidth: 1, borderTopColor: colour.hairline },
  link: { paddingVertical: SPACE.medium, gap: SPACE.hair },
  between: { flexDirection: 'row', justifyContent: 'space-between', alignItems: 'center', gap: SPACE.medium },
});
