import type { BenchEnd } from '@brook/core/bleed/scope';
import { benchGrade, type BenchEvent } from '@brook/core/bleed/stages';
import { capital } from '@brook/core/base/text';
import { useState } from 'react';
import { JobFoot } from '../side/JobFoot';
import { JobHead } from '../frame/JobHead';
import {
  BENCH_OPTIONS,
  heldDownQuestion,
  kept,
  MASTER_QUESTIONS,
  type MasterAnswers,
} from '../plan/masterQuestions';
import { ANSWERS } from '../plan/answers';
import { ActionBar } from '../../ui/ActionBar';
import { Choice } from '../../ui/Choice';
import { Caution } from '../../ui/Notice';
import { Page } from '../../ui/Page';
import { Words } from '../../ui/Words';
import { SomethingWrongButton } from './Halted';
import { undoOf, type StageProps } from './StageFrame';

/** A master that was still to be changed when the plan was made: its lines are on, and how that went. Not knowing counts as not kept. */
export function MasterJoined({
  job,
  plan,
  run,
  masterId,
  band,
  link,
  onWrong,
}: StageProps & { readonly masterId: string }) {
  const [answers, setAnswers] = useState<Partial<MasterAnswers>>({});
  const master = plan.layout.masters.find((m) => m.id === masterId)!;
  const benched = plan.stages.find((s) => s.kind === 'bench' && s.masterId === masterId);
  // How the bench run ended was said there.
  const known = benched
    ? benchGrade(
        (run.state.stages[benched.id]?.said ?? []) as readonly BenchEvent[],
        master.chambers.map((c) => c.name),
      )
    : 'not done';
  const [said, setBench] = useState<BenchEnd | null>(null);
  const bench = known ?? said;
  const questions = MASTER_QUESTIONS.filter((q) => q.asks(plan.layout) && !q.knownBefore);
  const open = questions.find((q) => answers[q.key] === undefined);
  return (
    <Page
      band={band}
      action={
        <ActionBar
          label="It is joined"
          waitsFor={open || bench === null ? 'Say how it went' : null}
          side={undoOf(run)}
          onPress={() =>
            run.say({
              kind: 'master fitted',
              masterId,
              linesStayedFull: kept('linesStayedFull', answers),
              nothingElseOpened: kept('nothingElseOpened', answers),
              modulatorLostNothing: kept('modulatorLostNothing', answers),
              heldDown: kept('heldDown', answers),
              bench: bench!,
            })
          }
        />
      }
    >
      <JobHead job={job} />
      {link}
      <Words size="head" heading={2}>
        {`${capital(master.name)} joined: how did it go?`}
      </Words>
      <Caution title="Was every line on without losing its fluid?">
        Then no wheel need be opened. Where nobody knows, what hangs on it is bled.
      </Caution>
      {questions.map((q) => (
        <Choice
          key={q.key}
          question={
            q.key === 'heldDown'
              ? heldDownQuestion(master.control, plan.preferences.joinWay)
              : q.question
          }
          options={ANSWERS}
          chosen={answers[q.key] ?? null}
          onChoose={(a) => setAnswers({ ...answers, [q.key]: a })}
        />
      ))}
      {known !== null ? null : (
        <Choice
          question="How did the bench run end?"
          stacked
          options={BENCH_OPTIONS}
          chosen={bench}
          onChoose={setBench}
        />
      )}
      <SomethingWrongButton onPress={onWrong} />
      <JobFoot job={job} />
    </Page>
  );
}
