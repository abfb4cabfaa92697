import {
  leastCounts,
  mostCounts,
  stageTitle,
  stageWords,
  type PlanStage,
  type PlanStop,
} from '@brook/core/bleed/stages';
import { bleederName, VEHICLE_TRAITS } from '@brook/core/vehicle/circuit';
import { PRACTICE, sourceWords } from '@brook/core/base/figure';
import { METHOD_TRAITS } from '@brook/core/hydraulics/flow';
import { methodWords } from '@brook/core/bleed/method';
import { orderWords } from '@brook/core/bleed/order';
import { type Plan } from '@brook/core/bleed/plan';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { capital } from '@brook/core/base/text';
import { FigureRow, FigureValue } from '../../ui/FigureValue';
import { Caution } from '../../ui/Notice';
import { Numeral } from '../../ui/Numeral';
import { Press } from '../../ui/Press';
import { colour, SPACE } from '../../ui/theme';
import { Words } from '../../ui/Words';
import { Cell, Row, RowHead, RowMore, Table } from '../../ui/Table';

/** The plan step by step: every stage, every opening, each with its figures and the caution that counts there. */
export function StageList({ plan }: { readonly plan: Plan }) {
  return (
    <View style={styles.stages}>
      {plan.stages.map((stage, i) => (
        <Stage
          key={stage.id}
          plan={plan}
          stage={stage}
          number={i + 1}
          alone={plan.stages.length === 1}
        />
      ))}
    </View>
  );
}

function Stage({
  plan,
  stage,
  number,
  alone,
}: {
  readonly plan: Plan;
  readonly stage: PlanStage;
  readonly number: number;
  readonly alone: boolean;
}) {
  if (stage.kind !== 'bleed') return <OwnStage plan={plan} stage={stage} number={number} />;
  const stops = stage.stopIds.map((id) => plan.stops.find((s) => s.id === id)!);
  const counted = stops[0]?.counted ?? 'strokes';
  const words = methodWords(stage.method, plan.layout);
  return (
    <View>
      {alone ? null : (
        <StageHead
          number={number}
          title={stageTitle(plan.layout, stage)}
          about={words.title}
          minutes={stage}
        />
      )}
      <Table
        label={stageTitle(plan.layout, stage)}
        lead="bleeder"
        columns={['path', 'mL', counted]}
      >
        {stops.map((stop, i) => (
          <StopRow key={stop.id} plan={plan} stop={stop} number={i + 1} />
        ))}
      </Table>
      {number === 1 ||
      plan.stages.findIndex((s) => s.kind === 'bleed' && s.method === stage.method) ===
        number - 1 ? (
        <Caution title={words.caution} />
      ) : null}
    </View>
  );
}

function StageHead({
  number,
  title,
  about,
  minutes,
}: {
  readonly number: number;
  readonly title: string;
  readonly about: string | null;
  readonly minutes: PlanStage;
}) {
  return (
    <View style={styles.head}>
      <Numeral>{String(number)}</Numeral>
      <View style={styles.grow}>
        <Words strong heading={2}>
          {title}
        </Words>
        {about ? (
          <Words size="small" tone="softWords">
            {about}
          </Words>
        ) : null}
      </View>
      <FigureValue figure={minutes.minutes} />
    </View>
  );
}

function OwnStage({
  plan,
  stage,
  number,
}: {
  readonly plan: Plan;
  readonly stage: Exclude<PlanStage, { kind: 'bleed' }>;
  readonly number: number;
}) {
  const [open, setOpen] = useState(false);
  const words = stageWords(plan, stage);
  return (
    <View>
      <StageHead
        number={number}
        title={stageTitle(plan.layout, stage)}
        about={
          stage.kind === 'tool cycle' && !stage.atHand
            ? 'No scan tool at hand: hand the vehicle over'
            : null
        }
        minutes={stage}
      />
      <Press
        role="button"
        aria-expanded={open}
        aria-label={`${stageTitle(plan.layout, stage)}: how?`}
        onPress={() => setOpen(!open)}
      >
        <Words size="small" strong>
          {open ? 'Less' : 'How, and why'}
        </Words>
      </Press>
      {open ? (
        <View style={styles.why}>
          <Words>{words.why}</Words>
          {words.steps.map((s) => (
            <Words key={s} size="small">{`· ${s}`}</Words>
          ))}
          {stage.kind === 'bench' ? <FigureRow figure={stage.savesMinutes} /> : null}
          <Words size="small" tone="softWords">
            {sourceWords(PRACTICE)}
          </Words>
        </View>
      ) : null}
    </View>
  );
}

