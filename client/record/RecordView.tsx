import type { Job } from '@brook/contract';
import { CHECK_WORDS, PROOF_ITEMS } from '@brook/core/gate';
import { signsOfFluid, type FaultSign } from '@brook/core/faults';
import { isClosed } from '@brook/core/job';
import { PEDAL_RESULT_WORDS } from '@brook/core/pedal';
import {
  DECISION_WORDS,
  foldRun,
  HALT_WORDS,
  partLines,
  planAgainstActual,
  slaveLines,
  toolLines,
  type ActualRow,
  type RunState,
} from '@brook/core/run';
import { controlOf, type Plan } from '@brook/core/plan';
import { router } from 'expo-router';
import { useMemo } from 'react';
import { StyleSheet, View } from 'react-native';
import { BackToHand } from '../jobs/BackToHand';
import { JobHead } from '../jobs/JobHead';
import type { StepProps } from '../jobs/JobScreen';
import { FaultList } from '../faults/FaultList';
import { FluidRecord, UsedRecord } from './FluidRecord';
import { Section } from './Section';
import { PlanBrook } from '../plan/PlanStep';
import { ActionBar } from '../ui/ActionBar';
import { capital, lowerFirst } from '@brook/core/text';
import { clockTime, shortDate } from '../ui/dates';
import { FigureValue } from '../ui/FigureValue';
import { Page } from '../ui/Page';
import { Words } from '../ui/Words';
import { colour, SPACE, TOUCH } from '../ui/theme';
import { SkippedStages } from '../run/SkippedStages';

/** The record: what was read, planned, done and proved, by whom. Read-only once the job is closed. */
export function RecordView({ job, band, onStep }: StepProps) {
  const plan = job.planResult?.verdict === 'planned' ? job.planResult.plan : null;
  return (
    <Page
      band={band}
      beside={
        plan ? (
          <View style={{ padding: SPACE.wide }}>
            <PlanBrook job={job} plan={plan} height={420} />
          </View>
        ) : null
      }
      action={
        isClosed(job.stage) ? (
          <ActionBar label="Back to the jobs" onPress={() => router.replace('/')} />
        ) : (
          <BackToHand job={job} onStep={onStep} />
        )
      }
    >
      <JobHead job={job} />
      <Outcome job={job} />
      {job.fluid ? <FluidRecord job={job} /> : null}
      {plan && job.fluidUsed ? <UsedRecord used={job.fluidUsed} /> : null}
      {job.ended ? <FaultList signs={signsOf(job)} /> : null}
      {plan && job.events.length > 0 ? <RunRecord job={job} plan={plan} /> : null}
      {plan && job.proof.pedal ? <ProofRecord job={job} plan={plan} /> : null}
      <Section title="Who did what">
        <Words size="small">{`Taken in by ${job.openedBy}, ${shortDate(job.openedAt)}, ${clockTime(job.openedAt)}`}</Words>
        {job.planAccepted ? (
          <Words size="small">{`Plan accepted by ${job.planAccepted.by}, ${clockTime(job.planAccepted.at)}`}</Words>
        ) : null}
        {job.pick?.kind === 'enough' && job.pick.lookedBy ? (
          <Words size="small">{`Opened containers looked at twice by ${job.pick.lookedBy}; house rule: ${job.pick.openRule}`}</Words>
        ) : null}
        {job.events.length > 0 ? (
          <Words size="small">{`Bled by ${[...new Set(job.authors.map((a) => a.by))].join(', ')}`}</Words>
        ) : null}
        {job.proof.by ? <Words size="small">{`Proved by ${job.proof.by}`}</Words> : null}
        {job.drives.map((d, i) => (
          <Words
            key={i}
            size="small"
          >{`Test drive set by ${d.setBy}, ${clockTime(d.at)}: ${d.result ?? 'no result yet'}`}</Words>
        ))}
      </Section>
    </Page>
  );
}

function Outcome({ job }: { readonly job: Job }) {
  if (job.released)
    return (
      <Words
        size="head"
        heading={2}
      >{`Released by ${job.released.by}, ${shortDate(job.released.at)}, ${clockTime(job.released.at)}`}</Words>
    );
  if (!job.ended) return null;
  return (
    <View>
      <Words
        size="head"
        heading={2}
      >{`Ended unreleased by ${job.ended.by}, ${shortDate(job.ended.at)}`}</Words>
      {job.ended.reason === job.drive.reason ? null : <Words>{job.ended.reason}</Words>}
    </View>
  );
}

