import { templateById } from '@brook/core/vehicle/circuit/templates';
import { foldJob } from '@brook/core/job/log';
import { type JobEvent, type Logged } from '@brook/core/job/events';
import { planBleed } from '@brook/core/bleed/plan';
import type { Measured } from './report';

const EVENTS = 4_500;
const UNDOS = 500;
const RUNS = 15;

/** The fold of a long run: 500 undos on 4,500 events, as a phone folds it after it was opened. */
export function foldUndos(): Measured {
  const result = planBleed({
    layout: templateById('hatchback-diagonal')!.build('right'),
    fillGrade: 'DOT 4',
    newColour: 'clear',
  });
  if (result.verdict === 'refused')
    throw new Error('the layout of this measurement should be planned');
  const { plan } = result;
  const openingId = plan.openings[0]!.id;
  const base = { deviceId: 'phone', planId: plan.id, person: 'Una' };
  const log: Logged<JobEvent>[] = [
    { ...base, id: 'accepted', deviceSeq: 0, atMs: 0, kind: 'plan accepted', plan, pick: null },
  ];
  for (let i = 0; i < EVENTS; i++) {
    log.push({ ...base, id: `s${i}`, deviceSeq: i + 1, atMs: i, kind: 'stroke', openingId });
    // Spread over the log, each takes back a stroke that lies far behind it.
    if (i % (EVENTS / UNDOS) === 0)
      log.push({
        ...base,
        id: `u${i}`,
        deviceSeq: EVENTS + i,
        atMs: i,
        kind: 'undone',
        eventId: `s${Math.floor(i / 2)}`,
      });
  }
  const fold = () => {
    const began = performance.now();
    foldJob(log);
    return performance.now() - began;
  };
  for (let i = 0; i < 3; i++) fold();
  return {
    name: 'run.fold.undos',
    unit: 'ms',
    limit: 250,
    runs: Array.from({ length: RUNS }, fold),
  };
}
