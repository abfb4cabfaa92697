import type { JobState } from '../../job/log';
import type { FoundAtIntake, SeenAtIntake, WorkDone } from '../../bleed/scope';
import type { OpenItemKind, OpenItemWeight } from './openItem';
import { firstOpened, type Writer } from './writer';

/** What is found when a vehicle is taken in, as one says it. */
export const FOUND_WORDS: Readonly<
  Record<SeenAtIntake, { readonly title: string; readonly about: string }>
> = {
  'wet joint': { title: 'A joint is wet', about: 'Fluid gets out: it holds the vehicle' },
  'cracked boot': { title: 'A boot is cracked', about: 'Water gets in: look at it again' },
  sinks: { title: 'Pedal or lever sinks', about: 'Held down it goes on falling' },
  'lamp lit': { title: 'A lamp is lit', about: 'Brake or ABS; which one?' },
};

/** Of what is found, what it leaves open; a pedal that sinks is said of its control. */
const OPEN_ITEM_OF: Readonly<
  Partial<Record<SeenAtIntake, { readonly kind: OpenItemKind; readonly weight: OpenItemWeight }>>
> = {
  'wet joint': { kind: 'leak', weight: 'holds' },
  'cracked boot': { kind: 'look again', weight: 'owed' },
  'lamp lit': { kind: 'lamp lit', weight: 'owed' },
};

/** What was found at intake and nobody put right in this job. That the lamps are out is an item of every proof. */
export function foundAtIntake(
  out: Writer,
  job: JobState,
  work: WorkDone | null,
  released: boolean,
): void {
  for (const found of work?.found ?? []) {
    const openItem = OPEN_ITEM_OF[found.what];
    if (!openItem || (released && found.what === 'lamp lit')) continue;
    const { kind, weight } = openItem;
    if (isMended(job, out.idOf(kind, null))) continue;
    out.add(kind, weight, null, foundWords(found), job.said ?? firstOpened(job));
  }
}

/** @example "A joint is wet: at the left rear bracket" */
export const foundWords = ({ what, where }: FoundAtIntake): string =>
  where === '' ? FOUND_WORDS[what].title : `${FOUND_WORDS[what].title}: ${where}`;

/** Whether what an open item names was put right in this job. */
export const isMended = (job: JobState, openItemId: string): boolean =>
  job.log.some((e) => !job.undone.has(e.id) && e.kind === 'mended' && e.openItemId === openItemId);
