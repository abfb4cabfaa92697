import type { StageHead } from './base';
import { handsOn } from './handsOn';
import { BY_TAP, type OwnStageKind } from './kind';

/** The piston of a pressure differential valve is pushed back from the end that lost pressure. */
export interface ValveDraft {
  readonly kind: 'centre the valve';
  readonly endLost: 'front' | 'rear';
}

export interface ValveFigures {
  /** Whether a button serves that end: where there is one, it serves one end only. */
  readonly button: boolean;
}

export type ValveStage = StageHead & ValveDraft & ValveFigures;

export const centreTheValve: OwnStageKind<ValveDraft, ValveStage> = {
  ...BY_TAP,
  kind: 'centre the valve',
  when: () => 'in the chain',
  opens: false,
  waiting: null,
  drafts: ({ work }) => (work.endLost ? [{ kind: 'centre the valve', endLost: work.endLost }] : []),
  figures: (layout, { endLost }) => ({
    minutes: handsOn(15, 'one end opened, the piston pushed back, the lamp looked at'),
    button: layout.nodes.some(
      (n) => n.kind === 'valve' && n.valve === 'differential' && n.end === endLost && n.button,
    ),
  }),
  title: () => 'Push the piston of the differential valve back',
  words: (_, { endLost, button }) => ({
    steps: [
      'The loss is repaired first. No pressure in the system.',
      `The piston lies towards the ${endLost} end, which lost pressure: push it back from that port with a blunt pin, one step.`,
      ...(button ? [`Or by the button at the ${endLost} end.`] : []),
      'Or through the hole of its switch, while the groove can still be reached.',
      `Or open a bleeder at the ${endLost === 'front' ? 'rear' : 'front'}, which still flows, and push slowly; this often fails.`,
      'The lamp goes out. Keep a pinning tool on it while bleeding hard. A trickle is evidence of it, not proof: not every one shuts the flow off.',
    ],
    why: 'The valve is never removed or bypassed: the warning would be lost, and where the block also proportions, the rear locks.',
  }),
  materials: () => [
    { kind: 'tool', what: 'Pinning tool for the differential valve', for: 'while bleeding hard' },
    { kind: 'tool', what: 'Blunt pin', for: 'to push its piston back' },
  ],
  maySkip: () => false,
  leavesDanger: () => true,
};
