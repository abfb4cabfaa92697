import { VEHICLE_TRAITS, hasServo } from '@brook/core/circuit';
import type { Job } from '@brook/contract';
import type { ProofState, Voided } from '@brook/core/log';
import { proofOf } from '@brook/core/log';
import { CHECK_WORDS, gateWords, PROOF_ITEMS, type CheckItem, type Proof } from '@brook/core/gate';
import { controlsConcerned, gateOf, knownFromRun, usedGap } from '@brook/core/matters';
import { lowerFirst } from '@brook/core/text';
import { RunNotices } from '../run/RunNotices';
import { askOf } from '../run/eventWords';
import { clockTime } from '../ui/dates';
import type { Plan } from '@brook/core/plan';
import { useState } from 'react';
import { View } from 'react-native';
import { FluidUsedForm, usedWaits } from './FluidUsedForm';
import { usedDraftOf, usedOf, type UsedDraft } from './usedDraft';
import { useJobAct } from '../data/job';
import { useRun, type LiveRun } from '../data/run';
import { useShelf } from '../data/shelf';
import { FaultList } from '../faults/FaultList';
import { JobFoot } from '../jobs/JobFoot';
import { JobHead } from '../jobs/JobHead';
import type { StepProps } from '../jobs/step';
import { TakenOver } from '../matters/TakenOver';
import { pedalPage } from '../pedal/PedalPage';
import { PlanBrook } from '../plan/PlanStep';
import { ActionBar } from '../ui/ActionBar';
import { Button } from '../ui/Button';
import { Choice } from '../ui/Choice';
import { Known } from '../ui/Known';
import { Caution } from '../ui/Notice';
import { Page } from '../ui/Page';
import { Loading } from '../ui/States';
import { Words } from '../ui/Words';
import { SPACE } from '../ui/theme';
import { RefitList } from '../refit/RefitList';
import { SkippedStages } from '../run/SkippedStages';
import { ControlProof, failedControl } from './ControlProof';
import { LeakLooked } from './LeakLooked';

const YES_NO = [
  { value: 'yes', label: 'Yes' },
  { value: 'no', label: 'No' },
] as const;

/** Prove the bleed: every control by its own words, then what is looked at; the gate says what is missing. */
export function ProofStep(props: StepProps) {
  const { planResult } = props.job;
  return planResult?.verdict === 'planned' ? (
    <ProofPage {...props} plan={planResult.plan} />
  ) : (
    <Loading what="the plan" />
  );
}

function ProofPage({ job, band, plan, pages }: StepProps & { readonly plan: Plan }) {
  const act = useJobAct(job);
  const live = useRun(job);
  const put = useJobAct(job);
  const shelf = useShelf();
  const [changes, setChanges] = useState<Partial<UsedDraft>>({});
  const [oneByOne, setOneByOne] = useState(false);
  if (!live.ready) return <Loading what="what this phone kept" />;
  const draft: UsedDraft = {
    ...usedDraftOf(job, live.state, shelf.data?.containers),
    ...changes,
  };
  const used = usedOf(draft);
  const gap = used && usedGap(live.job, used);
  const proof = proofOf(live.job);
  const changed = Object.keys(changes).length > 0;
  const gate = gateOf(
    changed ? { ...live.job, fluidUsed: null } : live.job,
    aboutOf(job),
    job.before,
  )!;
  const moves = live.state.pouredMl + live.state.bledMl + live.state.removedMl > 0;
  const waitsForFluid = moves && gate.reasons.every((r) => r.code === 'fluid not put down');
  const controls = controlsConcerned(live.job, plan.layout, job.before);
  const failed = controls.find((m) => failedControl(m, proof)) ?? null;
  const fromRun = knownFromRun(live.state);
  const known = oneByOne ? [] : fromRun.filter((item) => proof.checks[item] === undefined);
  const items = PROOF_ITEMS[plan.layout.vehicleKind].filter((item) => !known.includes(item));
  const failedDrive = job.drives.at(-1)?.result === 'bad';
  return (
    <Page
      band={band}
      beside={
        <View style={{ padding: SPACE.wide }}>
          <PlanBrook job={job} plan={plan} height={420} />
        </View>
      }
      action={
        failed ? (
          <ActionBar
            label={`Back to the bleed: ${failed.control}`}
            busy={live.waiting > 0}
            onPress={() =>
              live.say({
                kind: 'halted',
                reason: 'pedal not right',
                stopId: null,
                masterId: failed.id,
              })
            }
          />
        ) : waitsForFluid ? (
          <ActionBar
            label="Record the fluid"
            busy={put.isPending}
            waitsFor={used ? usedWaits(gap, draft) : 'Put the amounts right first'}
            onPress={() =>
              used && put.mutate({ kind: 'fluid used', used }, { onSuccess: () => setChanges({}) })
            }
          />
        ) : (
          <ActionBar
            label="Set “test drive only”"
            busy={act.isPending || (live.waiting > 0 && gate.verdict === 'test drive')}
            waitsFor={gate.verdict === 'test drive' ? null : gateWords(gate.reasons[0]!)}
            onPress={() => gate.verdict === 'test drive' && act.mutate({ kind: 'set test drive' })}
          />
        )
      }
    >
      <JobHead job={job} />
      {failedDrive ? (
        <Caution title="The test drive failed">
          Find out why, put it right, then prove everything again.
        </Caution>
      ) : null}
      <RunNotices run={live} />
      <VoidedAnswers proof={live.job.proof} plan={plan} />
      <SkippedStages state={live.state} />
      <TakenOver job={job} />
      <LeakLooked job={job} run={live} />
      <RefitList job={job} log={live.job.log} say={live.say} />
      {controls.map((m) => (
        <ControlProof
          key={m.id}
          master={m}
          plan={plan}
          proof={proof}
          how={measuredHow(plan)}
          say={live.say}
          onMeasure={() => pages.openPage(pedalPage(m.id))}
        />
      ))}
      {failed ? <FaultList signs={['pedal not right']} layout={job.layout} /> : null}
      <Words strong heading={2}>
        The whole vehicle
      </Words>
      {known.length > 0 ? (
        <Known
          title="Known from the run"
          looked={false}
          rows={known.map((item) => ({ what: CHECK_WORDS[item].ask, is: 'Yes' }))}
        >
          <Choice
            question="Looked: is it all so?"
            options={YES_NO}
            chosen={null}
            onChoose={(value) => {
              // One of them is not so: then each is asked by itself.
              if (value === 'no') setOneByOne(true);
              else for (const item of known) live.say({ kind: 'checked', item, passes: true });
            }}
          />
        </Known>
      ) : null}
      {items.map((item) => (
        <Choice
          key={item}
          question={`${CHECK_WORDS[item].ask}?`}
          why={CHECK_WORDS[item].why}
          options={YES_NO}
          chosen={answer(proof, item)}
          onChoose={(value) => live.say({ kind: 'checked', item, passes: value === 'yes' })}
          fault={proof.checks[item] === false ? 'Put it right, then look again.' : null}
        />
      ))}
      {proof.checks['joints dry'] === false ? (
        <Button
          label="It leaks: mend it, with what was done"
          onPress={() => live.say({ kind: 'halted', reason: 'leak', stopId: null })}
        />
      ) : null}
      {moves ? (
        <FluidUsedForm
          job={job}
          draft={draft}
          onChange={(part) => setChanges((c) => ({ ...c, ...part }))}
          error={put.error}
          gap={gap}
        />
      ) : null}
      {act.error ? <Caution title={act.error.message} /> : null}
      <View>
        <Words strong heading={2}>
          {gate.verdict === 'test drive' ? 'Only the test drive is left' : 'Still missing'}
        </Words>
        {gate.reasons.map((r, i) => (
          <Words key={i} size="small">{`· ${gateWords(r)}`}</Words>
        ))}
        <OpenAgain run={live} show={gate.reasons.some((r) => r.code === 'bleeder not clear')} />
      </View>
      <JobFoot job={job} />
    </Page>
  );
}

