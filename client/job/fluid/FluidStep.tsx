import type { Vehicle } from '@brook/contract';
import type { Layout } from '@brook/core/vehicle/circuit';
import type { FluidVerdict } from '@brook/core/fluid/verdict';
import { View } from 'react-native';
import { useJobAct } from '../../data/job';
import { useKept } from '../../data/kept';
import { useFillsIn } from '../../ui/unsaved';
import { useVehicle } from '../../data/vehicles';
import { BackToHand } from '../frame/BackToHand';
import { JobFoot } from '../side/JobFoot';
import { JobHead } from '../frame/JobHead';
import type { StepProps } from '../frame/step';
import { ActionBar } from '../../ui/ActionBar';
import { Button } from '../../ui/Button';
import { Choice } from '../../ui/Choice';
import { shortDate } from '../../ui/dates';
import { More } from '../../ui/More';
import { Caution } from '../../ui/Notice';
import { Page, useWideScreen } from '../../ui/Page';
import { Parts } from '../../ui/Parts';
import { Loading } from '../../ui/States';
import { SPACE } from '../../ui/theme';
import { Words } from '../../ui/Words';
import { VehicleBrook } from '../../vehicle/VehicleBrook';
import { ConflictPage } from '../../ui/forms/ConflictPage';
import { broughtTo, type Built, sameData, withTheirs } from '../../ui/forms/threeWay';
import { CapQuestions } from './CapQuestions';
import { KnownBefore } from './KnownBefore';
import {
  asBefore,
  draftOf,
  emptySample,
  entryOf,
  expectedGrade,
  openPoints,
  partsOf,
  readingsOf,
  verdictSoFar,
  type FluidDraft,
  type FluidPart,
  type Known,
  type OpenPoint,
  type SampleDraft,
} from './entry';
import { FIELD_LABELS, fieldWords } from './fieldWords';
import { FluidDecided } from './FluidDecided';
import { FluidPick } from './FluidPick';
import { SampleLook } from './SampleLook';
import { SampleReadings } from './SampleReadings';
import { VerdictStrip } from './VerdictStrip';

const TITLES: Readonly<Record<FluidPart, string>> = {
  cap: 'Read the cap',
  look: 'Look at it',
  measure: 'Measure',
  fill: 'What goes in',
};
const NEXT: Readonly<Record<FluidPart, string>> = {
  cap: 'Next: read the cap',
  look: 'Next: look at it',
  measure: 'Next: measure',
  fill: 'Next: what goes in',
};

/** Version of the shape in which a half-filled fluid step is kept on the phone. */
const DRAFT_SHAPE = 3;

/** Read the cap, look, measure, decide, pick: what may go in, or stop. */
export function FluidStep(props: StepProps) {
  const vehicle = useVehicle(props.job.vehicleId);
  if (!vehicle.data) return <Loading what="the vehicle" />;
  return <Fluid {...props} vehicle={vehicle.data} />;
}

