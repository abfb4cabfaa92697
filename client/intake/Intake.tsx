import type { VehicleSummary } from '@brook/contract';
import { holds, type MatterKind } from '@brook/core/matters';
import { PURPOSE_WORDS, PURPOSES, type Purpose } from '@brook/core/scope';
import { router } from 'expo-router';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { v4 as uuid } from 'uuid';
import { useOpenJob } from '../data/job';
import { useVehicles } from '../data/vehicles';
import { DriveNotice, JobsLink } from '../jobs/JobHead';
import { MatterList } from '../matters/MatterList';
import { ActionBar, PromptBar } from '../ui/ActionBar';
import { capital } from '@brook/core/text';
import { Choice } from '../ui/Choice';
import { Choices } from '../ui/Choices';
import { Caution } from '../ui/Notice';
import { Page } from '../ui/Page';
import { FailedPage, Loading } from '../ui/States';
import { Words } from '../ui/Words';
import { VehicleLine } from '../vehicles/VehicleLine';
import { usePageTitle } from '../ui/usePageTitle';

/** Take a vehicle in: which one, which system, what is asked. */
export function Intake({ vehicleId }: { readonly vehicleId?: string | undefined }) {
  const vehicles = useVehicles();
  const [picked, setPicked] = useState<string | null>(vehicleId ?? null);
  usePageTitle('New job');
  const [masterIds, setMasterIds] = useState<readonly string[] | null>(null);
  const [purpose, setPurpose] = useState<Purpose | null>(null);
  const [hands, setHands] = useState<'alone' | 'helper' | null>(null);
  const jobId = useMemo(() => uuid(), []);
  const openJob = useOpenJob();
  const vehicle = vehicles.data?.find((v) => v.id === picked) ?? null;

  if (vehicles.isPending) return <Loading what="the vehicles" />;
  if (vehicles.error)
    return (
      <FailedPage
        what="The list of vehicles"
        error={vehicles.error}
        again={() => void vehicles.refetch()}
      />
    );
  if (!vehicle) return <PickVehicle vehicles={vehicles.data} onPick={setPicked} />;

  const inHand = masterIds ?? vehicle.masters.map((m) => m.id);
  const missing =
    inHand.length === 0
      ? 'Say what is in hand first'
      : purpose === null
        ? 'Say why it is here first'
        : hands === null
          ? 'Say who is at hand first'
          : null;
  const open = () => {
    if (!purpose) return;
    const helper = hands === 'helper';
    openJob.mutate(
      { id: jobId, vehicleId: vehicle.id, purpose, masterIds: [...inHand], helper },
      { onSuccess: (job) => router.replace(`/jobs/${job.id}`) },
    );
  };
  return (
    <Page
      action={
        <ActionBar
          label={vehicle.matters.length > 0 ? 'Take it in with these' : 'Open the job'}
          busy={openJob.isPending}
          waitsFor={missing}
          onPress={open}
          side={{ label: 'Other vehicle', onPress: () => setPicked(null) }}
        />
      }
    >
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
      </View>
      <DriveNotice job={vehicle} />
      {vehicle.matters.length > 0 ? (
        <View>
          <Words strong heading={2}>
            It still owes
          </Words>
          <MatterList matters={vehicle.matters} />
        </View>
      ) : null}
      {openJob.error ? <Caution title={openJob.error.message} /> : null}
      {vehicle.masters.length > 1 ? (
        <Choices
          question="What is in hand?"
          options={vehicle.masters.map((m) => ({
            value: m.id,
            label: capital(m.control),
            about: m.name,
          }))}
          chosen={inHand}
          onChoose={setMasterIds}
        />
      ) : null}
      <Choice
        question={vehicle.matters.length > 0 ? 'And today?' : 'Why is it here?'}
        options={PURPOSES.filter((p) => p !== 'look and prove' || mayOnlyLook(vehicle)).map(
          (p) => ({
            value: p,
            label: PURPOSE_WORDS[p].title,
            about: PURPOSE_WORDS[p].about,
          }),
        )}
        chosen={purpose}
        onChoose={setPurpose}
        stacked
      />
      <Choice
        question="Who is at hand?"
        options={[
          { value: 'alone', label: 'I am alone' },
          { value: 'helper', label: 'A helper too' },
        ]}
        chosen={hands}
        onChoose={setHands}
      />
    </Page>
  );
}

/** Whether a look and a proof settle something here: a mark, a mended leak; not where it owes a bleed. */
const mayOnlyLook = ({ matters }: VehicleSummary): boolean =>
  matters.some(holds) && !matters.some((m) => holds(m) && BLED_FOR.includes(m.kind));

const BLED_FOR: readonly MatterKind[] = [
  'air possible',
  'bleeder left',
  'seized',
  'snapped',
  'stop verdict',
  'base bleed owed',
  'tool cycle owed',
];

function PickVehicle({
  vehicles,
  onPick,
}: {
  readonly vehicles: readonly VehicleSummary[];
  readonly onPick: (id: string) => void;
}) {
  return (
    <Page
      action={
        <PromptBar
          prompt="Tap the vehicle in front of you"
          side={{ label: 'Add one', onPress: () => router.push('/vehicles/new') }}
        />
      }
    >
      <View>
        <JobsLink />
        <Words size="head" heading={1}>
          Which vehicle?
        </Words>
      </View>
      {vehicles.length === 0 ? (
        <Words>No vehicle yet. Add the one in front of you from a layout.</Words>
      ) : null}
      <View role="list">
        {vehicles.map((v) => (
          <VehicleLine
            key={v.id}
            vehicle={v}
            about={v.openJobId ? 'Has an open job: go there' : v.layoutName}
            role="button"
            onPress={() => (v.openJobId ? router.push(`/jobs/${v.openJobId}`) : onPick(v.id))}
          />
        ))}
      </View>
    </Page>
  );
}
