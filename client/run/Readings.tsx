import { COLOURS } from '@brook/core/fluid';
import type { PlanStop } from '@brook/core/plan';
import { BUBBLE_READINGS } from '@brook/core/run';
import { View } from 'react-native';
import type { LiveRun } from '../data/run';
import { Choice } from '../ui/Choice';
import { FLUID, SPACE } from '../ui/theme';

/** Bubbles and colour, one tap each. An answer counts for the strokes just made; it is asked again after the next ones. */
export function Readings({ stop, run }: { readonly stop: PlanStop; readonly run: LiveRun }) {
  const b = run.state.bleeders.find((x) => x.bleederId === stop.bleeder.id)!;
  const bubbles = b.bubbles && b.bubbles.atStroke === b.strokes ? b.bubbles.reading : null;
  const seen = b.colour && b.strokes - b.colour.atStroke < 3 ? b.colour.seen : null;
  return (
    <View style={{ gap: SPACE.small }}>
      <Choice
        compact question="Bubbles" options={BUBBLE_READINGS.map((r) => ({ value: r, label: r }))} chosen={bubbles}
        onChoose={(reading) => run.say({ kind: 'bubbles', bleederId: stop.bleeder.id, reading })}
      />
      <Choice
        compact question="Colour in the hose" options={COLOURS.map((c) => ({ value: c, label: c, swatch: FLUID[c] }))} chosen={seen}
        onChoose={(colour) => run.say({ kind: 'colour', bleederId: stop.bleeder.id, colour })}
      />
    </View>
  );
}
