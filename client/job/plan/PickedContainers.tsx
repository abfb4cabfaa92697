import type { Job } from '@brook/contract';
import { PRACTICE, sourceWords } from '@brook/core/base/figure';
import { toTakeAlong } from '@brook/core/bleed/plan';
import { ADMIT_WORDS } from '@brook/core/fluid/shelf';
import { router } from 'expo-router';
import { StyleSheet, View } from 'react-native';
import { Button } from '../../ui/Button';
import { Choice } from '../../ui/Choice';
import { FigureRow } from '../../ui/FigureValue';
import { Caution } from '../../ui/Notice';
import { Numeral } from '../../ui/Numeral';
import { Words } from '../../ui/Words';
import { colour, SPACE, TOUCH } from '../../ui/theme';

/** Whether a pick holds a container that must be looked at twice. */
export function needsSecondLook(pick: Job['pick']): boolean {
  return pick?.kind === 'enough' && pick.containers.some((c) => c.reasons.length > 0);
}

export interface PickedContainersProps {
  readonly job: Job;
  /** Whether the second look was taken; null once the plan is accepted. */
  readonly looked: boolean | null;
  readonly onLooked: (looked: boolean) => void;
}

/** The containers that the shelf gives for this job, with the least left over. */
export function PickedContainers({ job, looked, onLooked }: PickedContainersProps) {
  const { pick } = job;
  if (!pick) return null;
  if (pick.kind === 'short') {
    return (
      <View style={styles.group}>
        <Words strong heading={2}>
          Take along
        </Words>
        <Caution
          title={`The shelf is ${Math.ceil(pick.missingMl.value)} mL short`}
        >{`Of ${job.fluid?.fill?.grade ?? 'this fluid'} that may be used today and is not promised to another job. Without enough of it the reservoir runs dry half-way.`}</Caution>
        <FigureRow figure={pick.missingMl} />
        <Button
          label="Put a container on the shelf"
          onPress={() =>
            router.push(
              `/shelf/add?job=${job.id}&grade=${encodeURIComponent(job.fluid?.fill?.grade ?? '')}`,
            )
          }
        />
      </View>
    );
  }
  return (
    <View style={styles.group}>
      <Words strong heading={2}>
        Take along
      </Words>
      <View role="list">
        {pick.containers.map((c) => (
          <View key={c.id} role="listitem" style={styles.row}>
            <View style={styles.grow}>
              <Words strong>{`Batch ${c.batch}`}</Words>
              <Words
                size="small"
                tone="softWords"
              >{`${c.state === 'sealed' ? 'sealed' : `opened ${c.openedDays === 0 ? 'today' : `${c.openedDays} days ago`}`} · ${c.sizeMl} mL container`}</Words>
              {c.reasons.map((r) => (
                <Words key={r.code} size="small">
                  {ADMIT_WORDS[r.code]}
                </Words>
              ))}
            </View>
            <Numeral>{`${Math.round(c.leftMl)} mL`}</Numeral>
          </View>
        ))}
      </View>
      {job.planResult?.verdict === 'planned' ? (
        <FigureRow figure={toTakeAlong(job.planResult.plan)} label="With its margin" />
      ) : null}
      <FigureRow figure={pick.leftOverMl} />
      {looked !== null && needsSecondLook(pick) ? (
        <Choice
          question="Opened bottle checked?"
          why={`Date on it, smell, clear to the eye; rested. It stays on the record with your name. ${sourceWords(PRACTICE)}.`}
          options={[
            { value: 'yes', label: 'Yes' },
            { value: 'no', label: 'Not yet' },
          ]}
          chosen={looked ? 'yes' : null}
          onChoose={(answer) => onLooked(answer === 'yes')}
        />
      ) : null}
      <Words
        size="small"
        tone="softWords"
      >{`By the house rule on opened containers: ${pick.openRule}.`}</Words>
      {pick.lookedBy ? (
        <Words size="small" tone="softWords">{`Opened bottle checked by ${pick.lookedBy}.`}</Words>
      ) : null}
    </View>
  );
}

const styles = StyleSheet.create({
  group: { gap: SPACE.small },
  grow: { flex: 1 },
  row: {
    flexDirection: 'row',
    alignItems: 'center',
    gap: SPACE.medium,
    borderTopWidth: 1,
    borderTopColor: colour.hairline,
    minHeight: TOUCH,
  },
});
