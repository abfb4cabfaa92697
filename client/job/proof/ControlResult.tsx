import type { Master } from '@brook/core/vehicle/circuit';
import { MISSING_MEASURE_WORDS, takeUpWords } from '@brook/core/job/gate';
import { TAKE_UPS, takeUpOf } from '@brook/core/control/clutch';
import {
  controlProof,
  NOTHING_TRIED,
  takeUpPasses,
  type ControlAnswers,
  type Proof,
} from '@brook/core/job/items';
import type { TakeUpRead } from '@brook/core/job/log';
import {
  judgedWords,
  PEDAL_RESULTS,
  PEDAL_RESULT_WORDS,
  pedalPasses,
} from '@brook/core/control/pedal';
import type { Plan } from '@brook/core/bleed/plan';
import { StyleSheet, View } from 'react-native';
import type { LiveRun } from '../../data/run';
import { Button } from '../../ui/Button';
import { Choice } from '../../ui/Choice';
import { Words } from '../../ui/Words';
import { SPACE } from '../../ui/theme';

export interface ControlResultProps {
  readonly master: Master;
  readonly plan: Plan;
  readonly proof: Proof;
  /** Where a clutch takes up, by a ruler; null where nobody measured it. */
  readonly ruler: TakeUpRead | null;
  /** In which state a pedal or lever is judged. */
  readonly how: string;
  readonly say: LiveRun['say'];
  /** To the page on which it is measured. */
  readonly onMeasure: () => void;
  /** Whether an answer is taken yet. */
  readonly armed: boolean;
}

/** The result at one control: measured, or said by feel in the words of the house. */
export function ControlResult({
  master,
  plan,
  proof,
  ruler,
  how,
  say,
  onMeasure,
  armed,
}: ControlResultProps) {
  const { id: masterId, control } = master;
  const { result } = controlProof(master, plan.layout.vehicleKind);
  const answers = proof.controls[masterId] ?? NOTHING_TRIED;
  return (
    <View style={styles.control}>
      {result === 'pedal' ? (
        <MeasuredAt measured={answers.measured ?? null} onMeasure={onMeasure} />
      ) : null}
      {result === 'pedal' ? (
        <Choice
          question={`How is the ${control}${answers.measured ? ', by feel' : ''}?`}
          why={`${how}: first stroke, pumped, and 30 s under a steady push. The words are a house rule, from memory; the maker’s limit wins.`}
          options={PEDAL_RESULTS.map((r) => ({
            value: r,
            label: r,
            about: PEDAL_RESULT_WORDS[r].means,
          }))}
          chosen={answers.byFeel ?? null}
          settled={answers.pedal !== null}
          onChoose={(word) => say({ kind: 'pedal judged', masterId, result: word })}
          stacked
          disabled={!armed}
          fault={
            answers.pedal !== null && !pedalPasses(answers.pedal)
              ? 'Only firm and high passes. Find the cause, then bleed again or end the job unreleased.'
              : null
          }
        />
      ) : null}
      {result === 'take-up' ? (
        <Button
          label={ruler ? 'Look at it, or measure again' : 'Measure it with a ruler'}
          onPress={onMeasure}
        />
      ) : null}
      {result === 'take-up' && ruler ? (
        <Words
          strong
        >{`Measured: takes up at ${ruler.takeUpMm} mm of ${ruler.restMm} mm, ${takeUpWords(takeUpOf(ruler.restMm, ruler.takeUpMm), control)}`}</Words>
      ) : null}
      {result === 'take-up' ? (
        <Choice
          question={`Where does the ${control} take up?`}
          why="Of its way from the end to the top. Near the end it has air or lost stroke."
          options={TAKE_UPS.map((t) => ({ value: t, label: takeUpWords(t, control) }))}
          chosen={answers.takeUpByFeel ?? null}
          settled={answers.takeUp !== null}
          onChoose={(takeUp) => say({ kind: 'take-up judged', masterId, takeUp })}
          stacked
          disabled={!armed}
          fault={
            answers.takeUp !== null && !takeUpPasses(answers.takeUp)
              ? 'Find the cause, then bleed the clutch again or end the job unreleased.'
              : null
          }
        />
      ) : null}
    </View>
  );
}

/** What was measured at it, or the way there: a measure says more than a foot. */
function MeasuredAt({
  measured,
  onMeasure,
}: {
  readonly measured: NonNullable<ControlAnswers['measured']> | null;
  readonly onMeasure: () => void;
}) {
  const judged = measured !== null && 'result' in measured ? measured : null;
  return (
    <View style={styles.measured}>
      {judged ? (
        <Words strong>{`Measured: ${judgedWords(judged)}`}</Words>
      ) : measured !== null && 'missing' in measured ? (
        <Words>{`Still to measure: ${measured.missing.map((m) => MISSING_MEASURE_WORDS[m]).join(', ')}.`}</Words>
      ) : null}
      <Button
        label={
          measured
            ? judged
              ? 'Look at it, or measure again'
              : 'Go on measuring'
            : 'Measure it with a ruler'
        }
        onPress={onMeasure}
      />
    </View>
  );
}

/** Whether a control was judged and is not right: its circuit is bled again. */
export function failedControl({ id }: Pick<Master, 'id'>, { controls }: Proof): boolean {
  const { pedal, takeUp } = controls[id] ?? NOTHING_TRIED;
  return (pedal !== null && !pedalPasses(pedal)) || (takeUp !== null && !takeUpPasses(takeUp));
}

const styles = StyleSheet.create({
  measured: { gap: SPACE.small },
  control: { gap: SPACE.large },
});