function Fluid({ job, band, pages, onStep, vehicle }: StepProps & { readonly vehicle: Vehicle }) {
  const { layout } = vehicle;
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
  useFillsIn(!sameData(built.draft, built.base));
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
  // What is only looked at and proved takes no fluid.
  const onlyLooks = job.purpose === 'look and prove';
  const parts = partsOf(draft, onlyLooks);
  const part = parts.find((p) => p === pages.page) ?? parts[0]!;
  const points = openPoints(draft, known).filter((p) => !onlyLooks || p.part !== 'fill');
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
  const looked = hasLooked(draft);
  const decided = (
    <FluidDecided job={job} verdict={verdict} looked={looked} placeOf={placeOf} draft={draft} />
  );
  // Looked back at, all of it stands there; in hand only what is not known.
  const asksCap = !open || draft.asBefore !== 'yes' || !job.knownFluid;
  return (
    <Page
      key={part}
      band={band}
      beside={
        <View style={{ padding: SPACE.wide, gap: SPACE.wide }}>
          <VehicleBrook
            vehicle={vehicle}
            height={360}
            {...(reservoir?.colour ? { fluid: reservoir.colour } : {})}
          />
          {decided}
        </View>
      }
      action={
        <>
          {wide || (part === 'fill' && !stops) ? null : (
            <VerdictStrip verdict={verdict} looked={looked} placeOf={placeOf}>
              {decided}
            </VerdictStrip>
          )}
          {open ? (
            <PartAction
              parts={parts}
              part={part}
              points={points}
              stops={stops}
              busy={act.isPending}
              onPart={pages.openPage}
              onSend={send}
            />
          ) : (
            <BackToHand job={job} onStep={onStep} />
          )}
        </>
      }
    >
      <View>
        <JobHead job={job} title={TITLES[part]} />
        <Parts
          label="Parts of the fluid step"
          parts={parts}
          shown={part}
          isDone={(p) =>
            parts.indexOf(p) < parts.indexOf(part) && !points.some((o) => o.part === p)
          }
          onShow={pages.openPage}
        />
      </View>
      {part === 'cap' ? (
        <>
          {job.makerEntry && job.makerEntry.grades.length > 0 ? (
            <Words>{`The maker asks for ${job.makerEntry.grades.join(' or ')}${job.makerEntry.lowViscosity ? ', low viscosity (class 6 or 7)' : ''}, by this vehicle’s entry. It wins over every rule here.`}</Words>
          ) : null}
          {job.knownFluid && open ? (
            <KnownBefore
              known={job.knownFluid}
              answer={draft.asBefore}
              onAnswer={(answer) => {
                set(asBefore(answer, known));
                // Nothing else stands on this screenful then.
                const next = parts[1];
                if (answer === 'yes' && next) pages.openPage(next);
              }}
            />
          ) : null}
          {draft.asBefore === null ? null : (
            <CapQuestions
              draft={draft}
              verdict={verdict}
              maker={job.makerEntry}
              asksCap={asksCap}
              onChange={set}
              disabled={!open}
              record={
                job.lastFill
                  ? `${job.lastFill.grade} since ${shortDate(job.lastFill.at)}, by the record. Was something else poured in? Say it here.`
                  : null
              }
            />
          )}
        </>
      ) : null}
      {part === 'look' && reservoir ? (
        <SampleLook
          sample={reservoir}
          place="reservoir"
          asksDrops={asksDrops(verdict, 'reservoir')}
          onChange={(said) => setSample('reservoir', said)}
          disabled={!open}
        />
      ) : null}
      {part === 'measure' ? (
        <>
          {reservoir && open ? (
            <SampleReadings
              sample={reservoir}
              place="reservoir"
              grade={expectedGrade(draft, known)}
              onChange={(said) => setSample('reservoir', said)}
            />
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
                  onChange={(said) => setSample(s.point, said)}
                />
              ) : null}
              <SampleLook
                sample={s}
                place={placeOf(s.point)}
                asksDrops={asksDrops(verdict, s.point)}
                onChange={(said) => setSample(s.point, said)}
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
          {open && verdict.condition?.verdict === 'good' ? (
            <Button
              label="It is good: leave it in and end here"
              onPress={leaveIn}
              disabled={act.isPending}
            />
          ) : null}
        </>
      ) : null}
      {part === 'fill' && !stops ? (
        <FluidPick draft={draft} known={known} verdict={verdict} onChange={set} disabled={!open} />
      ) : null}
      {act.error ? <Caution title={act.error.message} /> : null}
      <JobFoot job={job} />
    </Page>
  );
}

/** The way on: to the next part, to what is still asked in another one, or to the plan. */
function PartAction({
  parts,
  part,
  points,
  stops,
  busy,
  onPart,
  onSend,
}: {
  readonly parts: readonly FluidPart[];
  readonly part: FluidPart;
  readonly points: readonly OpenPoint[];
  readonly stops: boolean;
  readonly busy: boolean;
  readonly onPart: (part: FluidPart) => void;
  readonly onSend: () => void;
}) {
  const at = parts.indexOf(part);
  const before = parts[at - 1];
  const next = parts[at + 1];
  const side = before ? { label: 'Back', onPress: () => onPart(before) } : null;
  const here = points.find((p) => p.part === part)?.say ?? null;
  const elsewhere = points.find((p) => p.part !== part);
  if (next && !stops)
    return (
      <ActionBar label={NEXT[next]} waitsFor={here} onPress={() => onPart(next)} side={side} />
    );
  // What an earlier part still asks is led to, not only said.
  if (elsewhere && !here)
    return <ActionBar label={elsewhere.say} onPress={() => onPart(elsewhere.part)} side={side} />;
  return (
    <ActionBar
      label={stops ? 'Stop: end the job here' : 'Make the plan'}
      busy={busy}
      waitsFor={here}
      onPress={onSend}
      side={side}
    />
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
