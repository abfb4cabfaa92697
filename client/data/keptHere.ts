import type { Medium } from '@brook/core/job/events';
import { counted } from '@brook/core/base/text';
import { useQuery } from '@tanstack/react-query';
import { useCallback, useState } from 'react';
import { waitingMedia, type WaitingMedia } from './media';
import { allWaiting, onOutbox, othersWaiting, outboxOf, type WaitingEvent } from './outbox';
import { useReadAnew } from './readAnew';

/** What somebody tapped, photographed and said that is not with the workshop yet. */
export interface WaitingTaps {
  readonly id: string;
  readonly person: string;
  readonly taps: number;
  readonly media: readonly Medium[];
}

/** What waits on a phone for others than one person, by whose it is. */
export function keptForOthers(
  waiting: readonly WaitingEvent[],
  media: readonly Pick<WaitingMedia, 'by' | 'medium'>[],
  personId: string,
): readonly WaitingTaps[] {
  const tappers = othersWaiting(waiting, personId);
  const files = media.filter((m) => m.by.id !== personId);
  const names = new Map([
    ...tappers.map(({ id, person }) => [id, person] as const),
    ...files.map(({ by }) => [by.id, by.name] as const),
  ]);
  return [...names].map(([id, person]) => ({
    id,
    person,
    taps: tappers.find((t) => t.id === id)?.taps ?? 0,
    media: files.filter((m) => m.by.id === id).map((m) => m.medium),
  }));
}

/** Counted, in words; null where nothing is kept. @example "2 taps, 1 photo" */
export function keptWords({ taps, media }: Pick<WaitingTaps, 'taps' | 'media'>): string | null {
  const of = (medium: Medium) => media.filter((m) => m === medium).length;
  const kinds = [
    [taps, 'tap'],
    [of('photo'), 'photo'],
    [of('voice'), 'voice note'],
  ] as const;
  return kinds.flatMap(([n, what]) => (n > 0 ? [counted(n, what)] : [])).join(', ') || null;
}

/** Whose taps, photos and voice notes wait on this phone for them; asked anew whenever a page that says it is opened. */
export function useKeptHere() {
  return useQuery({
    queryKey: ['kept here'],
    queryFn: async () => keptForOthers(await allWaiting(), await waitingMedia(), ''),
    gcTime: 0,
  });
}

/** What waits on this phone of a job. */
export function useWaiting(jobId: string): readonly WaitingEvent[] {
  const [waiting, setWaiting] = useState<readonly WaitingEvent[]>([]);
  const read = useCallback(async () => (await outboxOf(jobId)).waiting, [jobId]);
  const onChange = useCallback((hear: () => void) => onOutbox(jobId, hear), [jobId]);
  useReadAnew(read, onChange, setWaiting);
  return waiting;
}
