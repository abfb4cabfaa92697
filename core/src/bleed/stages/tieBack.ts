import { CONTROL_TRAITS, VEHICLE_TRAITS, type Layout } from '../../vehicle/circuit';
import { capital } from '../../base/text';
import type { Timed, StageHead } from './base';
import { figure, PRACTICE } from '../../base/figure';
import { TWO_READINGS_MM, heldLoss, heldWords } from '../../control/pedal';
import { isSoft } from '../scope';
import type { Range } from '../../base/units';
import { handsOn } from './handsOn';
import type { OwnStageKind } from './kind';

/** The lever stays tied back over night. */
export interface TieBackDraft {
  readonly kind: 'tie back';
  /** Whether the bite is recorded before and after; plans from before did not ask for it. */
  readonly measured?: true;
  /** Whose lever: each is tied and measured by itself. Plans from before named none. */
  readonly masterId?: string;
}

/** Where the lever bites: from its tip to the bar. */
export interface BiteMeasured {
  readonly kind: 'bite measured';
  readonly stageId: string;
  readonly when: 'before' | 'after';
  readonly mm: number;
}

/** What somebody may read off as the bite. */
export const BITE_MM: Range = { what: 'The bite', unit: 'mm', least: 1, most: 200 };

/** A lever stays tied back over night, minutes [C]. */
const TIED_BACK_MINUTES = 10 * 60;

/** What both readings say: by how much the lever came nearer to the bar, and for how long it was tied; null before there are both. */
export interface BiteDrop {
  readonly beforeMm: number;
  readonly afterMm: number;
  /** Above 0 where it bites nearer to the bar than before. */
  readonly dropMm: number;
  readonly tiedMs: number;
  /** Whether that is more than two readings can differ by: a leak, or air that moved. */
  readonly gaveWay: boolean;
}

export function biteDrop(said: readonly Timed<BiteMeasured>[]): BiteDrop | null {
  const last = (when: BiteMeasured['when']) => said.filter((e) => e.when === when).at(-1);
  const [before, after] = [last('before'), last('after')];
  if (!before || !after) return null;
  const dropMm = before.mm - after.mm;
  return {
    beforeMm: before.mm,
    afterMm: after.mm,
    dropMm,
    tiedMs: after.atMs - before.atMs,
    gaveWay: dropMm > TWO_READINGS_MM,
  };
}

/**
 * What a drop of the bite means in fluid by the hour, by the bore and ratio of
 * its master; null where the plan named no lever, or it was tied for no time.
 *
 * @param hours for which it was tied back
 */
export function biteLossWords(
  layout: Layout,
  masterId: string | undefined,
  { dropMm, hours }: { readonly dropMm: number; readonly hours: number },
): string | null {
  const master = layout.masters.find((m) => m.id === masterId);
  const boreMm = master?.chambers[0]?.boreMm;
  if (!master || !boreMm || !(hours > 0)) return null;
  return heldWords(heldLoss({ lostMm: dropMm, hours, boreMm, ratio: master.ratio }));
}

/** The lever in its own words; of a plan that named none the one there is. */
const leverOf = (layout: Layout, masterId: string | undefined): string =>
  layout.masters.find((m) => m.id === masterId)?.control ?? 'lever';

export type TieBackStage = StageHead & TieBackDraft;

export const tieBack: OwnStageKind<TieBackDraft, TieBackStage, BiteMeasured> = {
  kind: 'tie back',
  when: () => 'in the chain',
  opens: false,
  waiting: figure({
    label: 'Lever tied back',
    value: TIED_BACK_MINUTES,
    unit: 'min',
    rule: 'over night; a drop of the bite point tells a leak or air that moved',
    source: PRACTICE,
  }),
  drafts: ({ layout, work }) =>
    VEHICLE_TRAITS[layout.vehicleKind].bar && (work.purpose === 'new or dry' || isSoft(work))
      ? layout.masters
          // Only a lever can be tied to the bar: a foot brake cannot.
          .filter(
            (m) => work.masterIds.includes(m.id) && CONTROL_TRAITS[m.control].held === 'lever',
          )
          .map((m) => ({ kind: 'tie back', measured: true, masterId: m.id }))
      : [],
  figures: () => ({ minutes: handsOn(2, 'hands on; it stays tied over night') }),
  title: (layout, { masterId }) => `Tie the ${leverOf(layout, masterId)} back`,
  words: ({ layout }, { masterId }) => ({
    steps: [
      `Measure where the ${leverOf(layout, masterId)} bites.`,
      'Tie it back to the bar, upright, cap on, over night.',
      'Measure the bite again in the morning.',
    ],
    why: 'Fine bubbles find their way up. A drop of the bite tells a leak, or air that moved.',
  }),
  materials: () => [],
  maySkip: () => true,
  leavesDanger: () => false,
  notByTap: ({ measured }) =>
    measured
      ? 'A lever that was tied back is done by its bite before and after; record both.'
      : null,
  sayings: {
    // Measuring pulls the lever and opens nothing.
    'bite measured': {
      touches: false,
      fault: () => null,
      halts: (_, __, ___, said) => (biteDrop(said)?.gaveWay ? 'pedal not right' : null),
    },
  },
  isThrough: (_, __, said) => biteDrop(said)?.gaveWay === false,
  usual: (_, { id, measured }, said) =>
    measured
      ? { kind: 'bite measured', stageId: id, when: said.length === 0 ? 'before' : 'after', mm: 40 }
      : null,
  practised: () => false,
  recordLines: ({ layout }, { masterId }, said) => {
    const drop = biteDrop(said);
    const lever = capital(leverOf(layout, masterId));
    if (!drop)
      return said.map((e) => `${lever} tied back: bite ${e.mm} mm before, none measured after.`);
    const { beforeMm, afterMm, tiedMs, dropMm, gaveWay } = drop;
    const minutes = Math.round(tiedMs / 60_000);
    const tied = minutes < 60 ? `${minutes} min` : `${(minutes / 60).toFixed(1)} h`;
    const tells = gaveWay
      ? `${dropMm} mm nearer to the bar: a leak, or air that moved`
      : 'no drop beyond what two readings differ by';
    const loss = biteLossWords(layout, masterId, { dropMm, hours: tiedMs / 3_600_000 });
    return [
      `${lever} tied back ${tied}: bite ${beforeMm} mm before, ${afterMm} mm after; ${tells}.${gaveWay && loss ? ` ${loss}` : ''}`,
    ];
  },
};
