import { validateLayout, type Layout, type LayoutFault } from '@brook/core/vehicle/circuit';
import { useCallback, useMemo, useState } from 'react';

export interface LayoutDraft {
  readonly layout: Layout;
  readonly faults: readonly LayoutFault[];
  readonly changed: boolean;
  readonly change: (edited: Layout) => void;
  readonly undo: (() => void) | null;
}

/** A layout that is being changed, with every step back to where it began. */
export function useLayoutDraft(first: Layout): LayoutDraft {
  const [steps, setSteps] = useState<readonly Layout[]>([first]);
  const layout = steps.at(-1)!;
  const faults = useMemo(() => validateLayout(layout), [layout]);
  const change = useCallback((edited: Layout) => setSteps((s) => [...s, edited]), []);
  return {
    layout,
    faults,
    changed: steps.length > 1,
    change,
    undo: steps.length > 1 ? () => setSteps((s) => s.slice(0, -1)) : null,
  };
}