/** One opening: place, path, millilitres, count; opens to why it comes here, how, and where to top up. */
function StopRow({
  plan,
  stop,
  number,
}: {
  readonly plan: Plan;
  readonly stop: PlanStop;
  readonly number: number;
}) {
  const [open, setOpen] = useState(false);
  const name = bleederName(stop.bleeder);
  return (
    <View role="rowgroup" style={styles.stop}>
      <Row>
        <RowHead>
          <Press
            role="button"
            aria-expanded={open}
            aria-label={`${number}, ${name}: why here?`}
            onPress={() => setOpen(!open)}
          >
            <View style={styles.placeLine}>
              <Numeral>{String(number)}</Numeral>
              <View style={styles.grow}>
                <Words strong>{capital(name)}</Words>
                {stop.topUps.length > 0 ? <Words size="small">{topUpWords(stop)}</Words> : null}
              </View>
            </View>
          </Press>
        </RowHead>
        <Cell>
          <FigureValue figure={stop.pathLengthM} />
        </Cell>
        <Cell>
          <FigureValue figure={stop.bledMl} text={stop.bledMl.value.toFixed(0)} />
        </Cell>
        <Cell>
          <FigureValue figure={stop.strokes} text={stop.strokes.value.toFixed(0)} />
        </Cell>
      </Row>
      {open ? (
        <RowMore style={styles.why}>
          <Words>{orderWords(stop.why)}</Words>
          <Words size="small">{howWords(plan, stop)}</Words>
          <Words size="small" tone="softWords">
            {sourceWords(PRACTICE)}
          </Words>
          {stop.fillMl.value > 0 ? <FigureRow figure={stop.fillMl} /> : null}
          <FigureRow figure={stop.neededMl} />
          <FigureRow figure={stop.strokeMl} />
          <FigureRow figure={stop.jarMl} />
          {stop.outOfBottlesMl ? <FigureRow figure={stop.outOfBottlesMl} /> : null}
          <FigureRow figure={stop.pathVolumeMl} />
          <FigureRow figure={stop.oldLeftMl} />
        </RowMore>
      ) : null}
    </View>
  );
}

/** Which control, how the stroke goes, how long. */
function howWords({ preferences, layout }: Plan, stop: PlanStop): string {
  const until = {
    new: 'Until it runs new and clear.',
    sweep:
      stop.fillMl.value > 0
        ? `It swallows about ${Math.ceil(stop.fillMl.value)} mL before fluid comes; then ${sweepWords(stop)}`
        : capital(sweepWords(stop)),
    clear: 'The three that must be clear.',
  }[stop.until];
  const pumps = {
    0: '',
    3: ' Three quick pumps before holding.',
    10: ' Ten or twelve quick pumps before holding.',
  }[preferences.pumpsBeforeHolding];
  const hose =
    METHOD_TRAITS[stop.method].open === 'first movement' && preferences.hoseEnd === 'free'
      ? ' Hose end free.'
      : ' Hose end under the fluid.';
  const open =
    stop.bleeder.type === 'quarter turn' ? 'a quarter turn' : METHOD_TRAITS[stop.method].open;
  if (stop.counted === 'strokes')
    return `${capital(stop.control)}: ${stop.shape}.${!VEHICLE_TRAITS[layout.vehicleKind].bar || stop.method === 'two people' ? pumps : ''} Opened ${open}.${hose} ${until}`;
  if (stop.fromReservoir) return `By the marks of the jar. Opened ${open}. ${until}`;
  const off = (stop.drawOffs ?? []).map((d) => d.afterStrokes);
  const drawn =
    off.length > 0
      ? ` The reservoir is drawn off to half ${off.map((n) => (n === 0 ? 'first' : `at ${n}`)).join(', ')}.`
      : '';
  return `By the marks of the syringe. Opened ${open}. ${until}${drawn} At every refill: no air in its tube, joined, tied, opened, pushed, and shut before the plunger comes back.`;
}

/** Until when a sweep goes on: by its bubbles within a band, or by the volume of its path. */
function sweepWords(stop: PlanStop): string {
  if (!stop.band) return 'the volume of its path once.';
  return `from ${leastCounts(stop)} to ${mostCounts(stop)} ${stop.counted}, until the last three are clear: ${stop.strokes.value} are usual. Beyond that something is wrong.`;
}

/** Where on the way to top up, short enough for a row of the table. */
function topUpWords(stop: PlanStop): string {
  const later = stop.topUps.map((t) => t.afterStrokes).filter((n) => n > 0);
  const first = later.length < stop.topUps.length ? 'first' : null;
  return `top up ${[first, later.length > 0 ? `at ${later.join(', ')}` : null].filter(Boolean).join(', then ')}`;
}

const styles = StyleSheet.create({
  stages: { gap: SPACE.large },
  head: {
    flexDirection: 'row',
    alignItems: 'center',
    gap: SPACE.medium,
    borderTopWidth: 2,
    borderTopColor: colour.words,
    paddingTop: SPACE.small,
  },
  grow: { flex: 1 },
  stop: { borderTopWidth: 1, borderTopColor: colour.hairline },
  placeLine: {
    flexDirection: 'row',
    alignItems: 'center',
    gap: SPACE.small,
    paddingVertical: SPACE.hair,
  },
  why: {
    gap: SPACE.small,
    paddingBottom: SPACE.medium,
    paddingLeft: SPACE.large,
    borderLeftWidth: 3,
    borderLeftColor: colour.edge,
  },
});
