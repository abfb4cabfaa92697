import { heldOf } from '../../vehicle/circuit';
import type { StageHead } from './base';
import type { Range } from '../../base/units';
import { handsOn } from './handsOn';
import type { OwnStageKind } from './kind';

/** A few millilitres at the port of the master, against an air lock. */
export interface InjectionDraft {
  readonly kind: 'injection';
  /** Whether the drop of the level is read stroke by stroke; plans from before did not ask for it. */
  readonly drops?: true;
}

/** What the level does stroke by stroke, and the end. */
export type InjectionEvent =
  | { readonly kind: 'level dropped'; readonly stageId: string; readonly mm: number }
  /** A few more strokes, held down, shut, let go, topped up, pumped up. */
  | { readonly kind: 'pumped up'; readonly stageId: string };

/** What somebody may read off as the drop of one stroke. */
export const DROP_MM: Range = { what: 'The drop', unit: 'mm', least: 0, most: 60 };

/** A drop that says that the lock broke: more than a glance at a level can be off by, mm [M]. */
const BROKEN_FROM_MM = 2;
/** The drop has died away where the last two are no more than so much, mm [M]. */
const DIED_AWAY_MM = 1;

/** How far an injection has come, by the drops read so far. */
export type Injection = 'locked' | 'falling' | 'died away';

/**
 * The lock is there as long as the level stands; once it broke it falls fast
 * and then ever less; two small drops in a row behind a large one are the end [C].
 */
export function injectionBy(dropsMm: readonly number[]): Injection {
  const broke = dropsMm.findIndex((mm) => mm >= BROKEN_FROM_MM);
  if (broke < 0) return 'locked';
  const last = dropsMm.slice(broke + 1).slice(-2);
  return last.length === 2 && last.every((mm) => mm <= DIED_AWAY_MM) ? 'died away' : 'falling';
}

export const dropsOf = (said: readonly InjectionEvent[]): readonly number[] =>
  said.flatMap((e) => (e.kind === 'level dropped' ? [e.mm] : []));

/** Whether it was pumped up after the drop had died away, and nothing was read after that. */
function isDone(said: readonly InjectionEvent[]): boolean {
  return said.at(-1)?.kind === 'pumped up' && injectionBy(dropsOf(said)) === 'died away';
}

export type InjectionStage = StageHead & InjectionDraft;

export const injection: OwnStageKind<InjectionDraft, InjectionStage, InjectionEvent> = {
  kind: 'injection',
  when: () => 'in the chain',
  opens: false,
  waiting: null,
  drafts: ({ method }) => (method === 'injection' ? [{ kind: 'injection', drops: true }] : []),
  figures: () => ({ minutes: handsOn(5, 'a few millilitres, then a look at the level') }),
  title: () => 'Inject fluid at the master’s port',
  words: ({ layout }) => ({
    steps: [
      `Cap off, ${heldOf(layout).word} at rest.`,
      'A few millilitres at the port, slowly, until the level moves.',
      'Slow strokes: the level falls when the master takes fluid, fast at first and then ever less.',
    ],
    why: 'An air lock at the port takes no stroke; a push of fluid breaks it.',
  }),
  materials: () => [{ kind: 'kit', what: 'Small tipped bulb', for: 'the master’s port' }],
  maySkip: () => false,
  leavesDanger: () => true,
  notByTap: ({ drops }) =>
    drops
      ? 'An injection ends when the drop of the level has died away; read it stroke by stroke.'
      : null,
  sayings: {
    'level dropped': { touches: true, fault: () => null, halts: () => null },
    'pumped up': { touches: true, fault: () => null, halts: () => null },
  },
  isThrough: (_, __, said) => isDone(said),
  usual: (_, { id, drops }, said) => {
    if (!drops) return null;
    const made = dropsOf(said).length;
    return injectionBy(dropsOf(said)) === 'died away'
      ? { kind: 'pumped up', stageId: id }
      : { kind: 'level dropped', stageId: id, mm: USUAL_DROPS_MM[made] ?? 0 };
  },
  practised: () => false,
  recordLines: (_, __, said) => {
    const drops = dropsOf(said);
    return drops.length === 0
      ? []
      : [
          `Injected at the master’s port: the level fell ${drops.join(', ')} mm, stroke by stroke${isDone(said) ? '; died away, pumped up' : ''}.`,
        ];
  },
};

/** Drops of a made-up log, mm [M]. */
const USUAL_DROPS_MM = [0, 8, 4, 2, 1, 0];
