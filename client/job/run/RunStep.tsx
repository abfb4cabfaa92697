import type { PlanOpening } from '@brook/core/bleed/stages';
import type { Plan } from '@brook/core/bleed/plan';
import { callOf } from '@brook/core/bleed/call';
import {
  currentOpening,
  flowLookAfterS,
  helpedOpening,
  nextStep,
  pourFigure,
  type NextStep,
} from '@brook/core/job/run';
import { type BrokenRound, MEDIUM_WORDS } from '@brook/core/job/events';
import { useCallback, useDeferredValue, useMemo, type ReactNode } from 'react';
import { StyleSheet, View } from 'react-native';
import { ClockButton } from '../side/clocks/ClockButton';
import { askForNotices } from '../side/clocks/useUpNotices';
import { useRun, type LiveRun } from '../../data/run';
import { JobHead } from '../frame/JobHead';
import type { StepProps } from '../frame/step';
import { MediaButton } from '../side/media/MediaButton';
import { useNotesHere } from '../side/media/useNotesHere';
import { lowerFirst } from '@brook/core/base/text';
import { RefitButton } from '../side/refit/RefitButton';
import { router } from 'expo-router';
import { JointHere } from '../side/torque/JointHere';
import { ActionBar } from '../../ui/ActionBar';
import { Button } from '../../ui/Button';
import { Page, useShortScreen, useWideScreen } from '../../ui/Page';
import { Loading } from '../../ui/States';
import { Words } from '../../ui/Words';
import { SPACE } from '../../ui/theme';
import { BackTo } from './BackTo';
import { CountPad } from './CountPad';
import { FlowPad } from './FlowPad';
import { countStroke, takeCount } from './countStroke';
import { FitPart } from './FitPart';
import { MasterJoined } from './MasterJoined';
import { Halted, SomethingWrong, SomethingWrongButton } from './Halted';
import { HELPER_PAGE, HelperPage } from './HelperPage';
import { InHandLine, useInHand, type InHand } from './InHand';
import { useLevelLook } from './LevelLook';
import { JAR_PAGE, JarPage } from './JarPage';
import { Prepare } from './Prepare';
import { Readings } from './Readings';
import { LevelAction, RunAction } from './RunAction';
import { RunHead } from './RunHead';
import { PotUnderPressure } from '../side/PotUnderPressure';
import { RunNotices } from './RunNotices';
import { RunBrook, RunGauge } from '../frame/RunPicture';
import { StageStep } from './StageStep';
import { ShutHere } from './ShutHere';
import { ShutEarly } from './ShutEarly';
import { TryNext } from './TryNext';
import { useAwake } from '../../ui/useAwake';
import { useBeat, type Beating } from './useBeat';
import { useCountKeys } from './useCountKeys';
import type { EarphoneKey } from './useEarphoneKey';
import { useHelped, type Helped } from './useHelped';

/** The run: one thing at a time, counted by taps, kept on the phone until the server has it. */
export function RunStep(props: StepProps) {
  const { job } = props;
  if (job.planResult?.verdict !== 'planned') return <Loading what="the plan" />;
  return <Run {...props} />;
}

