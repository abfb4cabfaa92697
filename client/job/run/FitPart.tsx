import { nameOf } from '@brook/core/bleed/scope';
import { useState } from 'react';
import { JobFoot } from '../side/JobFoot';
import { JobHead } from '../frame/JobHead';
import { ANSWERS, type Answer } from '../plan/answers';
import { JointHere } from '../side/torque/JointHere';
import { ActionBar } from '../../ui/ActionBar';
import { Choice } from '../../ui/Choice';
import { Caution } from '../../ui/Notice';
import { Page } from '../../ui/Page';
import { Words } from '../../ui/Words';
import { SomethingWrongButton } from './Halted';
import { undoOf, type StageProps } from './StageFrame';

/** A part that was still to be done when the plan was made: off, on, and how it went. Not knowing counts as no. */
export function FitPart({
  job,
  plan,
  run,
  partId,
  band,
  link,
  onWrong,
}: StageProps & { readonly partId: string }) {
  const [capped, setCapped] = useState<Answer | null>(null);
  const [full, setFull] = useState<Answer | null>(null);
  return (
    <Page
      band={band}
      action={
        <ActionBar
          label="It is fitted"
          waitsFor={capped && full ? null : 'Fit it, then say how it went'}
          side={undoOf(run)}
          onPress={() =>
            run.say({
              kind: 'part fitted',
              partId,
              cappedAtOnce: capped === 'yes',
              keptFull: full === 'yes',
            })
          }
        />
      }
    >
      <JobHead job={job} />
      {link}
      <Words size="head" heading={2}>
        {`Now the part: ${nameOf(plan.layout, partId)}`}
      </Words>
      <Caution title="Cap the line at once, keep the reservoir full">
        Then only what hangs on it need be bled. A block holds the pistons before the pedal or lever
        is moved.
      </Caution>
      <Choice
        question="Line capped at the joint at once?"
        options={ANSWERS}
        chosen={capped}
        onChoose={setCapped}
      />
      <Choice
        question="Reservoir kept full throughout?"
        options={ANSWERS}
        chosen={full}
        onChoose={setFull}
      />
      <JointHere job={job} plan={plan} live={run} elementId={partId} />
      <SomethingWrongButton onPress={onWrong} />
      <JobFoot job={job} />
    </Page>
  );
}
