import type { Waste, WentInPage } from '@brook/contract';
import { ARITHMETIC, ENTRY, figure, type Figure } from '@brook/core/base/figure';
import { router } from 'expo-router';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { ApiProblem } from '../data/api';
import { useHandedOver, useHandOver, useWaste, useWentIn } from '../data/shelf';
import { Button } from '../ui/Button';
import { shortDate } from '../ui/dates';
import { EarlierButton } from '../ui/EarlierButton';
import { Field } from '../ui/Field';
import { FigureRow } from '../ui/FigureValue';
import { More } from '../ui/More';
import { Caution } from '../ui/Notice';
import { Press } from '../ui/Press';
import { colour, SPACE } from '../ui/theme';
import { Words } from '../ui/Words';

/** Share of the drum from which it is handed over [M]. */
const NEARLY_FULL = 0.85;

/** The waste drum: how full, what went in, and handing it over. */
export function WasteDrum() {
  const waste = useWaste().data;
  return waste ? <Drum waste={waste} /> : null;
}

function Drum({ waste }: { readonly waste: Waste }) {
  const { wentIn, handedOver } = waste;
  const earlierIn = useWentIn(wentIn.next);
  const earlierOver = useHandedOver(handedOver.next);
  const entries = [wentIn, ...earlierIn.pages].flatMap((p) => p.entries);
  const handOvers = [handedOver, ...earlierOver.pages].flatMap((p) => p.handOvers);
  const share = waste.wasteMl / waste.drumMl;
  const total = figure({
    label: 'In the waste drum',
    value: waste.wasteMl,
    unit: 'mL',
    rule: 'bled, removed and caught since the last hand-over',
    source: ARITHMETIC,
    from: entryFigures(waste, entries),
  });
  return (
    <View style={styles.group}>
      <Words strong heading={2}>
        Waste drum
      </Words>
      <View
        style={styles.tube}
        role="img"
        aria-label={`${(waste.wasteMl / 1000).toFixed(1)} of ${(waste.drumMl / 1000).toFixed(0)} L`}
      >
        <View style={[styles.full, { width: `${Math.min(100, share * 100)}%` }]} />
      </View>
      <FigureRow
        figure={total}
        text={`${(waste.wasteMl / 1000).toFixed(1)} of ${(waste.drumMl / 1000).toFixed(0)} L`}
      />
      {share >= NEARLY_FULL ? (
        <Caution title="Nearly full">
          Have it fetched. Never down a drain; rags and gloves too.
        </Caution>
      ) : null}
      <More title="What went in" about={`${wentIn.count} since the last hand-over`}>
        <View role="list">
          {entries.map((e) => (
            <View key={e.id} role="listitem">
              <Press
                role={e.jobId ? 'link' : undefined}
                onPress={() => e.jobId && router.push(`/jobs/${e.jobId}`)}
                style={styles.row}
              >
                <Words size="small">{`${shortDate(e.at)} · ${e.jobNumber ? `job ${e.jobNumber}, ${e.vehicleName}` : 'discarded container'} · ${Math.round(e.bledMl + e.removedMl + e.caughtMl)} mL`}</Words>
              </Press>
            </View>
          ))}
        </View>
        <EarlierButton label="What went in before" {...earlierIn} />
      </More>
      <HandOver empty={waste.wasteMl <= 0} />
      {handOvers.length > 0 ? (
        <More
          title="Handed over"
          about={`${handedOver.count} so far, last ${shortDate(handOvers[0]!.at)}`}
        >
          {handOvers.map((h) => (
            <Words
              key={h.id}
              size="small"
            >{`${shortDate(h.at)}: ${(h.wasteMl / 1000).toFixed(1)} L to ${h.toWhom}, paper ${h.document}, by ${h.by}`}</Words>
          ))}
          <EarlierButton label="Earlier ones" {...earlierOver} />
        </More>
      ) : null}
    </View>
  );
}

/** What the drum's fill is the sum of: the entries that are there, and what went in before them. */
function entryFigures(
  { wasteMl, wentIn }: Waste,
  entries: readonly WentInPage['entries'][number][],
): Figure[] {
  const shown = entries.map((e) =>
    figure({
      label: e.jobNumber ? `Job ${e.jobNumber}, ${e.vehicleName ?? ''}` : 'A discarded container',
      value: e.bledMl + e.removedMl + e.caughtMl,
      unit: 'mL',
      rule: `recorded by ${e.by}, ${shortDate(e.at)}`,
      source: ENTRY,
    }),
  );
  const before = wentIn.count - entries.length;
  if (before <= 0) return shown;
  const rest = figure({
    label: `${before} before these`,
    value: wasteMl - shown.reduce((sum, f) => sum + f.value, 0),
    unit: 'mL',
    rule: 'the drum less what is listed here; “What went in before” lists them',
    source: ARITHMETIC,
  });
  return [...shown, rest];
}

function HandOver({ empty }: { readonly empty: boolean }) {
  const [asking, setAsking] = useState(false);
  const [toWhom, setToWhom] = useState('');
  const [document, setDocument] = useState('');
  const hand = useHandOver();
  const problem = hand.error instanceof ApiProblem ? hand.error : null;
  if (!asking)
    return <Button label="Hand the drum over …" disabled={empty} onPress={() => setAsking(true)} />;
  return (
    <View style={styles.group}>
      <Field
        label="Who takes it?"
        value={toWhom}
        onChange={setToWhom}
        fault={problem?.faultOf('toWhom')}
      />
      <Field
        label="Number of the paper"
        value={document}
        onChange={setDocument}
        fault={problem?.faultOf('document')}
      />
      {hand.error && !problem?.faults.length ? <Caution title={hand.error.message} /> : null}
      <Button
        label="Hand it over"
        onPress={() => hand.mutate({ toWhom, document }, { onSuccess: () => setAsking(false) })}
      />
      <Button label="Keep it here" onPress={() => setAsking(false)} />
    </View>
  );
}

const styles = StyleSheet.create({
  group: { gap: SPACE.small },
  tube: {
    height: 26,
    borderWidth: 2,
    borderColor: colour.fluidEdge,
    borderRadius: 13,
    overflow: 'hidden',
  },
  full: { height: '100%', backgroundColor: colour.words },
  row: { borderTopWidth: 1, borderTopColor: colour.hairline },
});
