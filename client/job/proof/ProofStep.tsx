import { VEHICLE_TRAITS, hasServo } from '@brook/core/vehicle/circuit';
import type { Job } from '@brook/contract';
import { type ProofState, type Voided, proofOf } from '@brook/core/job/log';
import { gateWords, type GateReason } from '@brook/core/job/gate';
import {
  controlsConcerned,
  gateOf,
  knownFromRun,
  lookedAtToo,
  usedGap,
} from '@brook/core/owed/openItems';
import type { Plan } from '@brook/core/bleed/plan';
import { lowerFirst } from '@brook/core/base/text';
import { useState } from 'react';
import { View } from 'react-native';
import { useJobAct } from '../../data/job';
import { useRun, type LiveRun } from '../../data/run';
import { useShelf } from '../../data/shelf';
import { JobFoot } from '../side/JobFoot';
import { JobHead } from '../frame/JobHead';
import type { StepProps } from '../frame/step';
import { TakenOver } from '../../vehicle/owes/TakenOver';
import { BesideBrook } from '../frame/BesideBrook';
import { RefitList } from '../side/refit/RefitList';
import { askOf } from '@brook/core/job/items';
import { RunNotices } from '../run/RunNotices';
import { SkippedStages } from '../run/SkippedStages';
import { ActionBar } from '../../ui/ActionBar';
import { Button } from '../../ui/Button';
import { clockTime } from '../../ui/dates';
import { More } from '../../ui/More';
import { Caution } from '../../ui/Notice';
import { Page } from '../../ui/Page';
import { Loading } from '../../ui/States';
import { useArmed } from '../../ui/useArmed';
import { Words } from '../../ui/Words';
import { FluidUsedForm, usedWaits } from './FluidUsedForm';
import { LeakLooked } from './LeakLooked';
import { ItemPhotos } from './ItemPhotos';
import { LetGo } from './LetGo';
import { ProofItem } from './ProofItem';
import { ProofList } from './ProofList';
import {
  pageCalledFor,
  pageKey,
  pageTitle,
  photoItemOf,
  proofPages,
  standingOf,
} from './proofPages';
import { usedDraftOf, usedOf, type UsedDraft } from './usedDraft';

/** Prove the bleed: every control by its own words, then what is looked at, one thing at a time; the gate says what is missing. */
export function ProofStep(props: StepProps) {
  const { planResult } = props.job;
  return planResult?.verdict === 'planned' ? (
    <ProofAsked {...props} plan={planResult.plan} />
  ) : (
    <Loading what="the plan" />
  );
}

/** Shown by hand instead of the page that is called for: all of them in a list. */
const LIST = 'list';

