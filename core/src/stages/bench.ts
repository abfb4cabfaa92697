import type { StageHead } from './base';
import { clutchSet } from '../clutch';
import { figure, MODEL, type Figure } from '../figure';
import { nameOf } from '../scope';
import type { Layout } from '../circuit';
import { fullStrokeVolume } from '../order';
import { handsOn } from './handsOn';
import { BY_TAP, type OwnStageKind } from './kind';

/** A master filled on the bench. `set`: master, line and slave of a clutch lie there as one. */
export interface BenchDraft {
  readonly kind: 'bench';
  readonly masterId: string;
  readonly compulsory: boolean;
  readonly set: boolean;
}

export interface BenchFigures {
  readonly savesMinutes: Figure;
  /** New fluid that goes through the master into a can; null where it runs back, and in plans of rules before 8. */
  readonly canMl?: Figure | null;
}

/** Full strokes that a bench run takes at the least, each chamber [M]. */
const BENCH_STROKES = 10;

/** What a bench-bled master is expected to save at the wheels, minutes [M]. */
const SAVES_MINUTES = 20;

export type BenchStage = StageHead & BenchDraft & BenchFigures;

export const bench: OwnStageKind<BenchDraft, BenchStage> = {
  ...BY_TAP,
  kind: 'bench',
  when: () => 'before filling',
  opens: false,
  waiting: null,
  drafts: ({ layout, work, primeInPlace, finding }) =>
    primeInPlace
      ? []
      : finding.bench.map((masterId) => ({
          kind: 'bench',
          masterId,
          compulsory: true,
          set:
            work.purpose === 'new or dry' && work.setAsOne === true && clutchSet(layout, masterId),
        })),
  figures: (layout, { masterId, set }, { benchFill }) => ({
    canMl: benchFill === 'into a can' && !set ? intoTheCan(layout, masterId) : null,
    minutes: handsOn(
      15,
      'five to thirty minutes: the chamber nearer the pushrod takes longest',
      12,
    ),
    savesMinutes: figure({
      label: 'Expected to save at the wheels',
      value: SAVES_MINUTES,
      unit: 'min',
      plusMinus: 15,
      rule: 'air that never reaches the lines need not be carried through them',
      source: MODEL,
    }),
  }),
  title: (layout, { set, masterId }) =>
    set ? 'Clutch set on the bench' : `${nameOf(layout, masterId)} on the bench`,
  words: ({ layout, preferences }, { set, masterId }) => {
    if (set) {
      return {
        steps: [
          'Master, line and slave joined on the bench: the line points up all the way, the master nose up.',
          'Reservoir half full before the piston of the slave is pushed back: that drives the last bubbles up.',
          'Slow full strokes, slow returns, until no bubble has come for a minute and the piston comes fully home.',
          'It goes onto the vehicle as it is: nothing is parted again.',
        ],
        why: 'A set that is bled on the bench goes in full; in the vehicle its line rises and falls.',
      };
    }
    const { chambers } = layout.masters.find((m) => m.id === masterId)!;
    const lies = chambers.length > 1 ? 'level' : 'with its outlet nose up';
    return {
      steps: [
        `In soft jaws, ${lies}, never nose down.`,
        preferences.benchFill === 'into a can'
          ? 'Hoses from the ports into a can; fill below the brim.'
          : 'Hoses from the ports back under the fluid; fill below the brim.',
        'Bench fittings of the right thread, started by hand with slight resistance; clear tubes, no seep.',
        'Slow full strokes, slow returns. A bubble that goes out and comes back asks for a few fast ones.',
        'Every chamber: no bubbles, level steady, piston firm. Go on for a minute after the last bubble.',
        'The piston comes fully home. Cap the ports on the way to the vehicle.',
      ],
      why: 'A dry master makes no pressure, and its air would be pushed through every line.',
    };
  },
  materials: ({ preferences }) => [
    {
      kind: 'kit',
      what:
        preferences.benchFill === 'into a can'
          ? 'Soft jaws, hoses into a can'
          : 'Soft jaws, hoses from the ports back into the reservoir',
      for: 'the master on the bench',
    },
  ],
  maySkip: ({ compulsory }) => !compulsory,
  // Where no wheel is opened, what the bench left is never bled out.
  leavesDanger: ({ stops }, { compulsory }) => compulsory || stops.length === 0,
};

/** What a bench run pumps through a master, where it does not run back. */
function intoTheCan(layout: Layout, masterId: string): Figure {
  const strokes = layout.masters
    .find((m) => m.id === masterId)!
    .chambers.map((c) => ({ ...fullStrokeVolume(c), label: c.name }));
  return figure({
    label: 'Into the can on the bench',
    value: BENCH_STROKES * strokes.reduce((sum, s) => sum + s.value, 0),
    unit: 'mL',
    rule: `${BENCH_STROKES} full strokes of every chamber; more where bubbles keep coming`,
    source: MODEL,
    from: strokes,
  });
}
