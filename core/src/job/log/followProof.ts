import { controlProof, PROOF_ITEMS } from '../items';
import type { Plan } from '../../bleed/plan';
import type { FollowOptions } from '../run';
import type { JobEvent, ProofHappening } from '../events';

/**
 * The answers of somebody who finds everything right, each control by itself
 * and each item of the proof once: for the demo, and for tests.
 *
 * @param masterIds of the controls that are proved
 */
export function followProof(
  plan: Plan,
  {
    deviceId,
    nextId,
    startMs,
    lastSeq = 0,
    masterIds,
  }: Omit<FollowOptions, 'strokes' | 'until'> & { readonly masterIds: readonly string[] },
): JobEvent[] {
  const { vehicleKind, masters } = plan.layout;
  const answers: ProofHappening[] = [
    ...masters
      .filter((m) => masterIds.includes(m.id))
      .flatMap((master): ProofHappening[] => {
        const masterId = master.id;
        const { result, checks } = controlProof(master, vehicleKind);
        return [
          ...(result === 'pedal'
            ? [{ kind: 'pedal judged', masterId, result: 'firm and high' } as const]
            : []),
          ...(result === 'take-up'
            ? [{ kind: 'take-up judged', masterId, takeUp: 'middle' } as const]
            : []),
          ...checks.map((item) => ({ kind: 'checked', item, masterId, passes: true }) as const),
        ];
      }),
    ...PROOF_ITEMS[vehicleKind].map(
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
