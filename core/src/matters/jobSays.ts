import { bleederName, chambersOf, paths, type Layout, type Master } from '../circuit';
import { isDue } from '../fluid';
import { driveInForce, takenBackIn, touches, undoneIds } from '../log';
import type { Answered, JobEvent, JobState } from '../log';
import { controlProof, takeUpPasses, type TakeUp } from '../gate';
import { pedalPasses, type PedalResult } from '../pedal';
import { doneAt, HALT_WORDS, plansOf, type Halt, type Kept, type RunState } from '../run';
import { findScope, nameOf, type BleederFinding, type WorkDone } from '../scope';
import { isStageThrough, leftOut, needsTool, UNTOUCHED } from '../stages';
import { lowerFirst } from '../text';
import { controlsConcerned, partsInHand } from './controlsConcerned';
import type { Matter, MatterKind, MatterWeight } from './matter';

/** A job as its vehicle knows it. */
export interface JobAbout {
  readonly jobId: string;
  /** Jobs of a vehicle count up in the order in which they were taken in. */
  readonly jobNumber: number;
  readonly openedAtMs: number;
  /** The layout of the vehicle, for a job that has no plan yet. */
  readonly layout: Layout;
  /** What was said of the work, for jobs from before that stood in the log. */
  readonly work?: WorkDone | null;
}

/** What a job says of its vehicle: what it leaves open, and what of earlier matters it settles. */
export interface JobSays {
  readonly jobId: string;
  readonly openedAtMs: number;
  readonly released: boolean;
  /** What is open by this job as it stands. */
  readonly open: readonly Matter[];
  /** While "test drive only" is set: since when, and what would stay open if it were released. */
  readonly driving: { readonly sinceMs: number; readonly open: readonly Matter[] } | null;
  /** Bleeders that were bled clear. */
  readonly bled: readonly string[];
  /** Bleeders at which the fluid was renewed to the last sign. */
  readonly renewed: readonly string[];
  /** Modulators that were cycled by the tool and bled after it. */
  readonly cycled: readonly string[];
  /** Matters of earlier jobs that were mended. */
  readonly mended: readonly string[];
  /** Masters whose controls it proves once it is released, and the first moment at which one of them was judged. */
  readonly proves: readonly string[];
  readonly provedSinceMs: number | null;
  /** Whether the fluid was looked at and did not stop the job. */
  readonly fluidPasses: boolean;
  /** What was done after it was closed. */
  readonly afterClose: (Answered & { readonly reason: string }) | null;
}

/**
 * What a job says of its vehicle, from its log.
 *
 * @param before matters that were open before it, which it takes over
 */
export function jobSays(given: JobState, about: JobAbout, before: readonly Matter[] = []): JobSays {
  const job = withWorkSaid(given, about);
  const released = job.released !== null;
  // Ended while it was set, nobody drives it any more.
  const drive = released || job.ended ? null : driveInForce(job);
  const { run } = job;
  const done = run ? [...doneAt(run).values()] : [];
  const layout = run?.plan.layout ?? about.layout;
  const proves = controlsConcerned(job, layout, before).map((m) => m.id);
  const judged = job.proof.answers.filter((a) => a.masterId !== null).map((a) => a.atMs);
  return {
    jobId: about.jobId,
    openedAtMs: about.openedAtMs,
    released,
    open: leftOpen(job, about, before, released),
    driving: drive && { sinceMs: drive.setAtMs, open: leftOpen(job, about, before, true) },
    bled: done.filter((d) => d.clear).map((d) => d.bleederId),
    renewed: done.filter((d) => d.renewed).map((d) => d.bleederId),
    cycled: run && cycled(run) ? modulatorsOf(layout) : [],
    mended: inEffect(job).flatMap((e) => (e.kind === 'mended' && e.matterId ? [e.matterId] : [])),
    proves,
    provedSinceMs: judged.length > 0 ? Math.min(...judged) : null,
    fluidPasses: job.fluid !== null && job.fluid.read.verdict.verdict !== 'stop',
    afterClose: null,
  };
}

