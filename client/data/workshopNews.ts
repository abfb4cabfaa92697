import { JOB_LINE_LOST_MS } from '@brook/contract/beats';
import { useQueryClient, type QueryClient } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { forgetLists } from './job';
import { Line } from './line';
import { heard } from './touch';

/** The lists of a workshop as a line tells of them: what was said while it was lost is asked for as soon as it is back. */
export function listsHeard(client: QueryClient) {
  let missed = false;
  const changed = () => forgetLists(client);
  return {
    changed,
    lost: () => {
      missed = true;
    },
    back: () => {
      if (missed) changed();
      missed = false;
    },
  };
}

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
    const lists = listsHeard(client);
    const line = new Line({
      address: () => '/api/v1/news',
      silentMs: JOB_LINE_LOST_MS,
      on: {
        changed: () => {
          heard();
          lists.changed();
        },
        beat: () => {
          heard();
          setFull(false);
          lists.back();
        },
      },
      onLost: lists.lost,
      onFull: () => setFull(true),
    });
    const look = () => {
      if (!document.hidden) return line.open();
      line.shut();
      lists.lost();
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
