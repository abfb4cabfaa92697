import { CLOCK_WORDS } from '@brook/core/base/clock';
import { tryNext } from '@brook/core/job/run';
import { TRY_WORDS, type Try } from '@brook/core/job/events';
import type { PlanOpening } from '@brook/core/bleed/stages';
import type { LiveRun } from '../../data/run';
import { Asked } from '../frame/Asked';

/** Where bubbles stay the same, what to try next: the least effort first. It comes up by itself. */
export function TryNext({
  run,
  opening,
  onWrong,
}: {
  readonly run: LiveRun;
  readonly opening: PlanOpening;
  readonly onWrong: () => void;
}) {
  const b = run.state.bleeders.find((x) => x.openingId === opening.id);
  const what = b && tryNext(opening, b);
  if (!what) return null;
  const say = (done: boolean) => run.say({ kind: 'tried', openingId: opening.id, what, done });
  const wait = () => {
    const [minutes] = CLOCK_WORDS.settling.offers;
    run.say({
      kind: 'clock started',
      clock: 'settling',
      minutes: minutes!,
      elementId: opening.bleeder.id,
    });
    say(true);
  };
  const { title, why } = wordsAt(opening, what);
  return (
    <Asked
      say={`Three looks, the same bubbles. Try: ${title}. ${why}`}
      answers={[
        what === 'another method'
          ? { label: 'Something is wrong', onPress: onWrong }
          : what === 'wait'
            ? { label: 'Start the half hour', onPress: wait }
            : { label: 'Done', onPress: () => say(true) },
        { label: 'Not here', onPress: () => say(false) },
      ]}
    />
  );
}

/** In the word of what is worked at this bleeder. */
function wordsAt({ control }: PlanOpening, what: Try): (typeof TRY_WORDS)[Try] {
  const words = TRY_WORDS[what];
  return what === 'flick it' ? { ...words, title: `Flick the ${control}` } : words;
}
