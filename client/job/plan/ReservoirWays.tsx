import { figure, MODEL } from '@brook/core/base/figure';
import {
  RESERVOIR_WAY_WORDS,
  reservoirWayPrices,
  rinseWords,
  type Plan,
} from '@brook/core/bleed/plan';
import { useMemo, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { FigureValue } from '../../ui/FigureValue';
import { Press } from '../../ui/Press';
import { colour, SPACE } from '../../ui/theme';
import { Words } from '../../ui/Words';
import { Cell, Row, RowHead, RowMore, Table } from '../../ui/Table';

/** What is done about the old rest in the reservoir, what it saves, and what the other ways would cost. */
export function ReservoirWays({ plan }: { readonly plan: Plan }) {
  const [open, setOpen] = useState(false);
  const { treatment } = plan;
  if (!treatment) return null;
  const { way, price, plain, by } = treatment;
  const unit = plan.openings[0]?.counted ?? 'strokes';
  const saved = [
    signed(plain.counts - price.counts, unit),
    signed(Math.round(plain.fluidMl - price.fluidMl), 'mL'),
    signed(Math.round(plain.minutes - price.minutes), 'min'),
  ];
  return (
    <View>
      <Press
        role="button"
        aria-expanded={open}
        aria-label={`Rest in the reservoir: ${RESERVOIR_WAY_WORDS[way].title}`}
        onPress={() => setOpen(!open)}
      >
        <View style={styles.head}>
          <Words strong>{`Reservoir: ${RESERVOIR_WAY_WORDS[way].title.toLowerCase()}`}</Words>
          <Words size="small" tone="softWords">
            {way === 'nothing'
              ? `${by === 'house rule' ? 'By the house rule' : 'Nothing else is quicker at no more fluid'}. The other ways`
              : `Against filling at once: ${saved.join(', ')}. The other ways`}
          </Words>
          {by === 'screen in the way' ? (
            <Words size="small">
              The house rule wipes it out, but a screen is in the way: this one instead.
            </Words>
          ) : null}
        </View>
      </Press>
      {open ? <Ways plan={plan} /> : null}
    </View>
  );
}

function Ways({ plan }: { readonly plan: Plan }) {
  const rows = useMemo(() => reservoirWayPrices(plan), [plan]);
  const { way: taken, plain, by } = plan.treatment!;
  const unit = plan.openings[0]?.counted ?? 'strokes';
  return (
    <View style={styles.ways}>
      <Table label="Ways with the rest in the reservoir" lead="way" columns={['mL', unit, 'min']}>
        {rows.map((r) => (
          <View
            role="rowgroup"
            key={r.way}
            style={[styles.way, r.way === taken ? styles.taken : null]}
          >
            <Row>
              <RowHead>
                <Words strong={r.way === taken}>{RESERVOIR_WAY_WORDS[r.way].title}</Words>
              </RowHead>
              <Cell>
                <FigureValue
                  figure={figure({
                    label: `Out of containers: ${RESERVOIR_WAY_WORDS[r.way].title.toLowerCase()}`,
                    value: r.fluidMl,
                    unit: 'mL',
                    rule: 'what is poured to rinse, refill and top up by the simulation, with every reservoir full at the end',
                    source: MODEL,
                  })}
                  text={r.fluidMl.toFixed(0)}
                />
              </Cell>
              <Cell>
                <FigureValue
                  figure={figure({
                    label: `In all: ${RESERVOIR_WAY_WORDS[r.way].title.toLowerCase()}`,
                    value: r.counts,
                    unit,
                    rule: 'by the same simulation as the plan, with this done at the reservoir first',
                    source: MODEL,
                  })}
                  text={String(r.counts)}
                />
              </Cell>
              <Cell>
                <FigureValue
                  figure={figure({
                    label: `Hands on: ${RESERVOIR_WAY_WORDS[r.way].title.toLowerCase()}`,
                    value: r.minutes,
                    unit: 'min',
                    rule: `bleeders, counts and top-ups by the house rules, and ${r.reservoirMinutes.toFixed(1)} min at the reservoir`,
                    source: MODEL,
                  })}
                  text={r.minutes.toFixed(0)}
                />
              </Cell>
            </Row>
            <RowMore>
              <Words size="small" tone="softWords">
                {r.way === taken && r.rinses.length > 0
                  ? rinseWords(r, plan.reservoirs)
                  : RESERVOIR_WAY_WORDS[r.way].why}
              </Words>
            </RowMore>
          </View>
        ))}
      </Table>
      <Words size="small" tone="softWords">
        {by === 'house rule'
          ? 'This one is fixed in the house rules; they may also let the plan find the quickest at no more fluid.'
          : `The plan takes the fewest minutes at no more than ${plain.fluidMl.toFixed(0)} mL; a workshop may fix one way in its house rules.`}
      </Words>
    </View>
  );
}

/** A difference with its sign in words. */
const signed = (less: number, unit: string): string =>
  less === 0 ? `no ${unit} less` : `${Math.abs(less)} ${unit} ${less > 0 ? 'less' : 'more'}`;

const styles = StyleSheet.create({
  head: {
    borderTopWidth: 1,
    borderTopColor: colour.hairline,
    paddingVertical: SPACE.small,
    gap: SPACE.hair,
  },
  ways: { gap: SPACE.small, paddingBottom: SPACE.medium },
  way: { paddingHorizontal: SPACE.small, paddingVertical: SPACE.small, gap: SPACE.hair },
  taken: { borderLeftWidth: 4, borderLeftColor: colour.words },
});
