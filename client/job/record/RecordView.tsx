import type { Job } from '@brook/contract';
import type { Control } from '@brook/core/vehicle/circuit';
import { takeUpWords } from '@brook/core/job/gate';
import {
  CHECK_WORDS,
  CONTROL_CHECK_WORDS,
  controlProof,
  PROOF_ITEMS,
  type ControlAnswers,
} from '@brook/core/job/items';
import { signsOfFluid, type FaultSign } from '@brook/core/find/faults';
import { isClosed } from '@brook/core/job/stage';
import { overridesOf, proofOf, refitOf, tightnessOf, type JobState } from '@brook/core/job/log';
import {
  isOfRun,
  type JobEvent,
  DECISION_WORDS,
  HALT_WORDS,
  TRY_WORDS,
  type Logged,
} from '@brook/core/job/events';
import { judgedWords, PEDAL_RESULT_WORDS } from '@brook/core/control/pedal';
import {
  planAgainstActual,
  stageLines,
  type ActualRow,
  type Tried,
  type RunState,
} from '@brook/core/job/run';
import { useFolded } from '../../data/jobFold';
import { eventWords } from '../frame/eventWords';
import type { Plan } from '@brook/core/bleed/plan';
import { router } from 'expo-router';
import { useMemo } from 'react';
import { StyleSheet, View } from 'react-native';
import { BackToHand } from '../frame/BackToHand';
import { JobHead } from '../frame/JobHead';
import { TakenIn } from '../frame/TakenIn';
import { MediaList, mediaNotes } from '../side/media/MediaList';
import { RefitList } from '../side/refit/RefitList';
import { OpenItemList } from '../../vehicle/owes/OpenItemList';
import type { StepProps } from '../frame/step';
import { FaultList } from '../side/faults/FaultList';
import { CardLinks } from './CardLinks';
import { FluidRecord, UsedRecord } from './FluidRecord';
import { Section } from './Section';
import { SignedNote } from './SignedNote';
import { BesideBrook } from '../frame/BesideBrook';
import { ActionBar } from '../../ui/ActionBar';
import { capital, counted, lowerFirst } from '@brook/core/base/text';
import { torquePair } from '@brook/core/vehicle/torque';
import { clockTime, shortDate } from '../../ui/dates';
import { FigureValue } from '../../ui/FigureValue';
import { Page } from '../../ui/Page';
import { Cell, Row, RowHead, Table } from '../../ui/Table';
import { Words } from '../../ui/Words';
import { colour } from '../../ui/theme';
import { SkippedStages } from '../run/SkippedStages';

