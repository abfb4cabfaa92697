import type { Layout, Master } from '../../vehicle/circuit';
import { takeUpOf, type TakeUp } from '../../control/clutch';
import { controlProof, takeUpPasses } from '../../job/items';
import { judgedByMeasure, measuredAt, slipsIn, type JobState } from '../../job/log';
import { judgedWords, pedalPasses, type PedalResult } from '../../control/pedal';
import { plansOf, type RunState } from '../../job/run';
import { openingIn } from '../../job/standing';
import { HALT_WORDS, broughtByHalt, opensOf, type OpenItemKind } from '../../job/events';
import { lowerFirst } from '../../base/text';
import { mayStayShut } from './airLeft';
import { firstOpened, type Writer } from './writer';

/** What halted the run and was not cured. */
export function halts(out: Writer, { run }: JobState): void {
  if (!run) return;
  for (const halt of run.halts) {
    if (halt.decision !== null && halt.decision !== 'end job') continue;
    bring(out, run, halt);
  }
}

/** All that a halt brought holds. */
function bring(out: Writer, run: RunState, halt: RunState['halts'][number]): void {
  const { reason, openingId, masterId, eventId } = halt;
  const event = run.log.find((e) => e.id === eventId)!;
  for (const { what, where } of broughtByHalt(reason, openingId, masterId, plansOf(run)))
    out.add(what, 'holds', where, HALT_WORDS[reason].title, event);
}

/** Bleeders that were left shut by decision. */
export function leftShut(out: Writer, { run, log }: JobState, released: boolean): void {
  if (!run) return;
  const may = mayStayShut(run);
  for (const [id, reason] of run.leftShut) {
    const owed = may.has(id);
    if (released && !owed) continue;
    const kind: OpenItemKind =
      reason === 'seized' || reason === 'snapped'
        ? reason
        : reason === 'grease' || reason === 'other product'
          ? 'wrong fluid'
          : 'bleeder left';
    const halt = run.halts.find(
      (h) =>
        h.decision === 'leave shut' &&
        plansOf(run).some((p) =>
          p.openings.some((s) => s.id === h.openingId && s.bleeder.id === id),
        ),
    );
    const event = log.find((e) => e.id === halt?.eventId) ?? firstOpened({ run } as JobState);
    out.add(kind, owed ? 'owed' : 'holds', id, `${HALT_WORDS[reason].title}, left shut`, event);
  }
  // Where it was met nobody said: there is no bleeder that could have been left.
  for (const halt of run.halts)
    if (halt.decision === 'leave shut' && !(halt.openingId && openingIn(run, halt.openingId)))
      bring(out, run, halt);
}

/** A control that was judged and does not pass. */
export function failedAnswers(out: Writer, job: JobState, layout: Layout): void {
  failedMeasures(out, job, layout);
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

/** A control that was measured and does not pass, whatever was said of it. */
function failedMeasures(out: Writer, { proof, run }: JobState, layout: Layout): void {
  for (const t of proof.takeUps)
    if (!takeUpPasses(takeUpOf(t.restMm, t.takeUpMm)))
      out.add(
        'control soft',
        'holds',
        t.masterId,
        `Measured: takes up at ${t.takeUpMm} mm of ${t.restMm} mm`,
        t,
      );
  for (const { id } of layout.masters) {
    const judged = run && judgedByMeasure(run.plan, proof.measured, id);
    if (!judged || !('result' in judged) || pedalPasses(judged.result)) continue;
    const here = measuredAt(proof.measured, id, 'after')!;
    const last = [...here.readings, ...(here.sink ? [here.sink] : [])].reduce((a, b) =>
      b.atMs > a.atMs ? b : a,
    );
    out.add('control soft', 'holds', id, `Measured: ${judgedWords(judged)}`, last);
  }
}

function passes(
  master: Master,
  { vehicleKind }: Layout,
  item: string,
  value: boolean | PedalResult | TakeUp,
): boolean {
  if (item !== 'result') return value !== false;
  return controlProof(master, vehicleKind).result === 'take-up'
    ? takeUpPasses(value as TakeUp)
    : pedalPasses(value as PedalResult);
}

/** A job that the fluid stopped: what asks for a strip is not over by a later look. */
export function stopVerdict(out: Writer, { ended, run, fluid }: JobState): void {
  if (!ended?.stop || run?.ended) return;
  const strip = fluid?.read.verdict.remedy?.startsWith('strip') ?? false;
  out.add(strip ? 'wrong fluid' : 'stop verdict', 'holds', null, ended.reason, ended);
}

/**
 * What was poured and must not be in there, or nobody knows, and what came out
 * that must not have been: it holds, whoever releases. What is in stays in: to
 * take it back later does not take it out.
 */
export function wrongInside(out: Writer, { log, undone, run }: JobState): void {
  const plans = run ? plansOf(run) : [];
  const slips = slipsIn(log);
  for (const e of log) {
    if (slips.has(e.id)) continue;
    const back = undone.has(e.id) ? ', said and taken back later' : '';
    if ('containerId' in e) {
      const said = e.product
        ? `${e.product.grade}, batch ${e.product.batch}, was poured in`
        : 'Out of a container that the shelf does not know';
      for (const { what, where } of opensOf(e, plans))
        out.add(what, 'holds', where, `${said}${back}`, e);
    }
    // Whatever was decided on it: to go on at the others takes nothing out.
    if (e.kind === 'halted')
      for (const { what, where } of opensOf(e, plans))
        if (what === 'wrong fluid')
          out.add(what, 'holds', where, `${HALT_WORDS[e.reason].title}${back}`, e);
  }
}
