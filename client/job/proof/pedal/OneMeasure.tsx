import { hasServo, VEHICLE_TRAITS, type Master } from '@brook/core/vehicle/circuit';
import type { Measuring } from '@brook/core/job/log';
import {
  HEIGHT_MM,
  heightFault,
  isSinking,
  SINK_S,
  SUNK_MM,
  wasTaken,
  type ControlMeasured,
  type Measure,
  type MeasuredWhen,
} from '@brook/core/control/pedal';
import type { Plan } from '@brook/core/bleed/plan';
import { lowerFirst } from '@brook/core/base/text';
import { inRange, rangeWords } from '@brook/core/base/units';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import type { LiveRun } from '../../../data/run';
import type { StepProps } from '../../frame/step';
import { BesideBrook } from '../../frame/BesideBrook';
import { PageHead } from '../../frame/PageHead';
import { ActionBar } from '../../../ui/ActionBar';
import { Field } from '../../../ui/Field';
import { Caution } from '../../../ui/Notice';
import { Numeral } from '../../../ui/Numeral';
import { Page } from '../../../ui/Page';
import { inBothUnits, typedLengthMm } from '../../../ui/typedLength';
import { useWatchClock, type WatchClock } from '../../../ui/useWatchClock';
import { Words } from '../../../ui/Words';
import { colour, SPACE } from '../../../ui/theme';
import { PedalDrawing } from './PedalDrawing';
import { Taken } from './Taken';

/** Which vehicle. */
export const vehicleOf = (job: StepProps['job']): string =>
  [job.vehicleName, job.vehicleTag].filter(Boolean).join(' · ');

const WHEN_WORDS: Readonly<Record<MeasuredWhen, string>> = {
  before: 'as it came',
  'servo emptied': 'servo emptied, before the work',
  after: 'after the bleed',
};

export interface MeasuringProps extends StepProps {
  readonly plan: Plan;
  readonly master: Master;
  readonly when: MeasuredWhen;
  readonly run: LiveRun;
}

export interface OneMeasureProps extends MeasuringProps, Pick<Measuring, 'held' | 'forces'> {
  readonly title: string;
  readonly measure: Measure;
  readonly measures: readonly Measure[];
  readonly here: ControlMeasured | null;
  readonly onDone: () => void;
  readonly onAgain: (measure: Measure) => void;
}

/** One reading: where the ruler is held, how hard is pushed, what it reads; for the sink the half minute runs first. */
export function OneMeasure(props: OneMeasureProps) {
  const { job, band, pages, plan, master, when, run } = props;
  const { title, measure, measures, here, held, forces, onDone } = props;
  const [typed, setTyped] = useState('');
  const clock = useWatchClock(SINK_S);
  const sinks = isSinking(measure.at);
  const mm = typedLengthMm(typed);
  const fault = faultOf(measure, typed, here);
  const good = typed.trim() !== '' && fault === null;
  const place = measures.findIndex((m) => m.title === measure.title);
  const next = measures.find((m, i) => i !== place && !wasTaken(m, here));
  const { id: masterId } = master;
  const sank = (by: number, seconds: number) => {
    const engine = measure.at === 'sink, engine running' ? { engine: 'running' as const } : {};
    run.say({ kind: 'sink watched', masterId, when, mm: by, seconds, ...engine });
    onDone();
  };
  const read = () => {
    const { at, pumped } = measure;
    if (isSinking(at)) return sank(mm, Math.max(1, clock.runS ?? 1));
    run.say({ kind: 'pedal read', masterId, when, at, pumped, heightMm: mm });
    onDone();
  };
  const act = sinks
    ? sinkAct(clock, good, read, () => sank(0, SINK_S))
    : {
        label: next ? `Next: ${lowerFirst(next.title)}` : 'That is measured',
        waitsFor: good ? null : 'Read the ruler first',
        onPress: read,
      };
  return (
    <Page
      band={band}
      beside={<BesideBrook job={job} />}
      action={<ActionBar {...act} side={{ label: 'Back', onPress: pages.closePage }} />}
    >
      <PageHead vehicle={`${vehicleOf(job)} · ${WHEN_WORDS[when]}`} question={title} />
      <Strip of={measures.length} at={place} />
      <PedalDrawing
        held={held}
        at={measure.at}
        pumped={measure.pumped && !sinks}
        forcesN={[...forces.low, forces.light, forces.firm]}
      />
      <Words strong>{measure.how}</Words>
      {measure.at === 'rest' ? <Caution title={stateWords(plan, master)} /> : null}
      {sinks && clock.runS !== null ? (
        <View style={styles.watch} role="timer" aria-label="Seconds left">
          <Numeral size="large">{String(Math.max(0, SINK_S - clock.runS))}</Numeral>
        </View>
      ) : null}
      {sinks && clock.runS === null ? null : (
        <Field
          large
          label={sinks ? 'It sank by' : held === 'pedal' ? 'Above the floor' : 'From the bar'}
          why={sinks ? 'Leave it empty where it stayed.' : undefined}
          unit="mm"
          inputMode="text"
          autoFocus={!sinks}
          value={typed}
          onChange={setTyped}
          fault={fault}
          onSubmitEditing={() => good && read()}
        />
      )}
      {good ? <Words tone="softWords">{inBothUnits(mm)}</Words> : null}
      <Taken {...props} />
    </Page>
  );
}

/** What cannot be about a length as it was typed; null for nothing typed. */
function faultOf(measure: Measure, typed: string, here: ControlMeasured | null): string | null {
  if (typed.trim() === '') return null;
  const range = isSinking(measure.at) ? SUNK_MM : HEIGHT_MM;
  const mm = typedLengthMm(typed);
  return inRange(range, mm)
    ? heightFault(measure, mm, here?.readings ?? [])
    : `Give ${rangeWords(range)}, or inches with “in” behind it.`;
}

/** That it stayed is said once the half minute is over; that it sank at any time. */
function sinkAct(
  { runS, isUp, start }: WatchClock,
  typed: boolean,
  onSank: () => void,
  onStayed: () => void,
) {
  if (runS === null)
    return { label: `Pushed firm: start ${SINK_S} s`, waitsFor: null, onPress: start };
  if (typed) return { label: 'It sank by that', waitsFor: null, onPress: onSank };
  return {
    label: 'It stayed where it was',
    waitsFor: isUp ? null : `Hold it ${SINK_S - runS} s more`,
    onPress: onStayed,
  };
}

/** In which state it is measured: a servo that still holds, or an engine that runs, makes another pedal of it. */
function stateWords({ layout }: Plan, master: Master): string {
  const { engine, bar } = VEHICLE_TRAITS[layout.vehicleKind];
  if (hasServo(master, layout.vehicleKind))
    return 'Engine off. Push some five times until it goes hard: then the servo is empty';
  return bar ? 'On its stand, engine off' : engine ? 'Engine off' : 'Standing level';
}

/** Which of how many. */
function Strip({ of, at }: { readonly of: number; readonly at: number }) {
  return (
    <View>
      <View style={styles.strip}>
        {Array.from({ length: of }, (_, i) => (
          <View key={i} style={[styles.piece, i <= at ? styles.done : null]} />
        ))}
      </View>
      <Words size="small" tone="softWords">{`${at + 1} of ${of}`}</Words>
    </View>
  );
}

const styles = StyleSheet.create({
  strip: { flexDirection: 'row', gap: SPACE.hair },
  piece: { flex: 1, height: 6, backgroundColor: colour.hairline },
  done: { backgroundColor: colour.words },
  watch: { alignItems: 'center' },
});