/** A job from before its log held what was said of the work, as if it did. */
function withWorkSaid(job: JobState, { work, openedAtMs, jobId }: JobAbout): JobState {
  if (job.said || !work) return job;
  const said: JobState['said'] = {
    id: jobId,
    deviceId: jobId,
    deviceSeq: 0,
    atMs: openedAtMs,
    planId: null,
    person: job.fluid?.person ?? job.ended?.person ?? '',
    kind: 'work said',
    work,
  };
  return { ...job, said };
}

/** What the additions to a closed job say: what was done after its end, or taken back from what it ended on. */
export function doneAfterClose(
  additions: readonly Kept<JobEvent>[],
  log: readonly Kept<JobEvent>[],
): JobSays['afterClose'] {
  const undone = undoneIds(additions);
  const takenBack = takenBackIn(log);
  const first = additions.find((e) => !undone.has(e.id) && touches(e, takenBack) !== 'nothing');
  if (!first) return null;
  const { id: eventId, person, atMs } = first;
  return {
    eventId,
    person,
    atMs,
    reason: 'Done after its job was closed. Look before it is driven.',
  };
}

/** Bleeders that this job left shut and that may stay so: seized, on a circuit that was never opened, no air behind. */
export function mayStayShut(run: RunState): ReadonlySet<string> {
  const opened = openedChambers(run);
  const airy = airyBleeders(run);
  return new Set(
    [...run.leftShut].flatMap(([id, reason]) => {
      const chamberId = paths(run.plan.layout).find((p) => p.bleeder.id === id)?.chamber.id;
      const untouched = chamberId !== undefined && !opened.has(chamberId) && !airy.has(id);
      return reason === 'seized' && untouched ? [id] : [];
    }),
  );
}

const inEffect = (job: JobState): readonly Kept<JobEvent>[] =>
  job.log.filter((e) => !job.undone.has(e.id));

/** Writes the matters of one job. */
class Writer {
  readonly matters: Matter[] = [];

  constructor(
    private readonly about: JobAbout,
    private readonly layout: Layout,
    private readonly before: readonly Matter[],
  ) {}

  add(
    kind: MatterKind,
    weight: MatterWeight,
    where: string | null,
    because: string,
    { person, atMs }: Pick<Answered, 'person' | 'atMs'>,
  ): void {
    // What an earlier job left is said once, by that job.
    if (this.before.some((m) => m.kind === kind && m.where === where && where !== null)) return;
    const id = [this.about.jobId, kind, where ?? 'vehicle'].join(' ');
    if (this.matters.some((m) => m.id === id)) return;
    this.matters.push({
      id,
      kind,
      weight,
      where,
      place: where === null ? null : placeOf(this.layout, where),
      because,
      sinceMs: atMs,
      by: person,
      jobId: this.about.jobId,
      jobNumber: this.about.jobNumber,
    });
  }
}

function leftOpen(
  job: JobState,
  about: JobAbout,
  before: readonly Matter[],
  released: boolean,
): readonly Matter[] {
  const layout = job.run?.plan.layout ?? about.layout;
  const out = new Writer(about, layout, before);
  const work = job.run?.plan.work ?? job.said?.work ?? null;
  if (!released) {
    if (work) complaint(out, job, work);
    opened(out, job, layout, work, before);
    // What happened says more than that it was not finished.
    halts(out, job, layout);
    notClear(out, job, layout, work);
    toolCycle(out, job, layout, work);
    failedAnswers(out, job, layout);
    stopVerdict(out, job);
  }
  leftShut(out, job, released);
  if (released || job.ended) oldFluid(out, job, layout);
  return out.matters;
}

/** Who first said or did what opened the vehicle. */
function firstOpened(job: JobState): Pick<Answered, 'person' | 'atMs'> {
  const { run, said, accepted } = job;
  const at = run?.openedAtMs ?? null;
  const event = at === null ? null : run!.log.find((e) => e.atMs === at);
  return event ?? said ?? accepted ?? { person: '', atMs: at ?? 0 };
}

