import { inRange, rangeWords } from '@brook/core/base/units';
import type { FluidUsed, Job } from '@brook/contract';
import { isBledMeasured, type RunState } from '@brook/core/job/run';
import {
  MOVED_ML,
  fluidBalance,
  sharePoured,
  type FluidBalance,
  type ShelfContainer,
} from '@brook/core/fluid/shelf';
import { typedNumber } from '../../ui/typedNumber';

/** A container that was poured from, as it is filled in. */
export interface UsedContainerDraft {
  readonly containerId: string;
  /** What it is, in words. */
  readonly label: string;
  readonly heldMl: number;
  /** What it holds when full. */
  readonly sizeMl: number;
  readonly poured: string;
  readonly discarded: string;
  /** Left in it as counted: asked where more came out than the shelf knew of. */
  readonly counted: string;
}

/** What a job moved, as it is filled in; the count of the run stands in it until somebody has measured. */
export interface UsedDraft {
  readonly containers: readonly UsedContainerDraft[];
  readonly bled: string;
  readonly measured: boolean;
  readonly removed: string;
  readonly spilled: string;
  readonly caught: boolean;
  /** Said where more went in than came out and stands in the reservoir. */
  readonly gap: 'still inside' | null;
  /** What somebody said is right: containers by id, and the jar. */
  readonly confirmed: readonly string[];
}

/** The jar among what is confirmed. */
export const JAR = 'jar';

/** Millilitres as they are typed; nothing typed is none. */
const ml = (text: string): number => (text.trim() === '' ? 0 : typedNumber(text));
const tenth = (value: number): string => String(Math.round(value * 10) / 10);

/** A container as the shelf shows it. */
type OnShelf = Pick<ShelfContainer, 'id' | 'batch' | 'sizeMl' | 'state' | 'leftMl'>;

/** The proposal: what the run counted, poured out of the picked containers, opened ones first. */
export function usedDraftOf(
  job: Pick<Job, 'pick' | 'fluidUsed'>,
  run: Pick<RunState, 'pouredMl' | 'pouredFromMl' | 'bledMl' | 'removedMl' | 'jar'>,
  shelf: readonly OnShelf[] = [],
): UsedDraft {
  const { fluidUsed } = job;
  if (fluidUsed) {
    const { containers, bledMl, bledBy, removedMl, spilledMl, discardedMl, caughtMl } = fluidUsed;
    return {
      containers: containers.map((c) => ({
        containerId: c.containerId,
        label: `Batch ${c.batch}, ${c.sizeMl} mL`,
        heldMl: c.pouredMl + c.discardedMl + c.leftMl,
        sizeMl: c.sizeMl,
        poured: tenth(c.pouredMl),
        discarded: tenth(c.discardedMl),
        counted: '',
      })),
      bled: tenth(bledMl),
      measured: bledBy === 'measured',
      removed: tenth(removedMl),
      spilled: tenth(spilledMl),
      caught: discardedMl === 0 || caughtMl > 0,
      gap: null,
      confirmed: [...containers.map((c) => c.containerId), JAR],
    };
  }
  const own = job.pick?.kind === 'enough' ? job.pick.containers : [];
  // Poured from another one than was picked: it stands with them.
  const picked: readonly OnShelf[] = [
    ...own,
    ...shelf.filter((c) => run.pouredFromMl[c.id] && !own.some((o) => o.id === c.id)),
  ];
  const shares = new Map(
    sharePoured(
      run.pouredMl,
      picked.map((c) => ({ ...c, onlySaid: !own.some((o) => o.id === c.id) })),
      run.pouredFromMl,
    ).map((s) => [s.containerId, s.pouredMl]),
  );
  return {
    containers: picked.map((c) => ({
      containerId: c.id,
      label: `Batch ${c.batch}, ${c.sizeMl} mL`,
      heldMl: c.leftMl,
      sizeMl: c.sizeMl,
      poured: tenth(shares.get(c.id)!),
      discarded: '0',
      counted: '',
    })),
    bled: tenth(run.bledMl),
    measured: isBledMeasured(run),
    removed: tenth(run.removedMl),
    spilled: '0',
    caught: true,
    gap: null,
    confirmed: [],
  };
}

/** Whether more came out of a container than the shelf knew of: rounding is not more. */
export const isOverdrawn = (c: UsedContainerDraft): boolean =>
  ml(c.poured) + ml(c.discarded) > c.heldMl + 0.05;

