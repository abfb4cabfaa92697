import { unseenStrokes } from '@brook/core/job/log';
import { burstOf, type UncountedStroke } from '@brook/core/job/run';
import { counted } from '@brook/core/base/text';
import { StyleSheet, View } from 'react-native';
import { deviceId } from '../../data/device';
import type { LiveRun } from '../../data/run';
import type { RefusedEvent } from '../../data/outbox';
import { clockTime } from '../../ui/dates';
import { Words } from '../../ui/Words';
import { colour, SPACE } from '../../ui/theme';
import { Asked } from '../frame/Asked';
import { eventWords } from '../frame/eventWords';
import { UndoAsked } from '../frame/UndoAsked';

/** What stands between phones and server, each with what can be done about it: the link, strokes of another phone, what was refused, whose tap an undo would take back. */
export function RunNotices({ run }: { readonly run: LiveRun }) {
  const { plans } = planLayouts(run);
  const unseen = unseenStrokes(run.job, deviceId());
  return (
    <>
      <LinkState run={run} />
      <UndoAsked live={run} />
      {run.state.asked.length > 0 ? (
        <OtherStrokes run={run} />
      ) : unseen.length > 0 ? (
        <Unseen run={run} unseen={unseen} />
      ) : (
        <Burst run={run} />
      )}
      {run.refused.map((r) => (
        <Refused key={r.event.id} run={run} refused={r} words={eventWords(plans, r.event)} />
      ))}
    </>
  );
}

const planLayouts = (run: LiveRun) => ({
  plans: [...run.state.past.map((leg) => leg.plan), run.state.plan],
});

/** Strokes that another phone counted while this one does: their own, or the same ones. */
function OtherStrokes({ run }: { readonly run: LiveRun }) {
  const { asked } = run.state;
  const people = [...new Set(asked.map((a: UncountedStroke) => a.person))].join(', ');
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

/** What a helper's phone had counted and this one had not seen when it went on by voice: the last of it may have been counted twice. */
function Unseen({
  run,
  unseen,
}: {
  readonly run: LiveRun;
  readonly unseen: ReturnType<typeof unseenStrokes>;
}) {
  const eventIds = unseen.map((e) => e.id);
  const made = unseen.reduce((sum, e) => sum + (e.made ?? 1), 0);
  const people = [...new Set(unseen.map((e) => e.person))].join(', ');
  return (
    <Asked
      say={`${people} had counted ${counted(made, 'stroke')} that this phone had not seen when it took over. Did you count ${made === 1 ? 'it' : 'them'} as well?`}
      answers={[
        {
          label: 'No: other strokes',
          onPress: () => run.say({ kind: 'strokes judged', eventIds, count: true }),
        },
        {
          label: 'Yes, the same',
          onPress: () => {
            for (const eventId of eventIds) run.say({ kind: 'undone', eventId });
          },
        },
      ]}
    />
  );
}

/** Taps faster than anybody makes strokes: the phone may have been in a pocket. */
function Burst({ run }: { readonly run: LiveRun }) {
  const eventIds = burstOf(run.state, deviceId());
  if (eventIds.length === 0) return null;
  return (
    <Asked
      say={`${eventIds.length} strokes in a moment. Were they made?`}
      answers={[
        {
          label: 'Yes, count them',
          onPress: () => run.say({ kind: 'strokes judged', eventIds, count: true }),
        },
        {
          label: 'No, take them back',
          onPress: () => {
            for (const eventId of eventIds) run.say({ kind: 'undone', eventId });
          },
        },
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

const styles = StyleSheet.create({
  notice: {
    backgroundColor: colour.well,
    padding: SPACE.small,
    borderLeftWidth: 6,
    borderLeftColor: colour.words,
    gap: SPACE.small,
  },
});
