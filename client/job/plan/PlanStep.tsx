import type { Job, PlanChoices } from '@brook/contract';
import { bleederName } from '@brook/core/vehicle/circuit';
import { METHOD_VERDICT_WORDS, METHOD_WORDS } from '@brook/core/bleed/method';
import { ORDER_WORDS } from '@brook/core/bleed/order';
import {
  planChanges,
  refusalWords,
  reservoirsWords,
  type Plan,
  type PlanRefusal,
  type PlanResult,
} from '@brook/core/bleed/plan';
import { complains, nameOf, workTitle } from '@brook/core/bleed/scope';
import { useQueryClient } from '@tanstack/react-query';
import { useState, type ReactNode } from 'react';
import { StyleSheet, View } from 'react-native';
import { ApiProblem } from '../../data/api';
import { useJobAct } from '../../data/job';
import { ConflictPage } from '../../ui/forms/ConflictPage';
import { broughtTo, withTheirs, type Built } from '../../ui/forms/threeWay';
import { BackToHand } from '../frame/BackToHand';
import { TakenOver } from '../../vehicle/owes/TakenOver';
import { OldFluid } from './OldFluid';
import { PlanBrook } from '../frame/PlanBrook';
import { FaultList } from '../side/faults/FaultList';
import { JobFoot } from '../side/JobFoot';
import { JobHead } from '../frame/JobHead';
import type { StepProps } from '../frame/step';
import { ActionBar, PromptBar } from '../../ui/ActionBar';
import { FigureRow } from '../../ui/FigureValue';
import { Caution, Stop } from '../../ui/Notice';
import { Page, useWideScreen } from '../../ui/Page';
import { colour, SPACE } from '../../ui/theme';
import { Words } from '../../ui/Words';
import { ReservoirWays } from './ReservoirWays';
import { Gain } from './Gain';
import { Glance } from './Glance';
import { ChoiceLine } from './ChoiceLine';
import { CHOICE_LABELS, choiceWords } from './choiceWords';
import { lampOfTheValve } from './work';
import { MaterialsList } from './MaterialsList';
import { MethodPage } from './MethodPage';
import { OrdersPage } from './OrdersPage';
import { needsSecondLook, PickedContainers } from './PickedContainers';
import type { PlanBasis } from './request';
import { LeftBefore, ScopeWords } from './ScopeWords';
import { StageList } from './StageList';
import { WorkPage } from './WorkPage';

/** The plan as a document, what it was made with, and the way to change each of that. */
export function PlanStep(props: StepProps) {
  const { job, band, onStep, pages } = props;
  const act = useJobAct(job);
  const { page, openPage, closePage: back } = pages;
  const [changes, setChanges] = useKeptChanges(job.id);
  const opened = useOpenedOn(page, job);
  /** What was chosen while a colleague chose too. */
  const [crossed, setCrossed] = useState<Built<PlanChoices> | null>(null);
  const result = job.planResult;
  if (!result) {
    return (
      <Page band={band} action={<BackToHand job={job} onStep={onStep} />}>
        <JobHead job={job} />
        <Words>The plan is made once the fluid is read.</Words>
        <JobFoot job={job} />
      </Page>
    );
  }
  const send = (built: Built<PlanChoices>) =>
    act.mutate(
      { kind: 'choose plan', choices: built.draft, builtOn: built.version },
      {
        onSuccess: (after) => {
          setCrossed(null);
          setChanges(changesOf(result, after.planResult));
          back();
        },
        onError: (error) => {
          if (error instanceof ApiProblem && error.status === 409) setCrossed(built);
        },
      },
    );
  const choose = (draft: PlanChoices) => send({ ...opened, draft });
  const open = job.stage === 'plan' ? openPage : null;
  const made = madeWith(job, result);
  const choosing = { job, busy: act.isPending, onChoose: choose, onBack: back };
  if (open && crossed && crossed.version !== job.version)
    return <Crossed job={job} band={band} crossed={crossed} onSend={send} />;
  const refused = act.error ? <Caution title={act.error.message} /> : null;
  const asked = (choices: ReactNode) => (
    <>
      {refused}
      {choices}
    </>
  );
  if (open && page === 'work') return asked(<WorkPage {...choosing} />);
  if (open && page === 'method' && made) return asked(<MethodPage {...choosing} plan={made} />);
  if (open && page === 'order' && result.verdict === 'planned')
    return asked(<OrdersPage {...choosing} plan={result.plan} />);
  if (result.verdict === 'refused')
    return <Refused {...props} result={result} open={open} fault={act.error?.message ?? null} />;
  return <Document {...props} plan={result.plan} open={open} changes={changes} />;
}

