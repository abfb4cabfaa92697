import { capital } from '@brook/core/base/text';
import { bleederName } from '@brook/core/vehicle/circuit';
import type { NextStep } from '@brook/core/job/run';
import type { LiveRun } from '../../data/run';
import { countStroke, takeCount } from './countStroke';
import type { Helped } from './useHelped';
import { ActionBar, PromptBar } from '../../ui/ActionBar';
import { DeliberateButton } from '../../ui/DeliberateButton';

export interface RunActionProps {
  readonly step: NextStep;
  readonly run: LiveRun;
  readonly onProof: () => void;
  /** The container that is poured from. */
  readonly containerId: string | null;
  /** The helper's phone that counts. */
  readonly helped: Helped | null;
  /** To where the jar is read, and whether this phone counts by it. */
  readonly onJar: () => void;
  readonly byJar: boolean;
}

/** The one next action of a run, with undo beside it. */
export function RunAction({
  step,
  run,
  onProof,
  containerId,
  helped,
  onJar,
  byJar,
}: RunActionProps) {
  const side = {
    label: 'Undo',
    shortcut: 'u',
    onPress: run.undo,
    disabled: run.state.log.length === 0 && run.waiting === 0,
  };
  switch (step.kind) {
    case 'prepare':
      return (
        <ActionBar
          label={step.step === 'fill reservoir' ? 'Filled to MAX' : 'Done'}
          onPress={() =>
            run.say(
              step.step === 'fill reservoir' || step.step === 'clean reservoir'
                ? { kind: 'prepared', step: step.step, containerId }
                : { kind: 'prepared', step: step.step },
            )
          }
          side={side}
        />
      );
    case 'stage':
      // Without a tool here the vehicle goes to somebody who has one: only then is it through.
      return (
        <ActionBar
          label={
            step.stage.kind === 'tool cycle'
              ? 'It was cycled, and is back'
              : step.stage.kind === 'hold point'
                ? 'Firm, high, and it holds'
                : 'Done'
          }
          onPress={() => run.say({ kind: 'stage done', stageId: step.stage.id })}
          side={side}
        />
      );
    case 'stroke':
    case 'more strokes':
      if (helped?.cue) return <PromptBar prompt={`${helped.name} counts`} side={side} />;
      if (!run.counts)
        return (
          <ActionBar
            label={helped ? 'Go on by voice' : 'Count on this phone'}
            onPress={() => takeCount(run, 'tap')}
            side={side}
          />
        );
      if (byJar) return <ActionBar label="Read the jar" onPress={onJar} side={side} />;
      return (
        <ActionBar
          label={step.opening.counted === 'strokes' ? 'One stroke made' : 'One mark further'}
          onPress={() => countStroke(run, step.opening.id)}
          side={side}
        />
      );
    case 'flow':
      return <ActionBar label="Read the jar" onPress={onJar} side={side} />;
    case 'top up':
      return <PromptBar prompt="Pour first, then press above" side={side} />;
    case 'draw off':
      return <PromptBar prompt="Draw off first, then press above" side={side} />;
    case 'pressure':
      return (
        <PromptBar
          prompt={step.on ? 'Look at the cap, then press above' : 'See the gauge, then press above'}
          side={side}
        />
      );
    case 'ready syringe':
      return <PromptBar prompt="No air in the tube, tied, then press above" side={side} />;
    case 'read':
      return (
        <PromptBar
          prompt={
            step.missing.includes('bubbles not read')
              ? 'Tap the bubbles above'
              : 'Tap the colour above'
          }
          side={side}
        />
      );
    case 'shut':
      return (
        <ActionBar
          label={`${capital(bleederName(step.opening.bleeder))}: shut, cap on`}
          onPress={() =>
            run.say({ kind: 'shut', openingId: step.opening.id, tightened: 'by feel' })
          }
          side={side}
        />
      );
    case 'shut early':
      return (
        <ActionBar
          label="Open it again, go on"
          onPress={() => openAgain(run, step.opening.id)}
          side={side}
        />
      );
    case 'last fill':
      return (
        <ActionBar
          label="Filled"
          onPress={() =>
            run.say({ kind: 'topped up', reservoirId: step.reservoir.id, containerId })
          }
          side={side}
        />
      );
    case 'finished':
      return (
        <ActionBar label="On to the proof" onPress={onProof} side={side} busy={run.waiting > 0} />
      );
    case 'fit part':
    case 'master joined':
    case 'fill way':
    case 'decide':
    case 'ended':
      return null;
  }
}

/** What interrupts the count is never answered where the count was: a finger that taps on confirms nothing. */
export function LevelAction({
  step,
  run,
  containerId,
}: Omit<RunActionProps, 'onProof' | 'helped' | 'onJar' | 'byJar'>) {
  if (step.kind === 'top up')
    return (
      <DeliberateButton
        key={`top up ${step.reservoir.id}`}
        label="Topped up to MAX"
        onPress={() => run.say({ kind: 'topped up', reservoirId: step.reservoir.id, containerId })}
      />
    );
  if (step.kind === 'pressure')
    return (
      <DeliberateButton
        key={`pressure ${step.on}`}
        label={step.on ? 'Under pressure, cap dry' : 'Gauge at zero'}
        onPress={() => run.say({ kind: 'pressure set', on: step.on })}
      />
    );
  if (step.kind === 'ready syringe')
    return (
      <DeliberateButton
        key="ready syringe"
        label="No air in its tube, joined, tied"
        onPress={() => run.say({ kind: 'syringe readied', openingId: step.opening.id })}
      />
    );
  if (step.kind === 'draw off')
    return (
      <DeliberateButton
        key={`draw off ${step.reservoir.id}`}
        label="Drawn off to half"
        onPress={() => run.say({ kind: 'drawn off', reservoirId: step.reservoir.id })}
      />
    );
  return null;
}

/** A bleeder is open again when its shut is taken back. */
function openAgain(run: LiveRun, openingId: string): void {
  const shut = run.state.log.filter((e) => e.kind === 'shut' && e.openingId === openingId).at(-1);
  if (shut) run.say({ kind: 'undone', eventId: shut.id });
}
