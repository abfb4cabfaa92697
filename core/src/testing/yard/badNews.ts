import type { LooseEvent } from '..';

/** Where the bad news of a hatchback is, by the ids of its layout and log. */
export interface Places {
  /** Of an opening at the left rear bleeder. */
  readonly openingId: string;
  /** Of an answer to the proof that was good. */
  readonly answerId: string;
}

/**
 * What is bad news of a hatchback that was bled and proved, from the trade
 * (common practice, no source): in words, as somebody says it, and the open
 * item that it brings.
 */
export const badNews = ({
  openingId: LEFT_REAR,
  answerId,
}: Places): readonly (readonly [string, LooseEvent, string])[] => [
  [
    'the pedal sinks',
    { kind: 'pedal judged', masterId: 'master', result: 'sinks' },
    'control soft master',
  ],
  [
    'it is soft',
    { kind: 'pedal judged', masterId: 'master', result: 'springy' },
    'control soft master',
  ],
  [
    'it sank 60 mm',
    { kind: 'sink watched', masterId: 'master', when: 'after', mm: 60, seconds: 30 },
    'control soft master',
  ],
  ['a joint is not dry', { kind: 'checked', item: 'joints dry', passes: false }, 'leak'],
  [
    'a wheel is not held',
    { kind: 'checked', item: 'wheels held and free', masterId: 'master', passes: false },
    'control soft master',
  ],
  [
    'the servo gives nothing',
    { kind: 'checked', item: 'servo gives', masterId: 'master', passes: false },
    'control soft master',
  ],
  ['the level is wrong', { kind: 'checked', item: 'level', passes: false }, 'done after close'],
  [
    'the cap is loose',
    { kind: 'checked', item: 'reservoir cap', passes: false },
    'done after close',
  ],
  ['a lamp is lit', { kind: 'checked', item: 'lamps out', passes: false }, 'done after close'],
  ['the wheels are not on', { kind: 'checked', item: 'wheels', passes: false }, 'done after close'],
  ['a disc is wet', { kind: 'checked', item: 'wiped dry', passes: false }, 'done after close'],
  [
    'many bubbles',
    { kind: 'bubbles', openingId: LEFT_REAR, reading: 'many' },
    'air possible left-rear',
  ],
  [
    'fine bubbles',
    { kind: 'bubbles', openingId: LEFT_REAR, reading: 'fine' },
    'air possible left-rear',
  ],
  [
    'let go while open',
    { kind: 'round broken', openingId: LEFT_REAR, how: 'let go while open' },
    'air possible left-rear',
  ],
  [
    'the level fell to nothing',
    { kind: 'level seen', openingId: LEFT_REAR, levelMl: 0, fluidComes: false },
    'air possible left-rear',
  ],
  [
    'shut before it was clear',
    { kind: 'shut early', openingId: LEFT_REAR, reason: 'bay needed' },
    'air possible left-rear',
  ],
  ['the pot is under pressure', { kind: 'pressure set', on: true }, 'done after close'],
  ['a stroke', { kind: 'stroke', openingId: LEFT_REAR }, 'done after close'],
  ['a leak', { kind: 'halted', reason: 'leak', openingId: LEFT_REAR }, 'leak left-rear'],
  [
    'a snapped bleeder',
    { kind: 'halted', reason: 'snapped', openingId: LEFT_REAR },
    'snapped left-rear',
  ],
  [
    'grease came',
    { kind: 'halted', reason: 'grease', openingId: LEFT_REAR },
    'wrong fluid left-rear',
  ],
  [
    'a line came off',
    { kind: 'came off', what: 'Line or hose', elementId: null, id: 'off' },
    'not back on off',
  ],
  ['a part was taken off', { kind: 'taken off', elementId: 'left-rear' }, 'part off left-rear'],
  [
    'tightened far above its value',
    { kind: 'joint tightened', elementId: 'left-rear', manualNm: 10, appliedNm: 12.1 },
    'tightness left-rear',
  ],
  [
    'left below its value',
    { kind: 'joint tightened', elementId: 'left-rear', manualNm: 10, appliedNm: 8.9 },
    'tightness left-rear',
  ],
  [
    'topped up',
    { kind: 'topped up', reservoirId: 'reservoir', containerId: null },
    'done after close',
  ],
  ['an answer taken back', { kind: 'undone', eventId: answerId }, 'done after close'],
];
