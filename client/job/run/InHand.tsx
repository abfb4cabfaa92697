import type { Job } from '@brook/contract';
import type { RunState } from '@brook/core/job/run';
import { containerInHand } from '@brook/core/fluid/shelf';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { useShelf } from '../../data/shelf';
import { Button } from '../../ui/Button';
import { Choice } from '../../ui/Choice';
import { Caution } from '../../ui/Notice';
import { Press } from '../../ui/Press';
import { Words } from '../../ui/Words';
import { colour, SPACE } from '../../ui/theme';

/** The container that is poured from: the picked ones in turn, until somebody takes another. */
export function useInHand(job: Job, state: RunState) {
  const [taken, take] = useState<string | null>(null);
  const shelf = useShelf();
  const picked = job.pick?.kind === 'enough' ? job.pick.containers : [];
  const fill = job.fluid?.fill;
  const rest = (shelf.data?.containers ?? []).filter((c) => !picked.some((p) => p.id === c.id));
  const isFill = (c: (typeof rest)[number]) =>
    c.grade === fill?.grade && c.isoClass === fill?.isoClass && c.admit.verdict !== 'refuse';
  const all = [...picked, ...rest.filter(isFill)];
  const wrong = rest.filter((c) => c.grade !== fill?.grade);
  const inHand = all.find((c) => c.id === taken) ?? containerInHand(picked, state.pouredFromMl);
  return { inHand, all, wrong, take };
}

export type InHand = ReturnType<typeof useInHand>;

/** Its label, and the way to say that it is another one: a recall goes by this. */
export function InHandLine({
  of,
  onWrongPour,
}: {
  readonly of: InHand;
  /** Another product was poured: it is kept, and the run halts. */
  readonly onWrongPour: (containerId: string) => void;
}) {
  const [changing, setChanging] = useState(false);
  const [poured, setPoured] = useState<string | null>(null);
  const { inHand, all, wrong, take } = of;
  if (!inHand) return null;
  const other = wrong.find((c) => c.id === poured);
  if (other)
    return (
      <View style={{ gap: SPACE.small }}>
        <Caution title={`${other.grade} must not go in here`}>
          Not poured yet: put it back. Poured: say so now, do not touch pedal or lever.
        </Caution>
        <Button label="Not poured: put it back" onPress={() => setPoured(null)} />
        <Button
          label="It was poured"
          onPress={() => {
            setPoured(null);
            setChanging(false);
            onWrongPour(other.id);
          }}
        />
      </View>
    );
  if (changing)
    return (
      <Choice
        question="Which container is in hand?"
        stacked
        settled
        options={[...all, ...wrong].map((c) => ({
          value: c.id,
          label: `Batch ${c.batch}, ${c.grade}`,
          about: wrong.some((w) => w.id === c.id)
            ? 'Another grade than was chosen'
            : `${Math.round(c.leftMl)} of ${c.sizeMl} mL, ${c.state}`,
        }))}
        chosen={inHand.id}
        onChoose={(id) => {
          if (wrong.some((w) => w.id === id)) return setPoured(id);
          take(id);
          setChanging(false);
        }}
      />
    );
  return (
    <View style={styles.line}>
      <View style={styles.grow}>
        <Words size="small" tone="softWords">
          Out of
        </Words>
        <Words strong>{`Batch ${inHand.batch}, ${inHand.grade}, ${inHand.sizeMl} mL`}</Words>
      </View>
      {all.length + wrong.length > 1 ? (
        <Press role="button" onPress={() => setChanging(true)} style={styles.change}>
          <Words size="small" strong>
            Another one
          </Words>
        </Press>
      ) : null}
    </View>
  );
}

const styles = StyleSheet.create({
  line: {
    flexDirection: 'row',
    alignItems: 'center',
    gap: SPACE.medium,
    borderTopWidth: 1,
    borderTopColor: colour.hairline,
    paddingVertical: SPACE.small,
  },
  grow: { flex: 1 },
  change: { paddingHorizontal: SPACE.small },
});
