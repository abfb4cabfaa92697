import { capital, lowerFirst } from '../../base/text';
import { isQuiet, type OpenItem, type OpenItemKind } from './openItem';

type Words = (place: string) => string;

/** What is owed, and what clears it: as one says it across the bench. */
const WORDS: Readonly<
  Record<
    OpenItemKind,
    {
      readonly what: Words;
      readonly clearsWhen: Words;
      /** Whether it says no more than that a job was begun: named after whatever says what went wrong. */
      readonly asAnyJob: boolean;
    }
  >
> = {
  'control not proved': {
    what: (place) => `${capital(place)} not proved`,
    clearsWhen: (place) => `Clears with the proof of the ${place} and a release.`,
    asAnyJob: true,
  },
  'control soft': {
    what: (place) => `${capital(place)} not right`,
    clearsWhen: (place) => `Clears with the proof of the ${place} and a release.`,
    asAnyJob: false,
  },
  'air possible': {
    what: (place) => `Air may be behind the ${place}`,
    clearsWhen: (place) => `Clears by bleeding the ${place}.`,
    asAnyJob: true,
  },
  'part off': {
    what: (place) => `${capital(place)}: off, or not proved since`,
    clearsWhen: () => 'Clears by fitting it, bleeding what hangs on it, and a release.',
    asAnyJob: false,
  },
  'not back on': {
    what: (place) => `${capital(place)}, not back on`,
    clearsWhen: () => 'Clears when it is back on, and somebody says so.',
    asAnyJob: false,
  },
  'tool cycle owed': {
    what: (place) => `Tool cycle owed, ${lowerFirst(place)}`,
    clearsWhen: () =>
      'Clears with the cycle and the bleed after it, here or by a workshop that names both.',
    asAnyJob: false,
  },
  'base bleed owed': {
    what: (place) => `Base bleed owed, ${lowerFirst(place)}`,
    clearsWhen: () => 'Clears by bleeding every bleeder behind it.',
    asAnyJob: true,
  },
  'bleeder left': {
    what: (place) => `${capital(place)} left unbled`,
    clearsWhen: (place) => `Clears by bleeding the ${place}.`,
    asAnyJob: false,
  },
  seized: {
    what: (place) => `${capital(place)} seized`,
    clearsWhen: (place) => `Clears by bleeding the ${place}.`,
    asAnyJob: false,
  },
  snapped: {
    what: (place) => `${capital(place)} snapped`,
    clearsWhen: (place) => `Clears by renewing it and bleeding the ${place}.`,
    asAnyJob: false,
  },
  leak: {
    what: (place) => (place === 'vehicle' ? 'Leak' : `Leak: ${lowerFirst(place)}`),
    clearsWhen: () => 'Clears with a mend that was looked at, and a release.',
    asAnyJob: false,
  },
  'stop verdict': {
    what: () => 'The fluid stopped the job',
    clearsWhen: () =>
      'Clears with a later look at the fluid that does not stop, every bleeder bled, and a release.',
    asAnyJob: false,
  },
  'wrong fluid': {
    what: (place) =>
      place === 'vehicle' ? 'Wrong fluid inside' : `Wrong fluid inside, ${lowerFirst(place)}`,
    clearsWhen: () =>
      'Clears with a job that renews every rubber part that it may have reached, part by part, flushes it and tests what comes out; or by the paper of a named workshop that did.',
    asAnyJob: false,
  },
  'wrong grade': {
    what: (place) =>
      place === 'vehicle' ? 'A wrong grade inside' : `A wrong grade inside, ${lowerFirst(place)}`,
    clearsWhen: () => 'Clears by renewing the fluid at every bleeder that it feeds.',
    asAnyJob: false,
  },
  'product not known': {
    what: (place) =>
      place === 'vehicle'
        ? 'Nobody knows what was poured in'
        : `Nobody knows what was poured in, ${lowerFirst(place)}`,
    clearsWhen: () =>
      'Clears with a job that renews every rubber part, as after a wrong fluid, flushes it and tests what comes out; or by the paper of a named workshop that did.',
    asAnyJob: false,
  },
  'drive failed': {
    what: () => 'The test drive failed',
    clearsWhen: () => 'Clears with a proof after it, and a release.',
    asAnyJob: false,
  },
  marked: {
    what: () => 'Marked by hand',
    clearsWhen: () =>
      'Clears with a job that looks at it and proves every control, or when somebody says what they looked at.',
    asAnyJob: false,
  },
  'done after close': {
    what: () => 'Something was said or done after its job was closed',
    clearsWhen: () => 'Clears with a job that looks at it and proves every control.',
    asAnyJob: false,
  },
  'look again': {
    what: (place) =>
      place === 'vehicle' ? 'Look at it again' : `${capital(place)}: look at it again`,
    clearsWhen: () => 'Clears when it is put right, and somebody says what was done.',
    asAnyJob: false,
  },
  tightness: {
    what: (place) => `${capital(place)}: look at its tightness`,
    clearsWhen: () =>
      'Clears by tightening it to the manual’s value, or by putting it right and saying what was done.',
    asAnyJob: false,
  },
  'by feel': {
    what: (place) => `${capital(place)}: no torque written`,
    clearsWhen: () =>
      'Clears when a torque is noted, or a later job finds it dry and leaves it shut.',
    asAnyJob: false,
  },
  'lamp lit': {
    what: () => 'A lamp was lit',
    clearsWhen: () => 'Clears with a proof that the lamps are out, and a release.',
    asAnyJob: false,
  },
  'old fluid': {
    what: (place) => `Old fluid left at the ${place}`,
    clearsWhen: () => 'Clears by renewing it there.',
    asAnyJob: false,
  },
};