function Run({ job, band, onStep, pages }: StepProps) {
  useAwake();
  const run = useRun(job);
  const { plan } = run.state;
  const wrong = pages.page === 'wrong';
  const onWrong = useCallback(() => pages.openPage('wrong'), [pages]);
  const onJar = useCallback(() => pages.openPage(JAR_PAGE), [pages]);
  const onHelper = useCallback(() => pages.openPage(HELPER_PAGE), [pages]);
  const wide = useWideScreen();
  const step = useMemo(() => nextStep(run.state), [run.state]);
  const opening = currentOpening(run.state);
  const beat = useBeat(run, opening, callsForStrokes(step) && !wrong);
  const byJar = run.counts && run.state.counting?.way === 'jar';
  const keyed = run.counts && !wrong && !byJar && pages.page !== JAR_PAGE && callsForStrokes(step);
  const earphone = useCountKeys(run, step, keyed && opening ? opening.id : null, beat);
  const inHand = useInHand(job, run.state);
  const helped = useHelped(job, run.state, step);
  if (!run.ready) return <Loading what="what this phone kept" />;

  const action = (
    <RunAction
      step={step}
      run={run}
      onProof={() => onStep('proof')}
      containerId={inHand.inHand?.id ?? null}
      helped={helped}
      onJar={onJar}
      byJar={byJar}
    />
  );
  if (pages.page === HELPER_PAGE && step.kind !== 'decide' && step.kind !== 'ended')
    return <HelperPage job={job} band={band} onClose={pages.closePage} />;
  if (pages.page === JAR_PAGE && opening && readsJar(run, step, opening))
    return <JarPage job={job} run={run} opening={opening} band={band} onClose={pages.closePage} />;
  if (wrong && step.kind !== 'decide')
    return (
      <SomethingWrong job={job} run={run} opening={opening} band={band} onClose={pages.closePage} />
    );
  if (step.kind === 'prepare')
    return (
      <Prepare
        job={job}
        plan={plan}
        run={run}
        step={step.step}
        band={band}
        action={action}
        inHand={
          step.step === 'fill reservoir' ||
          (step.step === 'clean reservoir' && plan.treatment?.rinses.length) ? (
            <InHandLine
              of={inHand}
              onWrongPour={(id) => wrongPour(run, plan.reservoirs[0]!.id, id)}
            />
          ) : null
        }
        link={<RunNotices run={run} />}
        onWrong={onWrong}
      />
    );
  if (step.kind === 'stage')
    return (
      <StageStep
        key={`${step.stage.id}-${run.state.halts.length}`}
        job={job}
        plan={plan}
        run={run}
        stage={step.stage}
        band={band}
        action={action}
        link={<RunNotices run={run} />}
        onWrong={onWrong}
      />
    );
  if (step.kind === 'fit part')
    return (
      <FitPart
        key={step.partId}
        job={job}
        plan={plan}
        run={run}
        partId={step.partId}
        band={band}
        link={<RunNotices run={run} />}
        onWrong={onWrong}
      />
    );
  if (step.kind === 'master joined')
    return (
      <MasterJoined
        key={step.masterId}
        job={job}
        plan={plan}
        run={run}
        masterId={step.masterId}
        band={band}
        link={<RunNotices run={run} />}
        onWrong={onWrong}
      />
    );
  if (step.kind === 'ended') return <Ended job={job} run={run} band={band} />;
  if (step.kind === 'decide') return <Halted job={job} run={run} halt={step.halt} band={band} />;
  return (
    <Bleeding
      job={job}
      plan={plan}
      run={run}
      step={step}
      opening={opening}
      action={action}
      beat={beat}
      helped={helped}
      onHelper={onHelper}
      onJar={onJar}
      byJar={byJar}
      earphone={earphone}
      wide={wide}
      inHand={inHand}
      onWrong={onWrong}
    />
  );
}

/** The run was ended by a decision; where the server does not know it yet, it is kept here and sent later. */
function Ended({ job, run, band }: Pick<StepProps, 'job' | 'band'> & { readonly run: LiveRun }) {
  return (
    <Page
      band={band}
      action={
        <ActionBar
          label="Back to the jobs"
          onPress={() => router.replace('/')}
          side={{ label: 'Undo', onPress: run.undo, disabled: run.waiting === 0 }}
        />
      }
    >
      <JobHead job={job} />
      <RunNotices run={run} />
      <Words size="head" heading={2}>
        The job ends here, unreleased
      </Words>
      {run.state.pressureOn ? <PotUnderPressure /> : null}
      <Words>Do not drive this vehicle. A later job must finish it.</Words>
    </Page>
  );
}

interface BleedingProps {
  readonly job: StepProps['job'];
  readonly plan: Plan;
  readonly run: LiveRun;
  readonly step: NextStep;
  readonly opening: PlanOpening | null;
  readonly action: ReactNode;
  readonly beat: Beating;
  readonly helped: Helped | null;
  readonly onHelper: () => void;
  readonly onJar: () => void;
  /** Whether this phone counts by the jar. */
  readonly byJar: boolean;
  readonly earphone: EarphoneKey | null;
  readonly wide: boolean;
  readonly inHand: InHand;
  readonly onWrong: () => void;
}

