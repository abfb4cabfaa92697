import type { JobEvent } from '@brook/core/log';
import type { AskedStroke, Kept } from '@brook/core/run';
import { counted } from '@brook/core/text';
import { StyleSheet, View } from 'react-native';
import type { LiveRun } from '../data/run';
import type { RefusedEvent } from '../data/outbox';
import { clockTime } from '../ui/dates';
import { Press } from '../ui/Press';
import { Words } from '../ui/Words';
import { colour, SPACE } from '../ui/theme';
import { eventWords } from './eventWords';

/** What stands between phones and server, each with what can be done about it: the link, strokes of another phone, what was refused, whose tap an undo would take back. */
export function RunNotices({ run }: { readonly run: LiveRun }) {
  const { plans } = planLayouts(run);
  return (
    <>
      <LinkState run={run} />
      {run.undoAsked ? (
        <Asked
          say={`Nothing here is yours to take back. The last is ${whose(run.undoAsked)}: ${eventWords(plans, run.undoAsked)}.`}
          answers={[
            { label: `Take back ${run.undoAsked.person}’s`, onPress: () => run.answerUndo(true) },
            { label: 'Leave it', onPress: () => run.answerUndo(false) },
          ]}
        />
      ) : null}
      {run.state.asked.length > 0 ? <OtherStrokes run={run} /> : null}
      {run.refused.map((r) => (
        <Refused key={r.event.id} run={run} refused={r} words={eventWords(plans, r.event)} />
      ))}
    </>
  );
}

const planLayouts = (run: LiveRun) => ({
  plans: [...run.state.past.map((leg) => leg.plan), run.state.plan],
});

const whose = (e: Kept<JobEvent>): string => `${e.person}’s, ${clockTime(e.atMs)}`;

/** Strokes that another phone counted while this one does: their own, or the same ones. */
function OtherStrokes({ run }: { readonly run: LiveRun }) {
  const { asked } = run.state;
  const people = [...new Set(asked.map((a: AskedStroke) => a.person))].join(', ');
  const judge = (count: boolean) =>
    run.say({ kind: 'strokes judged', eventIds: asked.map((a) => a.eventId), count });
  const made = asked.reduce((sum, a) => sum + a.made, 0);
  const n = made === 1 ? 'a stroke' : `${made} strokes`;
  return (
    <Asked
      say={`Another phone (${people}) tapped ${n} meanwhile. Other strokes, or the same ones?`}
      answers={[
        { label: 'Others: count them', onPress: () => judge(true) },
        { label: 'The same', onPress: () => judge(false) },
      ]}
    />
  );
}

/** What the server refused: what it was, why, and the two ways on. */
function Refused({
  run,
  refused,
  words,
}: {
  readonly run: LiveRun;
  readonly refused: RefusedEvent;
  readonly words: string;
}) {
  return (
    <Asked
      say={`Not taken: ${words}, ${clockTime(refused.event.atMs)}. ${refused.sentence}`}
      answers={[
        { label: 'Drop it', onPress: () => run.dropRefused(refused.event.id) },
        { label: 'Do it again now', onPress: () => run.sayAgain(refused) },
      ]}
    />
  );
}

/** Why nothing is sent, where the server or this phone refuses it. */
function LinkState({ run }: { readonly run: LiveRun }) {
  if (run.link !== 'refused' || run.refusal === null) return null;
  if (run.waitsFor.length > 0)
    return (
      <Asked
        say={run.refusal}
        answers={[
          {
            label: `Set ${counted(
              run.waitsFor.reduce((sum, { taps }) => sum + taps, 0),
              'tap',
            )} aside`,
            onPress: run.setOthersAside,
          },
        ]}
      />
    );
  return (
    <View role="status" style={styles.notice}>
      <Words size="small" strong>
        {run.refusal}
      </Words>
    </View>
  );
}

function Asked({
  say,
  answers,
}: {
  readonly say: string;
  readonly answers: readonly { readonly label: string; readonly onPress: () => void }[];
}) {
  return (
    <View role="alert" style={styles.notice}>
      <Words size="small" strong>
        {say}
      </Words>
      <View style={styles.answers}>
        {answers.map((a) => (
          <Press key={a.label} role="button" onPress={a.onPress} style={styles.answer}>
            <Words size="small" strong align="center">
              {a.label}
            </Words>
          </Press>
        ))}
      </View>
    </View>
  );
}

const styles = StyleSheet.create({
  notice: {
    backgroundColor: colour.well,
    padding: SPACE.small,
    borderLeftWidth: 6,
    borderLeftColor: colour.words,
    gap: SPACE.small,
  },
  answers: { flexDirection: 'row', gap: SPACE.small },
  answer: { flex: 1, borderWidth: 1, borderColor: colour.edge, paddingHorizontal: SPACE.small },
});
