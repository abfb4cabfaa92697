import { paths, type Layout } from '../../vehicle/circuit';
import type { JobState } from '../../job/log';
import { doneAt, plansOf, type RunState } from '../../job/run';
import { findScope, type BleederFinding, type WorkDone } from '../../bleed/scope';
import { firstOpened, type Writer } from './writer';

/** Bleeders that were to be opened and are not clear: air where it was said to be or where one was begun, else old fluid. */
export function notClear(out: Writer, job: JobState, layout: Layout, work: WorkDone | null): void {
  const { run } = job;
  if (!run) {
    if (!work) return;
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

export function saysOpen(layout: Layout, said: WorkDone): boolean {
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
  master: work.master?.notYet ? null : work.master,
});

/** Bleeders behind which some plan of a run found air, with why; a soft pedal alone says it of the control. */
function airyBleeders(run: RunState): ReadonlyMap<string, string> {
  return new Map(
    plansOf(run).flatMap((p) =>
      p.scope.bleeders.filter(airLeft).map((f) => [f.bleederId, airBecause(f)] as const),
    ),
  );
}

type Airy = BleederFinding & { readonly why: { readonly code: 'air' } };

const airLeft = (f: BleederFinding): f is Airy =>
  f.open &&
  f.why.code === 'air' &&
  f.why.cause !== 'soft pedal' &&
  f.why.cause !== 'left from before';

const airBecause = ({ why }: Airy): string => AIR_BECAUSE[why.cause];

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

/** Bleeders that this job left shut and that may stay so: seized, on a circuit that was never opened, no air behind. */
export function mayStayShut(run: RunState): ReadonlySet<string> {
  const opened = openedChambers(run);
  const airy = airyBleeders(run);
  return new Set(
    [...run.leftShut].flatMap(([id, reason]) => {
      // A bleeder that this plan's layout does not know is no bleeder that may stay.
      const chamberId = paths(run.plan.layout).find((p) => p.bleeder.id === id)?.chamber.id;
      const untouched = chamberId !== undefined && !opened.has(chamberId) && !airy.has(id);
      return reason === 'seized' && untouched ? [id] : [];
    }),
  );
}

/** Chambers whose circuits were opened: at a bleeder, or drained. */
function openedChambers(run: RunState): ReadonlySet<string> {
  const legs = [...run.past, run];
  return new Set(
    legs.flatMap(({ plan, bleeders }) =>
      plan.openings.flatMap((s) => {
        const b = bleeders.find((x) => x.openingId === s.id)!;
        return b.strokes > 0 || b.openedTurns !== null || b.shut ? [s.chamberId] : [];
      }),
    ),
  );
}
