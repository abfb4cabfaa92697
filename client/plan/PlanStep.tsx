import type { Job } from '@brook/contract';
import { capital } from '../ui/capital';
import { orderWords, refusalWords, type Plan, type PlanStop } from '@brook/core/plan';
import { sourceWords, PRACTICE } from '@brook/core/figure';
import { foldRun } from '@brook/core/run';
import { useMemo, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { useJobAct } from '../data/job';
import { BackToHand } from '../jobs/BackToHand';
import { EndJob } from '../jobs/EndJob';
import { JobHead } from '../jobs/JobHead';
import type { StepProps } from '../jobs/JobScreen';
import { RunBrook } from '../run/RunPicture';
import { needsSecondLook, PickedContainers } from './PickedContainers';
import { ActionBar, PromptBar } from '../ui/ActionBar';
import { FigureRow, FigureValue } from '../ui/FigureValue';
import { Numeral } from '../ui/Numeral';
import { Caution, Stop } from '../ui/Notice';
import { Page, useWideScreen } from '../ui/Page';
import { Press } from '../ui/Press';
import { Words } from '../ui/Words';
import { colour, SPACE } from '../ui/theme';

/** The computed plan on one page; every figure opens to its reasons. */
export function PlanStep({ job, band, onStep }: StepProps) {
  const act = useJobAct(job);
  const wide = useWideScreen();
  const [looked, setLooked] = useState(false);
  const result = job.planResult;
  if (result?.verdict !== 'planned') {
    return (
      <Page
        band={band}
        action={
          job.stage === 'plan' ? (
            <PromptBar prompt="No plan: end this job below" side={{ label: 'Fluid', onPress: () => onStep('fluid') }} />
          ) : (
            <BackToHand job={job} onStep={onStep} />
          )
        }
      >
        <JobHead job={job} />
        {result ? <Stop title="No plan for this layout">{result.reasons.map(refusalWords).join(' ')}</Stop> : <Words>The plan is made once the fluid is read.</Words>}
        <EndJob job={job} />
      </Page>
    );
  }
  const { plan } = result;
  const first = plan.stops[0]!;
  const brook = <PlanBrook job={job} plan={plan} height={wide ? 420 : 230} />;
  return (
    <Page
      band={band}
      beside={<View style={styles.beside}>{brook}</View>}
      action={
        job.stage === 'plan' ? (
          <ActionBar
            label={`Start at the ${first.bleeder.place}`} busy={act.isPending} waitsFor={pickWaits(job, looked)}
            onPress={() => act.mutate({ kind: 'accept plan', lookedAtOpened: looked }, { onSuccess: () => onStep('run') })}
            side={{ label: 'Fluid', onPress: () => onStep('fluid') }}
          />
        ) : (
          <BackToHand job={job} onStep={onStep} />
        )
      }
    >
      <JobHead job={job} />
      <View>
        <Words size="head" heading={2}>
          {plan.stops.length === 1 ? 'One bleeder' : 'Farthest first'}
        </Words>
        <Words size="small" tone="softWords">{`${capital(plan.method)}. Fill ${plan.fillGrade}.`}</Words>
      </View>
      {act.error ? <Caution title={act.error.message} /> : null}
      {wide ? null : brook}
      <View>
        <View style={styles.row} aria-hidden>
          <View style={styles.grow} />
          <ColumnHead word="path" />
          <ColumnHead word="mL" />
          <ColumnHead word="strokes" />
        </View>
        {plan.stops.map((stop, i) => (
          <StopRow key={stop.bleeder.id} stop={stop} number={i + 1} />
        ))}
        <View style={styles.together}>
          <View style={styles.grow}>
            <Words strong>Together</Words>
          </View>
          <View style={styles.cell}>
            <FigureValue figure={plan.totals.bledMl} text={plan.totals.bledMl.value.toFixed(0)} />
          </View>
          <View style={styles.cell}>
            <FigureValue figure={plan.totals.strokes} text={plan.totals.strokes.value.toFixed(0)} />
          </View>
        </View>
      </View>
      <Caution title={plan.control === 'brake lever' ? 'Shut before the lever comes back' : 'Shut before the pedal comes up'}>Let go while the bleeder is open and air is drawn in at the threads.</Caution>
      <View>
        <Words strong heading={2}>
          Fluid and time
        </Words>
        <FigureRow figure={plan.totals.removedMl} label="Draw off the reservoir first" />
        <FigureRow figure={plan.totals.pouredMl} label="Pour in all" />
        <FigureRow figure={plan.totals.topUps} label="Top up" />
        <FigureRow figure={plan.totals.minutes} label="Hands on" />
        <FigureRow figure={plan.totals.oldLeftMl} label="Old fluid left inside" />
        {plan.totals.pocketsMl.value > 0 ? <FigureRow figure={plan.totals.pocketsMl} label="Old fluid in the ABS pockets" /> : null}
      </View>
      <PickedContainers job={job} looked={job.stage === 'plan' ? looked : null} onLooked={setLooked} />
      {plan.totals.pocketsMl.value > 0 ? <Caution title="The ABS pockets keep their old fluid">No stroke reaches them; only a tool-driven cycle does. A routine flush does not need it.</Caution> : null}
      <Words size="small" tone="softWords">
        Sizes come from the layout’s template until this vehicle was measured. The maker’s procedure wins over this plan wherever there is one.
      </Words>
      <EndJob job={job} />
    </Page>
  );
}

/** What the shelf keeps the run waiting for. */
function pickWaits(job: Job, looked: boolean): string | null {
  if (job.pick?.kind === 'short') return 'The shelf is short of this fluid';
  return needsSecondLook(job.pick) && !looked ? 'Look at the opened container twice' : null;
}

function ColumnHead({ word }: { readonly word: string }) {
  return (
    <View style={styles.cell}>
      <Words size="small" tone="softWords" align="right">
        {word}
      </Words>
    </View>
  );
}

/** The brook of a job with its fluid as the server knows the run. */
export function PlanBrook({ job, plan, height }: { readonly job: Job; readonly plan: Plan; readonly height: number }) {
  const state = useMemo(() => foldRun(plan, job.events), [plan, job.events]);
  return <RunBrook job={job} plan={plan} state={state} current={null} height={height} caption />;
}

/** One bleeder: place, path, millilitres, strokes; opens to why it comes here and where to top up. */
function StopRow({ stop, number }: { readonly stop: PlanStop; readonly number: number }) {
  const [open, setOpen] = useState(false);
  return (
    <View style={styles.stop}>
      <View style={styles.row}>
        <Press role="button" aria-expanded={open} aria-label={`${number}, ${stop.bleeder.place}: why here?`} onPress={() => setOpen(!open)} style={styles.place}>
          <View style={styles.placeLine}>
            <Numeral>{String(number)}</Numeral>
            <View style={styles.grow}>
              <Words strong>{capital(stop.bleeder.place)}</Words>
              {stop.topUps.length > 0 ? <Words size="small">{topUpWords(stop)}</Words> : null}
            </View>
          </View>
        </Press>
        <View style={styles.cell}>
          <FigureValue figure={stop.pathLengthM} />
        </View>
        <View style={styles.cell}>
          <FigureValue figure={stop.bledMl} text={stop.bledMl.value.toFixed(0)} />
        </View>
        <View style={styles.cell}>
          <FigureValue figure={stop.strokes} text={stop.strokes.value.toFixed(0)} />
        </View>
      </View>
      {open ? (
        <View style={styles.why}>
          <Words>{orderWords(stop.why)}</Words>
          <Words size="small" tone="softWords">
            {sourceWords(PRACTICE)}
          </Words>
          <FigureRow figure={stop.neededMl} />
          <FigureRow figure={stop.strokeMl} />
          <FigureRow figure={stop.pathVolumeMl} />
          <FigureRow figure={stop.oldLeftMl} />
        </View>
      ) : null}
    </View>
  );
}

/** Where on the way to top up, short enough for a row of the table. */
function topUpWords(stop: PlanStop): string {
  const later = stop.topUps.map((t) => t.afterStrokes).filter((n) => n > 0);
  const first = later.length < stop.topUps.length ? 'first' : null;
  return `top up ${[first, later.length > 0 ? `at ${later.join(', ')}` : null].filter(Boolean).join(', then ')}`;
}

const styles = StyleSheet.create({
  beside: { padding: SPACE.wide },
  grow: { flex: 1 },
  stop: { borderTopWidth: 1, borderTopColor: colour.hairline },
  row: { flexDirection: 'row', alignItems: 'center', gap: SPACE.hair },
  cell: { width: 56, alignItems: 'flex-end' },
  place: { flex: 1 },
  placeLine: { flexDirection: 'row', alignItems: 'center', gap: SPACE.small, paddingVertical: SPACE.hair },
  why: { gap: SPACE.small, paddingBottom: SPACE.medium, paddingLeft: SPACE.large, borderLeftWidth: 3, borderLeftColor: colour.edge },
  together: { flexDirection: 'row', alignItems: 'center', gap: SPACE.hair, borderTopWidth: 2, borderTopColor: colour.words },
});
