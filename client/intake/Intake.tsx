import type { VehicleSummary } from '@brook/contract';
import { router } from 'expo-router';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { v4 as uuid } from 'uuid';
import { useOpenJob } from '../data/job';
import { useVehicles } from '../data/vehicles';
import { JobsLink } from '../jobs/JobHead';
import { ActionBar, PromptBar } from '../ui/ActionBar';
import { Choice } from '../ui/Choice';
import { DriveMark } from '../ui/DriveMark';
import { Caution } from '../ui/Notice';
import { Page } from '../ui/Page';
import { FailedPage, Loading } from '../ui/States';
import { Words } from '../ui/Words';
import { VehicleLine } from '../vehicles/VehicleLine';

/** Take a vehicle in: which one, which system, what is asked. */
export function Intake({ vehicleId }: { readonly vehicleId?: string | undefined }) {
  const vehicles = useVehicles();
  const [picked, setPicked] = useState<string | null>(vehicleId ?? null);
  const [system, setSystem] = useState<'brakes' | null>(null);
  const [scope, setScope] = useState<'routine flush' | null>(null);
  const jobId = useMemo(() => uuid(), []);
  const openJob = useOpenJob();
  const vehicle = vehicles.data?.find((v) => v.id === picked) ?? null;

  if (vehicles.isPending) return <Loading what="the vehicles" />;
  if (vehicles.error) return <FailedPage what="The list of vehicles" error={vehicles.error} again={() => void vehicles.refetch()} />;
  if (!vehicle) return <PickVehicle vehicles={vehicles.data} onPick={setPicked} />;

  const missing = system === null ? 'Say which system first' : scope === null ? 'Say what is to be done first' : null;
  const open = () => {
    if (missing) return;
    openJob.mutate({ id: jobId, vehicleId: vehicle.id, system: 'brakes', scope: 'routine flush' }, { onSuccess: (job) => router.replace(`/jobs/${job.id}`) });
  };
  return (
    <Page action={<ActionBar label="Open the job" busy={openJob.isPending} waitsFor={missing} onPress={open} side={{ label: 'Other vehicle', onPress: () => setPicked(null) }} />}>
      <View>
        <Words size="small" tone="softWords">
          Intake
        </Words>
        <Words size="head" heading={1}>
          {vehicle.name}
        </Words>
        <Words size="small" tone="softWords">
          {`${vehicle.tag} · ${vehicle.layoutName}`}
        </Words>
        <DriveMark state={vehicle.drive.state} />
      </View>
      {openJob.error ? <Caution title={openJob.error.message} /> : null}
      <Choice question="Which system?" options={[{ value: 'brakes', label: 'Brakes' }]} chosen={system} onChoose={setSystem} />
      <Choice
        question="What is to be done?"
        options={[{ value: 'routine flush', label: 'Routine flush', about: 'Old fluid out, new fluid in, at every bleeder; no air expected' }]}
        chosen={scope}
        onChoose={setScope}
        stacked
      />
    </Page>
  );
}

function PickVehicle({ vehicles, onPick }: { readonly vehicles: readonly VehicleSummary[]; readonly onPick: (id: string) => void }) {
  return (
    <Page action={<PromptBar prompt="Tap the vehicle in front of you" side={{ label: 'Add one', onPress: () => router.push('/vehicles/new') }} />}>
      <View>
        <JobsLink />
        <Words size="head" heading={1}>
          Which vehicle?
        </Words>
      </View>
      {vehicles.length === 0 ? <Words>No vehicle yet. Add the one in front of you from a layout.</Words> : null}
      <View role="list">
        {vehicles.map((v) => (
          <VehicleLine
            key={v.id} vehicle={v} about={v.openJobId ? 'Has an open job: go there' : v.layoutName} role="button"
            onPress={() => (v.openJobId ? router.push(`/jobs/${v.openJobId}`) : onPick(v.id))}
          />
        ))}
      </View>
    </Page>
  );
}
