import type { JobSummary } from '@brook/contract';
import { Words } from '../../ui/Words';
import { useNow } from '../../ui/useNow';
import { clockLeft } from './clockLeft';

/** The clocks of a job in one line of a list; one that is up stands out. */
export function JobClocks({ clocks }: Pick<JobSummary, 'clocks'>) {
  const nowMs = useNow(clocks.length > 0);
  const left = clocks.map((c) => clockLeft(c, nowMs));
  if (left.length === 0) return null;
  return (
    <Words size="small" strong={left.some((c) => c.isUp)}>
      {left.map((c) => `${c.title} ${c.left}`).join(' · ')}
    </Words>
  );
}
