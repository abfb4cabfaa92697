import type { Job } from '@brook/contract';
import type { Layout } from '@brook/core/circuit';
import { HOLD_WORDS, type FluidVerdict } from '@brook/core/fluid';
import { router } from 'expo-router';
import { View } from 'react-native';
import { useJobAct } from '../data/job';
import { useKept } from '../data/kept';
import { useShelf } from '../data/shelf';
import { useVehicle } from '../data/vehicles';
import { BackToHand } from '../jobs/BackToHand';
import { EndJob } from '../jobs/EndJob';
import { JobHead } from '../jobs/JobHead';
import type { StepProps } from '../jobs/step';
import { ActionBar } from '../ui/ActionBar';
import { Button } from '../ui/Button';
import { Choice } from '../ui/Choice';
import { shortDate } from '../ui/dates';
import { More } from '../ui/More';
import { Caution } from '../ui/Notice';
import { Page, useWideScreen } from '../ui/Page';
import { Loading } from '../ui/States';
import { SPACE } from '../ui/theme';
import { Words } from '../ui/Words';
import { ConflictPage } from '../forms/ConflictPage';
import { broughtTo, withTheirs, type Built } from '../forms/threeWay';
import { CapQuestions } from './CapQuestions';
import { KnownBefore } from './KnownBefore';
import {
  asBefore,
  draftOf,
  emptySample,
  entryOf,
  expectedGrade,
  readingsOf,
  unanswered,
  verdictSoFar,
  demandsOf,
  type FluidDraft,
  type Known,
  type SampleDraft,
} from './entry';
import { FIELD_LABELS, fieldWords } from './fieldWords';
import { FillChoice, fillOptions } from './FillChoice';
import { ConditionView, GradeVerdicts, MinimumView, StopView } from './FluidVerdictView';
import { GoodUntil } from './GoodUntil';
import { COLOUR_OPTIONS, DYE_OPTIONS, SampleLook } from './SampleLook';
import { SampleReadings } from './SampleReadings';

/** Version of the shape in which a half-filled fluid step is kept on the phone. */
const DRAFT_SHAPE = 3;

/** Read the cap, look, measure, decide, pick: what may go in, or stop. */
export function FluidStep(props: StepProps) {
  const vehicle = useVehicle(props.job.vehicleId);
  if (!vehicle.data) return <Loading what="the vehicle" />;
  return <Fluid {...props} layout={vehicle.data.layout} />;
}