/** A pedal or lever that was soft when the vehicle came is soft until it is proved. */
function complaint(out: Writer, job: JobState, work: WorkDone): void {
  if (work.purpose !== 'soft pedal') return;
  for (const id of work.masterIds)
    out.add(
      'control soft',
      'holds',
      id,
      'It came with a soft pedal or lever',
      job.said ?? firstOpened(job),
    );
}

/** What was said to be off, open or dry opens the vehicle, and so does the first thing done to it. */
function opened(
  out: Writer,
  job: JobState,
  layout: Layout,
  work: WorkDone | null,
  before: readonly Matter[],
): void {
  const parts = partsInHand(job);
  const said = work !== null && saysOpen(layout, work);
  const run = (job.run?.openedAtMs ?? null) !== null;
  if (!run && !said && parts.length === 0) return;
  const because = run ? 'Opened and not released' : 'Said to be open, and not released';
  for (const m of controlsConcerned(job, layout, before))
    out.add('control not proved', 'holds', m.id, because, firstOpened(job));
  for (const id of parts)
    out.add('part off', 'holds', id, 'Named as changed or off', firstOpened(job));
}

function saysOpen(layout: Layout, said: WorkDone): boolean {
  const work = doneAlready(said);
  return (
    work.purpose === 'new or dry' ||
    work.parts.length > 0 ||
    work.master !== null ||
    work.modulatorOpened ||
    work.airInModulator ||
    work.endLost !== null ||
    findScope(layout, work).drewAir.length > 0
  );
}

/** Of what was said, what is done already. */
const doneAlready = (work: WorkDone): WorkDone => ({
  ...work,
  parts: work.parts.filter((p) => !p.notYet),
});

/** Bleeders that were to be opened and are not clear: air where it was said to be or where one was begun, else old fluid. */
function notClear(out: Writer, job: JobState, layout: Layout, work: WorkDone | null): void {
  const { run } = job;
  if (!run) {
    if (!work || work.purpose === 'soft pedal') return;
    for (const f of findScope(layout, doneAlready(work)).bleeders.filter(airLeft))
      out.add('air possible', 'holds', f.bleederId, airBecause(f), firstOpened(job));
    return;
  }
  // Nothing was opened yet, and nothing was said to be: then there is nothing that is not clear.
  if (run.openedAtMs === null && !(work && saysOpen(layout, work))) return;
  const airy = airyBleeders(run);
  const done = doneAt(run);
  for (const d of done.values()) {
    if (d.clear || run.leftShut.has(d.bleederId)) continue;
    if (d.begun)
      out.add('air possible', 'holds', d.bleederId, 'Begun and not bled clear', firstOpened(job));
    else if (airy.has(d.bleederId))
      out.add('air possible', 'holds', d.bleederId, airy.get(d.bleederId)!, firstOpened(job));
  }
  for (const [id, because] of airy)
    if (!done.has(id) && !run.leftShut.has(id))
      out.add('air possible', 'holds', id, because, firstOpened(job));
}

const airLeft = (f: BleederFinding): boolean =>
  f.open &&
  f.why.code === 'air' &&
  f.why.cause !== 'soft pedal' &&
  f.why.cause !== 'left from before';

const airBecause = ({ why }: BleederFinding): string =>
  why.code === 'air' ? AIR_BECAUSE[why.cause] : 'Not bled';

const AIR_BECAUSE = {
  opened: 'Opened and not bled',
  'behind what was opened': 'Behind what was opened, not bled',
  'climbed from the open joint': 'A joint stood open, not bled',
  'drew air at its outlet': 'Drew air at its outlet, not bled',
  'master changed': 'Master changed, not bled',
  'modulator opened': 'Modulator opened, not bled',
  'air in the modulator': 'Air may be in the modulator, not bled',
  'new or dry': 'New or dry, not bled',
  'soft pedal': 'Soft, not bled',
  'left from before': 'Left from before, not bled',
} as const;

/** Bleeders behind which some plan of a run found air, with why; a soft pedal alone says it of the control. */
function airyBleeders(run: RunState): ReadonlyMap<string, string> {
  return new Map(
    plansOf(run).flatMap((p) =>
      p.scope.bleeders.filter(airLeft).map((f) => [f.bleederId, airBecause(f)] as const),
    ),
  );
}