function Bleeding({
  job,
  plan,
  run,
  step,
  opening,
  action,
  beat,
  helped,
  onHelper,
  onJar,
  byJar,
  earphone,
  wide,
  inHand,
  onWrong,
}: BleedingProps) {
  // The number comes first: picture and gauge follow in the frame after it.
  const shown = useDeferredValue(run.state);
  const short = useShortScreen();
  const look = useLevelLook(run, step);
  const strokes = callsForStrokes(step);
  const lookAfterS = flowLookAfterS(run.state, step);
  const broken = opening && strokes ? BROKEN_BY[callOf(opening.method) ?? 'none'] : null;
  const reservoir = plan.reservoirs.find(
    (b) =>
      b.id ===
      (opening?.reservoirId ?? ('reservoir' in step ? step.reservoir.id : plan.reservoirs[0]!.id)),
  )!;
  const pour =
    'pourMl' in step
      ? pourFigure(
          step.reservoir,
          run.state.levelMl[step.reservoir.id]!,
          step.kind === 'top up' ? step.reservoir.maxMl : step.reservoir.finalLevelMl,
        )
      : null;
  const notes = useNotesHere(job, run, opening?.bleeder.id ?? null);
  const brook = (
    <RunBrook
      job={job}
      state={shown}
      current={opening?.bleeder.id ?? null}
      height={wide ? 420 : 150}
      caption={wide}
      noted={notes.noted}
    />
  );
  return (
    <Page
      fills
      band={<RunGauge plan={plan} reservoir={reservoir} opening={opening} state={shown} />}
      beside={
        <View style={styles.beside}>
          <JobHead job={job} />
          {brook}
        </View>
      }
      action={
        look?.action ??
        (beat.bar ? <ActionBar label={beat.bar.label} onPress={beat.bar.onPress} /> : action)
      }
    >
      <RunHead
        plan={plan}
        opening={opening}
        finished={step.kind === 'finished'}
        pour={pour}
        owes={job.owes}
      />
      <RunNotices run={run} />
      {notes.earlierHere.length > 0 ? (
        <MediaButton
          jobId={job.id}
          small
          label={`Noted here before: ${notes.earlierHere.map((n) => `${lowerFirst(MEDIUM_WORDS[n.medium])} of ${n.person}`).join(', ')}`}
        />
      ) : null}
      {wide || short ? null : brook}
      {step.kind === 'flow' ? (
        <FlowPad
          step={step}
          onStop={() => run.say({ kind: 'flow set', openingId: step.opening.id, lookAfterS: null })}
        />
      ) : (
        <CountPad
          plan={plan}
          state={run.state}
          step={step}
          otherCounts={run.counts ? null : counterOf(run)}
          onStroke={
            opening && run.counts && !byJar
              ? (made) => countStroke(run, opening.id, made)
              : undefined
          }
          beat={beat}
          helped={helped}
        />
      )}
      {lookAfterS !== null && opening && run.counts ? (
        <Button
          label="It runs: start the clock"
          onPress={() => {
            askForNotices();
            run.say({ kind: 'flow set', openingId: opening.id, lookAfterS });
          }}
        />
      ) : null}
      {beat.toggle && beat.byItself && !beat.cue && !byJar ? (
        <Button label={beat.begin} onPress={beat.toggle} />
      ) : null}
      {opening && !look ? <TryNext run={run} opening={opening} onWrong={onWrong} /> : null}
      {look?.body}
      <LevelAction step={step} run={run} containerId={inHand.inHand?.id ?? null} />
      {'pourMl' in step ? (
        <InHandLine of={inHand} onWrongPour={(id) => wrongPour(run, step.reservoir.id, id)} />
      ) : null}
      {step.kind === 'shut' ? (
        <JointHere job={job} plan={plan} live={run} elementId={step.opening.bleeder.id} />
      ) : null}
      {step.kind === 'shut early' ? (
        <ShutEarly key={step.opening.id} run={run} opening={step.opening} />
      ) : null}
      {opening &&
      step.kind !== 'top up' &&
      step.kind !== 'ready syringe' &&
      step.kind !== 'pressure' &&
      !look ? (
        <Readings
          openingId={opening.id}
          state={run.state}
          newDye={job.fluid?.newDye ?? null}
          say={run.say}
        />
      ) : null}
      {opening && step.kind === 'stroke' ? (
        <ShutHere job={job} run={run} opening={opening} />
      ) : null}
      <View style={styles.foot}>
        {opening ? (
          <View style={styles.half}>
            <SomethingWrongButton onPress={onWrong} />
          </View>
        ) : null}
        {opening && helpedOpening(step) ? (
          <View style={styles.half}>
            {helped?.cue ? (
              <Button small label="Go on by voice" onPress={() => takeCount(run, 'tap')} />
            ) : (
              <Button small label="Helper’s phone" onPress={onHelper} />
            )}
          </View>
        ) : null}
        {beat.toggle && !beat.byItself && !beat.cue && !byJar && !helped ? (
          <View style={styles.half}>
            <Button small label={beat.begin} onPress={beat.toggle} />
          </View>
        ) : null}
        {opening && step.kind !== 'flow' && readsJar(run, step, opening) && !helped?.cue ? (
          <View style={styles.half}>
            {byJar ? (
              <Button small label="Count by taps" onPress={() => takeCount(run, 'tap')} />
            ) : (
              <Button small label="Read the jar" onPress={onJar} />
            )}
          </View>
        ) : null}
        {earphone && strokes && !byJar && !helped?.cue ? (
          <View style={styles.half}>
            <Button
              small
              label={earphone.on ? 'Earphone key: stop' : 'Earphone key counts'}
              onPress={earphone.toggle}
            />
          </View>
        ) : null}
        {opening && strokes && !opening.fromReservoir ? (
          <View style={styles.half}>
            <Button
              small
              label="Syringe empty"
              onPress={() => run.say({ kind: 'syringe empty', openingId: opening.id })}
            />
          </View>
        ) : null}
        {opening && broken ? (
          <View style={styles.half}>
            <Button
              small
              label={broken.label}
              onPress={() => {
                run.say({ kind: 'round broken', openingId: opening.id, how: broken.how });
                beat.broke?.();
              }}
            />
          </View>
        ) : null}
        {run.state.bleeders.some((b) => b.shut) ? (
          <View style={styles.half}>
            <BackTo run={run} />
          </View>
        ) : null}
        <View style={styles.half}>
          <MediaButton jobId={job.id} small />
        </View>
        <View style={styles.half}>
          <RefitButton jobId={job.id} small />
        </View>
        <View style={styles.half}>
          <ClockButton jobId={job.id} small />
        </View>
      </View>
    </Page>
  );
}