/** What is owed, in one line. */
export const openItemTitle = (m: Pick<OpenItem, 'kind' | 'place'>): string =>
  WORDS[m.kind].what(m.place ?? 'vehicle');

/** What clears it, in one sentence. */
export const openItemClearsWhen = (m: Pick<OpenItem, 'kind' | 'place' | 'leftBehind'>): string =>
  m.leftBehind
    ? `Clears when somebody says what they looked at here, or else: ${lowerFirst(WORDS[m.kind].clearsWhen(m.place ?? 'vehicle'))}`
    : WORDS[m.kind].clearsWhen(m.place ?? 'vehicle');

/** Open items of one kind, one job and one cause, said in one go. */
export interface OpenItemGroup {
  readonly title: string;
  readonly clearsWhen: string;
  readonly openItems: readonly [OpenItem, ...OpenItem[]];
}

/** Open items as a person reads them: places of the same cause together, what went wrong before what any begun job leaves, and what is owed last. */
export function groupOpenItems(openItems: readonly OpenItem[]): OpenItemGroup[] {
  const groups = new Map<string, [OpenItem, ...OpenItem[]]>();
  for (const m of openItems) {
    const key = [m.weight, m.kind, m.jobId, m.because].join('|');
    const group = groups.get(key);
    if (group) group.push(m);
    else groups.set(key, [m]);
  }
  const said = [...groups.values()].map((group): OpenItemGroup => {
    const place = listed(group.flatMap((m) => (m.place === null ? [] : [m.place])));
    const { kind, leftBehind } = group[0];
    const named = { kind, place: place || null, leftBehind };
    return { title: openItemTitle(named), clearsWhen: openItemClearsWhen(named), openItems: group };
  });
  const rank = ({ openItems: [{ weight, kind }] }: OpenItemGroup) =>
    weight === 'owed' ? 2 : WORDS[kind].asAnyJob ? 1 : 0;
  return said.sort((one, other) => rank(one) - rank(other));
}

/** How many things a vehicle owes, as a list counts them. */
export const owesCount = (openItems: readonly OpenItem[]): number =>
  groupOpenItems(openItems.filter((m) => !isQuiet(m))).length;

function listed(places: readonly string[]): string {
  if (places.length < 2) return places[0] ?? '';
  return `${places.slice(0, -1).join(', ')} and ${places.at(-1)}`;
}
