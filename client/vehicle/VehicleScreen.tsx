import type { Vehicle } from '@brook/contract';
import { NEXT_WORDS } from '@brook/core/job/stage';
import { PURPOSE_WORDS } from '@brook/core/bleed/scope';
import { router } from 'expo-router';
import { StyleSheet, View } from 'react-native';
import { useEarlierJobs, useVehicle } from '../data/vehicles';
import { DriveNotice, JobsLink } from '../job/frame/JobHead';
import { Owes } from './owes/Owes';
import { SayOfVehicle } from './owes/SayOfVehicle';
import { ActionBar } from '../ui/ActionBar';
import { Button } from '../ui/Button';
import { lowerFirst } from '@brook/core/base/text';
import { dayWords } from '../ui/dayWords';
import { EarlierButton } from '../ui/EarlierButton';
import { Page, useWideScreen } from '../ui/Page';
import { Press } from '../ui/Press';
import { FailedPage, Loading } from '../ui/States';
import { leavePage } from '../ui/unsaved';
import { Words } from '../ui/Words';
import { colour, SPACE } from '../ui/theme';
import { usePageTitle } from '../ui/usePageTitle';
import { useVehicleNotes } from '../data/media';
import { EarlierNotes } from '../job/side/media/EarlierNotes';
import { RunsTook } from './RunsTook';
import { VehicleBrook } from './VehicleBrook';

/** One vehicle: whether it may move, its layout, and every job on it. */
export function VehicleScreen({ id }: { readonly id: string }) {
  const wide = useWideScreen();
  const { data: vehicle, error, isPending, refetch } = useVehicle(id);
  usePageTitle(vehicle?.name);
  if (isPending) return <Loading what="the vehicle" />;
  if (!vehicle)
    return <FailedPage what="This vehicle" error={error} again={() => void refetch()} />;
  const open = vehicle.openJobId;
  return (
    <Page
      action={
        <ActionBar
          label={open ? 'Go on with its job' : 'Take it in'}
          side={{ label: 'Vehicles', onPress: () => leavePage(() => router.replace('/vehicles')) }}
          onPress={() =>
            leavePage(() => router.push(open ? `/jobs/${open}` : `/new?vehicle=${vehicle.id}`))
          }
        />
      }
      beside={
        <View style={{ padding: SPACE.wide }}>
          <VehicleBrook vehicle={vehicle} height={420} />
        </View>
      }
    >
      <View>
        <JobsLink />
        <Words size="head" heading={1}>
          {vehicle.name}
        </Words>
        <Words size="small" tone="softWords">
          {`${vehicle.tag} · ${vehicle.layoutName}${vehicle.layout.driverSide === 'middle' ? '' : ` · driver on the ${vehicle.layout.driverSide}`}`}
        </Words>
      </View>
      <DriveNotice job={vehicle} />
      <Owes openItems={vehicle.openItems} />
      {wide ? null : <VehicleBrook vehicle={vehicle} height={220} />}
      <Button
        label="Measure and change the layout"
        onPress={() => leavePage(() => router.push(`/vehicles/${vehicle.id}/layout`))}
      />
      <Button
        label="Fluid history and forecast"
        onPress={() => leavePage(() => router.push(`/vehicles/${vehicle.id}/history`))}
      />
      <TagButtons vehicle={vehicle} />
      <SayOfVehicle vehicle={vehicle} />
      <NotesOfVehicle vehicle={vehicle} />
      <RunsTook vehicleId={vehicle.id} />
      <JobsOnIt vehicle={vehicle} onOpen={(id) => leavePage(() => router.push(`/jobs/${id}`))} />
    </Page>
  );
}

/** What was photographed and said of it, job by job. */
function NotesOfVehicle({ vehicle }: { readonly vehicle: Vehicle }) {
  return <EarlierNotes layout={vehicle.layout} notes={useVehicleNotes(vehicle.id)} />;
}

/** Tags to print: one for the wheel while it must not be driven, one for the reservoir once its fluid is on record. */
function TagButtons({ vehicle }: { readonly vehicle: Vehicle }) {
  const open = (which: 'wheel' | 'reservoir') =>
    window.open(`/api/v1/vehicles/${vehicle.id}/tag-${which}.pdf`, '_blank');
  const filled = vehicle.jobs.jobs.some((j) => j.stage === 'released');
  return (
    <>
      {vehicle.drive.state === 'free' ? null : (
        <Button label="Tag for the wheel" onPress={() => open('wheel')} />
      )}
      {filled ? <Button label="Tag for the reservoir" onPress={() => open('reservoir')} /> : null}
    </>
  );
}

/** Its jobs, newest first. */
function JobsOnIt({
  vehicle,
  onOpen,
}: {
  readonly vehicle: Vehicle;
  readonly onOpen: (jobId: string) => void;
}) {
  const earlier = useEarlierJobs(vehicle);
  const jobs = [vehicle.jobs, ...earlier.pages].flatMap((p) => p.jobs);
  return (
    <View>
      <Words strong heading={2}>
        Jobs on it
      </Words>
      {jobs.length === 0 ? <Words>None yet.</Words> : null}
      <View role="list">
        {jobs.map((job) => (
          <View key={job.id} role="listitem" style={styles.item}>
            <Press
              role="link"
              onPress={() => onOpen(job.id)}
              style={styles.job}
              pressedStyle={{ backgroundColor: colour.well }}
            >
              <View style={styles.between}>
                <Words
                  strong
                >{`Job ${job.number}, ${lowerFirst(PURPOSE_WORDS[job.purpose].title)}`}</Words>
                <Words size="small" tone="softWords">
                  {dayWords(job.openedAt)}
                </Words>
              </View>
              <Words size="small" tone="softWords">
                {NEXT_WORDS[job.stage]}
              </Words>
            </Press>
          </View>
        ))}
      </View>
      <EarlierButton label="Earlier jobs" {...earlier} />
    </View>
  );
}

const styles = StyleSheet.create({
  item: { borderTopWidth: 1, borderTopColor: colour.hairline },
  job: { paddingVertical: SPACE.small },
  between: {
    flexDirection: 'row',
    justifyContent: 'space-between',
    alignItems: 'center',
    gap: SPACE.medium,
  },
});
