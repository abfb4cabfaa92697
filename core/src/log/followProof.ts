import { PROOF_ITEMS } from '../gate';
import type { Plan } from '../plan';
import type { FollowOptions } from '../run';
import type { JobEvent, ProofHappening } from './event';

/**
 * The answers of somebody who finds everything right, each item of the proof
 * once: for the demo, and for tests.
 */
export function followProof(
  plan: Plan,
  { deviceId, nextId, startMs, lastSeq = 0 }: Omit<FollowOptions, 'strokes' | 'until'>,
): JobEvent[] {
  const answers: ProofHappening[] = [
    { kind: 'pedal judged', masterId: null, result: 'firm and high' },
    ...PROOF_ITEMS[plan.layout.vehicleKind].map(
      (item): ProofHappening => ({ kind: 'checked', item, passes: true }),
    ),
  ];
  return answers.map((said, i) => ({
    id: nextId(),
    deviceId,
    deviceSeq: lastSeq + i + 1,
    atMs: startMs + i * 1_000,
    planId: plan.id,
    ...said,
  }));
}
