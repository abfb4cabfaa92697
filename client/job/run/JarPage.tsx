import type { Job } from '@brook/contract';
import { emptyOnWayMl, wayTo } from '@brook/core/fluid/inside';
import {
  flowLookAfterS,
  foldEvent,
  jarFault,
  jarSays,
  nextStep,
  type JarSays,
  type RunState,
} from '@brook/core/job/run';
import type { PlanOpening } from '@brook/core/bleed/stages';
import { bleederName } from '@brook/core/vehicle/circuit';
import { capital } from '@brook/core/base/text';
import { useState, type ReactNode } from 'react';
import type { LiveRun } from '../../data/run';
import { PageHead } from '../frame/PageHead';
import { ActionBar } from '../../ui/ActionBar';
import { Button } from '../../ui/Button';
import { Field } from '../../ui/Field';
import { Caution } from '../../ui/Notice';
import { Page } from '../../ui/Page';
import { typedNumber } from '../../ui/typedNumber';
import { Words } from '../../ui/Words';
import { takeCount } from './countStroke';
import { LevelChoices } from './LevelLook';

/** The page of a run on which the jar is read, in its address. */
export const JAR_PAGE = 'jar';

/** What a jar holds at the most, mL. */
const JAR_ML = 5000;

/** The jar is read instead of strokes being counted: count and reservoir follow from it. */
export function JarPage({
  job,
  run,
  opening,
  band,
  onClose,
}: {
  readonly job: Job;
  readonly run: LiveRun;
  readonly opening: PlanOpening;
  readonly band: ReactNode;
  readonly onClose: () => void;
}) {
  const { state } = run;
  const [typed, setTyped] = useState('');
  const [first, setFirst] = useState('0');
  const [level, setLevel] = useState<string | null>(null);
  const [comes, setComes] = useState(false);
  const inItMl = typedNumber(typed);
  const firstMl = state.jar.seen ? 0 : typedNumber(first);
  const said = inItMl >= 0 && inItMl <= JAR_ML && firstMl >= 0 && firstMl <= JAR_ML;
  const fault = !said
    ? typed.trim() === ''
      ? null
      : `Give 0 to ${JAR_ML} mL.`
    : inItMl < firstMl
      ? `${firstMl} mL stood in it at first; give as much or more.`
      : jarFault(state, opening, inItMl - firstMl);
  const after = said && !fault ? preview(state, opening, inItMl - firstMl) : null;
  const says = after?.says ?? null;
  const reservoir = state.plan.reservoirs.find((b) => b.id === opening.reservoirId)!;
  const empty = emptyOnWayMl(state.empties, wayTo(state.plan.layout, opening.bleeder.id)) > 0;
  const counts = () => {
    if (!run.counts || state.counting?.way !== 'jar') takeCount(run, 'jar');
  };
  const running = state.bleeders.find((b) => b.openingId === opening.id)?.flow != null;
  const read = () => {
    counts();
    run.say({ kind: 'jar read', openingId: opening.id, jarMl: inItMl - firstMl });
    // From here on by what can be read on it.
    if (firstMl > 0) run.say({ kind: 'jar set', jarMl: inItMl });
    // It ran on meanwhile: the clock begins anew from what is known now.
    if (running && after?.lookAfterS != null)
      run.say({ kind: 'flow set', openingId: opening.id, lookAfterS: after.lookAfterS });
  };
  const look = () => {
    counts();
    run.say({
      kind: 'level seen',
      openingId: opening.id,
      levelMl: Number(level),
      fluidComes: comes,
    });
    onClose();
  };
  const ranDry = () => {
    read();
    run.say({ kind: 'halted', reason: 'ran dry', openingId: opening.id });
    onClose();
  };
  const filled = () => {
    read();
    run.say({ kind: 'topped up', reservoirId: reservoir.id, containerId: null });
    onClose();
  };
  const byLevel = level !== null && typed.trim() === '';
  return (
    <Page
      band={band}
      action={
        <ActionBar
          label={
            byLevel
              ? 'Looked, go on'
              : running && after?.lookAfterS != null
                ? 'That is in it, it runs on'
                : 'That is in it'
          }
          waitsFor={
            byLevel || (says && !says.belowOutlet)
              ? null
              : says
                ? 'Say below what the reservoir does'
                : 'Give what stands in the jar'
          }
          onPress={
            byLevel
              ? look
              : () => {
                  read();
                  onClose();
                }
          }
          side={{ label: 'Back', onPress: onClose }}
        />
      }
    >
      <PageHead
        vehicle={[job.vehicleName, job.vehicleTag].filter(Boolean).join(' · ')}
        question="How much stands in the jar?"
      />
      <Words tone="softWords">
        {`${capital(bleederName(opening.bleeder))} in hand. By the count ${Math.round(state.jar.standsMl)} mL. The jar is right: strokes and reservoir follow from it. Bubbles and colour are still looked at.`}
      </Words>
      <Field
        large
        label="In the jar now"
        unit="mL"
        inputMode="decimal"
        autoFocus
        value={typed}
        onChange={setTyped}
        fault={fault}
      />
      {state.jar.seen ? (
        <Button
          small
          label="It was emptied: 0 mL from here"
          onPress={() => run.say({ kind: 'jar set', jarMl: 0 })}
        />
      ) : (
        <Field
          label="Of that, there before the first stroke"
          why="Such as the inch of fluid that covers the end of the hose."
          unit="mL"
          inputMode="decimal"
          value={first}
          onChange={setFirst}
        />
      )}
      {says ? <Words strong>{saysWords(says, opening)}</Words> : null}
      {says?.belowOutlet ? (
        <>
          <Caution
            title={`By that the ${reservoir.name.toLowerCase()} would stand below its outlets.`}
          />
          <Button label="It was filled meanwhile, and stands at MAX" onPress={filled} />
          <Button label="It ran dry" onPress={ranDry} />
        </>
      ) : null}
      {empty ? (
        <>
          <Words strong>Nothing in the jar yet? Look into the reservoir instead.</Words>
          <LevelChoices
            reservoir={reservoir}
            nowMl={state.levelMl[reservoir.id]!}
            level={level}
            onLevel={setLevel}
            comes={comes}
            onComes={setComes}
          />
        </>
      ) : null}
    </Page>
  );
}

/** What a look would say, and how long a flow may run on after it. */
function preview(
  state: RunState,
  opening: PlanOpening,
  jarMl: number,
): { readonly says: JarSays; readonly lookAfterS: number | null } {
  const event = { id: 'preview', deviceId: '', deviceSeq: 0, atMs: 0, planId: state.plan.id };
  const after = foldEvent(state, {
    ...event,
    kind: 'jar read',
    openingId: opening.id,
    jarMl,
    person: '',
  });
  return {
    says: jarSays(state, after, opening),
    lookAfterS: flowLookAfterS(after, nextStep(after)),
  };
}

/** Against what, which way, by how much. */
function saysWords({ moreMl, moreStrokes, strokes }: JarSays, opening: PlanOpening): string {
  const ml = Math.round(Math.abs(moreMl));
  const n = Math.abs(moreStrokes);
  const word = n === 1 ? opening.counted.slice(0, -1) : opening.counted;
  const by =
    ml === 0
      ? 'As counted'
      : `${ml} mL ${moreMl > 0 ? 'more' : 'less'} than counted: ${n} ${word} ${moreMl > 0 ? 'more' : 'fewer'} here, the reservoir ${moreMl > 0 ? 'lower' : 'higher'} by as much`;
  return `${by}. ${strokes} of ${opening.strokes.value} made.`;
}
