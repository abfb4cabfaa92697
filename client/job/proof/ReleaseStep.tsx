import { CONTROL_TRAITS, type Control } from '@brook/core/vehicle/circuit';
import { controlsConcerned } from '@brook/core/owed/openItems';
import { useFolded } from '../../data/jobFold';
import { useJobAct } from '../../data/job';
import { useSession } from '../../data/session';
import { JobFoot } from '../side/JobFoot';
import { JobHead } from '../frame/JobHead';
import type { StepProps } from '../frame/step';
import { BesideBrook } from '../frame/BesideBrook';
import { ActionBar, PromptBar } from '../../ui/ActionBar';
import { Choice } from '../../ui/Choice';
import { clockTime } from '../../ui/dates';
import { Caution } from '../../ui/Notice';
import { Page } from '../../ui/Page';
import { Words } from '../../ui/Words';

/** The drive and its result, then the release by a named person. */
export function ReleaseStep({ job, band }: StepProps) {
  const act = useJobAct(job);
  const name = useSession().data?.user.name ?? '';
  const drive = job.drives.at(-1);
  const plan = job.planResult?.verdict === 'planned' ? job.planResult.plan : null;
  const state = useFolded(job);
  const controls = controlsConcerned(state, plan?.layout ?? job.layout, job.before).map(
    (m) => m.control,
  );
  const good = drive?.result === 'good';
  return (
    <Page
      band={band}
      beside={<BesideBrook job={job} />}
      action={
        good ? (
          <ActionBar
            label="Release this vehicle"
            busy={act.isPending}
            onPress={() => act.mutate({ kind: 'release' })}
          />
        ) : (
          <PromptBar prompt="Drive it, then tap how it was" />
        )
      }
    >
      <JobHead job={job} />
      {drive ? (
        <Words
          size="small"
          tone="softWords"
        >{`Set by ${drive.setBy} at ${clockTime(drive.at)}.`}</Words>
      ) : null}
      <Caution title="Slow, in a safe place, nobody else on board">{`First stops at walking pace. Anything odd at the ${controls.join(' or ')}: stop and have it fetched.`}</Caution>
      <Choice
        question="How was the test drive?"
        stacked
        chosen={drive?.result ?? null}
        disabled={good || act.isPending}
        onChoose={(result) => act.mutate({ kind: 'end test drive', result })}
        options={[
          {
            value: 'good',
            label: 'Good',
            about: goodWords(controls),
          },
          {
            value: 'bad',
            label: 'Not good',
            about: 'Back to “do not drive”; everything is proved again',
          },
        ]}
      />
      {good ? (
        <Words>{`Released means: ${name} says that this vehicle may be driven. From then on the record is read-only.`}</Words>
      ) : null}
      {act.error ? <Caution title={act.error.message} /> : null}
      <JobFoot job={job} />
    </Page>
  );
}

/** What a good drive is like, for what was proved. */
function goodWords(controls: readonly Control[]): string {
  const of = (system: 'brakes' | 'clutch') =>
    controls.filter((c) => CONTROL_TRAITS[c].system === system);
  return [
    of('brakes').length > 0 ? `It stops well, firm at the ${of('brakes').join(' and ')}` : null,
    of('clutch').length > 0 ? 'the clutch takes up and lets go cleanly' : null,
    'no lamp lit',
  ]
    .filter(Boolean)
    .join(', ');
}
