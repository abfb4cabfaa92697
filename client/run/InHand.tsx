import type { Job } from '@brook/contract';
import type { RunState } from '@brook/core/run';
import { containerInHand } from '@brook/core/shelf';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { useShelf } from '../data/shelf';
import { Choice } from '../ui/Choice';
import { Press } from '../ui/Press';
import { Words } from '../ui/Words';
import { colour, SPACE } from '../ui/theme';

/** The container that is poured from: the picked ones in turn, until somebody takes another. */
export function useInHand(job: Job, state: RunState) {
  const [taken, take] = useState<string | null>(null);
  const shelf = useShelf();
  const picked = job.pick?.kind === 'enough' ? job.pick.containers : [];
  const fill = job.fluid?.fill;
  const others = (shelf.data?.containers ?? []).filter(
    (c) =>
      c.grade === fill?.grade &&
      c.isoClass === fill?.isoClass &&
      c.admit.verdict !== 'refuse' &&
      !picked.some((p) => p.id === c.id),
  );
  const all = [...picked, ...others];
  const inHand = all.find((c) => c.id === taken) ?? containerInHand(picked, state.pouredFromMl);
  return { inHand, all, take };
}

export type InHand = ReturnType<typeof useInHand>;

/** Its label, and the way to say that it is another one: a recall goes by this. */
export function InHandLine({ of }: { readonly of: InHand }) {
  const [changing, setChanging] = useState(false);
  const { inHand, all, take } = of;
  if (!inHand) return null;
  if (changing)
    return (
      <Choice
        question="Which container is in hand?"
        stacked
        settled
        options={all.map((c) => ({
          value: c.id,
          label: `Batch ${c.batch}, ${c.grade}`,
          about: `${Math.round(c.leftMl)} of ${c.sizeMl} mL, ${c.state}`,
        }))}
        chosen={inHand.id}
        onChoose={(id) => {
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
      {all.length > 1 ? (
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
