import { rubberIn, type Layout, type RubberPart } from '../../vehicle/circuit';
import { capital } from '../../base/text';
import { figure, MODEL, type Figure } from '../../base/figure';
import type { StageHead, Timed } from './base';
import type { OwnStageKind } from './kind';

/** Every part with rubber that a wrong product may have reached is renewed, one by one. */
export interface StripDraft {
  readonly kind: 'strip';
  /** The chambers of the bowl that it came in by. */
  readonly reservoirIds: readonly string[];
}

/** How one of them was put right. */
export const RENEWED = ['renewed', 'has none'] as const;
export type Renewed = (typeof RENEWED)[number];

/** The rubber of one part was renewed, or it was seen that the vehicle has no such part. */
export interface RubberRenewed {
  readonly kind: 'rubber renewed';
  readonly stageId: string;
  readonly part: string;
  readonly how: Renewed;
}

export type StripStage = StageHead & StripDraft;

/** Hands-on time for one part with its rubber, minutes [M]. */
const MINUTES_EACH = 30;

export const strip: OwnStageKind<StripDraft, StripStage, RubberRenewed> = {
  kind: 'strip',
  when: () => 'before drawing',
  opens: true,
  waiting: null,
  drafts: ({ work }) => {
    const reservoirIds = work.owed?.rubberAt ?? [];
    return reservoirIds.length > 0 ? [{ kind: 'strip', reservoirIds }] : [];
  },
  figures: (layout, draft) => ({ minutes: minutesOf(rubberIn(layout, draft.reservoirIds).length) }),
  title: () => 'Strip: renew all rubber',
  words: () => ({
    steps: [
      'Drain all of it. Nothing of what came out goes back in, nor over rubber that stays.',
      'Part by part below: out, rubber renewed, metal cleaned with brake cleaner from outside the rubber, cold, and dried with a cloth or by the air of the room. No compressed air through what is still joined.',
      'Lines that stay are flushed with new fluid of the grade asked for before they are joined, until it comes as clean as it went in.',
      'Press each one when its rubber is new and in the part.',
    ],
    why: 'Rubber that stood in the wrong product swells or goes soft, days or weeks later, and then a brake locks or fails. One old cup is enough.',
  }),
  materials: ({ layout }, { reservoirIds }) =>
    rubberIn(layout, reservoirIds).map((p) => ({
      kind: 'kit',
      what: `${capital(p.renew)}${p.mayLack ? ', where it has one' : ''}`,
      for: p.name,
    })),
  maySkip: () => false,
  leavesDanger: () => true,
  notByTap: () =>
    'A strip is through when the rubber of each part is renewed; say so part by part.',
  sayings: {
    'rubber renewed': {
      touches: true,
      fault: ({ layout }, { reservoirIds }, { part, how }) => {
        const parts = rubberIn(layout, reservoirIds);
        const named = parts.find((p) => p.id === part);
        if (!named)
          return `There is no part "${part}" with rubber here; it should be one of ${parts.map((p) => p.id).join(', ')}.`;
        return how === 'has none' && !named.mayLack
          ? `${named.name} is always there; say when its rubber is renewed.`
          : null;
      },
      halts: () => null,
    },
  },
  isThrough: ({ layout }, stage, said) => rubberLeft(layout, stage, said).length === 0,
  usual: ({ layout }, stage, said) => {
    const [next] = rubberLeft(layout, stage, said);
    return next
      ? { kind: 'rubber renewed', stageId: stage.id, part: next.id, how: 'renewed' }
      : null;
  },
  practised: () => false,
  recordLines: ({ layout }, { reservoirIds }, said) => {
    const of = (how: Renewed) =>
      rubberIn(layout, reservoirIds).flatMap((p) =>
        said.filter((s) => s.part === p.id).at(-1)?.how === how ? [`${p.name}: ${p.renew}`] : [],
      );
    const [renewed, lacks] = [of('renewed'), of('has none')];
    return [
      ...(renewed.length > 0 ? [`Rubber renewed: ${renewed.join('; ')}.`] : []),
      ...(lacks.length > 0 ? [`Not there on this vehicle: ${lacks.join('; ')}.`] : []),
    ];
  },
};

/** Parts whose rubber nobody has renewed yet. */
export function rubberLeft(
  layout: Layout,
  { reservoirIds }: Pick<StripDraft, 'reservoirIds'>,
  said: readonly Pick<Timed<RubberRenewed>, 'part'>[],
): RubberPart[] {
  return rubberIn(layout, reservoirIds).filter((p) => !said.some((s) => s.part === p.id));
}

const minutesOf = (parts: number): Figure =>
  figure({
    label: 'Hands on',
    value: parts * MINUTES_EACH,
    unit: 'min',
    rule: `${parts} parts × ${MINUTES_EACH} min`,
    source: MODEL,
  });
