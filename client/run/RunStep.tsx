import { capital } from '../ui/capital';
import { levelFigure, nextStep, RunFluid, type NextStep, type RunState } from '@brook/core/run';
import type { Plan, PlanStop } from '@brook/core/plan';
import { useEffect, useMemo, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { useRun, type LiveRun } from '../data/run';
import { JobHead, JobsLink } from '../jobs/JobHead';
import type { StepProps } from '../jobs/JobScreen';
import { BrookBox } from '../ui/brook/BrookBox';
import { DriveMark } from '../ui/DriveMark';
import { FigureValue } from '../ui/FigureValue';
import { Gauge } from '../ui/Gauge';
import { Numeral } from '../ui/Numeral';
import { Page, useWideScreen } from '../ui/Page';
import { Press } from '../ui/Press';
import { Loading } from '../ui/States';
import { Words } from '../ui/Words';
import { colour, SPACE } from '../ui/theme';
import { Halted, SomethingWrong } from './Halted';
import { Prepare } from './Prepare';
import { Readings } from './Readings';
import { RunAction } from './RunAction';
import { padLook } from './padLook';

/** The run: one thing at a time, counted by taps, kept on the phone until the server has it. */
export function RunStep(props: StepProps) {
  const { job } = props;
  if (job.planResult?.verdict !== 'planned') return <Loading what="the plan" />;
  return <Run {...props} plan={job.planResult.plan} />;
}

function Run({ job, band, onStep, plan }: StepProps & { readonly plan: Plan }) {
  const run = useRun(job, plan);
  const [wrong, setWrong] = useState(false);
  const wide = useWideScreen();
  const step = useMemo(() => nextStep(plan, run.state), [plan, run.state]);
  const stop = stopOf(step);
  useSpaceBar(run, step, wrong);
  if (!run.ready) return <Loading what="what this phone kept" />;

  const action = <RunAction step={step} run={run} onProof={() => onStep('proof')} />;
  if (wrong && step.kind !== 'decide') return <SomethingWrong job={job} run={run} stop={stop} band={band} onClose={() => setWrong(false)} />;
  if (step.kind === 'prepare') return <Prepare job={job} plan={plan} run={run} step={step.step} band={band} action={action} link={<LinkState run={run} />} />;
  if (step.kind === 'decide') return <Halted job={job} plan={plan} run={run} halt={step.halt} band={band} />;
  return (
    <Bleeding job={job} plan={plan} run={run} step={step} stop={stop} action={action} wide={wide} onWrong={() => setWrong(true)} />
  );
}

interface BleedingProps {
  readonly job: StepProps['job'];
  readonly plan: Plan;
  readonly run: LiveRun;
  readonly step: NextStep;
  readonly stop: PlanStop | null;
  readonly action: React.ReactNode;
  readonly wide: boolean;
  readonly onWrong: () => void;
}

function Bleeding({ job, plan, run, step, stop, action, wide, onWrong }: BleedingProps) {
  const fluid = useMemo(() => new RunFluid(plan), [plan]);
  const shares = useMemo(() => fluid.newSharesAfter(run.state.log), [fluid, run.state.log]);
  const bowl = plan.bowls.find((b) => b.id === (stop?.bowlId ?? ('bowl' in step ? step.bowl.id : plan.bowls[0]!.id)))!;
  const done = run.state.bleeders.filter((b) => b.shut).map((b) => b.bleederId);
  const brook = (
    <BrookBox
      layout={plan.layout} order={plan.stops.map((s) => s.bleeder.id)} height={wide ? 420 : 150} oldColour={job.fluid?.seen.colour ?? 'brown'}
      newColour={plan.newColour} newShares={shares} current={stop?.bleeder.id ?? null} done={done} caption={wide}
    />
  );
  return (
    <Page
      fills
      band={<Gauge bowl={bowl} level={levelFigure(bowl, run.state.levelMl[bowl.id]!, stop)} fluid={plan.newColour} />}
      beside={<View style={styles.beside}><JobHead job={job} />{brook}</View>}
      action={action}
    >
      <View style={styles.top}>
        <View style={styles.grow}>
          <Words size="head" heading={1}>
            {stop ? capital(stop.bleeder.place) : step.kind === 'finished' ? 'Bleed is through' : 'Last fill'}
          </Words>
        </View>
        {stop ? <Numeral>{`${plan.stops.indexOf(stop) + 1} of ${plan.stops.length}`}</Numeral> : null}
      </View>
      <View style={styles.top}>
        <View style={styles.grow}>
          {stop ? (
            <Words size="small" tone="softWords">
              {`${stop.bleeder.wrenchMm} mm, ${stop.bleeder.type === 'screw' ? 'cracked open' : 'a quarter turn'}`}
            </Words>
          ) : (
            <DriveMark state={job.vehicleDrive} />
          )}
        </View>
        {stop ? <FigureValue figure={stop.strokes} text={`${stop.strokes.value} planned`} /> : null}
        <JobsLink />
      </View>
      <LinkState run={run} />
      {wide ? null : brook}
      <Pad plan={plan} state={run.state} step={step} onStroke={stop ? () => run.say({ kind: 'stroke', bleederId: stop.bleeder.id }) : undefined} />
      {stop ? <Readings stop={stop} run={run} /> : null}
      {stop ? (
        <Press role="button" onPress={onWrong} style={styles.wrong} pressedStyle={{ backgroundColor: colour.well }}>
          <Words size="small" strong align="center">
            Something is wrong
          </Words>
        </Press>
      ) : null}
    </Page>
  );
}

/** The large area: one number, one word; the whole of it counts a stroke. */
function Pad({ plan, state, step, onStroke }: { readonly plan: Plan; readonly state: RunState; readonly step: NextStep; readonly onStroke: (() => void) | undefined }) {
  const look = padLook(plan, state, step);
  const body = (
    <View style={styles.padBody}>
      {look.number !== null ? <Numeral size="giant">{look.number}</Numeral> : null}
      {look.under ? (
        <Words align="center">{look.under}</Words>
      ) : null}
      <Words size="head" align="center" accessibilityLiveRegion="polite">
        {look.call}
      </Words>
      {look.next ? (
        <Words size="small" tone="softWords" align="center">
          {look.next}
        </Words>
      ) : null}
    </View>
  );
  if (!look.counts || !onStroke) return <View style={[styles.pad, look.loud ? styles.loud : null]}>{body}</View>;
  return (
    <Press role="button" aria-label="Count a stroke" testID="count-pad" onPress={onStroke} style={styles.pad} pressedStyle={{ backgroundColor: colour.well }}>
      {body}
    </Press>
  );
}

/** Whether what was tapped has reached the server. */
function LinkState({ run }: { readonly run: LiveRun }) {
  if (run.link === 'up') return null;
  return (
    <View role="status" style={styles.link}>
      <Words size="small" strong>
        {run.link === 'down' ? `No connection: ${run.waiting} kept on this phone, sent by itself later.` : run.refusal}
      </Words>
    </View>
  );
}

/** Space counts a stroke where a stroke is called for. */
function useSpaceBar(run: LiveRun, step: NextStep, off: boolean): void {
  const bleederId = !off && (step.kind === 'stroke' || step.kind === 'more strokes') ? step.stop.bleeder.id : null;
  const { say } = run;
  useEffect(() => {
    if (!bleederId) return;
    const onKey = (e: KeyboardEvent) => {
      const onControl = e.target instanceof HTMLElement && e.target.closest('[role=radio],[role=button],a,input') !== null && !e.target.closest('[data-testid=count-pad],[data-testid=next-action]');
      if (e.code !== 'Space' || e.repeat || onControl) return;
      e.preventDefault();
      say({ kind: 'stroke', bleederId });
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [bleederId, say]);
}

/** The bleeder in hand, where the step is at one. */
export function stopOf(step: NextStep): PlanStop | null {
  return 'stop' in step ? step.stop : null;
}

const styles = StyleSheet.create({
  beside: { padding: SPACE.wide, gap: SPACE.wide },
  top: { flexDirection: 'row', alignItems: 'center', gap: SPACE.medium },
  grow: { flex: 1 },
  pad: { flex: 1, minHeight: 210, borderWidth: 1, borderColor: colour.edge, justifyContent: 'center', marginVertical: SPACE.small },
  loud: { borderWidth: 4, borderColor: colour.words },
  padBody: { alignItems: 'center', gap: SPACE.hair, padding: SPACE.small },
  wrong: { borderWidth: 1, borderStyle: 'dashed', borderColor: colour.edge, marginTop: SPACE.small },
  link: { backgroundColor: colour.well, padding: SPACE.small, borderLeftWidth: 6, borderLeftColor: colour.words },
});
