import { VEHICLE_TRAITS } from '@brook/core/circuit';
import type { Job } from '@brook/contract';
import { proofOf, type ProofState, type Voided } from '@brook/core/log';
import {
  CHECK_WORDS,
  gateWords,
  PROOF_ITEMS,
  releaseGate,
  type CheckItem,
  type Proof,
} from '@brook/core/gate';
import { lowerFirst } from '@brook/core/text';
import { RunNotices } from '../run/RunNotices';
import { clockTime } from '../ui/dates';
import { PEDAL_RESULTS, PEDAL_RESULT_WORDS, pedalPasses } from '@brook/core/pedal';
import { controlOf, type Plan } from '@brook/core/plan';
import { useState } from 'react';
import { View } from 'react-native';
import { FluidUsedForm } from './FluidUsedForm';
import { usedDraftOf, usedOf, type UsedDraft } from './usedDraft';
import { useJobAct } from '../data/job';
import { useRun } from '../data/run';
import { FaultList } from '../faults/FaultList';
import { EndJob } from '../jobs/EndJob';
import { JobHead } from '../jobs/JobHead';
import type { StepProps } from '../jobs/step';
import { PlanBrook } from '../plan/PlanStep';
import { ActionBar } from '../ui/ActionBar';
import { Choice } from '../ui/Choice';
import { Caution } from '../ui/Notice';
import { Page } from '../ui/Page';
import { Loading } from '../ui/States';
import { Words } from '../ui/Words';
import { SPACE } from '../ui/theme';
import { SkippedStages } from '../run/SkippedStages';

const YES_NO = [
  { value: 'yes', label: 'Yes' },
  { value: 'no', label: 'No' },
] as const;

/** Prove the bleed: pedal or lever by defined words, then what is looked at; the gate says what is missing. */
export function ProofStep(props: StepProps) {
  const { planResult } = props.job;
  return planResult?.verdict === 'planned' ? (
    <ProofPage {...props} plan={planResult.plan} />
  ) : (
    <Loading what="the plan" />
  );
}

function ProofPage({ job, band, plan }: StepProps & { readonly plan: Plan }) {
  const act = useJobAct(job);
  const live = useRun(job, plan);
  const put = useJobAct(job);
  const [changes, setChanges] = useState<Partial<UsedDraft>>({});
  if (!live.ready) return <Loading what="what this phone kept" />;
  const draft: UsedDraft = { ...usedDraftOf(job, live.state), ...changes };
  const used = usedOf(draft);
  const proof = proofOf(live.job);
  const fluidPutDown = proof.fluidPutDown && Object.keys(changes).length === 0;
  const gate = releaseGate(live.state, { ...proof, fluidPutDown }, null);
  const waitsForFluid = gate.reasons.every((r) => r.code === 'fluid not put down');
  const failed = proof.pedal !== null && !pedalPasses(proof.pedal);
  const items = PROOF_ITEMS[plan.layout.vehicleKind];
  const masterId = plan.work.masterIds[0] ?? null;
  const failedDrive = lastFailedDrive(job);
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
            label="Back to the bleed"
            busy={live.waiting > 0}
            onPress={() => live.say({ kind: 'halted', reason: 'pedal not right', stopId: null })}
          />
        ) : waitsForFluid ? (
          <ActionBar
            label="Put the fluid down"
            busy={put.isPending}
            waitsFor={used ? null : 'Put the amounts right first'}
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
      <Choice
        question={`How is the ${controlOf(plan)}?`}
        why={`${measuredHow(plan)}: first stroke, pumped, and 30 s under a steady push. The words are a house rule, from memory; the maker’s limit wins.`}
        options={PEDAL_RESULTS.map((r) => ({
          value: r,
          label: r,
          about: PEDAL_RESULT_WORDS[r].means,
        }))}
        chosen={proof.pedal}
        onChoose={(result) => live.say({ kind: 'pedal judged', masterId, result })}
        stacked
        fault={
          failed
            ? 'Only firm and high passes. Find the cause, then bleed again or end the job unreleased.'
            : null
        }
      />
      {failed ? <FaultList signs={['pedal not right']} /> : null}
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
      <FluidUsedForm
        job={job}
        draft={draft}
        onChange={(part) => setChanges((c) => ({ ...c, ...part }))}
        error={put.error}
      />
      {act.error ? <Caution title={act.error.message} /> : null}
      <View>
        <Words strong heading={2}>
          {gate.verdict === 'test drive' ? 'All but the drive has passed' : 'The gate waits for'}
        </Words>
        {gate.reasons.map((r, i) => (
          <Words key={i} size="small">{`· ${gateWords(r)}`}</Words>
        ))}
      </View>
      <EndJob job={job} />
    </Page>
  );
}

/** In which state pedal or lever is judged. */
function measuredHow({ layout }: Plan): string {
  const { servo, bar, engine } = VEHICLE_TRAITS[layout.vehicleKind];
  if (servo) return 'Engine off, servo empty';
  return bar ? 'On its stand' : engine ? 'Engine off' : 'Standing level';
}

/** Answers that no longer hold: whose doing it was, when, and what is asked again. */
function VoidedAnswers({ proof, plan }: { readonly proof: ProofState; readonly plan: Plan }) {
  return (
    <>
      {proof.voided.map((v) => (
        <Caution key={v.because.eventId} title={voidedWords(v)}>
          {`Asked again: ${v.items.map((i) => (i === 'pedal' ? controlOf(plan) : lowerFirst(CHECK_WORDS[i].ask))).join('; ')}.`}
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
  decided: 'It was decided on a halt',
  'part compared': 'A part was compared',
  'drive ended': 'The test drive failed',
};

const answer = (proof: Proof, item: CheckItem): 'yes' | 'no' | null =>
  proof.checks[item] === undefined ? null : proof.checks[item] ? 'yes' : 'no';

function lastFailedDrive(job: Job): boolean {
  return job.drives.at(-1)?.result === 'bad';
}