function Fluid({ job, band, onStep, layout }: StepProps & { readonly layout: Layout }) {
  const known: Known = {
    maker: job.makerEntry,
    lastDye: job.lastDye,
    lastGrade: job.lastFill?.grade ?? null,
    before: job.knownFluid,
    dry: job.purpose === 'new or dry',
    hasModulator: layout.nodes.some((n) => n.kind === 'modulator'),
  };
  const theirs = draftOf(job.fluid, known);
  const [kept, setKept, forget] = useKept<Built<FluidDraft>>(
    `fluid-${job.id}`,
    DRAFT_SHAPE,
    () => ({
      version: job.version,
      base: theirs,
      draft: theirs,
    }),
  );
  // What somebody else sent meanwhile is taken up; what both changed is decided by a person.
  const { built, conflicts } = broughtTo(kept, job.version, theirs);
  const { draft } = built;
  const setDraft = (next: (before: FluidDraft) => FluidDraft) =>
    setKept((k) => {
      const now = broughtTo(k, job.version, theirs).built;
      return { ...now, draft: next(now.draft) };
    });
  const act = useJobAct(job);
  const wide = useWideScreen();
  const open = job.stage === 'fluid' || job.stage === 'plan';
  const set = (part: Partial<FluidDraft>) => setDraft((d) => ({ ...d, ...part }));
  const setSample = (point: string, part: Partial<SampleDraft>) =>
    setDraft((d) => ({
      ...d,
      samples: d.samples.map((s) => (s.point === point ? { ...s, ...part } : s)),
    }));
  if (open && conflicts.length > 0)
    return (
      <ConflictPage
        head={<JobHead job={job} />}
        band={band}
        conflicts={conflicts.map((key) => ({
          key,
          label: FIELD_LABELS[key],
          mine: fieldWords(draft, key),
          theirs: fieldWords(theirs, key),
        }))}
        onDecide={(keys) => setKept(() => withTheirs(built, keys))}
      />
    );
  const verdict = verdictSoFar(draft, known);
  const asked = unanswered(draft, known);
  // What is only looked at and proved takes no fluid.
  const onlyLooks = job.purpose === 'look and prove';
  const missing = onlyLooks && asked === HOLD_WORDS['choose a fluid'].title ? null : asked;
  const stops = verdict.verdict === 'stop';
  const send = () => {
    const entry = onlyLooks ? readingsOf(draft, known) : entryOf(draft, known);
    if (!entry) return;
    act.mutate(
      { kind: 'read fluid', entry, builtOn: built.version },
      {
        onSuccess: () => {
          forget();
          onStep('plan');
        },
        // A colleague may have taken the job on meanwhile: what both read is looked at here first.
        onError: () => onStep('fluid', 'hold'),
      },
    );
  };
  const leaveIn = () => {
    const readings = readingsOf(draft, known);
    if (readings)
      act.mutate(
        { kind: 'read fluid', entry: readings, builtOn: built.version },
        {
          onSuccess: (read) =>
            act.mutate({
              builtOn: read.version,
              kind: 'end',
              reason: 'The fluid is good and stays in; nothing was opened.',
            }),
        },
      );
  };
  const placeOf = (point: string) => layout.bleeders.find((b) => b.id === point)?.place ?? point;
  const sampled = draft.samples.filter((s) => s.point !== 'reservoir');
  const reservoir = draft.samples.find((s) => s.point === 'reservoir');
  const decided = (
    <Decided
      job={job}
      verdict={verdict}
      looked={hasLooked(draft)}
      placeOf={placeOf}
      draft={draft}
    />
  );
  return (
    <Page
      band={band}
      beside={<View style={{ padding: SPACE.wide }}>{decided}</View>}
      action={
        open ? (
          <ActionBar
            label={stops ? 'Stop: end the job here' : 'Make the plan'}
            busy={act.isPending}
            waitsFor={missing}
            onPress={send}
          />
        ) : (
          <BackToHand job={job} onStep={onStep} />
        )
      }
    >
      <JobHead job={job} />
      {job.makerEntry && job.makerEntry.grades.length > 0 ? (
        <Words>{`The maker asks for ${job.makerEntry.grades.join(' or ')}${job.makerEntry.lowViscosity ? ', low viscosity (class 6 or 7)' : ''}, by this vehicle’s entry. It wins over every rule here.`}</Words>
      ) : null}
      {job.knownFluid && open ? (
        <KnownBefore
          known={job.knownFluid}
          answer={draft.asBefore}
          onAnswer={(answer) => set(asBefore(answer, known))}
        />
      ) : null}
      {draft.asBefore === null ? null : (
        <CapQuestions
          draft={draft}
          verdict={verdict}
          maker={job.makerEntry}
          onChange={set}
          disabled={!open}
          record={
            job.lastFill
              ? `${job.lastFill.grade} since ${shortDate(job.lastFill.at)}, by the record. Was something else poured in? Say it here.`
              : null
          }
        />
      )}
      {reservoir ? (
        <>
          <SampleLook
            sample={reservoir}
            place="reservoir"
            asksDrops={asksDrops(verdict, 'reservoir')}
            onChange={(part) => setSample('reservoir', part)}
            disabled={!open}
          />
          {open ? (
            <More
              title="Your meter reading, reservoir"
              about="Water, boiling point, strips. Needed to call the fluid good."
              open={hasReadings(reservoir)}
            >
              <SampleReadings
                sample={reservoir}
                place="reservoir"
                grade={expectedGrade(draft, known)}
                onChange={(part) => setSample('reservoir', part)}
              />
            </More>
          ) : null}
        </>
      ) : null}
      {sampled.map((s) => (
        <More
          key={s.point}
          title={`Sample: ${placeOf(s.point)}`}
          about="The reservoir understates the calipers."
          open
        >
          {open ? (
            <SampleReadings
              sample={s}
              place={placeOf(s.point)}
              grade={expectedGrade(draft, known)}
              onChange={(part) => setSample(s.point, part)}
            />
          ) : null}
          <SampleLook
            sample={s}
            place={placeOf(s.point)}
            asksDrops={asksDrops(verdict, s.point)}
            onChange={(part) => setSample(s.point, part)}
            disabled={!open}
          />
          {open ? (
            <Button
              label="Leave this sample out"
              onPress={() =>
                set({ samples: draft.samples.filter((other) => other.point !== s.point) })
              }
            />
          ) : null}
        </More>
      ))}
      {open ? (
        <AddSample
          layout={layout}
          draft={draft}
          onAdd={(point) => set({ samples: [...draft.samples, emptySample(point)] })}
        />
      ) : null}
      {wide ? null : decided}
      {open && verdict.condition?.verdict === 'good' ? (
        <Button
          label="It is good: leave it in and end here"
          onPress={leaveIn}
          disabled={act.isPending}
        />
      ) : null}
      {stops || onlyLooks ? null : (
        <Pick draft={draft} known={known} verdict={verdict} onChange={set} disabled={!open} />
      )}
      {act.error ? <Caution title={act.error.message} /> : null}
      <EndJob job={job} />
    </Page>
  );
}

