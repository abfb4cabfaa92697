import { inRange, rangeWords } from '@brook/core/base/units';
import {
  asksOf,
  LOWEST_LEVEL_MM,
  partsAsOne,
  workAsked,
  type Ask,
  type BenchEnd,
} from '@brook/core/bleed/scope';
import type { PlanChoices } from '@brook/contract';
import type { Layout } from '@brook/core/vehicle/circuit';
import { typedNumber } from '../../ui/typedNumber';
import type { Answer, YesNo } from './answers';
import { kept, MASTER_QUESTIONS, type MasterAnswers, type MasterKey } from './masterQuestions';

export interface PartDraft {
  readonly partId: string;
  /** Whether the work on it is done; the run asks about what is not. */
  readonly done: YesNo | null;
  readonly cappedAtOnce: Answer | null;
  readonly keptFull: Answer | null;
  readonly newPart: YesNo | null;
}
export interface MasterDraft {
  readonly masterId: string;
  /** Whether it is on the vehicle; the run asks about what is not. */
  readonly done: YesNo | null;
  readonly bench: BenchEnd | null;
  readonly linesOver: readonly string[];
  /** As the questions are put. */
  readonly answers: Partial<MasterAnswers>;
}

/** What was done, half-filled. */
export interface WorkDraft {
  /** Any of them together. */
  readonly asks: readonly Ask[];
  readonly masterIds: readonly string[];
  readonly parts: readonly PartDraft[];
  readonly holdPoint: YesNo;
  /** Whether anything besides the parts named was opened. */
  readonly elseOpened: YesNo | null;
  readonly masterChanged: MasterDraft | null;
  readonly primeInPlace: 'bench' | 'as a set' | 'in place';
  /** As typed, per reservoir. */
  readonly lowest: Readonly<Record<string, string>>;
  readonly modulatorOpened: YesNo;
  /** Still soft after a whole bleed that ended clean. */
  readonly stillSoft: YesNo;
  readonly renewPockets: YesNo;
  /** Null where a lamp was lit at intake and nobody said which end it is about. */
  readonly endLost: 'no' | 'front' | 'rear' | null;
  /** Months as typed, per partner. */
  readonly ages: Readonly<Record<string, string>>;
}

const said = (yes: boolean): YesNo => (yes ? 'yes' : 'no');
/** Whether a lamp was lit at intake on a vehicle whose differential valve has one. */
export const lampOfTheValve = (
  layout: Layout,
  { found = [] }: Pick<PlanChoices['work'], 'found'>,
): boolean =>
  found.some((f) => f.what === 'lamp lit') &&
  layout.nodes.some((n) => n.kind === 'valve' && n.valve === 'differential');

/** The form as it was answered last. */
export function workDraft(
  layout: Layout,
  { work, holdPoint, primeInPlace, partnerAges }: PlanChoices,
): WorkDraft {
  const { master } = work;
  return {
    asks: asksOf(work),
    masterIds: work.masterIds,
    holdPoint: said(holdPoint),
    elseOpened: work.parts.length > 0 ? 'no' : null,
    primeInPlace: primeInPlace ? 'in place' : work.setAsOne ? 'as a set' : 'bench',
    modulatorOpened: said(work.modulatorOpened),
    stillSoft: said(work.airInModulator),
    renewPockets: said(work.renewPockets),
    endLost: work.endLost ?? (lampOfTheValve(layout, work) && !work.anotherLamp ? null : 'no'),
    parts: partsAsOne(layout, work.parts).map((p) => ({
      partId: p.partId,
      done: said(!p.notYet),
      cappedAtOnce: said(p.cappedAtOnce),
      keptFull: said(p.keptFull),
      newPart: said(p.newPart !== false),
    })),
    masterChanged: master && {
      masterId: master.masterId,
      // Choices of older rules did not say.
      done: master.notYet === undefined ? null : said(!master.notYet),
      bench: master.notYet ? null : master.bench,
      linesOver: master.linesOver ?? [],
      answers: Object.fromEntries(
        MASTER_QUESTIONS.filter((q) => q.knownBefore || !master.notYet).map((q) => [
          q.key,
          said(master[q.key] === (q.good === 'yes')),
        ]),
      ),
    },
    lowest: Object.fromEntries(work.lowest.map((l) => [l.reservoirId, String(l.belowMaxMm)])),
    ages: Object.fromEntries(
      partnerAges.flatMap((a) => (a.months === null ? [] : [[a.partId, String(a.months)]])),
    ),
  };
}

