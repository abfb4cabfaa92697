import type { Plan } from '@brook/core/bleed/plan';
import type { NextStep, RunState } from '@brook/core/job/run';
import { useEffect, useRef } from 'react';
import { StyleSheet, View, type GestureResponderEvent } from 'react-native';
import { Key } from '../../ui/Key';
import { Numeral } from '../../ui/Numeral';
import { useShortScreen } from '../../ui/Page';
import { Press } from '../../ui/Press';
import { Spoken } from '../../ui/Spoken';
import { Words } from '../../ui/Words';
import { colour, SPACE } from '../../ui/theme';
import { padLook, type PadLook } from './padLook';
import type { Beating } from './useBeat';
import type { Helped } from './useHelped';

/** Whether the key or click came with Shift: with a keyboard that is the long press. */
const withShift = ({ nativeEvent }: GestureResponderEvent): boolean =>
  (nativeEvent as unknown as KeyboardEvent | MouseEvent).shiftKey;

/** How long a finger rests for a press that says several: longer than a slow tap with a glove. */
const LONG_MS = 700;

/** The phones are out of step: the stroke in hand stops, and that must be seen from across the bay. */
const lostLook = (called: PadLook, why: string): PadLook => ({
  ...called,
  call: 'Stop: out of step',
  next: `${why}. Shut the bleeder first, then let go. From here by voice; the stroke in hand is not counted.`,
  counts: false,
  atOnce: 0,
  loud: true,
});

/** The large area: one number, one word; the whole of it counts a stroke. */
export function CountPad({
  plan,
  state,
  step,
  otherCounts,
  onStroke,
  beat,
  helped,
}: {
  readonly plan: Plan;
  readonly state: RunState;
  readonly step: NextStep;
  /** Who counts, where it is another phone. */
  readonly otherCounts: string | null;
  /** Count one, or several that were made in a row. */
  readonly onStroke: ((made: number) => void) | undefined;
  readonly beat: Beating;
  /** The helper's phone that counts. */
  readonly helped: Helped | null;
}) {
  const usual = padLook(plan, state, step);
  const look = helped?.outOfStep ? lostLook(usual, helped.outOfStep) : usual;
  const cue = beat.cue ?? helped?.cue ?? null;
  const atOnce = look.counts && onStroke && !cue ? look.atOnce : 0;
  const short = useShortScreen();
  const words = useRef<View>(null);
  const called = beat.cue !== null;
  // It is begun further down the page: the word must be seen from then on.
  useEffect(() => {
    if (called)
      (words.current as unknown as HTMLElement | null)?.scrollIntoView({ block: 'center' });
  }, [called]);
  const body = (
    <View ref={words} style={styles.padBody}>
      {look.number !== null ? (
        <Numeral size={short || cue || helped ? 'large' : 'giant'}>{look.number}</Numeral>
      ) : null}
      {look.under ? <Words align="center">{look.under}</Words> : null}
      {cue ? (
        <>
          <View style={styles.word}>
            <Numeral size="large">{cue.word}</Numeral>
          </View>
          <Words align="center" accessibilityLiveRegion="polite">{`${cue.say}.`}</Words>
          {beat.why && cue.turn === 'control' ? (
            <Words size="small" tone="softWords" align="center">
              {beat.why}
            </Words>
          ) : null}
        </>
      ) : (
        <Words size="head" align="center" accessibilityLiveRegion="polite">
          {look.counts && otherCounts ? `${otherCounts} counts, on another phone` : look.call}
        </Words>
      )}
      {atOnce > 1 ? <Words size="small" align="center">{`Hold: ${atOnce} made`}</Words> : null}
      {cue ? (
        <Words size="small" tone="softWords" align="center">
          {helped
            ? [`${helped.name} counts`, look.next].filter(Boolean).join(' · ')
            : beat.press
              ? `Tap here: ${beat.press.label}`
              : 'You tap when it is shut; that counts.'}
        </Words>
      ) : look.next ? (
        <Words size="small" tone="softWords" align="center">
          {look.next}
        </Words>
      ) : null}
      {look.counts && onStroke && !cue ? <Key>Space</Key> : null}
      {atOnce > 1 ? <Key>Shift Space</Key> : null}
      {/* Each stroke is said with its number: the numeral alone is silent. */}
      {look.number !== null ? <Spoken>{`${look.number} ${look.under ?? ''}`}</Spoken> : null}
    </View>
  );
  const onPress = cue ? (helped ? undefined : beat.press?.onPress) : onStroke;
  if (!look.counts || !onPress)
    return (
      <View style={[styles.pad, short ? styles.short : null, look.loud ? styles.loud : null]}>
        {body}
      </View>
    );
  return (
    <Press
      role="button"
      aria-label={cue ? beat.press?.label : 'Count a stroke'}
      testID="count-pad"
      onPress={
        cue || !onStroke
          ? beat.press?.onPress
          : (e) => onStroke(atOnce > 1 && withShift(e) ? atOnce : 1)
      }
      onLongPress={atOnce > 1 ? () => onStroke?.(atOnce) : undefined}
      delayLongPress={LONG_MS}
      style={[styles.pad, short ? styles.short : null]}
      pressedStyle={{ backgroundColor: colour.well }}
    >
      {body}
    </Press>
  );
}

const styles = StyleSheet.create({
  pad: {
    flex: 1,
    minHeight: 210,
    borderWidth: 1,
    borderColor: colour.edge,
    justifyContent: 'center',
    marginVertical: SPACE.small,
  },
  short: { minHeight: 150 },
  loud: { borderWidth: 4, borderColor: colour.words },
  // Room for what hangs below the line.
  word: { paddingBottom: SPACE.small },
  padBody: { alignItems: 'center', gap: SPACE.hair, padding: SPACE.small },
});