/** The version on which a page of choices was opened, and what it held: what a colleague chose meanwhile is not written over unseen. */
function useOpenedOn(
  page: string | null,
  { version, planChoices }: Job,
): Pick<Built<PlanChoices>, 'version' | 'base'> {
  const [opened, setOpened] = useState({ page, version, base: planChoices });
  if (opened.page === page && page !== null) return opened;
  if (opened.page !== page) setOpened({ page, version, base: planChoices });
  return { version, base: planChoices };
}

/** Two people chose at the same time: both versions, choice by choice, and nothing is sent until somebody decided. */
function Crossed({
  job,
  band,
  crossed,
  onSend,
}: Pick<StepProps, 'job' | 'band'> & {
  readonly crossed: Built<PlanChoices>;
  readonly onSend: (built: Built<PlanChoices>) => void;
}) {
  const { built, conflicts } = broughtTo(crossed, job.version, job.planChoices);
  return (
    <ConflictPage
      head={<JobHead job={job} />}
      band={band}
      conflicts={conflicts.map((key) => ({
        key,
        label: CHOICE_LABELS[key],
        mine: choiceWords(job.layout, built.draft, key),
        theirs: choiceWords(job.layout, job.planChoices, key),
      }))}
      onDecide={(keys) => onSend(withTheirs(built, keys))}
    />
  );
}

type OpenPage = ((page: 'work' | 'method' | 'order') => void) | null;

/** What the last choice changed. Kept beside the page, which is another one while the choice is made. */
function useKeptChanges(jobId: string) {
  const client = useQueryClient();
  const key = ['plan changes', jobId];
  return [
    client.getQueryData<readonly string[]>(key) ?? [],
    (changes: readonly string[]) => void client.setQueryData(key, changes),
  ] as const;
}

function changesOf(before: PlanResult, after: PlanResult | null): readonly string[] {
  return before.verdict === 'planned' && after?.verdict === 'planned'
    ? planChanges(before.plan, after.plan)
    : [];
}

/** What the ranking needs to know besides the job; a refused plan has no fluid of its own. */
function madeWith(job: Job, result: PlanResult): PlanBasis | null {
  if (result.verdict === 'planned') return result.plan;
  const fill = job.fluid?.verdict.fill;
  return fill && job.fluid?.newColour
    ? { fillGrade: fill.grade, newColour: job.fluid.newColour }
    : null;
}

/** What a person is asked when no plan can be made as it stands, and where it is answered; nothing where no answer here helps. */
const ASKED_OF: Readonly<
  Partial<
    Record<
      PlanRefusal['code'],
      { readonly question: string; readonly act: string; readonly page: 'work' | 'method' }
    >
  >
> = {
  'nothing named': { question: 'Which part was changed?', act: 'Name the part', page: 'work' },
  'nothing in hand': { question: 'What is in hand?', act: 'Say what is in hand', page: 'work' },
  method: { question: 'Which other method?', act: 'Choose a method', page: 'method' },
  'no stroke before top-up': {
    question: 'Which other method?',
    act: 'Choose a method',
    page: 'method',
  },
};