/** What is missing or cannot be right, by what it is about. */
export function workFaults(layout: Layout, draft: WorkDraft): Record<string, string> {
  const faults: Record<string, string> = {};
  if (draft.asks.length === 0) faults.asks = 'Say why it is here';
  if (draft.masterIds.length === 0) faults.masters = 'Say what is in hand';
  for (const [reservoirId, mm] of Object.entries(draft.lowest)) {
    const value = typedNumber(mm);
    if (mm.trim() !== '' && !inRange(LOWEST_LEVEL_MM, value))
      faults[reservoirId] =
        `${layout.reservoirs.find((b) => b.id === reservoirId)?.name ?? reservoirId}: give ${rangeWords(LOWEST_LEVEL_MM)} below MAX`;
  }
  if (draft.endLost === null) faults.endLost = 'Say what the lamp is about';
  if (!draft.asks.includes('part')) return faults;
  if (
    draft.parts.length === 0 &&
    !draft.masterChanged &&
    draft.modulatorOpened === 'no' &&
    Object.values(draft.lowest).every((mm) => mm.trim() === '')
  )
    faults.parts = 'Which part was changed?';
  if (draft.parts.some(isOpenQuestion))
    faults.conditions = 'Answer for every part: new, done, capped, and kept full';
  if (draft.parts.length > 0 && draft.elseOpened === null)
    faults.else = 'Say whether anything else was opened';
  if (draft.elseOpened === 'yes') faults.else = 'Name what else was opened, then answer no';
  if (draft.masterChanged?.linesOver.length === 1) faults.lines = 'Name the line under it too';
  if (draft.masterChanged && isMasterOpen(layout, draft.masterChanged))
    faults.master = 'Answer every question about the master';
  return faults;
}

/** Whether something about a part is not answered; of what is not done yet nobody can say how it went. */
export const isOpenQuestion = ({ newPart, done, cappedAtOnce, keptFull }: PartDraft): boolean =>
  newPart === null ||
  done === null ||
  (done === 'yes' && (cappedAtOnce === null || keptFull === null));

/** What is said of a part: what is not done yet will be done with care, and the run asks. */
export const partOf = (p: PartDraft): PlanChoices['work']['parts'][number] => ({
  partId: p.partId,
  cappedAtOnce: p.done === 'no' || p.cappedAtOnce === 'yes',
  keptFull: p.done === 'no' || p.keptFull === 'yes',
  ...(p.done === 'no' ? { notYet: true } : {}),
  newPart: p.newPart === 'yes',
});

/** What is said of a master: what is still to be done will be done with care, and the run asks. */
function masterOf(draft: MasterDraft): NonNullable<PlanChoices['work']['master']> {
  const { masterId, done, bench, linesOver, answers } = draft;
  const conditions = Object.fromEntries(
    MASTER_QUESTIONS.map((q) => [
      q.key,
      done === 'no' && !q.knownBefore ? true : kept(q.key, answers),
    ]),
  ) as Record<MasterKey, boolean>;
  return {
    masterId,
    ...conditions,
    bench: done === 'no' ? 'not done' : bench!,
    notYet: done === 'no',
    linesOver: linesOver.length > 1 ? [...linesOver] : [],
  };
}

/** Whether something about a master is not answered; of what is not done yet only what can be known before. */
function isMasterOpen(layout: Layout, { done, bench, answers }: MasterDraft): boolean {
  if (done === null) return true;
  const asked = MASTER_QUESTIONS.filter((q) => q.asks(layout) && (q.knownBefore || done === 'yes'));
  return asked.some((q) => answers[q.key] === undefined) || (done === 'yes' && bench === null);
}

/** The choices with what was answered; what belongs to another purpose is not sent. */
export function workOf(layout: Layout, draft: WorkDraft, before: PlanChoices): PlanChoices {
  const { purpose, also } = workAsked(draft.asks)!;
  const after = draft.asks.includes('part');
  const flush = draft.asks.every((a) => a === 'renew');
  const master = after ? draft.masterChanged : null;
  return {
    ...before,
    // Another scope may ask for another method and order; they are chosen anew.
    method: purpose === before.work.purpose ? before.method : null,
    order: before.order === 'least fluid' ? null : before.order,
    leastFluid: null,
    holdPoint: draft.holdPoint === 'yes',
    primeInPlace: draft.primeInPlace === 'in place',
    partnerAges: Object.entries(draft.ages).map(([partId, months]) => ({
      partId,
      months: Number.isFinite(typedNumber(months)) ? typedNumber(months) : null,
    })),
    work: {
      purpose,
      also,
      found: before.work.found ?? [],
      masterIds: [...draft.masterIds],
      endLost: draft.endLost === 'no' ? null : draft.endLost,
      anotherLamp: draft.endLost === 'no' && lampOfTheValve(layout, before.work),
      ...(draft.primeInPlace === 'as a set' ? { setAsOne: true } : {}),
      modulatorOpened: !flush && draft.modulatorOpened === 'yes',
      airInModulator: draft.asks.includes('soft') && draft.stillSoft === 'yes',
      renewPockets: flush && draft.renewPockets === 'yes',
      parts: after ? draft.parts.map(partOf) : [],
      master: master && masterOf(master),
      lowest: flush
        ? []
        : layout.reservoirs.flatMap((b) =>
            Number.isFinite(typedNumber(draft.lowest[b.id] ?? ''))
              ? [{ reservoirId: b.id, belowMaxMm: typedNumber(draft.lowest[b.id]!) }]
              : [],
          ),
    },
  };
}
