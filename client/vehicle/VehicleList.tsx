import { router } from 'expo-router';
import { useVehicles } from '../data/vehicles';
import { ActionBar } from '../ui/ActionBar';
import { Page } from '../ui/Page';
import { Failed, Loading } from '../ui/States';
import { Words } from '../ui/Words';
import { VehicleFinder } from './VehicleFinder';
import { usePageTitle } from '../ui/usePageTitle';

/** Every vehicle of the workshop. */
export function VehicleList() {
  usePageTitle('Vehicles');
  const { data, error, isPending, refetch } = useVehicles();
  return (
    <Page
      action={
        <ActionBar
          label="Add a vehicle"
          onPress={() => router.push('/vehicles/new')}
          side={{ label: 'Jobs', onPress: () => router.replace('/') }}
        />
      }
    >
      <Words size="head" heading={1}>
        Vehicles
      </Words>
      {isPending ? <Loading what="the vehicles" /> : null}
      {error ? <Failed error={error} again={() => void refetch()} /> : null}
      {data?.length === 0 ? (
        <Words>No vehicle yet. Add the one in front of you from a layout.</Words>
      ) : null}
      {data && data.length > 0 ? (
        <VehicleFinder
          vehicles={data}
          about={(v) => v.layoutName}
          role="link"
          onPick={(v) => router.push(`/vehicles/${v.id}`)}
        />
      ) : null}
    </Page>
  );
}
