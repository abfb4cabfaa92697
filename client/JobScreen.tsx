import type { Job } from '@brook/contract';
import { isClosed, wayStep, type WayStep } from '@brook/core/job/stage';
import { capital } from '@brook/core/base/text';
import { useState } from 'react';
import { CLOCK_PAGE } from './job/side/clocks/ClockButton';
import { ClockPage } from './job/side/clocks/ClockPage';
import { ClockStrip } from './job/side/clocks/ClockStrip';
import { useHere } from './data/helper';
import { useJob } from './data/job';
import { FluidStep } from './job/fluid/FluidStep';
import { LOOK_AGAIN_PAGE, LookAgainPage } from './job/side/lookAgain/LookAgainPage';
import { MEDIA_PAGE } from './job/side/media/MediaButton';
import { MediaPage } from './job/side/media/MediaPage';
import { PedalPage } from './job/proof/pedal/PedalPage';
import { PlanStep } from './job/plan/PlanStep';
import { ProofStep } from './job/proof/ProofStep';
import { ReleaseStep } from './job/proof/ReleaseStep';
import { IntakeStep } from './job/intake/IntakeStep';
import { RecordView } from './job/record/RecordView';
import { REFIT_PAGE } from './job/side/refit/RefitButton';
import { RefitPage } from './job/side/refit/RefitPage';
import { HELPER_PAGE } from './job/run/HelperPage';
import { JAR_PAGE } from './job/run/JarPage';
import { RunStep } from './job/run/RunStep';
import { FailedPage, Loading } from './ui/States';
import { isFillingIn } from './ui/unsaved';
import { Way } from './ui/Way';
import { usePageTitle } from './ui/usePageTitle';
import { Desk } from './job/frame/Desk';
import { useJobPages, type JobAddress } from './job/frame/jobAddress';
import { masterOfPage } from './job/frame/pedalPage';
import { LinkStrip } from './job/frame/LinkStrip';
import type { StepProps } from './job/frame/step';

/** Titles of the pages that a step opens. */
const PAGE_TITLES: Readonly<Record<string, string | undefined>> = {
  work: 'What was done',
  method: 'Which method',
  order: 'In which order',
  wrong: 'Something is wrong',
  cap: 'The cap',
  look: 'Look at the fluid',
  measure: 'Measure the fluid',
  fill: 'What goes in',
  [MEDIA_PAGE]: 'Photos and voice',
  [REFIT_PAGE]: 'What came off',
  [CLOCK_PAGE]: 'Set a clock',
  [LOOK_AGAIN_PAGE]: 'Torque and a later look',
  [HELPER_PAGE]: 'A helper’s phone',
  [JAR_PAGE]: 'Read the jar',
};

/** The job page: one stream from intake to release, the step in hand or the one that is looked back at. */
export function JobScreen({ id }: { readonly id: string }) {
  return (
    <Desk current={id}>
      <LinkStrip id={id} />
      <ClockStrip id={id} />
      <JobStep id={id} />
    </Desk>
  );
}

function JobStep({ id }: { readonly id: string }) {
  const { data: job, error, isPending, refetch } = useJob(id);
  const pages = useJobPages(id);
  useHere(id);
  const now = job && shownStep(job, pages);
  const shown = useUndisturbed(
    now,
    pages.step !== null || (job !== undefined && isClosed(job.stage)),
  );
  usePageTitle(
    pages.page && (masterOfPage(pages.page) ? 'Measure' : PAGE_TITLES[pages.page]),
    shown && capital(shown),
    job?.vehicleName,
    job && `Job ${job.number}`,
  );
  if (isPending) return <Loading what="the job" />;
  if (!job || !shown)
    return <FailedPage what="This job" error={error} again={() => void refetch()} />;

  const onStep: StepProps['onStep'] = (step, hold) => pages.look(step, hold ? null : job.stage);
  const props: StepProps = {
    job,
    onStep,
    pages,
    band: <Way stage={job.stage} reached={reachedStep(job)} shown={shown} onStep={onStep} />,
  };
  if (pages.page === MEDIA_PAGE && !isClosed(job.stage)) return <MediaPage {...props} />;
  if (pages.page === REFIT_PAGE && !isClosed(job.stage)) return <RefitPage {...props} />;
  if (pages.page === CLOCK_PAGE && !isClosed(job.stage)) return <ClockPage {...props} />;
  if (pages.page === LOOK_AGAIN_PAGE && !isClosed(job.stage)) return <LookAgainPage {...props} />;
  const measured = masterOfPage(pages.page);
  if (measured !== null && job.planAccepted && !isClosed(job.stage))
    return <PedalPage key={measured} {...props} masterId={measured} />;
  switch (shown) {
    case 'intake':
      return <IntakeStep {...props} />;
    case 'fluid':
      return <FluidStep {...props} />;
    case 'plan':
      return <PlanStep {...props} />;
    case 'run':
      return job.stage === 'run' ? <RunStep {...props} /> : <RecordView {...props} />;
    case 'proof':
      return job.stage === 'proof' ? <ProofStep {...props} /> : <RecordView {...props} />;
    case 'release':
      return job.stage === 'test drive' ? <ReleaseStep {...props} /> : <RecordView {...props} />;
  }
}

/**
 * A step as it is looked at. Where others take the job on while somebody fills
 * in a form of this one, it stays until that is sent or left.
 *
 * @param atOnce whether somebody went to this step by themself, or nothing can be sent any more
 */
function useUndisturbed(step: WayStep | undefined, atOnce: boolean): WayStep | undefined {
  const [shown, setShown] = useState(step);
  const moves = step !== shown && (atOnce || shown === undefined || !isFillingIn());
  if (moves) setShown(step);
  return moves ? step : shown;
}

/** The step in hand, or the one that is looked back at until the job moves on. */
function shownStep(job: Job, { step, at }: JobAddress): WayStep {
  if (step && (at === null || at === job.stage)) return step;
  return job.stage === 'ended' ? 'release' : reachedStep(job);
}

/** How far the job has come; one that ended stays where it ended. */
function reachedStep(job: Job): WayStep {
  const step = wayStep(job.stage);
  if (step) return step;
  if (!job.planAccepted) return job.planResult ? 'plan' : 'fluid';
  const proved = job.events.some(
    (e) =>
      e.kind === 'pedal judged' ||
      e.kind === 'take-up judged' ||
      e.kind === 'take-up read' ||
      (e.kind === 'pedal read' && e.when === 'after') ||
      e.kind === 'checked',
  );
  return job.drives.length > 0 ? 'release' : proved ? 'proof' : 'run';
}
