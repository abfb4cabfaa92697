import type { StageHead } from './base';
import { handsOn } from './handsOn';
import type { OwnStageKind } from './kind';

/** What comes out behind the flush is looked at: whether the wrong product is still in it. */
export interface WaterTestDraft {
  readonly kind: 'water test';
  readonly reservoirIds: readonly string[];
}

/** What was seen of it; the first two are good. */
export const WATER_SEEN = ['mixes', 'one clean fluid', 'drops or a film'] as const;
export type WaterSeen = (typeof WATER_SEEN)[number];

/** What was seen of the fluid behind the flush. */
export interface WaterTested {
  readonly kind: 'water tested';
  readonly stageId: string;
  readonly seen: WaterSeen;
}

export type WaterTestStage = StageHead & WaterTestDraft;

/** Whether nothing of the wrong product is seen any more. */
export const isCleanInWater = (seen: WaterSeen): boolean => seen !== 'drops or a film';

const WORDS: Readonly<Record<WaterSeen, string>> = {
  mixes: 'mixes with water, no drops',
  'one clean fluid': 'one clean fluid, no layer',
  'drops or a film': 'drops or a film: the wrong product is still in it',
};

export const waterTest: OwnStageKind<WaterTestDraft, WaterTestStage, WaterTested> = {
  kind: 'water test',
  when: () => 'in the chain',
  opens: false,
  waiting: null,
  drafts: ({ work }) => {
    const reservoirIds = [...(work.owed?.rubberAt ?? []), ...(work.owed?.strippedAt ?? [])];
    return reservoirIds.length > 0 ? [{ kind: 'water test', reservoirIds }] : [];
  },
  figures: () => ({ minutes: handsOn(5, 'a glass of the last of it, water, a minute to stand') }),
  title: () => 'Water test behind the flush',
  words: () => ({
    steps: [
      'The last that came at each bleeder, together in a clear glass: two fingers of it.',
      'As much water, shake, let it stand for a minute.',
      'Glycol fluid mixes with it to one. Drops or a film on top are oil or silicone: flush again through the same bleeders, then test again.',
      'Where the right fluid is itself silicone or mineral oil, no water: one clean fluid without a layer.',
    ],
    why: 'A trace that stays begins the same on the new rubber.',
  }),
  materials: () => [
    { kind: 'tool', what: 'Clear glass and water', for: 'the test behind the flush' },
  ],
  maySkip: () => false,
  leavesDanger: () => true,
  notByTap: () => 'Say what was seen of the fluid behind the flush.',
  sayings: {
    'water tested': { touches: false, fault: () => null, halts: () => null },
  },
  // The last look counts: drops that were seen are over when they are seen no more.
  isThrough: (_, __, said) => said.length > 0 && isCleanInWater(said.at(-1)!.seen),
  usual: (_, { id }) => ({ kind: 'water tested', stageId: id, seen: 'mixes' }),
  practised: () => false,
  recordLines: (_, __, said) => said.map((s) => `Water test: ${WORDS[s.seen]}.`),
};