/** A tool cycle that is owed for air, and was not done. */
function toolCycle(out: Writer, job: JobState, layout: Layout, work: WorkDone | null): void {
  if (!needsTool(layout) || !work) return;
  const { run } = job;
  const owed = run
    ? run.plan.scope.airInModulator && !cycled(run)
    : findScope(layout, work).airInModulator;
  if (!owed) return;
  for (const id of modulatorsOf(layout))
    out.add(
      'tool cycle owed',
      'holds',
      id,
      'Air may be inside, out of reach of a stroke',
      firstOpened(job),
    );
}

/** Whether the tool's cycle was really done, under any plan, and everything after it bled clear. */
function cycled(run: RunState): boolean {
  const legs = [...run.past, run];
  return legs.some(({ plan, stages }) => {
    const at = plan.stages.findIndex((s) => {
      if (s.kind !== 'tool cycle') return false;
      const state = stages[s.id] ?? UNTOUCHED;
      return isStageThrough(plan, s, state) && leftOut(s, state) === null && s.atHand;
    });
    if (at < 0) return false;
    const after = new Set(
      plan.stages
        .slice(at + 1)
        .flatMap((s) => (s.kind === 'bleed' ? s.stopIds : []))
        .map((id) => plan.stops.find((x) => x.id === id)!.bleeder.id),
    );
    const done = doneAt(run);
    return [...after].every((id) => done.get(id)?.clear === true);
  });
}

const modulatorsOf = (layout: Layout): string[] =>
  layout.nodes.filter((n) => n.kind === 'modulator').map((n) => n.id);

/** What halted the run and was not cured. */
function halts(out: Writer, job: JobState, layout: Layout): void {
  const { run } = job;
  if (!run) return;
  for (const halt of run.halts) {
    if (halt.decision !== null && halt.decision !== 'end job') continue;
    const event = run.log.find((e) => e.id === halt.eventId)!;
    const because = HALT_WORDS[halt.reason].title;
    const bleeder = plansOf(run)
      .flatMap((p) => p.stops)
      .find((s) => s.id === halt.stopId)?.bleeder.id;
    for (const [kind, where] of mattersOfHalt(halt, bleeder ?? null, run, layout))
      out.add(kind, 'holds', where, because, event);
  }
}

function mattersOfHalt(
  { reason, stopId, masterId }: Halt,
  bleederId: string | null,
  run: RunState,
  layout: Layout,
): (readonly [MatterKind, string | null])[] {
  switch (reason) {
    case 'ran dry': {
      const bowlId = run.plan.stops.find((s) => s.id === stopId)?.bowlId;
      return paths(layout)
        .filter((p) => bowlId === undefined || p.chamber.fedBy === bowlId)
        .map((p) => ['air possible', p.bleeder.id] as const);
    }
    case 'seized':
    case 'snapped':
      return [[reason, bleederId]];
    case 'nothing comes':
      return [['bleeder left', bleederId]];
    case 'air never ends':
      return [
        ['air possible', bleederId],
        ...(needsTool(layout) ? modulatorsOf(layout) : []).map(
          (id) => ['tool cycle owed', id] as const,
        ),
      ];
    case 'leak':
      return [['leak', bleederId]];
    case 'grease':
    case 'other product':
      return [['stop verdict', bleederId]];
    case 'pedal not right':
      return masterId === null
        ? chambersOf(layout)
            .map(({ master }) => master.id)
            .filter((id) => run.plan.work.masterIds.includes(id))
            .map((id) => ['control soft', id] as const)
        : [['control soft', masterId]];
    case 'tool stopped':
    case 'wrong part':
    case 'not as planned':
      // The stage that halted is not through: what it leaves stands by itself.
      return [];
  }
}