/** The record: what was read, planned, done and proved, by whom. Read-only once the job is closed. */
export function RecordView({ job, band, onStep }: StepProps) {
  const plan = job.planResult?.verdict === 'planned' ? job.planResult.plan : null;
  const state = useFolded(job);
  const bled = peopleOf(state, isOfRun);
  const proved = peopleOf(state, isOfProof);
  return (
    <Page
      band={band}
      beside={<BesideBrook job={job} />}
      action={
        isClosed(job.stage) ? (
          <ActionBar
            label="Back to the jobs"
            onPress={() => router.replace('/')}
            side={{ label: 'Print', onPress: () => window.print() }}
          />
        ) : (
          <BackToHand job={job} onStep={onStep} />
        )
      }
    >
      <JobHead job={job} />
      <Outcome job={job} />
      <CardLinks job={job} />
      {job.fluid ? <FluidRecord job={job} /> : null}
      {plan && job.fluidUsed ? <UsedRecord used={job.fluidUsed} /> : null}
      {job.ended ? <FaultList signs={signsOf(job)} layout={job.layout} /> : null}
      {state.run && state.run.log.length > 0 ? (
        <RunRecord state={state.run} log={state.log} />
      ) : null}
      {isClosed(job.stage) && job.leaves.length > 0 ? (
        <Section title="Left open by this job">
          <OpenItemList openItems={job.leaves} />
        </Section>
      ) : null}
      {plan && Object.keys(proofOf(state).controls).length + state.proof.answers.length > 0 ? (
        <ProofRecord state={state} plan={plan} />
      ) : null}
      <Additions job={job} />
      {isClosed(job.stage) ? <SignedNote job={job} /> : null}
      <CameOff job={job} state={state} />
      <Media job={job} state={state} />
      <Section title="Who did what">
        <TakenIn job={job} />
        {job.planAccepted ? (
          <Words size="small">{`Plan accepted by ${job.planAccepted.by}, ${clockTime(job.planAccepted.at)}`}</Words>
        ) : null}
        {job.pick?.kind === 'enough' && job.pick.lookedBy ? (
          <Words size="small">{`Opened bottle checked by ${job.pick.lookedBy}; house rule: ${job.pick.openRule}`}</Words>
        ) : null}
        {bled ? <Words size="small">{`Bled by ${bled}`}</Words> : null}
        {proved ? <Words size="small">{`Proved by ${proved}`}</Words> : null}
        {overridesOf(state).map((o) => (
          <Words
            key={`${o.what} ${o.atMs}`}
            size="small"
          >{`Let go by ${o.person}, ${clockTime(o.atMs)}: ${o.what}. Why: ${o.why}`}</Words>
        ))}
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

/** What came off, and who put it back. */
function CameOff({ job, state }: { readonly job: Job; readonly state: JobState }) {
  return refitOf(state.log).length === 0 ? null : (
    <Section title="What came off">
      <RefitList job={job} log={state.log} />
    </Section>
  );
}

/** Photos and voice notes, those that arrived after the end among them. */
function Media({ job, state }: { readonly job: Job; readonly state: JobState }) {
  const log = useMemo(() => [...state.log, ...job.additions], [state.log, job.additions]);
  return mediaNotes(log).length === 0 ? null : (
    <Section title="Photos and voice">
      <MediaList job={job} log={log} />
    </Section>
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

function RunRecord({ state, log }: { readonly state: RunState; readonly log: JobState['log'] }) {
  const legs = planAgainstActual(state);
  return (
    <Section title="Plan against done">
      {legs.map((leg, i) => (
        <View key={i}>
          <Table label="Plan against done" lead="bleeder" columns={COLUMNS} width={52}>
            {leg.rows.map((row) => (
              <RowRecord key={row.openingId} row={row} log={log} />
            ))}
          </Table>
          {leg.endedBy ? (
            <Words
              size="small"
              strong
            >{`Planned anew from here: ${lowerFirst(HALT_WORDS[leg.endedBy].title)}`}</Words>
          ) : null}
        </View>
      ))}
      {[...stageLines(state), ...noteLines(state)].map((line, i) => (
        <Words key={i} size="small">
          {line}
        </Words>
      ))}
      <SkippedStages state={state} />
      {state.halts.map((h) => (
        <Words key={h.eventId} size="small">
          {`${HALT_WORDS[h.reason].title}: ${h.decision ? `${DECISION_WORDS[h.decision].title}, decided by ${deciderOf(state, h.eventId)}` : 'not decided'}`}
        </Words>
      ))}
    </Section>
  );
}

const COLUMNS = ['strokes\nplan', 'strokes\ndone', 'mL\nplan', 'mL\ndone'];

function RowRecord({ row, log }: { readonly row: ActualRow; readonly log: JobState['log'] }) {
  const seen = [
    tightWords(row, log),
    row.bubbles && `bubbles ${row.bubbles.reading}`,
    row.colour?.seen,
    ...row.tried.map(triedWords),
    row.broken > 0 && `${counted(row.broken, 'round')} broken and made again`,
  ]
    .filter(Boolean)
    .join(' · ');
  return (
    <View style={styles.row}>
      <Row>
        <RowHead>
          <Words strong>{capital(row.place)}</Words>
          <Words size="small" tone="softWords">
            {row.left ? `left: ${row.left}` : row.shut ? seen : 'not shut'}
          </Words>
        </RowHead>
        {[row.plannedStrokes, row.strokes, row.plannedMl, row.bledMl].map((f, i) => (
          <Cell key={i} width={52}>
            <FigureValue figure={f} text={f.value.toFixed(0)} />
          </Cell>
        ))}
      </Row>
    </View>
  );
}

/** What was tried and what it changed. @example "open it less: some, then none" */
const triedWords = ({ what, before, after }: Tried): string =>
  [
    lowerFirst(TRY_WORDS[what].title),
    before && (after ? `${before}, then ${after}` : `${before} before`),
  ]
    .filter(Boolean)
    .join(': ');

const tightWords = (row: ActualRow, log: JobState['log']): string => {
  const tightened = tightnessOf(row, log);
  return tightened === null || tightened === 'by feel'
    ? 'shut by feel'
    : `shut to ${torquePair(tightened.torqueNm)}`;
};

function ProofRecord({ state, plan }: { readonly state: JobState; readonly plan: Plan }) {
  const { proof } = state;
  const { controls } = proofOf(state);
  const { vehicleKind, masters } = plan.layout;
  const value = (masterId: string | null, item: string) =>
    proof.answers.find((a) => a.masterId === masterId && a.item === item)?.value;
  const said = (is: ReturnType<typeof value>) =>
    is === undefined ? 'not looked at' : is ? 'yes' : 'no';
  const proved = masters.filter((m) => controls[m.id] !== undefined);
  return (
    <Section title="Proof">
      {proved.map((master) => {
        const { id, control } = master;
        const { result, checks } = controlProof(master, vehicleKind);
        const answers = controls[id]!;
        return (
          <View key={id}>
            <Words strong>{`${capital(control)}: ${resultWords(result, answers, control)}`}</Words>
            {checks.map((c) => (
              <Words
                key={c}
                size="small"
              >{`${CONTROL_CHECK_WORDS[c].ask}: ${said(value(id, c))}`}</Words>
            ))}
          </View>
        );
      })}
      {PROOF_ITEMS[vehicleKind].map((item) => (
        <Words
          key={item}
          size="small"
        >{`${CHECK_WORDS[item].ask}: ${said(value(null, item))}`}</Words>
      ))}
    </Section>
  );
}

/** How a control was judged: by its figures where it was measured, else by the word of a person; a clutch by where it takes up. */
function resultWords(
  result: ReturnType<typeof controlProof>['result'],
  { pedal, measured, takeUp, takeUpByFeel }: ControlAnswers,
  control: Control,
): string {
  if (result === 'none') return 'tried';
  if (result === 'take-up')
    return takeUp === null
      ? 'not judged'
      : `takes up ${takeUpWords(takeUp, control)}${takeUp === takeUpByFeel ? ', by feel' : ', measured'}`;
  if (measured && 'result' in measured && measured.result === pedal)
    return `measured, ${judgedWords(measured)}`;
  return pedal === null ? 'not judged' : `${pedal}, by feel. ${PEDAL_RESULT_WORDS[pedal].means}`;
}

const isOfProof = ({ kind }: Logged<JobEvent>): boolean =>
  kind === 'pedal judged' ||
  kind === 'take-up judged' ||
  kind === 'pedal read' ||
  kind === 'sink watched' ||
  kind === 'take-up read' ||
  kind === 'checked';

/** What arrived after the job was closed: kept beside its record, and said. */
function Additions({ job }: { readonly job: Job }) {
  const plan = job.planResult?.verdict === 'planned' ? job.planResult.plan : null;
  if (job.additions.length === 0) return null;
  return (
    <Section title="Added after the end">
      {job.additions.map((e) => (
        <Words key={e.id} size="small">
          {e.kind === 'note'
            ? `“${e.text}” Signed ${e.person}, ${shortDate(new Date(e.atMs).toISOString())}, ${clockTime(e.atMs)}`
            : `${capital(eventWords(plan ? [plan] : [], e))}, by ${e.person}, ${clockTime(e.atMs)}`}
        </Words>
      ))}
    </Section>
  );
}

/** Who decided on a halt; a decision that was taken back does not count. */
function deciderOf({ log }: RunState, haltId: string): string {
  return log.find((e) => e.kind === 'decided' && e.haltId === haltId)?.person ?? '';
}

/** Notes, and what was mended. */
function noteLines({ log }: RunState): string[] {
  return log.flatMap((e) => {
    if (e.kind === 'note') return [`${e.text} (${e.person}, ${clockTime(e.atMs)})`];
    return e.kind === 'mended' ? [`Mended, ${e.where}: ${e.how} (${e.person})`] : [];
  });
}

/** The people behind some events in effect, in the order in which they came. */
function peopleOf({ log, undone }: JobState, of: (e: Logged<JobEvent>) => boolean): string {
  return [...new Set(log.flatMap((e) => (of(e) && !undone.has(e.id) ? [e.person] : [])))].join(
    ', ',
  );
}

const styles = StyleSheet.create({
  row: { borderTopWidth: 1, borderTopColor: colour.hairline },
});
