import type { VehicleSummary } from '@brook/contract';
import { FOUND_WORDS, lookSettles, owesCount } from '@brook/core/owed/openItems';
import { ASKS, purposeOf, purposeWords, SEEN_AT_INTAKE, withAsk } from '@brook/core/bleed/scope';
import { router } from 'expo-router';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { v4 as uuid } from '@lukeed/uuid/secure';
import { useOpenJob } from '../../data/job';
import { useVehicle, useVehicles } from '../../data/vehicles';
import { Desk } from '../frame/Desk';
import { DriveNotice, JobsLink } from '../frame/JobHead';
import { Owes } from '../../vehicle/owes/Owes';
import { PartQuestions } from '../plan/PartQuestions';
import type { PartDraft } from '../plan/work';
import { ActionBar } from '../../ui/ActionBar';
import { Button } from '../../ui/Button';
import { capital } from '@brook/core/base/text';
import { Choice } from '../../ui/Choice';
import { Choices } from '../../ui/Choices';
import { Field } from '../../ui/Field';
import { More } from '../../ui/More';
import { Caution } from '../../ui/Notice';
import { Page } from '../../ui/Page';
import { FailedPage, Loading } from '../../ui/States';
import { Words } from '../../ui/Words';
import { VehicleFinder } from '../../vehicle/VehicleFinder';
import { usePageTitle } from '../../ui/usePageTitle';
import { freshIntake, intakeWaits, newJobOf, odometerFault, type IntakeDraft } from './intakeDraft';

/** Take a vehicle in: which one, which system, what is asked. */
export function Intake(props: IntakeProps) {
  return (
    <Desk>
      <IntakePages {...props} />
    </Desk>
  );
}

interface IntakeProps {
  readonly vehicleId?: string | undefined;
}

function IntakePages({ vehicleId }: IntakeProps) {
  const vehicles = useVehicles();
  const [picked, setPicked] = useState<string | null>(vehicleId ?? null);
  usePageTitle('New job');
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
  return <TakeIn key={vehicle.id} vehicle={vehicle} onOther={() => setPicked(null)} />;
}