/** A job as its vehicle knows it. */
const aboutOf = (job: Job) => ({
  jobId: job.id,
  jobNumber: job.number,
  openedAtMs: new Date(job.openedAt).getTime(),
  layout: job.layout,
});

/** The way back to a bleeder that was left shut before it was clear. */
function OpenAgain({ run, show }: { readonly run: LiveRun; readonly show: boolean }) {
  const early = run.state.log.filter((e) => e.kind === 'stopped early').at(-1);
  if (!show || !early) return null;
  return (
    <Button
      label="Back to the bleeder that is not clear"
      onPress={() => run.say({ kind: 'undone', eventId: early.id })}
    />
  );
}

/** In which state pedal or lever is judged. */
function measuredHow({ layout }: Plan): string {
  const { bar, engine } = VEHICLE_TRAITS[layout.vehicleKind];
  if (layout.masters.some((m) => hasServo(m, layout.vehicleKind))) return 'Engine off, servo empty';
  return bar ? 'On its stand' : engine ? 'Engine off' : 'Standing level';
}

/** Answers that no longer hold: whose doing it was, when, and what is asked again. */
function VoidedAnswers({ proof, plan }: { readonly proof: ProofState; readonly plan: Plan }) {
  const words = ({ masterId, item }: Voided['items'][number]): string =>
    item === 'result'
      ? (plan.layout.masters.find((m) => m.id === masterId)?.control ?? 'pedal or lever')
      : lowerFirst(askOf(item));
  return (
    <>
      {proof.voided.map((v) => (
        <Caution key={v.because.eventId} title={voidedWords(v)}>
          {`Asked again: ${v.items.map(words).join('; ')}.`}
        </Caution>
      ))}
    </>
  );
}

function voidedWords({ because }: Voided): string {
  const what = VOIDED_BY[because.kind] ?? 'Something was done';
  return `${what} after the proof, by ${because.person}, ${clockTime(because.atMs)}`;
}

const VOIDED_BY: Readonly<Partial<Record<Voided['because']['kind'], string>>> = {
  stroke: 'A stroke was made',
  undone: 'A step was taken back',
  'topped up': 'Fluid was filled up',
  shut: 'A bleeder was shut',
  halted: 'The run was halted',
  mended: 'Something was mended',
  'part compared': 'A part was compared',
  'drive ended': 'The test drive failed',
};

const answer = (proof: Proof, item: CheckItem): 'yes' | 'no' | null =>
  proof.checks[item] === undefined ? null : proof.checks[item] ? 'yes' : 'no';
