import { inUnits, METRIC, unitIn, type UnitChoice } from '@brook/core/base/units';
import { Children, useSyncExternalStore, type ReactNode } from 'react';

let chosen: UnitChoice = METRIC;
const listeners = new Set<() => void>();

/** What is shown and typed from now on is in the units of this person. */
export function chooseUnits(units: UnitChoice): void {
  if (JSON.stringify(units) === JSON.stringify(chosen)) return;
  chosen = units;
  for (const tell of listeners) tell();
}

/** The units of who is signed in on this phone; metric where nobody is. */
export const useUnits = (): UnitChoice =>
  useSyncExternalStore(
    (tell) => {
      listeners.add(tell);
      return () => listeners.delete(tell);
    },
    () => chosen,
    () => METRIC,
  );

/** A sentence in the units of who is signed in; what is no sentence stays. */
export function inOwnUnits<T>(text: T, units: UnitChoice): T {
  return typeof text === 'string' ? (inUnits(text, units) as T) : text;
}

/** Words of a component in the person's units; what JSX took apart around a number is read as the one sentence it is. */
export function childrenInUnits(children: ReactNode, units: UnitChoice): ReactNode {
  if (units === METRIC) return children;
  if (typeof children === 'string') return inUnits(children, units);
  if (!Array.isArray(children)) return children;
  const pieces = Children.toArray(children);
  return pieces.every((c) => typeof c === 'string' || typeof c === 'number')
    ? inUnits(pieces.join(''), units)
    : Children.map(children as ReactNode[], (c) => inOwnUnits(c, units));
}

/** What stands over a column, in the units of the numbers under it. */
export const inHead = (word: string, units: UnitChoice): string =>
  word.replace(/(^| )(mL|mm|°C)$/, (_, before, unit: string) => `${before}${unitIn(unit, units)}`);
