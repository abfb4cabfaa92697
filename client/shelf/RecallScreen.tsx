import type { Recall } from '@brook/contract';
import { ENTRY, figure } from '@brook/core/base/figure';
import { router } from 'expo-router';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { useRecall } from '../data/shelf';
import { ActionBar } from '../ui/ActionBar';
import { shortDate } from '../ui/dates';
import { Field } from '../ui/Field';
import { FigureValue } from '../ui/FigureValue';
import { Page } from '../ui/Page';
import { Press } from '../ui/Press';
import { Failed, Loading } from '../ui/States';
import { colour, SPACE } from '../ui/theme';
import { Words } from '../ui/Words';
import { usePageTitle } from '../ui/usePageTitle';

/** Which vehicles got a batch: one search. */
export function RecallScreen({ batch: asked }: { readonly batch?: string | undefined }) {
  usePageTitle('Which vehicles got it?');
  const [typed, setTyped] = useState(asked ?? '');
  const [batch, setBatch] = useState(asked ?? '');
  const { data, error, isFetching } = useRecall(batch);
  const search = () => setBatch(typed.trim());
  return (
    <Page
      action={
        <ActionBar
          label="Find its vehicles"
          waitsFor={typed.trim() ? null : 'Type the batch first'}
          onPress={search}
          side={{ label: 'Shelf', onPress: () => router.replace('/shelf') }}
        />
      }
    >
      <View>
        <Words size="small" tone="softWords">
          Fluid shelf
        </Words>
        <Words size="head" heading={1}>
          Which vehicles got it?
        </Words>
      </View>
      <Field
        label="Batch"
        value={typed}
        onChange={setTyped}
        autoCapitalize="characters"
        onSubmitEditing={search}
      />
      {isFetching ? <Loading what="its vehicles" /> : null}
      {error ? <Failed error={error} /> : null}
      {data && !isFetching ? <Found recall={data} /> : null}
    </Page>
  );
}

function Found({ recall }: { readonly recall: Recall }) {
  const { uses, containers, batch } = recall;
  if (containers.length === 0)
    return <Words>{`No container of batch ${batch} was ever on this shelf.`}</Words>;
  const vehicles = new Set(uses.map((u) => u.vehicleId)).size;
  const inside = uses.filter((u) => u.stillInside).length;
  const standing = containers.filter((c) => c.state !== 'discarded' && c.leftMl > 0);
  return (
    <>
      <Words strong accessibilityLiveRegion="polite">
        {uses.length === 0
          ? `No vehicle got batch ${batch}.`
          : `${vehicles === 1 ? 'One vehicle' : `${vehicles} vehicles`} got batch ${batch}; ${inside === 0 ? 'none still has it' : inside === 1 ? 'one still has it' : `${inside} still have it`}.`}
      </Words>
      <Words>
        {standing.length === 0
          ? 'None of it is left on the shelf.'
          : `On the shelf: ${standing.map((c) => `${Math.round(c.leftMl)} mL`).join(', ')}.`}
      </Words>
      <View role="list">
        {uses.map((u) => (
          <View key={u.jobId} role="listitem" style={styles.row}>
            <Press
              role="link"
              aria-label={`${u.vehicleName}, job ${u.jobNumber}`}
              onPress={() => router.push(`/jobs/${u.jobId}`)}
              style={styles.grow}
              pressedStyle={{ backgroundColor: colour.well }}
            >
              <Words strong>{`${u.vehicleName} · ${u.vehicleTag}`}</Words>
              <Words
                size="small"
                tone="softWords"
              >{`Job ${u.jobNumber}, ${shortDate(u.at)} · ${u.stillInside ? 'still inside' : 'flushed out since'}`}</Words>
            </Press>
            <FigureValue
              figure={figure({
                label: `Poured of batch ${batch}`,
                value: u.pouredMl,
                unit: 'mL',
                rule: `recorded on job ${u.jobNumber}`,
                source: ENTRY,
              })}
            />
          </View>
        ))}
      </View>
    </>
  );
}

const styles = StyleSheet.create({
  row: {
    flexDirection: 'row',
    alignItems: 'center',
    gap: SPACE.medium,
    borderTopWidth: 1,
    borderTopColor: colour.hairline,
  },
  grow: { flex: 1, paddingVertical: SPACE.small },
});
