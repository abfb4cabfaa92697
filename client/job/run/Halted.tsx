import { stageTitle, type PlanOpening } from '@brook/core/bleed/stages';
import type { Job } from '@brook/contract';
import { bleederName } from '@brook/core/vehicle/circuit';
import { type Plan } from '@brook/core/bleed/plan';
import { whatFollows, type Halt } from '@brook/core/job/run';
import {
  DECISION_WORDS,
  DECISIONS_ON,
  HALT_WORDS,
  HALTS_AT_BLEEDER,
  MENDABLE,
  type Decision,
  type HaltReason,
} from '@brook/core/job/events';
import { capital } from '@brook/core/base/text';
import { memo, useMemo, useState, type ReactNode } from 'react';
import { StyleSheet, View } from 'react-native';
import type { LiveRun } from '../../data/run';
import { FaultList } from '../side/faults/FaultList';
import { JobFoot } from '../side/JobFoot';
import { JobHead } from '../frame/JobHead';
import { Mended } from './Mended';
import { SizeFound } from './SizeFound';
import { ActionBar } from '../../ui/ActionBar';
import { Choice } from '../../ui/Choice';
import { DriveMark } from '../../ui/DriveMark';
import { FigureRow } from '../../ui/FigureValue';
import { Caution, Stop } from '../../ui/Notice';
import { Page } from '../../ui/Page';
import { Press } from '../../ui/Press';
import { Words } from '../../ui/Words';
import { UndoAsked } from '../frame/UndoAsked';
import { colour, SPACE } from '../../ui/theme';

/** The run stands still until somebody has decided. What a decision would bring is shown before it is put down. */
export function Halted({
  job,
  run,
  halt,
  band,
}: {
  readonly job: Job;
  readonly run: LiveRun;
  readonly halt: Halt;
  readonly band: ReactNode;
}) {
  const [decision, setDecision] = useState<Decision | null>(null);
  const bleeder = run.state.plan.openings.find((s) => s.id === halt.openingId)?.bleeder;
  const follows = useMemo(
    () =>
      decision === null || decision === 'go on' || decision === 'end job'
        ? null
        : whatFollows(run.state, halt, decision),
    [run.state, halt, decision],
  );
  const refused = follows !== null && 'refusals' in follows;
  // What must not be forced is found out first: then the list stands open, before what is decided.
  const forced = halt.reason === 'nothing comes';
  const causes = <FaultList signs={[halt.reason]} layout={job.layout} open={forced} />;
  return (
    <Page
      band={band}
      action={
        <ActionBar
          label="Record it"
          waitsFor={
            !decision
              ? 'Choose what is done about it'
              : refused
                ? 'This cannot be done; choose another'
                : null
          }
          onPress={() =>
            decision && !refused && run.say({ kind: 'decided', haltId: halt.eventId, decision })
          }
          side={{ label: 'Undo', onPress: run.undo }}
        />
      }
    >
      <JobHead job={job} />
      <UndoAsked live={run} />
      <Stop title={`${HALT_WORDS[halt.reason].title}${bleeder ? `, ${bleederName(bleeder)}` : ''}`}>
        {HALT_WORDS[halt.reason].say}
      </Stop>
      {forced ? causes : null}
      {MENDABLE.includes(halt.reason) ? <Mended run={run} halt={halt} /> : null}
      <Choice
        question={MENDABLE.includes(halt.reason) ? 'It cannot be mended here?' : 'What now?'}
        why="The decision stays on the record with your name."
        stacked
        chosen={decision}
        onChoose={setDecision}
        options={DECISIONS_ON[halt.reason].map((d) => ({
          value: d,
          label: DECISION_WORDS[d].title,
          about: DECISION_WORDS[d].follows,
        }))}
      />
      {refused ? (
        <Caution title="The rest cannot be planned like this">{follows.refusals.join(' ')}</Caution>
      ) : null}
      {follows && !refused ? (
        <Follows job={job} pouredMl={run.state.pouredMl} {...follows} />
      ) : null}
      {forced ? null : causes}
    </Page>
  );
}