const callsForStrokes = (step: NextStep): boolean =>
  step.kind === 'stroke' || step.kind === 'more strokes';

/** Whether the jar can be read now: what is bled goes into it. */
const readsJar = (run: LiveRun, step: NextStep, opening: PlanOpening): boolean =>
  opening.fromReservoir &&
  (callsForStrokes(step) || step.kind === 'read' || step.kind === 'flow') &&
  run.ready;

/** How a round goes wrong, by how it is called: one tap. */
const BROKEN_BY: Readonly<
  Record<
    'closed strokes' | 'open hose' | 'none',
    { readonly label: string; readonly how: BrokenRound } | null
  >
> = {
  'closed strokes': { label: 'Let go too soon', how: 'let go while open' },
  'open hose': { label: 'Hose end came out', how: 'hose end out' },
  none: null,
};

/** What was poured is kept, whatever it was; another product halts the run. */
function wrongPour(run: LiveRun, reservoirId: string, containerId: string): void {
  run.say({ kind: 'topped up', reservoirId, containerId });
  run.say({ kind: 'halted', reason: 'other product', openingId: null });
}

/** Who counts, where it is not this phone. */
function counterOf({ job, state }: LiveRun): string {
  const device = state.counting?.deviceId;
  return job.log.filter((e) => e.deviceId === device).at(-1)?.person ?? 'Another phone';
}

const styles = StyleSheet.create({
  beside: { padding: SPACE.wide, gap: SPACE.wide },
  foot: { flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.small, marginTop: SPACE.small },
  // Two beside each other, however many there are.
  half: { flexGrow: 1, flexBasis: '40%' },
});
