import { inRange, rangeWords } from '@brook/core/base/units';
import { stageWords, type PlanStage, toolNext, type ToolWitness } from '@brook/core/bleed/stages';
import { controlOf } from '@brook/core/bleed/plan';

import {
  BATTERY_V,
  TOOL_UNMET_WORDS,
  toolStepWords,
  toolUnmet,
  type ToolCheck,
  type ToolNext,
  type ToolStep,
} from '@brook/core/bleed/scanTool';
import { useState, type ReactNode } from 'react';
import { StyleSheet, View } from 'react-native';
import type { LiveRun } from '../../data/run';
import {
  PRACTICE_TOOL_WAYS,
  practiceTool,
  type PracticeToolWay,
} from '../side/instruments/practice';
import { useScanTool, type ToolLink } from '../side/instruments/useScanTool';
import { ActionBar } from '../../ui/ActionBar';
import { capital } from '@brook/core/base/text';
import { Button } from '../../ui/Button';
import { Choice } from '../../ui/Choice';
import { Field } from '../../ui/Field';
import { More } from '../../ui/More';
import { Caution } from '../../ui/Notice';
import { Numeral } from '../../ui/Numeral';
import { Words } from '../../ui/Words';
import { colour, SPACE } from '../../ui/theme';
import { typedNumber } from '../../ui/typedNumber';
import { useNow } from '../../ui/useNow';
import { OwnStage } from './OwnStage';
import { StageFrame, undoOf, type StageProps } from './StageFrame';

export interface ToolStageProps extends StageProps {
  readonly stage: Extract<PlanStage, { kind: 'tool cycle' }>;
}

/** The tool-driven cycle: check, wheel by wheel with the pump's pauses, codes once more; read off by hand or practised with a stand-in. */
export function ToolStage({ action, ...props }: ToolStageProps & { readonly action: ReactNode }) {
  return props.stage.atHand ? <AtHand {...props} /> : <OwnStage {...props} action={action} />;
}

function AtHand({ stage, ...rest }: ToolStageProps) {
  const { plan, run } = rest;
  const [by, setBy] = useState<Exclude<ToolWitness, 'tool'>>('by hand');
  const [way, setWay] = useState<PracticeToolWay>('well');
  const tool = useScanTool();
  const next = toolNext(plan, stage, saidIn(run, stage.id));
  const put = (check: ToolCheck) => run.say({ kind: 'tool checked', stageId: stage.id, by, check });
  const common = { run, stage, by, tool, put };
  const choice = (
    <>
      <Choice
        compact
        question="Who drives the tool?"
        chosen={by}
        options={[
          { value: 'by hand', label: 'I do, by hand' },
          { value: 'practice', label: 'Stand-in, practice' },
        ]}
        onChoose={(who) => {
          tool.disconnect();
          setBy(who);
        }}
      />
      {by === 'practice' ? (
        <>
          <Caution title="Practice: it reaches no vehicle">
            What is done with the stand-in counts as left out, and shows at the gate.
          </Caution>
          {tool.link === 'off' || tool.link === 'lost' ? (
            <Choice
              compact
              question="How should it behave?"
              stacked
              options={PRACTICE_TOOL_WAYS.map((w) => ({ value: w, label: w }))}
              chosen={way}
              onChoose={setWay}
            />
          ) : null}
        </>
      ) : null}
      {tool.problem ? <Caution title={tool.problem} /> : null}
    </>
  );
  const frame = (action: ReactNode, body: ReactNode) => (
    <StageFrame {...rest} stage={stage} action={action}>
      {body}
      {choice}
    </StageFrame>
  );
  if (next.kind === 'step')
    return (
      <Step
        {...common}
        next={next}
        words={toolStepWords(plan.layout, next.step, controlOf(plan))}
        onConnect={() => tool.connect(practiceTool(way), put)}
        frame={frame}
      />
    );
  const when = next.kind === 'check' ? next.when : 'after';
  const about =
    when === 'before' ? (
      <Caution title={stageWords(plan, stage).why} />
    ) : (
      <Words>Every wheel is through. The codes are read once more.</Words>
    );
  if (by === 'practice') {
    const on = tool.link === 'on';
    return frame(
      <ActionBar
        label={on ? 'Read battery and codes' : 'Connect the stand-in'}
        busy={tool.busy}
        onPress={() => (on ? tool.check(put) : tool.connect(practiceTool(way), put))}
        side={undoOf(run)}
      />,
      about,
    );
  }
  return (
    <CheckByHand key={`${when}-${run.state.log.length}`} {...common} about={about} frame={frame} />
  );
}

/** What was said in a stage of the tool so far. */
const saidIn = (run: LiveRun, stageId: string) =>
  (run.state.stages[stageId]?.said ?? []).flatMap((e) =>
    e.kind === 'tool checked' || e.kind === 'tool step' ? [e] : [],
  );

type Frame = (action: ReactNode, body: ReactNode) => ReactNode;
interface Common {
  readonly run: LiveRun;
  readonly stage: ToolStageProps['stage'];
  readonly by: ToolWitness;
  readonly tool: ToolLink;
  readonly put: (check: ToolCheck) => void;
  readonly frame: Frame;
}

const IGNITION = [
  { value: 'on', label: 'On' },
  { value: 'off', label: 'Off' },
  { value: 'engine running', label: 'Engine runs' },
] as const;