/** What ended the job, for the fault list. */
function signsOf(job: Job): FaultSign[] {
  const stopped = job.fluid ? signsOfFluid(job.fluid.verdict) : [];
  return stopped.length > 0
    ? stopped
    : job.events.flatMap((e) => (e.kind === 'halted' ? [e.reason] : []));
}

function RunRecord({ job, plan }: { readonly job: Job; readonly plan: Plan }) {
  const state = useMemo(() => foldRun(plan, job.events), [plan, job.events]);
  const legs = planAgainstActual(state);
  return (
    <Section title="Plan against done">
      <View style={styles.header} aria-hidden>
        <View style={styles.grow} />
        <ColumnHead of="strokes" word="plan" />
        <ColumnHead word="done" />
        <ColumnHead of="mL" word="plan" />
        <ColumnHead word="done" />
      </View>
      {legs.map((leg, i) => (
        <View key={i}>
          {leg.rows.map((row) => (
            <RowRecord key={row.stopId} row={row} />
          ))}
          {leg.endedBy ? (
            <Words
              size="small"
              strong
            >{`Planned anew from here: ${lowerFirst(HALT_WORDS[leg.endedBy].title)}`}</Words>
          ) : null}
        </View>
      ))}
      {[...partLines(state), ...toolLines(state), ...slaveLines(state)].map((line, i) => (
        <Words key={i} size="small">
          {line}
        </Words>
      ))}
      <SkippedStages state={state} />
      {state.halts.map((h) => (
        <Words key={h.eventId} size="small">
          {`${HALT_WORDS[h.reason].title}: ${h.decision ? `${DECISION_WORDS[h.decision].title}, decided by ${deciderOf(job, state, h.eventId)}` : 'not decided'}`}
        </Words>
      ))}
    </Section>
  );
}

function RowRecord({ row }: { readonly row: ActualRow }) {
  const seen = ['shut by feel', row.bubbles && `bubbles ${row.bubbles.reading}`, row.colour?.seen]
    .filter(Boolean)
    .join(' · ');
  return (
    <View style={styles.row}>
      <View style={styles.grow}>
        <Words strong>{capital(row.place)}</Words>
        <Words size="small" tone="softWords">
          {row.left ? `left: ${row.left}` : row.shut ? seen : 'not shut'}
        </Words>
      </View>
      <FigureValue figure={row.plannedStrokes} text={row.plannedStrokes.value.toFixed(0)} />
      <FigureValue figure={row.strokes} text={row.strokes.value.toFixed(0)} />
      <FigureValue figure={row.plannedMl} text={row.plannedMl.value.toFixed(0)} />
      <FigureValue figure={row.bledMl} text={row.bledMl.value.toFixed(0)} />
    </View>
  );
}

function ProofRecord({ job, plan }: { readonly job: Job; readonly plan: Plan }) {
  const pedal = job.proof.pedal!;
  return (
    <Section title="Proof">
      <Words strong>{`${capital(controlOf(plan))}: ${pedal}`}</Words>
      <Words size="small" tone="softWords">
        {PEDAL_RESULT_WORDS[pedal].means}
      </Words>
      {PROOF_ITEMS[plan.layout.vehicleKind].map((item) => (
        <Words
          key={item}
          size="small"
        >{`${CHECK_WORDS[item].ask}: ${job.proof.checks[item] === undefined ? 'not looked at' : job.proof.checks[item] ? 'yes' : 'no'}`}</Words>
      ))}
    </Section>
  );
}

function ColumnHead({ of, word }: { readonly of?: string; readonly word: string }) {
  return (
    <View style={styles.column}>
      <Words size="small" tone="softWords" align="right">
        {of ?? ' '}
      </Words>
      <Words size="small" tone="softWords" align="right">
        {word}
      </Words>
    </View>
  );
}

/** Who decided on a halt; a decision that was taken back does not count. */
function deciderOf(job: Job, state: RunState, haltId: string): string {
  const decided = state.log.find((e) => e.kind === 'decided' && e.haltId === haltId);
  const index = job.events.findIndex((e) => e.id === decided?.id);
  let before = 0;
  return job.authors.find((a) => (before += a.count) > index)?.by ?? '';
}

const styles = StyleSheet.create({
  header: { flexDirection: 'row' },
  column: { width: TOUCH },
  row: {
    flexDirection: 'row',
    alignItems: 'center',
    borderTopWidth: 1,
    borderTopColor: colour.hairline,
  },
  grow: { flex: 1 },
});
