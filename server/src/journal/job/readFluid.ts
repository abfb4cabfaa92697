import type { FluidEntry } from '@brook/contract';
import {
  CONDITION_WORDS,
  COMPATIBILITY_WORDS,
  fluidVerdict,
  HOLD_WORDS,
  REMEDY_WORDS,
  type FluidHold,
  type FluidVerdict,
} from '@brook/core/fluid/verdict';
import type { Vehicle } from '../../db/models';
import { ProblemError } from '../../http/problems/kinds';
import { houseRulesOf } from '../../workshop/rules/service';
import type { Actor } from '../../session/actor';
import { lastFillOf } from './before';
import { planOfJob } from './planOfJob';
import { endLocked } from './end';
import { FLUID_READ_VERSION } from '@brook/core/job/events';
import { appendDesk } from '../log/append';
import { changeJob, onlyAt } from '../log/locked';

/** Read the fluid: on a stop the job ends there, while a question is open nothing is saved; what was only looked at is kept, and once a fluid is chosen the plan is made. */
export async function readFluid(
  actor: Actor,
  id: string,
  version: number,
  given: FluidEntry,
  at: Date,
): Promise<void> {
  await changeJob(actor, id, version, at, async (locked) => {
    const { job, vehicle, transaction } = locked;
    onlyAt(job, ['fluid', 'plan'], 'The fluid is read before the run; this job is past that.');
    const entry = withMaker(given, vehicle);
    refuseUnknownPoints(entry, vehicle);
    const lastDye = (await lastFillOf(vehicle.id, transaction))?.dye ?? null;
    const verdict = fluidVerdict({ ...entry, follow: entry.follow?.source ?? null, lastDye });
    const onlyRead = verdict.hold === 'choose a fluid';
    if (verdict.verdict === 'wait' && !onlyRead) throw waits(verdict.hold!, verdict);
    const rules = await houseRulesOf(actor, transaction);
    const read = { version: FLUID_READ_VERSION, ...entry, verdict, lastDye, rules };
    job.set({ planResult: null });
    await appendDesk(locked, { kind: 'fluid read', read });
    if (verdict.verdict === 'stop') {
      await endLocked(locked, stopReason(verdict), true);
      return;
    }
    if (!onlyRead) refuseUnread(entry, verdict);
    job.set({ planResult: await planOfJob(actor, job, vehicle, read, transaction) });
  });
}

/** What is to go in was read on its label where the name is a trap, and looked at in its container. */
function refuseUnread(entry: FluidEntry, { fill }: FluidVerdict): void {
  if (fill!.secondLook && entry.fill!.labelRead !== fill!.grade)
    throw fault(
      'fill.labelRead',
      `Read the label once more and say what it says. ${COMPATIBILITY_WORDS['name trap']}`,
    );
  if (!entry.newColour)
    throw fault('newColour', 'Colour of the new fluid is missing; look at it in its container.');
}

/** The maker's entry of the vehicle wins over what was typed for the maker. */
function withMaker(entry: FluidEntry, vehicle: Vehicle): FluidEntry {
  const maker = vehicle.makerEntry;
  if (!maker || maker.grades.length === 0) return entry;
  return {
    ...entry,
    demands: [
      { source: 'maker', grades: maker.grades, lowViscosity: maker.lowViscosity },
      ...entry.demands.filter((d) => d.source !== 'maker'),
    ],
  };
}

function refuseUnknownPoints(entry: FluidEntry, vehicle: Vehicle): void {
  const points = ['reservoir', ...vehicle.layout.bleeders.map((b) => b.id)];
  entry.samples.forEach((s, i) => {
    if (!points.includes(s.point))
      throw fault(
        `samples.${i}.point`,
        `Sample point is ${s.point}; it should be one of ${points.join(', ')}.`,
      );
  });
}

const FIELD: Readonly<Partial<Record<FluidHold, string>>> = {
  'read the cap': 'demands',
  'demands conflict': 'follow',
  'water test': 'samples',
  'must not fill': 'fill',
};

function waits(hold: FluidHold, verdict: FluidVerdict): ProblemError {
  const reasons =
    hold === 'must not fill'
      ? verdict
          .fill!.reasons.filter((r) => r.weight === 'stop')
          .map((r) => COMPATIBILITY_WORDS[r.code])
      : [];
  return fault(FIELD[hold] ?? 'body', [HOLD_WORDS[hold].say, ...reasons].join(' '));
}

function stopReason(verdict: FluidVerdict): string {
  if (verdict.hold === 'condition stops')
    return verdict.condition!.governing.map((r) => CONDITION_WORDS[r.code]).join(' ');
  return [HOLD_WORDS[verdict.hold!].say, verdict.remedy ? REMEDY_WORDS[verdict.remedy] : '']
    .join(' ')
    .trim();
}

const fault = (field: string, sentence: string): ProblemError =>
  new ProblemError('invalid', sentence, [{ field, sentence }]);