function Refused({
  job,
  band,
  onStep,
  result,
  open,
  fault,
}: StepProps & {
  readonly result: Extract<PlanResult, { verdict: 'refused' }>;
  readonly open: OpenPage;
  readonly fault: string | null;
}) {
  const asked = result.reasons.map((r) => ASKED_OF[r.code]).find(Boolean) ?? null;
  const why = result.reasons.map((r) => refusalWords(job.layout, r)).join(' ');
  return (
    <Page
      band={band}
      action={
        open && asked ? (
          <ActionBar
            label={asked.act}
            onPress={() => open(asked.page)}
            side={{ label: 'Fluid', onPress: () => onStep('fluid') }}
          />
        ) : open ? (
          <PromptBar
            prompt="End the job, or change the layout"
            side={{ label: 'Fluid', onPress: () => onStep('fluid') }}
          />
        ) : (
          <BackToHand job={job} onStep={onStep} />
        )
      }
    >
      <JobHead job={job} />
      {asked ? (
        <View>
          <Words size="head" heading={2}>
            {asked.question}
          </Words>
          <Words>{why}</Words>
        </View>
      ) : (
        <Stop title="No plan can be made">{why}</Stop>
      )}
      {fault ? <Caution title={fault} /> : null}
      {open ? (
        <View>
          <Words strong heading={2}>
            What may change?
          </Words>
          <ChoiceLine
            label="Work"
            value={workTitle(job.planChoices.work)}
            onPress={() => open('work')}
          />
          {result.methods.length > 0 ? (
            <ChoiceLine
              label="Method"
              value={`${result.methods.filter((m) => m.verdict !== 'hopeless').length} of ${result.methods.length} can work`}
              onPress={() => open('method')}
            />
          ) : null}
        </View>
      ) : null}
      <JobFoot job={job} />
    </Page>
  );
}

function Document({
  job,
  band,
  onStep,
  plan,
  open,
  changes,
}: StepProps & {
  readonly plan: Plan;
  readonly open: OpenPage;
  readonly changes: readonly string[];
}) {
  const act = useJobAct(job);
  const wide = useWideScreen();
  const [looked, setLooked] = useState(false);
  const first = plan.openings[0];
  const brook = <PlanBrook job={job} plan={plan} height={wide ? 420 : 230} />;
  const method = plan.methods.find((m) => m.method === plan.method)!;
  const parts = plan.work.parts.map((p) => nameOf(plan.layout, p.partId)).join(', ');
  return (
    <Page
      band={band}
      beside={<View style={styles.beside}>{brook}</View>}
      action={
        job.stage === 'plan' ? (
          <ActionBar
            label={
              first && plan.stages[0]?.kind === 'bleed'
                ? `Start: ${bleederName(first.bleeder)} first`
                : 'Start'
            }
            busy={act.isPending}
            waitsFor={pickWaits(job, looked)}
            onPress={() =>
              act.mutate(
                { kind: 'accept plan', lookedAtOpened: looked },
                { onSuccess: () => onStep('run') },
              )
            }
            side={{ label: 'Fluid', onPress: () => onStep('fluid') }}
          />
        ) : (
          <BackToHand job={job} onStep={onStep} />
        )
      }
    >
      <JobHead job={job} />
      {act.error ? <Caution title={act.error.message} /> : null}
      {changes.length > 0 ? (
        <View role="status" style={styles.changes}>
          <Words strong>Planned anew</Words>
          {changes.map((c) => (
            <Words key={c} size="small">
              {c}
            </Words>
          ))}
        </View>
      ) : null}
      <Glance plan={plan} />
      <View>
        <ChoiceLine
          label="Work"
          value={workTitle(plan.work)}
          about={parts || undefined}
          onPress={open ? () => open('work') : undefined}
        />
        {plan.openings.length > 0 ? (
          <ChoiceLine
            label="Method"
            value={METHOD_WORDS[plan.method].title}
            about={METHOD_VERDICT_WORDS[method.verdict]}
            onPress={open ? () => open('method') : undefined}
          />
        ) : null}
        {plan.openings.length > 1 ? (
          <ChoiceLine
            label="Order"
            value={ORDER_WORDS[plan.order].title}
            about={open ? 'Compare orders' : undefined}
            onPress={open ? () => open('order') : undefined}
          />
        ) : null}
        <ChoiceLine label="Fill" value={plan.fillGrade} />
      </View>
      {wide ? null : brook}
      {job.stage === 'plan' ? <TakenOver job={job} /> : null}
      <LeftBefore job={job} />
      <OldFluid job={job} plan={plan} />
      {job.stage === 'plan' &&
      plan.work.endLost === null &&
      !plan.work.anotherLamp &&
      lampOfTheValve(job.layout, plan.work) ? (
        <Caution title="A lamp was lit at intake">
          Is it the differential valve’s? Say under “Work” which end was lost; a shuttled valve lets
          one end only trickle.
        </Caution>
      ) : null}
      <ScopeWords plan={plan} />
      <ReservoirWays plan={plan} />
      <StageList plan={plan} />
      <Gain job={job} plan={plan} />
      {job.stage === 'plan' && complains(plan.work) ? (
        <FaultList signs={['pedal not right']} layout={job.layout} />
      ) : null}
      <View>
        <Words strong heading={2}>
          Fluid and time
        </Words>
        <FigureRow figure={plan.totals.bledMl} label="To bleed" />
        {plan.totals.filledMl.value > 0 ? (
          <FigureRow figure={plan.totals.filledMl} label="Swallowed by what is empty" />
        ) : null}
        {plan.totals.strokes.value > 0 ? (
          <FigureRow figure={plan.totals.strokes} label="Strokes in all" />
        ) : null}
        {plan.totals.marks.value > 0 ? (
          <FigureRow figure={plan.totals.marks} label="Marks in all" />
        ) : null}
        {plan.totals.removedMl.value > 0 ? (
          <FigureRow figure={plan.totals.removedMl} label="Draw off the reservoir first" />
        ) : null}
        <FigureRow figure={plan.totals.pouredMl} label="Pour in all" />
        <FigureRow
          figure={plan.totals.fillings}
          label="In reservoirs"
          text={reservoirsWords(plan.totals.fillings.value)}
        />
        <FigureRow figure={plan.totals.topUps} label="Top up" />
        <FigureRow figure={plan.totals.minutes} label="Hands on, without preparing" />
        <FigureRow figure={plan.totals.oldLeftMl} label="Old fluid left inside" />
        {plan.totals.pocketsMl.value > 0 && !hasToolCycle(plan) ? (
          <FigureRow figure={plan.totals.pocketsMl} label="Old fluid in the ABS pockets" />
        ) : null}
      </View>
      <PickedContainers
        job={job}
        looked={job.stage === 'plan' ? looked : null}
        onLooked={setLooked}
      />
      <MaterialsList materials={plan.materials} />
      {plan.totals.pocketsMl.value > 0 ? <PocketsCaution plan={plan} /> : null}
      <Words size="small" tone="softWords">
        Sizes come from the layout’s template until this vehicle was measured. The maker’s procedure
        wins over this plan wherever there is one.
      </Words>
      <JobFoot job={job} />
    </Page>
  );
}

