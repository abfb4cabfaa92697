import type { JobEvent, Logged } from '@brook/core/job/events';
import { plansOf } from '@brook/core/job/run';
import type { LiveJob } from '../../data/run';
import { clockTime } from '../../ui/dates';
import { Asked } from './Asked';
import { eventWords } from './eventWords';

/** Whose an event was, and when. */
const whose = (e: Logged<JobEvent>): string => `${e.person}’s, ${clockTime(e.atMs)}`;

/** What an undo asks before it takes anything back: whether it is another's, and of a pour whether it went in. */
export function UndoAsked({
  live,
}: {
  readonly live: Pick<LiveJob, 'job' | 'undoAsked' | 'answerUndo' | 'pourAsked' | 'answerPour'>;
}) {
  const plans = live.job.run ? plansOf(live.job.run) : [];
  return (
    <>
      {live.undoAsked ? (
        <Asked
          say={`Nothing here is yours to take back. The last is ${whose(live.undoAsked)}: ${eventWords(plans, live.undoAsked)}.`}
          answers={[
            { label: `Take back ${live.undoAsked.person}’s`, onPress: () => live.answerUndo(true) },
            { label: 'Leave it', onPress: () => live.answerUndo(false) },
          ]}
        />
      ) : null}
      {live.pourAsked ? (
        <Asked
          say={`Take back ${eventWords(plans, live.pourAsked)}? What went in stays in: did it?`}
          answers={[
            { label: 'It went in', onPress: () => live.answerPour(true) },
            { label: 'Nothing was poured', onPress: () => live.answerPour(false) },
          ]}
        />
      ) : null}
    </>
  );
}