/** What was poured from, each with what is to be confirmed about it in one tap, and the jar. */
export function toConfirm(
  draft: UsedDraft,
): readonly { readonly id: string; readonly label: string; readonly about: string }[] {
  return [
    ...draft.containers
      .filter((c) => ml(c.poured) + ml(c.discarded) > 0)
      .map((c) => {
        const leftMl = isOverdrawn(c) ? ml(c.counted) : c.heldMl - ml(c.poured) - ml(c.discarded);
        return {
          id: c.containerId,
          label: `${c.label.split(',')[0]!}: ${tenth(ml(c.poured))} mL poured`,
          about: leftMl < 0.05 ? 'empty now' : `${tenth(leftMl)} mL left in it`,
        };
      }),
    ...(ml(draft.bled) + ml(draft.removed) > 0
      ? [
          {
            id: JAR,
            label: `Jar: ${tenth(ml(draft.bled))} mL`,
            about: [
              draft.measured ? 'measured' : 'by the count',
              ...(ml(draft.removed) > 0
                ? [`and ${tenth(ml(draft.removed))} mL drawn off the reservoir`]
                : []),
            ].join(', '),
          },
        ]
      : []),
  ];
}

/** Every amount that cannot be right, by its field. */
export function usedFaults(draft: UsedDraft): Readonly<Record<string, string>> {
  const faults: Record<string, string> = {};
  const check = (field: string, word: string, text: string) => {
    if (!inRange(MOVED_ML, ml(text)))
      faults[field] = `${word} is ${text}; give ${rangeWords(MOVED_ML)}.`;
  };
  draft.containers.forEach((c, i) => {
    check(`containers.${i}.pouredMl`, 'Poured', c.poured);
    check(`containers.${i}.discardedMl`, 'Discarded', c.discarded);
    if (!isOverdrawn(c)) return;
    const taken = ml(c.poured) + ml(c.discarded);
    if (c.counted.trim() === '')
      faults[`containers.${i}.countedLeftMl`] =
        `It was down as holding ${tenth(c.heldMl)} mL, and ${tenth(taken)} mL came out. Count it.`;
    else check(`containers.${i}.countedLeftMl`, 'Left', c.counted);
    if (taken + ml(c.counted) > c.sizeMl + 0.05)
      faults[`containers.${i}.pouredMl`] =
        `It holds ${tenth(c.sizeMl)} mL when full. Name the other container.`;
  });
  check('bledMl', 'Bled', draft.bled);
  check('removedMl', 'Removed', draft.removed);
  check('spilledMl', 'Spilled', draft.spilled);
  return faults;
}

/** The draft as it is sent; what rounding put above what a container held is cut off. Null while something cannot be right. */
export function usedOf(draft: UsedDraft): FluidUsed | null {
  if (Object.keys(usedFaults(draft)).length > 0) return null;
  return {
    containers: draft.containers
      .map((c) => ({
        containerId: c.containerId,
        pouredMl: isOverdrawn(c)
          ? ml(c.poured)
          : Math.min(ml(c.poured), c.heldMl - ml(c.discarded)),
        discardedMl: ml(c.discarded),
        countedLeftMl: isOverdrawn(c) ? ml(c.counted) : null,
      }))
      .filter((c) => c.pouredMl + c.discardedMl > 0),
    bledMl: ml(draft.bled),
    bledBy: draft.measured ? 'measured' : 'strokes',
    removedMl: ml(draft.removed),
    spilledMl: ml(draft.spilled),
    caught: draft.caught,
    gap: draft.gap,
  };
}

/** The balance of what was put down: containers, vehicle, waste. */
export function balanceOf(used: FluidUsed, heldMl: (containerId: string) => number): FluidBalance {
  const sum = (of: (c: FluidUsed['containers'][number]) => number) =>
    used.containers.reduce((total, c) => total + of(c), 0);
  const discardedMl = sum((c) => c.discardedMl);
  const pouredMl = sum((c) => c.pouredMl);
  return fluidBalance({
    openedMl: Math.max(
      pouredMl + discardedMl,
      sum((c) => heldMl(c.containerId)),
    ),
    pouredMl,
    bledMl: used.bledMl,
    removedMl: used.removedMl,
    spilledMl: used.spilledMl,
    discardedMl,
    caughtMl: used.caught ? discardedMl : 0,
  });
}
