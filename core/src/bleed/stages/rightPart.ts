import type { StageHead, StagePlan } from './base';
import {
  foundAsGuessed,
  measuredBy,
  partFaults,
  partNeeds,
  sizesOfPart,
  usualPieces,
  type CountedPiece,
  type Found,
} from '../../vehicle/part';
import { hasServo, isActuator, type Layout, type SizeFound } from '../../vehicle/circuit';
import { nameOf } from '../scope';
import { lowerFirst } from '../../base/text';
import type { WorkDone } from '../scope';
import { handsOn } from './handsOn';
import type { OwnStageKind } from './kind';

/** A new part beside what the vehicle needs, before anything is filled. */
export interface RightPartDraft {
  readonly kind: 'right part';
  readonly partId: string;
}

/** A new part held beside what the vehicle needs, and its pieces counted; what does not fit halts the run. */
export interface PartCompared {
  readonly kind: 'part compared';
  readonly stageId: string;
  readonly found: Readonly<Record<string, Found>>;
  readonly pieces: readonly CountedPiece[];
}

export type RightPartStage = StageHead & RightPartDraft;

export const rightPart: OwnStageKind<RightPartDraft, RightPartStage, PartCompared> = {
  kind: 'right part',
  when: () => 'before drawing',
  opens: false,
  waiting: null,
  drafts: ({ work, underWay }) =>
    underWay ? [] : newParts(work).map((partId) => ({ kind: 'right part', partId })),
  figures: () => ({
    minutes: handsOn(5, 'held beside the old one, bore and threads measured, pieces counted'),
  }),
  title: (layout, { partId }) => `Compare the new part: ${nameOf(layout, partId)}`,
  words: ({ layout }, { partId }) => ({
    steps: [
      `Before the old one is unbolted: crack its ${layout.bleeders.some((b) => b.at === partId) ? 'bleeder and line nut' : 'line nuts'} while the body is still held, with a second wrench where the fitting would turn.`,
      `Old and new side by side: ${comparedOf(layout, partId)}. The maker’s figure decides; without it the old one, if it was right.`,
      'Threads are started by hand, with slight resistance and no force.',
      `Its pieces are counted: none left over, none doubled, none left on the old part${servoOf(layout, partId) ? ' or the servo' : ''}.`,
    ],
    why: 'A part that nearly fits is found out now, or when it is full and leaks.',
  }),
  materials: ({ layout }, { partId }) =>
    usualPieces(layout, partId)
      .filter((p) => p.comes === 'new')
      .map((p) => ({
        kind: 'kit',
        what: `${p.count} × ${lowerFirst(p.what)}, new`,
        for: nameOf(layout, partId),
      })),
  maySkip: () => true,
  leavesDanger: () => false,
  notByTap: () => 'A new part is through when it was compared and its pieces counted; record that.',
  sayings: {
    'part compared': {
      touches: true,
      fault: () => null,
      halts: (plan, stage, event) =>
        partFaultsOf(plan, stage, event).length > 0 ? 'wrong part' : null,
    },
  },
  isThrough: (plan, stage, said) =>
    said.some((event) => partFaultsOf(plan, stage, event).length === 0),
  usual: ({ layout }, { id, partId }) => ({
    kind: 'part compared',
    stageId: id,
    found: foundAsGuessed(partNeeds(layout, partId)),
    pieces: usualPieces(layout, partId).map((p) => ({ ...p, state: 'right' })),
  }),
  practised: () => false,
  recordLines: (plan, stage, said) =>
    said.map((event) => {
      const faults = partFaultsOf(plan, stage, event);
      const pieces = event.pieces.reduce((sum, p) => sum + p.count, 0);
      const title = rightPart.title(plan.layout, stage);
      return faults.length === 0
        ? [
            `${title}: fits, ${pieces} pieces counted.`,
            ...measuredBy(partNeeds(plan.layout, stage.partId), event.found),
          ].join(' ')
        : `${title}: ${faults.join(' ')}`;
    }),
};

/** What is held against the old one; a caliper or cylinder of the wrong hand has its bleeder at the bottom. */
function comparedOf(layout: Layout, partId: string): string {
  const node = layout.nodes.find((n) => n.id === partId);
  if (layout.masters.some((m) => m.id === partId)) return 'bore, ports, threads, rod, connector';
  if (node && isActuator(node))
    return node.kind === 'slave'
      ? 'bore, port, threads, rod'
      : 'bore, port, threads, and the hand: fitted, its bleeder stands at the top';
  return 'length, ports, threads, ends';
}

const servoOf = (layout: Layout, partId: string): boolean =>
  layout.masters.some((m) => m.id === partId && hasServo(m, layout.vehicleKind));

/** What is wrong with a new part as it was found, in sentences; empty when it may be filled. */
export function partFaultsOf(
  { layout }: Pick<StagePlan, 'layout'>,
  { partId }: Pick<RightPartStage, 'partId'>,
  { found, pieces }: Pick<PartCompared, 'found' | 'pieces'>,
): string[] {
  return partFaults(partNeeds(layout, partId), found, pieces);
}

/** Sizes of the vehicle that a new part brings, where it was compared and fits. */
export function sizesBrought(
  { layout }: { readonly layout: Layout },
  stage: Pick<RightPartStage, 'partId'>,
  event: Pick<PartCompared, 'found' | 'pieces'>,
): SizeFound[] {
  return partFaultsOf({ layout }, stage, event).length > 0
    ? []
    : sizesOfPart(partNeeds(layout, stage.partId), event.found);
}

/** Parts that come new, the master among them: each is compared before anything is filled. */
function newParts({ purpose, parts, master }: WorkDone): string[] {
  if (purpose !== 'after work' && purpose !== 'new or dry') return [];
  return [
    ...(master ? [master.masterId] : []),
    ...parts.filter((p) => p.newPart !== false).map((p) => p.partId),
  ];
}