/** Battery, ignition and codes as somebody reads them off; nothing is assumed. */
function CheckByHand({ run, put, about, frame }: Common & { readonly about: ReactNode }) {
  const [battery, setBattery] = useState('');
  const [ignition, setIgnition] = useState<ToolCheck['ignition'] | null>(null);
  const [anyCode, setAnyCode] = useState<'yes' | 'no' | null>(null);
  const [codes, setCodes] = useState('');
  const batteryV = typedNumber(battery);
  const typed = codes
    .split(',')
    .map((c) => c.trim())
    .filter(Boolean);
  const batteryFault =
    battery.trim() !== '' && !inRange(BATTERY_V, batteryV)
      ? `Give ${rangeWords(BATTERY_V)}.`
      : null;
  const waitsFor = !inRange(BATTERY_V, batteryV)
    ? 'Battery voltage'
    : ignition === null
      ? 'Say how the ignition is'
      : anyCode === null
        ? 'Say whether a code stands'
        : anyCode === 'yes' && typed.length === 0
          ? 'Put the code down'
          : null;
  const check: ToolCheck | null =
    waitsFor === null
      ? { batteryV, ignition: ignition!, codes: anyCode === 'yes' ? typed : [] }
      : null;
  return frame(
    <ActionBar
      label="Record it"
      waitsFor={waitsFor}
      onPress={() => check && put(check)}
      side={undoOf(run)}
    />,
    <>
      {about}
      <Field
        label="Battery, ignition on"
        unit="V"
        inputMode="decimal"
        value={battery}
        onChange={setBattery}
        fault={batteryFault}
      />
      <Choice
        compact
        question="Ignition"
        options={IGNITION}
        chosen={ignition}
        onChoose={setIgnition}
      />
      <Choice
        compact
        question="Does a fault code stand?"
        options={[
          { value: 'no', label: 'None' },
          { value: 'yes', label: 'Yes' },
        ]}
        chosen={anyCode}
        onChoose={setAnyCode}
      />
      {anyCode === 'yes' ? (
        <Field
          label="Codes as the tool words them"
          why="Several: with commas between them."
          value={codes}
          onChange={setCodes}
          maxLength={400}
        />
      ) : null}
      {check ? toolUnmet(check).map((u) => <Caution key={u} title={TOOL_UNMET_WORDS[u]} />) : null}
    </>,
  );
}

interface StepProps extends Common {
  readonly next: Extract<ToolNext, { kind: 'step' }>;
  readonly words: ReturnType<typeof toolStepWords>;
  readonly onConnect: () => void;
}

/** One step of one wheel; while the pump cools the seconds stand there instead of the call. */
function Step({ run, stage, by, tool, next, words, onConnect, frame }: StepProps) {
  const nowMs = useNow(next.notBeforeMs !== null);
  const coolsS =
    next.notBeforeMs === null ? 0 : Math.max(0, Math.ceil((next.notBeforeMs - nowMs) / 1000));
  const cools = next.step.act === 'pump' && coolsS > 0;
  const say = (done: boolean, why: string | null) =>
    run.say({ kind: 'tool step', stageId: stage.id, stepId: next.step.id, by, done, why });
  const action =
    by === 'practice' && tool.link !== 'on' ? (
      <ActionBar
        label="Connect the stand-in"
        busy={tool.busy}
        onPress={onConnect}
        side={undoOf(run)}
      />
    ) : (
      <ActionBar
        label={by === 'practice' ? 'Run this step' : 'The tool says done'}
        busy={tool.busy}
        waitsFor={cools ? `The pump cools: ${coolsS} s` : null}
        side={undoOf(run)}
        onPress={() =>
          by === 'practice'
            ? tool.run(next.step, (o) => say(o.done, o.done ? null : o.why))
            : say(true, null)
        }
      />
    );
  return frame(
    action,
    <>
      <View style={[styles.pad, cools ? null : styles.loud]}>
        <Words align="center">{`${next.number} of ${next.of}`}</Words>
        <Words strong align="center" heading={3}>
          {capital(words.title)}
        </Words>
        {cools ? <Numeral size="giant">{String(coolsS)}</Numeral> : null}
        <Words size="head" align="center" accessibilityLiveRegion="polite">
          {cools ? 's until the pump has cooled' : words.call}
        </Words>
        <Words size="small" tone="softWords" align="center">
          {words.say}
        </Words>
      </View>
      {by === 'by hand' ? <Stopped step={next.step} onStopped={(why) => say(false, why)} /> : null}
    </>,
  );
}

const WHY_STOPPED = [
  'Pedal or lever let go',
  'Battery low',
  'Pump hot',
  'The tool does not say',
] as const;

/** The tool broke a step off: why, one tap; the run halts on it. */
function Stopped({
  step,
  onStopped,
}: {
  readonly step: ToolStep;
  readonly onStopped: (why: string) => void;
}) {
  return (
    <More
      key={step.id}
      title="The tool stopped"
      about="The run halts; the check is read again before the step is repeated"
    >
      <View style={{ gap: SPACE.small }}>
        {WHY_STOPPED.map((why) => (
          <Button key={why} label={why} onPress={() => onStopped(why)} />
        ))}
      </View>
    </More>
  );
}

const styles = StyleSheet.create({
  pad: {
    borderWidth: 1,
    borderColor: colour.edge,
    padding: SPACE.medium,
    gap: SPACE.small,
    alignItems: 'center',
  },
  loud: { borderWidth: 4, borderColor: colour.words },
});
