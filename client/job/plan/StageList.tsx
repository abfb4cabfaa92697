import {
  leastCounts,
  mostCounts,
  stageTitle,
  stageWords,
  type PlanStage,
  type PlanOpening,
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
  const openings = stage.openingIds.map((id) => plan.openings.find((s) => s.id === id)!);
  const counted = openings[0]?.counted ?? 'strokes';
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
        {openings.map((opening, i) => (
          <OpeningRow key={opening.id} plan={plan} opening={opening} number={i + 1} />
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
function OpeningRow({
  plan,
  opening,
  number,
}: {
  readonly plan: Plan;
  readonly opening: PlanOpening;
  readonly number: number;
}) {
  const [open, setOpen] = useState(false);
  const name = bleederName(opening.bleeder);
  return (
    <View role="rowgroup" style={styles.opening}>
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
                {opening.topUps.length > 0 ? (
                  <Words size="small">{topUpWords(opening)}</Words>
                ) : null}
              </View>
            </View>
          </Press>
        </RowHead>
        <Cell>
          <FigureValue figure={opening.pathLengthM} />
        </Cell>
        <Cell>
          <FigureValue figure={opening.bledMl} text={opening.bledMl.value.toFixed(0)} />
        </Cell>
        <Cell>
          <FigureValue figure={opening.strokes} text={opening.strokes.value.toFixed(0)} />
        </Cell>
      </Row>
      {open ? (
        <RowMore style={styles.why}>
          <Words>{orderWords(opening.why)}</Words>
          <Words size="small">{howWords(plan, opening)}</Words>
          <Words size="small" tone="softWords">
            {sourceWords(PRACTICE)}
          </Words>
          {opening.fillMl.value > 0 ? <FigureRow figure={opening.fillMl} /> : null}
          <FigureRow figure={opening.neededMl} />
          <FigureRow figure={opening.strokeMl} />
          <FigureRow figure={opening.jarMl} />
          {opening.outOfBottlesMl ? <FigureRow figure={opening.outOfBottlesMl} /> : null}
          <FigureRow figure={opening.pathVolumeMl} />
          <FigureRow figure={opening.oldLeftMl} />
        </RowMore>
      ) : null}
    </View>
  );
}

/** Which control, how the stroke goes, how long. */
function howWords({ preferences, layout }: Plan, opening: PlanOpening): string {
  const until = {
    new: 'Until it runs new and clear.',
    sweep:
      opening.fillMl.value > 0
        ? `It swallows about ${Math.ceil(opening.fillMl.value)} mL before fluid comes; then ${sweepWords(opening)}`
        : capital(sweepWords(opening)),
    clear: 'The three that must be clear.',
  }[opening.until];
  const pumps = {
    0: '',
    3: ' Three quick pumps before holding.',
    10: ' Ten or twelve quick pumps before holding.',
  }[preferences.pumpsBeforeHolding];
  const hose =
    METHOD_TRAITS[opening.method].open === 'first movement' && preferences.hoseEnd === 'free'
      ? ' Hose end free.'
      : ' Hose end under the fluid.';
  const open =
    opening.bleeder.type === 'quarter turn' ? 'a quarter turn' : METHOD_TRAITS[opening.method].open;
  if (opening.counted === 'strokes')
    return `${capital(opening.control)}: ${opening.shape}.${!VEHICLE_TRAITS[layout.vehicleKind].bar || opening.method === 'two people' ? pumps : ''} Opened ${open}.${hose} ${until}`;
  if (opening.fromReservoir) return `By the marks of the jar. Opened ${open}. ${until}`;
  const off = (opening.drawOffs ?? []).map((d) => d.afterStrokes);
  const drawn =
    off.length > 0
      ? ` The reservoir is drawn off to half ${off.map((n) => (n === 0 ? 'first' : `at ${n}`)).join(', ')}.`
      : '';
  return `By the marks of the syringe. Opened ${open}. ${until}${drawn} At every refill: no air in its tube, joined, tied, opened, pushed, and shut before the plunger comes back.`;
}

/** Until when a sweep goes on: by its bubbles within a band, or by the volume of its path. */
function sweepWords(opening: PlanOpening): string {
  if (!opening.band) return 'the volume of its path once.';
  return `from ${leastCounts(opening)} to ${mostCounts(opening)} ${opening.counted}, until the last three are clear: ${opening.strokes.value} are usual. Beyond that something is wrong.`;
}

/** Where on the way to top up, short enough for a row of the table. */
function topUpWords(opening: PlanOpening): string {
  const later = opening.topUps.map((t) => t.afterStrokes).filter((n) => n > 0);
  const first = later.length < opening.topUps.length ? 'first' : null;
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
  opening: { borderTopWidth: 1, borderTopColor: colour.hairline },
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