const hasToolCycle = (plan: Plan): boolean => plan.stages.some((s) => s.kind === 'tool cycle');

/** What the closed pockets mean for this job. */
function PocketsCaution({ plan }: { readonly plan: Plan }) {
  if (hasToolCycle(plan) && plan.work.purpose === 'routine flush')
    return (
      <Caution title="The tool renews the ABS pockets">
        What comes out of them is old: the base bleed after it carries it away.
      </Caution>
    );
  if (hasToolCycle(plan))
    return (
      <Caution title="Air may be in the ABS pockets">
        No stroke reaches it. Hard stops are no substitute: it would leave the pockets during the
        stop.
      </Caution>
    );
  if (plan.scope.airInModulator)
    return (
      <Caution title="Air in the ABS pockets cannot be reached by hand">
        Where the maker gives a tool-driven procedure, it comes first.
      </Caution>
    );
  return (
    <Caution title="The ABS pockets keep their old fluid">
      No stroke reaches them; only a tool-driven cycle does. A routine flush does not need it. Hard
      stops are no way round it: they are for a lead to decide, in a job of their own, on a proved
      pedal, where the maker is not against it, on private ground, slowly, with nobody else on
      board.
    </Caution>
  );
}

/** What the shelf keeps the run waiting for. */
function pickWaits(job: Job, looked: boolean): string | null {
  if (job.pick?.kind === 'short') return 'The shelf is short of this fluid';
  return needsSecondLook(job.pick) && !looked ? 'Check the opened bottle' : null;
}

const styles = StyleSheet.create({
  beside: { padding: SPACE.wide },
  changes: {
    backgroundColor: colour.well,
    padding: SPACE.medium,
    borderLeftWidth: 6,
    borderLeftColor: colour.words,
    gap: 2,
  },
});
