import { UndoAsked } from '../../frame/UndoAsked';
import { hasServo } from '@brook/core/vehicle/circuit';
import { controlProof } from '@brook/core/job/items';
import { measuredAt, measuredNow, measuringOf } from '@brook/core/job/log';
import { measuresFor, wasTaken, type Measure } from '@brook/core/control/pedal';
import { capital, lowerFirst } from '@brook/core/base/text';
import { useState } from 'react';
import { useRun } from '../../../data/run';
import type { StepProps } from '../../frame/step';
import { BesideBrook } from '../../frame/BesideBrook';
import { PageHead } from '../../frame/PageHead';
import { ActionBar } from '../../../ui/ActionBar';
import { Page } from '../../../ui/Page';
import { Loading } from '../../../ui/States';
import { Words } from '../../../ui/Words';
import { ClutchPage } from './ClutchPage';
import { MeasureResult } from './MeasureResult';
import { OneMeasure, vehicleOf, type MeasuringProps } from './OneMeasure';
import { Taken } from './Taken';

/** Measure a pedal or lever, one reading at a time, each with where the ruler is held. */
export function PedalPage(props: StepProps & { readonly masterId: string }) {
  const { job, masterId } = props;
  const plan = job.planResult?.verdict === 'planned' ? job.planResult.plan : null;
  const live = useRun(job);
  const master = plan?.layout.masters.find((m) => m.id === masterId);
  if (!live.ready || !plan) return <Loading what="what this phone kept" />;
  const when = measuredNow(live.state);
  if (master && controlProof(master, plan.layout.vehicleKind).result === 'take-up')
    return <ClutchPage {...props} master={master} run={live} />;
  if (!master || when === null) return <NotNow {...props} />;
  return <Measuring {...props} plan={plan} master={master} when={when} run={live} />;
}

/** While a bleed is under way a pedal is neither as it came nor as it will be. */
function NotNow({ job, band, pages }: StepProps) {
  return (
    <Page band={band} action={<ActionBar label="Back to the step" onPress={pages.closePage} />}>
      <PageHead vehicle={vehicleOf(job)} question="Measured when the bleed is through" />
      <Words>In the middle of it a reading is neither before nor after.</Words>
    </Page>
  );
}

function Measuring(props: MeasuringProps) {
  const { job, band, pages, plan, master, when, run } = props;
  const { held, forces } = measuringOf(plan, master);
  const [more, setMore] = useState(false);
  const [again, setAgain] = useState<Measure | null>(null);
  const here = measuredAt(run.job.proof.measured, master.id, when);
  const lowTaken = forces.low.some((forceN) => wasTaken({ at: { forceN }, pumped: false }, here));
  const servo = hasServo(master, plan.layout.vehicleKind);
  const measures = measuresFor(held, forces, { more: more || lowTaken, servo });
  const open = again ?? measures.find((m) => !wasTaken(m, here)) ?? null;
  const common = { measures, here, held, forces };
  const title = `${capital(master.control)}: ${open ? lowerFirst(open.title) : 'measured'}`;
  if (open)
    return (
      <OneMeasure
        key={`${open.title} ${when}`}
        {...props}
        {...common}
        title={title}
        measure={open}
        onDone={() => setAgain(null)}
        onAgain={setAgain}
      />
    );
  return (
    <Page
      band={band}
      beside={<BesideBrook job={job} />}
      action={
        <ActionBar
          label={when === 'after' ? 'To the proof' : 'Back to the step'}
          side={{ label: 'Undo', onPress: run.undo }}
          onPress={pages.closePage}
        />
      }
    >
      <PageHead vehicle={vehicleOf(job)} question={title} />
      <UndoAsked live={run} />
      <MeasureResult
        job={job}
        plan={plan}
        master={master}
        when={when}
        run={run}
        onMore={more || lowTaken ? null : () => setMore(true)}
      />
      <Taken {...common} onAgain={setAgain} />
    </Page>
  );
}