/** A control that was judged and does not pass. */
function failedAnswers(out: Writer, job: JobState, layout: Layout): void {
  for (const a of job.proof.answers) {
    const master = layout.masters.find((m) => m.id === a.masterId);
    if (!master || passes(master, layout, a.item, a.value)) continue;
    const said = a.item === 'result' ? String(a.value) : `failed: ${lowerFirst(a.item)}`;
    out.add('control soft', 'holds', master.id, `Judged: ${said}`, a);
  }
  const failed = job.drives.at(-1)?.result;
  if (failed?.result === 'bad')
    out.add('drive failed', 'holds', null, 'The test drive failed', failed);
}

function passes(
  { control }: Master,
  { vehicleKind }: Layout,
  item: string,
  value: boolean | PedalResult | TakeUp,
): boolean {
  if (item !== 'result') return value !== false;
  return controlProof(control, vehicleKind).result === 'take-up'
    ? takeUpPasses(value as TakeUp)
    : pedalPasses(value as PedalResult);
}

/** A job that the fluid stopped. */
function stopVerdict(out: Writer, { ended, run }: JobState): void {
  if (ended?.stop && !run?.ended) out.add('stop verdict', 'holds', null, ended.reason, ended);
}

/** Bleeders that were left shut by decision. */
function leftShut(out: Writer, { run, log }: JobState, released: boolean): void {
  if (!run) return;
  const may = mayStayShut(run);
  for (const [id, reason] of run.leftShut) {
    const owed = may.has(id);
    if (released && !owed) continue;
    const kind: MatterKind =
      reason === 'seized' || reason === 'snapped'
        ? reason
        : reason === 'grease' || reason === 'other product'
          ? 'stop verdict'
          : 'bleeder left';
    const halt = run.halts.find(
      (h) =>
        h.decision === 'leave shut' &&
        plansOf(run).some((p) => p.stops.some((s) => s.id === h.stopId && s.bleeder.id === id)),
    );
    const event = log.find((e) => e.id === halt?.eventId) ?? firstOpened({ run } as JobState);
    out.add(kind, owed ? 'owed' : 'holds', id, `${HALT_WORDS[reason].title}, left shut`, event);
  }
}

/** Bleeders at which a closed job left the fluid old: it judged the fluid as due, or planned to renew it there. */
function oldFluid(out: Writer, job: JobState, layout: Layout): void {
  const read = job.fluid?.read.verdict ?? null;
  const due = read !== null && isDue(read);
  const done = job.run ? doneAt(job.run) : null;
  const wanted = new Set(
    job.run
      ? plansOf(job.run).flatMap((p) =>
          p.stops.filter((s) => s.until === 'new').map((s) => s.bleeder.id),
        )
      : [],
  );
  const masterIds = job.run?.plan.work.masterIds ?? job.said?.work.masterIds ?? [];
  const closed = job.released ?? job.ended ?? firstOpened(job);
  for (const { bleeder, master } of paths(layout)) {
    if (done?.get(bleeder.id)?.renewed) continue;
    if (!wanted.has(bleeder.id) && !(due && masterIds.includes(master.id))) continue;
    const early = done?.get(bleeder.id)?.early;
    const because = early
      ? `Stopped early: ${lowerFirst(early)}`
      : due
        ? `Fluid judged “${read.condition!.verdict}” and left in`
        : 'Planned and not renewed';
    out.add('old fluid', 'owed', bleeder.id, because, closed);
  }
}

/** Chambers whose circuits were opened: at a bleeder, or drained. */
function openedChambers(run: RunState): ReadonlySet<string> {
  const legs = [...run.past, run];
  return new Set(
    legs.flatMap(({ plan, bleeders }) =>
      plan.stops.flatMap((s) => {
        const b = bleeders.find((x) => x.stopId === s.id)!;
        return b.strokes > 0 || b.openedTurns !== null || b.shut ? [s.chamberId] : [];
      }),
    ),
  );
}

/** What a place is called on this vehicle: a control by its control, a bleeder by its place, else its own name. */
export function placeOf(layout: Layout, id: string): string {
  const bleeder = layout.bleeders.find((b) => b.id === id);
  if (bleeder) return bleederName(bleeder);
  return layout.masters.find((m) => m.id === id)?.control ?? nameOf(layout, id);
}
