import type { Grade } from '../../fluid/verdict';
import { carriedOver, pocketsOf, scaled, volumeMl, wayTo, type Inside } from '../../fluid/inside';
import { isStageThrough, leftOut } from '../../bleed/stages';
import { doneAt } from './doneAt';
import { RunFluid } from './runFluid';
import { type RunState } from './state';
import { firstPlanOf } from '../standing';

/** What is inside now, as a run moved it: the fluid of its job is new. */
export function insideNow(run: RunState): Inside {
  return new RunFluid(firstPlanOf(run)).after(run.log).inside();
}

/**
 * What a run leaves inside, for the record and for the next job. Where a
 * bleeder was bled clear its way holds no air; where the tool cycled the
 * modulator, its pockets hold what the modulator holds.
 *
 * @param filledAtMs when the job was closed: the date of its fill
 * @param grade what it filled with; null where it filled nothing
 */
export function insideAfter(run: RunState, filledAtMs: number, grade: Grade | null): Inside {
  const { layout } = run.plan;
  const now = insideNow(run);
  const clear = new Set(
    [...doneAt(run).values()].flatMap((d) => (d.clear ? wayTo(layout, d.bleederId) : [])),
  );
  const exchanged = cycled(run)
    ? layout.nodes.flatMap((n) => {
        const [through, pockets] = [now[n.id], now[pocketsOf(n.id)]];
        return through && pockets
          ? [[pocketsOf(n.id), scaled(through, volumeMl(pockets) / volumeMl(through))]]
          : [];
      })
    : [];
  const left: Inside = { ...now, ...Object.fromEntries(exchanged) };
  const settled = Object.entries(left).map(([id, content]) => [
    id,
    clear.has(id) ? { ...content, mayHoldAir: false } : content,
  ]);
  return carriedOver(Object.fromEntries(settled), { grade, filledAtMs });
}

/** Whether the tool cycled the modulator, under any plan. */
const cycled = (run: RunState): boolean =>
  [...run.past, run].some(({ plan, stages }) =>
    plan.stages.some((s) => {
      const state = s.kind === 'tool cycle' ? stages[s.id] : undefined;
      return (
        s.kind === 'tool cycle' &&
        state !== undefined &&
        isStageThrough(plan, s, state) &&
        leftOut(s, state) === null
      );
    }),
  );
