import { JOB_LINE_LOST_MS } from '@brook/contract/beats';
import { useQueryClient } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { forgetLists } from './job';
import { Line } from './line';
import { heard } from './touch';

/**
 * A line to the workshop, open while a page is looked at that shows what may be
 * driven: bad news is seen the moment it arrives.
 *
 * @returns whether it is not there, because too many pages are open
 */
export function useWorkshopNews(open: boolean): boolean {
  const client = useQueryClient();
  const [full, setFull] = useState(false);
  useEffect(() => {
    if (!open) return;
    let lost = false;
    const changed = () => {
      heard();
      forgetLists(client);
      void client.invalidateQueries({ queryKey: ['overview'] });
    };
    const line = new Line({
      address: () => '/api/v1/news',
      silentMs: JOB_LINE_LOST_MS,
      on: {
        changed,
        beat: () => {
          heard();
          setFull(false);
          // What was said while nothing was heard is asked for.
          if (lost) changed();
          lost = false;
        },
      },
      onLost: () => (lost = true),
      onFull: () => setFull(true),
    });
    const look = () => {
      if (!document.hidden) return line.open();
      line.shut();
      lost = true;
    };
    look();
    document.addEventListener('visibilitychange', look);
    return () => {
      document.removeEventListener('visibilitychange', look);
      line.shut();
    };
  }, [client, open]);
  return open && full;
}