/** The verdict as it stands, before anything is sent. */
function Decided({
  job,
  verdict,
  looked,
  placeOf,
  draft,
}: {
  readonly job: Job;
  readonly verdict: FluidVerdict;
  readonly looked: boolean;
  readonly placeOf: (point: string) => string;
  readonly draft: FluidDraft;
}) {
  if (verdict.verdict === 'stop') return <StopView verdict={verdict} />;
  return (
    <View style={{ gap: SPACE.medium }} aria-live="polite">
      {verdict.hold === 'water test' ? (
        <Caution title={HOLD_WORDS['water test'].title}>{HOLD_WORDS['water test'].say}</Caution>
      ) : null}
      {verdict.condition && looked ? (
        <ConditionView answer={verdict.condition} placeOf={placeOf} />
      ) : (
        <Words tone="softWords">
          What to do stands here once the cap is read and the fluid was looked at.
        </Words>
      )}
      {verdict.condition && looked && verdict.condition.verdict !== 'stop' ? (
        <GoodUntil job={job} draft={draft} />
      ) : null}
      <MinimumView verdict={verdict} />
    </View>
  );
}

/** What goes in: the container in hand, and the new fluid's own colour. */
function Pick({
  draft,
  known,
  verdict,
  onChange,
  disabled,
}: {
  readonly draft: FluidDraft;
  readonly known: Known;
  readonly verdict: FluidVerdict;
  readonly onChange: (part: Partial<FluidDraft>) => void;
  readonly disabled: boolean;
}) {
  const shelf = useShelf();
  const demands = demandsOf(draft, known);
  const request = {
    demands,
    follow: draft.followWhy.trim() ? draft.follow : null,
    control: draft.control ?? ('none' as const),
    seals: draft.seals,
    inSystem: draft.inSystem,
  };
  const options = fillOptions(
    shelf.data ?? { containers: [] },
    request,
    verdict.advice.minimum?.grade ?? null,
  );
  if (!verdict.advice.minimum) return null;
  return (
    <>
      <FillChoice
        draft={draft}
        options={options}
        judged={verdict.fill}
        onChange={onChange}
        disabled={disabled}
      />
      <GradeVerdicts request={request} />
      <Choice
        question="Colour of the new fluid?"
        why="At the end the bleeder must run like this."
        options={COLOUR_OPTIONS}
        chosen={draft.newColour}
        onChoose={(newColour) => onChange({ newColour })}
        disabled={disabled}
      />
      <More
        title={`The new fluid is ${draft.newDye ? `dyed ${draft.newDye}` : 'not dyed'}`}
        about="Two dyes in turn show at the next change when the new one has arrived."
      >
        <Choice
          question="Dyed?"
          compact
          settled
          options={DYE_OPTIONS}
          chosen={draft.newDye ?? 'none'}
          onChoose={(d) => onChange({ newDye: d === 'none' ? null : d })}
          disabled={disabled}
        />
      </More>
      {disabled ? null : <Button label="To the shelf" onPress={() => router.push('/shelf')} />}
    </>
  );
}

/** Where else a sample was taken. */
function AddSample({
  layout,
  draft,
  onAdd,
}: {
  readonly layout: Layout;
  readonly draft: FluidDraft;
  readonly onAdd: (point: string) => void;
}) {
  const left = layout.bleeders.filter((b) => !draft.samples.some((s) => s.point === b.id));
  if (left.length === 0) return null;
  return (
    <More title="Sample at a bleeder" about="Near a limit, or after a top-up, a bleeder decides.">
      <Choice
        question="Where was it taken?"
        settled
        stacked
        options={left.map((b) => ({ value: b.id, label: b.place }))}
        chosen={null}
        onChoose={onAdd}
      />
    </More>
  );
}

const hasLooked = (draft: FluidDraft): boolean =>
  draft.samples.some(
    (s) => s.colour !== null || s.dye !== null || s.foreign !== null || hasReadings(s),
  );
const hasReadings = (s: SampleDraft): boolean =>
  [s.water, s.boiling, s.copper, s.pH].some((text) => text !== '');
const asksDrops = (verdict: FluidVerdict, point: string): boolean =>
  verdict.condition?.reasons.some((r) => r.code === 'water test first' && r.point === point) ??
  false;