/** What is up with the vehicle that was picked: any of it together, what else is seen, and who is there. */
function TakeIn({
  vehicle,
  onOther,
}: {
  readonly vehicle: VehicleSummary;
  readonly onOther: () => void;
}) {
  const [draft, setDraft] = useState<IntakeDraft>(() => freshIntake(vehicle));
  const set = (more: Partial<IntakeDraft>) => setDraft((d) => ({ ...d, ...more }));
  const jobId = useMemo(() => uuid(), []);
  const openJob = useOpenJob();
  const part = draft.asks.includes('part');
  const owes = owesCount(vehicle.openItems) > 0;
  const open = () =>
    openJob.mutate(newJobOf(jobId, vehicle.id, draft), {
      onSuccess: (job) => router.replace(`/jobs/${job.id}`),
    });
  const { asks, found } = draft;
  return (
    <Page
      action={
        <ActionBar
          label={owes ? 'Take it in with these' : 'Open the job'}
          busy={openJob.isPending}
          waitsFor={intakeWaits(draft)}
          onPress={open}
          side={{ label: 'Other vehicle', onPress: onOther }}
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
      <Owes openItems={vehicle.openItems} />
      {openJob.error ? <Caution title={openJob.error.message} /> : null}
      {vehicle.masters.length > 1 ? (
        <Choices
          question="What is in hand?"
          options={vehicle.masters.map((m) => ({
            value: m.id,
            label: capital(m.control),
            about: m.name,
          }))}
          chosen={draft.masterIds}
          onChoose={(masterIds) => set({ masterIds })}
        />
      ) : null}
      <Choices
        question={owes ? 'And today?' : 'Why is it here?'}
        options={ASKS.filter((a) => a !== 'look' || lookSettles(vehicle.openItems)).map((a) => ({
          value: a,
          label: purposeWords(purposeOf(a), vehicle).title,
          about: purposeWords(purposeOf(a), vehicle).about,
        }))}
        chosen={asks}
        onChoose={(chosen) => set({ asks: withAsk(asks, chosen) })}
      />
      {part ? (
        <PartsOf vehicleId={vehicle.id} parts={draft.parts} onChange={(parts) => set({ parts })} />
      ) : null}
      <More
        title="Something else found?"
        about={
          Object.keys(found).length > 0
            ? SEEN_AT_INTAKE.filter((w) => found[w] !== undefined)
                .map((w) => FOUND_WORDS[w].title)
                .join(', ')
            : 'Wet joint, cracked boot, sinking, lamp; odometer'
        }
      >
        <Choices
          question="What do you see?"
          options={SEEN_AT_INTAKE.map((w) => ({
            value: w,
            label: FOUND_WORDS[w].title,
            about: FOUND_WORDS[w].about,
          }))}
          chosen={SEEN_AT_INTAKE.filter((w) => found[w] !== undefined)}
          onChoose={(seen) =>
            set({ found: Object.fromEntries(seen.map((w) => [w, found[w] ?? ''])) })
          }
          mayBeNone
        />
        {SEEN_AT_INTAKE.filter((w) => found[w] !== undefined && w !== 'sinks').map((w) => (
          <Field
            key={w}
            label={w === 'lamp lit' ? 'Which lamp?' : `${FOUND_WORDS[w].title}: where?`}
            value={found[w]!}
            onChange={(where) => set({ found: { ...found, [w]: where } })}
            maxLength={80}
          />
        ))}
        <Field
          label="Odometer"
          unit="km"
          inputMode="numeric"
          value={draft.odometer}
          onChange={(odometer) => set({ odometer })}
          fault={odometerFault(draft)}
        />
      </More>
      <Choice
        question="Who is at hand?"
        options={[
          { value: 'alone', label: 'I am alone' },
          { value: 'helper', label: 'A helper too' },
        ]}
        chosen={draft.hands}
        onChoose={(hands) => set({ hands })}
      />
      {draft.hands === 'helper' ? (
        <Field
          label="Helper’s name, if you like"
          value={draft.helperName}
          onChange={(helperName) => set({ helperName })}
          maxLength={60}
        />
      ) : null}
    </Page>
  );
}

/** The parts of the vehicle that was picked: its layout is fetched when one is asked for. */
function PartsOf({
  vehicleId,
  parts,
  onChange,
}: {
  readonly vehicleId: string;
  readonly parts: readonly PartDraft[];
  readonly onChange: (parts: readonly PartDraft[]) => void;
}) {
  const vehicle = useVehicle(vehicleId);
  if (vehicle.error) return <Caution title={vehicle.error.message} />;
  if (!vehicle.data) return <Words>Looking up its parts …</Words>;
  return <PartQuestions layout={vehicle.data.layout} parts={parts} onChange={onChange} open />;
}

function PickVehicle({
  vehicles,
  onPick,
}: {
  readonly vehicles: readonly VehicleSummary[];
  readonly onPick: (id: string) => void;
}) {
  return (
    <Page>
      <View>
        <JobsLink />
        <Words size="head" heading={1}>
          Which vehicle?
        </Words>
        <Words tone="softWords">
          {vehicles.length === 0
            ? 'No vehicle yet. Add the one in front of you from a layout.'
            : 'Tap the one in front of you.'}
        </Words>
      </View>
      <Button label="Not in the list: add it" onPress={() => router.push('/vehicles/new')} />
      <VehicleFinder
        vehicles={vehicles}
        about={(v) => (v.openJobId ? 'Has an open job: go there' : v.layoutName)}
        role="button"
        onPick={(v) => (v.openJobId ? router.push(`/jobs/${v.openJobId}`) : onPick(v.id))}
      />
    </Page>
  );
}
