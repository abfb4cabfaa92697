import type { Job, ProofEntry } from '@brook/contract';
import { CHECK_WORDS, gateWords, PROOF_ITEMS, releaseGate, type CheckItem } from '@brook/core/gate';
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
import type { StepProps } from '../jobs/JobScreen';
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
    <Proof {...props} plan={planResult.plan} />
  ) : (
    <Loading what="the plan" />
  );
}

function Proof({ job, band, plan }: StepProps & { readonly plan: Plan }) {
  const act = useJobAct(job);
  const [proof, setProof] = useState<ProofEntry>({
    pedal: job.proof.pedal,
    checks: job.proof.checks,
  });
  const live = useRun(job, plan);
  const put = useJobAct(job);
  const [changes, setChanges] = useState<Partial<UsedDraft>>({});
  const draft: UsedDraft = { ...usedDraftOf(job, live.state), ...changes };
  const used = usedOf(draft);
  const fluidPutDown = job.fluidUsed !== null && Object.keys(changes).length === 0;
  const gate = releaseGate(live.state, { ...proof, fluidPutDown }, null);
  const waitsForFluid = gate.reasons.every((r) => r.code === 'fluid not put down');
  const failed = proof.pedal !== null && !pedalPasses(proof.pedal);
  const items = PROOF_ITEMS[plan.layout.vehicleKind];
  const enter = (changed: ProofEntry) => {
    setProof(changed);
    act.mutate({ kind: 'enter proof', proof: changed });
  };
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
            busy={act.isPending && gate.verdict === 'test drive'}
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
      <SkippedStages state={live.state} />
      <Choice
        question={`How is the ${controlOf(plan)}?`}
        why={`${plan.layout.vehicleKind === 'car' ? 'Engine off, servo empty' : 'On its stand'}: first stroke, pumped, and 30 s under a steady push. The words are a house rule, from memory; the maker’s limit wins.`}
        options={PEDAL_RESULTS.map((r) => ({
          value: r,
          label: r,
          about: PEDAL_RESULT_WORDS[r].means,
        }))}
        chosen={proof.pedal}
        onChoose={(pedal) => enter({ ...proof, pedal })}
        stacked
        fault={
          failed
            ? 'Only firm and high passes. Find the cause, then bleed again or end the job unreleased.'
            : null
        }
      />
      {failed ? <FaultList signs={['pedal not right']} /> : null}
      {live.refusal ? <Caution title={live.refusal} /> : null}
      {items.map((item) => (
        <Choice
          key={item}
          question={`${CHECK_WORDS[item].ask}?`}
          why={CHECK_WORDS[item].why}
          options={YES_NO}
          chosen={answer(proof, item)}
          onChoose={(value) =>
            enter({ ...proof, checks: { ...proof.checks, [item]: value === 'yes' } })
          }
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

const answer = (proof: ProofEntry, item: CheckItem): 'yes' | 'no' | null =>
  proof.checks[item] === undefined ? null : proof.checks[item] ? 'yes' : 'no';

function lastFailedDrive(job: Job): boolean {
  return job.drives.at(-1)?.result === 'bad';
}
