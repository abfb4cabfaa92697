import type { Figure } from '@brook/core/base/figure';
import type { PlanReservoir } from '@brook/core/bleed/plan';
import type { Colour } from '@brook/core/fluid/verdict';
import { StyleSheet, View } from 'react-native';
import { FigureValue } from './FigureValue';
import { useNarrowScreen } from './Page';
import { colour } from './theme';
import { FLUID } from './theme/fluid';
import { inHead, inOwnUnits, useUnits } from './unitChoice';
import { Words } from './Words';

export interface GaugeProps {
  readonly reservoir: PlanReservoir;
  readonly level: Figure;
  readonly fluid: Colour;
  /** Whether it is the only chamber in use: then its name says nothing. */
  readonly alone: boolean;
}

/** The reservoir as the left edge of a run: MAX, MIN, the top-up level and where the model thinks the fluid stands. */
export function Gauge({ reservoir, level, fluid, alone }: GaugeProps) {
  const units = useUnits();
  const share = (ml: number): `${number}%` =>
    `${Math.max(0, Math.min(100, (ml / (reservoir.maxMl * 1.06)) * 100))}%`;
  return (
    <View
      style={[styles.gauge, useNarrowScreen() ? styles.narrow : null]}
      role="complementary"
      aria-label="Reservoir"
    >
      <Words size="small" tone="softWords" align="center">
        {alone ? inHead('mL', units) : reservoir.name}
      </Words>
      <FigureValue figure={level} text={level.value.toFixed(0)} />
      <View
        style={styles.scale}
        role="img"
        aria-label={inOwnUnits(
          `${reservoir.name}: ${level.value.toFixed(0)} mL by the model; MIN ${reservoir.minMl} mL, top up at ${reservoir.topUpLevelMl.value.toFixed(0)} mL, MAX ${reservoir.maxMl} mL`,
          units,
        )}
      >
        <View style={styles.tube}>
          <View
            style={[styles.fluid, { height: share(level.value), backgroundColor: FLUID[fluid] }]}
          />
        </View>
        <Mark at={share(reservoir.maxMl)} word="MAX" />
        <Mark at={share(reservoir.topUpLevelMl.value)} word="top up" dashed />
        <Mark at={share(reservoir.minMl)} word="MIN" below />
      </View>
    </View>
  );
}

/** A line across the tube with its word beside it, above or below the line. */
function Mark({
  at,
  word,
  below,
  dashed,
}: {
  readonly at: `${number}%`;
  readonly word: string;
  readonly below?: boolean;
  readonly dashed?: boolean;
}) {
  return (
    <View style={[styles.mark, dashed ? styles.dashed : null, { bottom: at }]}>
      <View style={below ? styles.wordBelow : styles.wordAbove}>
        <Words size="small" strong={!dashed} align="right">
          {word}
        </Words>
      </View>
    </View>
  );
}

const styles = StyleSheet.create({
  gauge: {
    width: 64,
    alignItems: 'center',
    paddingVertical: 12,
    borderRightWidth: 1,
    borderRightColor: colour.hairline,
  },
  // Its marks reach into the words beside it, which leave room there.
  narrow: { width: 48 },
  scale: { flex: 1, width: 60, marginTop: 8 },
  tube: {
    position: 'absolute',
    left: 2,
    top: 0,
    bottom: 0,
    width: 26,
    borderWidth: 2,
    borderColor: colour.fluidEdge,
    borderRadius: 13,
    overflow: 'hidden',
    justifyContent: 'flex-end',
  },
  fluid: { width: '100%', borderTopWidth: 2, borderTopColor: colour.fluidEdge },
  mark: {
    position: 'absolute',
    left: 0,
    right: 0,
    height: 0,
    borderTopWidth: 2,
    borderTopColor: colour.edge,
  },
  dashed: { borderStyle: 'dashed' },
  wordAbove: { position: 'absolute', right: 0, bottom: 1 },
  wordBelow: { position: 'absolute', right: 0, top: 1 },
});
