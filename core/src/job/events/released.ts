import { BRINGS_NOTHING, PROVES_NOTHING, nothing, deskEvent } from './kind';

export interface ReleasedHappening {
  readonly kind: 'released';
}

export const released = deskEvent<ReleasedHappening>({
  kind: 'released',
  voids: nothing('it is said at the desk, and touches no part'),
  opens: BRINGS_NOTHING,
  settles: [
    'control not proved',
    'control soft',
    'part off',
    'drive failed',
    'leak',
    'lamp lit',
    'stop verdict',
    'marked',
    'done after close',
    'by feel',
  ],
  proves: PROVES_NOTHING,
  keeps: 'released',
});