function ProofAsked({ job, band, plan, pages: address }: StepProps & { readonly plan: Plan }) {
  const act = useJobAct(job);
  const live = useRun(job);
  const put = useJobAct(job);
  const shelf = useShelf();
  const [changes, setChanges] = useState<Partial<UsedDraft>>({});
  const [oneByOne, setOneByOne] = useState(false);
  const [held, setHeld] = useState<string | null>(null);
  const proof = proofOf(live.job);
  const changed = Object.keys(changes).length > 0;
  const controls = controlsConcerned(live.job, plan.layout, job.before);
  const known = oneByOne
    ? []
    : knownFromRun(live.state).filter((item) => proof.checks[item] === undefined);
  const moves = live.state.pouredMl + live.state.bledMl + live.state.removedMl > 0;
  const pages = proofPages({
    controls,
    vehicleKind: plan.layout.vehicleKind,
    known,
    moves,
  });
  // What was put right of the fluid is recorded anew.
  const asked = changed ? { ...proof, fluidPutDown: false } : proof;
  const called = pageCalledFor(pages, asked);
  const shown = held === LIST ? null : (pages.find((p) => pageKey(p) === held) ?? called);
  const armed = useArmed(shown ? pageKey(shown) : LIST);
  if (!live.ready) return <Loading what="what this phone kept" />;

  const draft: UsedDraft = {
    ...usedDraftOf(job, live.state, shelf.data?.containers),
    ...changes,
  };
  const used = usedOf(draft);
  const gap = used && usedGap(live.job, used);
  const gate = gateOf(
    changed ? { ...live.job, fluidUsed: null } : live.job,
    aboutOf(job),
    job.before,
  )!;
  const place = shown ? pages.indexOf(shown) : -1;
  const standing = shown && standingOf(shown, asked);
  const next = pages.find((p, i) => i > place && standingOf(p, asked) !== 'right') ?? null;
  const photoItem = shown && photoItemOf(shown);
  const onward = () => setHeld(next ? pageKey(next) : LIST);
  const toList = { label: 'List', onPress: () => setHeld(LIST) };
  const action =
    shown?.kind === 'fluid' ? (
      <ActionBar
        label="Record the fluid"
        busy={put.isPending}
        waitsFor={
          standing === 'right'
            ? 'Recorded'
            : used
              ? usedWaits(gap, draft)
              : 'Put the amounts right first'
        }
        onPress={() =>
          used &&
          put.mutate(
            { kind: 'fluid used', used },
            {
              onSuccess: () => {
                setChanges({});
                setHeld(null);
              },
            },
          )
        }
        side={toList}
      />
    ) : shown?.kind === 'result' && standing === 'wrong' ? (
      <ActionBar
        label={`Back to the bleed: ${shown.master.control}`}
        busy={live.waiting > 0}
        onPress={() =>
          live.say({
            kind: 'halted',
            reason: 'pedal not right',
            openingId: null,
            masterId: shown.master.id,
          })
        }
        side={toList}
      />
    ) : shown ? (
      <ActionBar
        label={next ? `Next: ${lowerFirst(pageTitle(next))}` : 'To the list'}
        waitsFor={standing === 'open' ? 'Look, then answer' : null}
        onPress={onward}
        side={toList}
      />
    ) : (
      <ActionBar
        label="Set “test drive only”"
        busy={act.isPending || (live.waiting > 0 && gate.verdict === 'test drive')}
        waitsFor={gate.verdict === 'test drive' ? null : gateWords(gate.reasons[0]!)}
        onPress={() => gate.verdict === 'test drive' && act.mutate({ kind: 'set test drive' })}
      />
    );
  return (
    <Page band={band} beside={<BesideBrook job={job} />} action={action}>
      {shown ? <JobHead job={job} title={pageTitle(shown)} /> : <JobHead job={job} />}
      {job.drives.at(-1)?.result === 'bad' ? (
        <Caution title="The test drive failed">
          Find out why, put it right, then prove everything again.
        </Caution>
      ) : null}
      <RunNotices run={live} />
      <VoidedAnswers proof={live.job.proof} plan={plan} />
      {shown ? (
        <ProofItem
          key={pageKey(shown)}
          page={shown}
          of={pages.length}
          place={place}
          plan={plan}
          proof={asked}
          known={known.length}
          alsoLook={lookedAtToo(live.job, aboutOf(job), job.before)}
          how={measuredHow(plan)}
          run={live}
          armed={armed}
          onPage={address.openPage}
          onAnswered={(good) => setHeld(good ? null : pageKey(shown))}
          onOneByOne={() => setOneByOne(true)}
        >
          {shown.kind === 'fluid' ? (
            <FluidUsedForm
              job={job}
              draft={draft}
              onChange={(part) => setChanges((c) => ({ ...c, ...part }))}
              error={put.error}
              gap={gap}
            />
          ) : null}
          {photoItem ? <ItemPhotos job={job} run={live} item={photoItem} armed={armed} /> : null}
        </ProofItem>
      ) : (
        <>
          <SkippedStages state={live.state} />
          <TakenOver job={job} />
          <ProofList
            pages={pages}
            proof={asked}
            answers={live.job.proof.answers}
            photos={live.job.proof.photos}
            fluidBy={live.job.fluidUsed}
            onOpen={(page) => setHeld(pageKey(page))}
          />
        </>
      )}
      <LeakLooked job={job} run={live} />
      <RefitList job={job} log={live.job.log} say={live.say} />
      {act.error ? <Caution title={act.error.message} /> : null}
      {shown ? (
        <More title="Still missing" about={`${gate.reasons.length} in all`}>
          <Missing reasons={gate.reasons} />
        </More>
      ) : (
        <View>
          <Words strong heading={2}>
            {gate.verdict === 'test drive' ? 'Only the test drive is left' : 'Still missing'}
          </Words>
          <Missing reasons={gate.reasons} />
          <LetGo job={job} reasons={gate.reasons} />
        </View>
      )}
      <OpenAgain run={live} show={gate.reasons.some((r) => r.code === 'bleeder not clear')} />
      <JobFoot job={job} />
    </Page>
  );
}

function Missing({ reasons }: { readonly reasons: readonly GateReason[] }) {
  return reasons.map((r, i) => <Words key={i} size="small">{`· ${gateWords(r)}`}</Words>);
}

/** A job as its vehicle knows it. */
const aboutOf = (job: Job) => ({
  jobId: job.id,
  jobNumber: job.number,
  openedAtMs: new Date(job.openedAt).getTime(),
  layout: job.layout,
});

/** The way back to a bleeder that was left shut before it was clear. */
function OpenAgain({ run, show }: { readonly run: LiveRun; readonly show: boolean }) {
  const early = run.state.log.filter((e) => e.kind === 'shut early').at(-1);
  if (!show || !early) return null;
  return (
    <Button
      label="Back to the bleeder that is not clear"
      onPress={() => run.say({ kind: 'undone', eventId: early.id })}
    />
  );
}

/** In which state pedal or lever is judged. */
function measuredHow({ layout }: Plan): string {
  const { bar, engine } = VEHICLE_TRAITS[layout.vehicleKind];
  if (layout.masters.some((m) => hasServo(m, layout.vehicleKind))) return 'Engine off, servo empty';
  return bar ? 'On its stand' : engine ? 'Engine off' : 'Standing level';
}

/** Answers that no longer hold: whose doing it was, when, and what is asked again. */
function VoidedAnswers({ proof, plan }: { readonly proof: ProofState; readonly plan: Plan }) {
  const words = ({ masterId, item }: Voided['items'][number]): string =>
    item === 'result'
      ? (plan.layout.masters.find((m) => m.id === masterId)?.control ?? 'pedal or lever')
      : lowerFirst(askOf(item));
  return (
    <>
      {proof.voided.map((v) => (
        <Caution key={v.because.eventId} title={voidedWords(v)}>
          {`Asked again: ${v.items.map(words).join('; ')}.`}
        </Caution>
      ))}
    </>
  );
}

function voidedWords({ because }: Voided): string {
  const what = VOIDED_BY[because.kind] ?? 'Something was done';
  return `${what} after the proof, by ${because.person}, ${clockTime(because.atMs)}`;
}

const VOIDED_BY: Readonly<Partial<Record<Voided['because']['kind'], string>>> = {
  stroke: 'A stroke was made',
  undone: 'A step was taken back',
  'topped up': 'Fluid was filled up',
  shut: 'A bleeder was shut',
  halted: 'The run was halted',
  mended: 'Something was mended',
  'part compared': 'A part was compared',
  'drive ended': 'The test drive failed',
};
