import { wayTo } from '../../fluid/inside';
import type { PlanOpening } from '../../bleed/stages';
import { plansOf, type BleederState, type RunStanding } from './state';

/** From the first opening on the vehicle must not be driven. */
export const opened = (run: RunStanding, atMs: number): RunStanding =>
  run.openedAtMs === null ? { ...run, openedAtMs: atMs } : run;

/** The opening of that name, under whatever plan. */
export const openingIn = (run: RunStanding, openingId: string): PlanOpening | undefined =>
  plansOf(run)
    .flatMap((p) => p.openings)
    .find((s) => s.id === openingId);

/** What the fluid passes on its way to an opening. */
export const wayIn = ({ plan }: RunStanding, opening: PlanOpening): readonly string[] =>
  wayTo(plan.layout, opening.bleeder.id);

/** Whether something was said under a plan that is no longer in force. */
export const isOfPast = (run: RunStanding, planId: string | null): boolean =>
  run.past.some((leg) => leg.plan.id === planId);

/** Change one opening, under whatever plan it was made. */
export function atBleeder(
  run: RunStanding,
  openingId: string,
  change: (b: BleederState) => BleederState,
): RunStanding {
  const changed = (bleeders: readonly BleederState[]) =>
    bleeders.map((b) => (b.openingId === openingId ? change(b) : b));
  if (run.bleeders.some((b) => b.openingId === openingId))
    return { ...run, bleeders: changed(run.bleeders) };
  return {
    ...run,
    past: run.past.map((leg) =>
      leg.bleeders.some((b) => b.openingId === openingId)
        ? { ...leg, bleeders: changed(leg.bleeders) }
        : leg,
    ),
  };
}

/** Somebody looked what a flow gave. */
export const flowRead = <B extends BleederState>(b: B): B => ({
  ...b,
  flow: null,
  flowUnread: false,
});
