import { COLOURS, type Colour, type Dye } from '@brook/core/fluid/verdict';
import { type RunState } from '@brook/core/job/run';
import { BUBBLE_READINGS, type BubbleReading } from '@brook/core/job/events';
import { memo } from 'react';
import { View } from 'react-native';
import type { LiveRun } from '../../data/run';
import { Choice } from '../../ui/Choice';
import { SPACE } from '../../ui/theme';
import { FLUID } from '../../ui/theme/fluid';

/** Both at one look: the usual end of a bleeder. */
const BOTH = 'none, and as the new' as const;
const BUBBLES = BUBBLE_READINGS.map((r) => ({ value: r, label: r }));
const IN_HOSE = COLOURS.map((c) => ({ value: c, label: c, swatch: FLUID[c] }));

/** Bubbles and colour, one tap each. An answer counts for the strokes just made; it is asked again after the next ones. */
export function Readings({
  openingId,
  state,
  newDye,
  say,
}: {
  readonly openingId: string;
  readonly state: RunState;
  /** With which dye the new fluid is told from the old; null without one. */
  readonly newDye: Dye | null;
  readonly say: LiveRun['say'];
}) {
  const b = state.bleeders.find((x) => x.openingId === openingId)!;
  const bubbles = b.bubbles && b.bubbles.atStroke === b.strokes ? b.bubbles.reading : null;
  const seen = b.colour && b.strokes - b.colour.atStroke < 3 ? b.colour.seen : null;
  const { until } = state.plan.openings.find((s) => s.id === openingId)!;
  return (
    <Answers
      openingId={openingId}
      bubbles={bubbles}
      seen={seen}
      newColour={until === 'new' && bubbles === null && seen === null ? state.plan.newColour : null}
      newDye={newDye}
      say={say}
    />
  );
}

interface AnswersProps {
  readonly openingId: string;
  readonly bubbles: BubbleReading | null;
  readonly seen: Colour | null;
  /** Of the new fluid, where neither was read and both are asked for. */
  readonly newColour: Colour | null;
  readonly newDye: Dye | null;
  readonly say: LiveRun['say'];
}

/** Drawn anew only when an answer changes, not at every stroke. */
const Answers = memo(function Answers({
  openingId,
  bubbles,
  seen,
  newColour,
  newDye,
  say,
}: AnswersProps) {
  // Beside a swatch of what stands in the bottle: with a dye that is not the colour of the fluid.
  const asNew = newColour && { value: BOTH, label: BOTH, swatch: FLUID[newDye ?? newColour] };
  return (
    <View style={{ gap: SPACE.small }}>
      <Choice
        compact
        question="Bubbles"
        options={asNew ? [asNew, ...BUBBLES] : BUBBLES}
        chosen={bubbles}
        onChoose={(reading) => {
          say({ kind: 'bubbles', openingId, reading: reading === BOTH ? 'none' : reading });
          if (reading === BOTH && newColour) say({ kind: 'colour', openingId, colour: newColour });
        }}
      />
      <Choice
        compact
        question="Colour in the hose"
        options={IN_HOSE}
        chosen={seen}
        onChoose={(colour) => say({ kind: 'colour', openingId, colour })}
      />
    </View>
  );
});