/** The rest of the run as it would be: its stages, what is different, what it takes. */
function Follows({
  job,
  pouredMl,
  plan,
  before,
  changes,
}: {
  readonly job: Job;
  readonly pouredMl: number;
  readonly plan: Plan;
  readonly before: Plan | null;
  readonly changes: readonly string[];
}) {
  const label = (what: string, key: 'bledMl' | 'pouredMl' | 'minutes') =>
    before ? `${what}, before ${Math.round(before.totals[key].value)}` : what;
  const heldMl =
    job.pick?.kind === 'enough' ? job.pick.containers.reduce((sum, c) => sum + c.leftMl, 0) : 0;
  const shortMl = Math.ceil(pouredMl + plan.totals.pouredMl.value - heldMl);
  return (
    <View role="status" style={styles.follows}>
      <Words strong heading={2}>
        Then, from here
      </Words>
      {plan.stages.map((s) => (
        <Words
          key={s.id}
        >{`${stageTitle(plan.layout, s)}${s.kind === 'bleed' ? `: ${s.openingIds.map((id) => bleederName(plan.openings.find((x) => x.id === id)!.bleeder)).join(', ')}` : ''}`}</Words>
      ))}
      {changes.map((c) => (
        <Words key={c} size="small" tone="softWords">
          {c}
        </Words>
      ))}
      <FigureRow figure={plan.totals.bledMl} label={label('Still to bleed', 'bledMl')} />
      <FigureRow figure={plan.totals.pouredMl} label={label('Still to pour', 'pouredMl')} />
      <FigureRow figure={plan.totals.minutes} label={label('Hands on from here', 'minutes')} />
      {shortMl > 0 ? (
        <Caution title={`Fetch ${shortMl} mL more of ${plan.fillGrade}`}>
          The containers picked for this job do not hold enough. Put the other one down with the
          fluid at the end.
        </Caution>
      ) : null}
    </View>
  );
}

/** The way to say that something went wrong, always at hand during a run. */
export const SomethingWrongButton = memo(function SomethingWrongButton({
  onPress,
}: {
  readonly onPress: () => void;
}) {
  return (
    <Press
      role="button"
      onPress={onPress}
      style={styles.wrong}
      pressedStyle={{ backgroundColor: colour.well }}
    >
      <Words size="small" strong align="center">
        Something is wrong
      </Words>
    </Press>
  );
});

/** What went wrong, one tap; the run halts on it. */
export function SomethingWrong({
  job,
  run,
  opening,
  band,
  onClose,
}: {
  readonly job: Job;
  readonly run: LiveRun;
  readonly opening: PlanOpening | null;
  readonly band: ReactNode;
  readonly onClose: () => void;
}) {
  const [atWhich, setAtWhich] = useState<HaltReason | null>(null);
  const [sized, setSized] = useState(false);
  const halted = (reason: HaltReason, openingId: string | null) => {
    run.say({ kind: 'halted', reason, openingId });
    onClose();
  };
  if (sized) return <SizeFound run={run} opening={opening} band={band} onClose={onClose} />;
  return (
    <Page band={band} action={<ActionBar label="All is well: go on" onPress={onClose} />}>
      <View>
        <Words size="small" tone="softWords">
          {`${job.vehicleName}${opening ? ` · ${bleederName(opening.bleeder)}` : ''}`}
        </Words>
        <DriveMark state={job.vehicleDrive} />
        <Words size="head" heading={1}>
          {atWhich ? 'At which bleeder?' : 'What is wrong?'}
        </Words>
        <Words tone="softWords">
          {opening
            ? 'Shut the bleeder first. The run halts until you have decided.'
            : 'The run halts until you have decided.'}
        </Words>
      </View>
      <View style={styles.list}>
        {atWhich
          ? bleedersOf(run.state.plan).map((s) => (
              <Reason
                key={s.id}
                words={capital(bleederName(s.bleeder))}
                onPress={() => halted(atWhich, s.id)}
              />
            ))
          : HALTS_AT_BLEEDER.map((reason) => (
              <Reason
                key={reason}
                words={HALT_WORDS[reason].title}
                onPress={() =>
                  opening === null && AT_ONE.includes(reason)
                    ? setAtWhich(reason)
                    : halted(reason, opening?.id ?? null)
                }
              />
            ))}
        {atWhich ? null : <Reason words="A size is not as listed" onPress={() => setSized(true)} />}
      </View>
      <JobFoot job={job} />
    </Page>
  );
}

/** What is wrong at one bleeder: where none is in hand, it is asked which. */
const AT_ONE: readonly HaltReason[] = ['seized', 'snapped', 'nothing comes', 'grease'];

/** The first opening of each bleeder of a plan. */
const bleedersOf = ({ openings }: Plan): PlanOpening[] =>
  openings.filter((s, i) => openings.findIndex((x) => x.bleeder.id === s.bleeder.id) === i);

function Reason({ words, onPress }: { readonly words: string; readonly onPress: () => void }) {
  return (
    <Press
      role="button"
      style={styles.reason}
      pressedStyle={{ backgroundColor: colour.well }}
      onPress={onPress}
    >
      <Words strong>{words}</Words>
    </Press>
  );
}

const styles = StyleSheet.create({
  follows: {
    backgroundColor: colour.well,
    padding: SPACE.medium,
    borderLeftWidth: 6,
    borderLeftColor: colour.words,
    gap: SPACE.hair,
  },
  wrong: {
    borderWidth: 1,
    borderStyle: 'dashed',
    borderColor: colour.edge,
  },
  list: { gap: SPACE.small },
  reason: { borderWidth: 1, borderColor: colour.edge, paddingHorizontal: SPACE.medium },
});
