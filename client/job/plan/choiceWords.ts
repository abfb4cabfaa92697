import type { PlanChoices } from '@brook/contract';
import type { Layout } from '@brook/core/vehicle/circuit';
import { METHOD_WORDS } from '@brook/core/bleed/method';
import { foundWords } from '@brook/core/owed/openItems';
import { ORDER_WORDS } from '@brook/core/bleed/order';
import { nameOf, workTitle } from '@brook/core/bleed/scope';
import { lowerFirst } from '@brook/core/base/text';

/** What each choice is called, where two versions of it stand side by side. */
export const CHOICE_LABELS: Readonly<Record<keyof PlanChoices, string>> = {
  work: 'What was done',
  means: 'What is at hand',
  circumstances: 'How it stands today',
  method: 'Which method',
  order: 'In which order',
  leastFluid: 'The order of least fluid',
  holdPoint: 'Proved before the second part is opened',
  primeInPlace: 'Primed in place',
  leaveOldFluid: 'Old fluid left in',
  partnerAges: 'Age of what wears together',
};

type Work = PlanChoices['work'];
type Known = boolean | string | null;

/** A choice in words, as a colleague would read it out. */
export function choiceWords(layout: Layout, choices: PlanChoices, key: keyof PlanChoices): string {
  switch (key) {
    case 'work':
      return workWords(layout, choices.work);
    case 'means':
      return named(choices.means, MEANS_WORDS) || 'nothing';
    case 'circumstances': {
      const { temperatureC, ...rest } = choices.circumstances;
      return [`${temperatureC} °C`, named(rest, DAY_WORDS)].filter(Boolean).join(', ');
    }
    case 'method':
      return choices.method ? METHOD_WORDS[choices.method].title : 'as ranked';
    case 'order':
      return choices.order ? ORDER_WORDS[choices.order].title : 'as the workshop does';
    case 'leastFluid':
      return choices.leastFluid
        ? choices.leastFluid.map((id) => nameOf(layout, id)).join(', ')
        : 'not searched';
    case 'partnerAges':
      return (
        choices.partnerAges
          .map(({ partId, months }) => `${nameOf(layout, partId)}: ${months ?? 'not known'} months`)
          .join('; ') || 'not asked'
      );
    case 'holdPoint':
    case 'primeInPlace':
    case 'leaveOldFluid':
      return yesNo(choices[key]);
  }
}

const MEANS_WORDS: Readonly<Record<keyof PlanChoices['means'], string>> = {
  helper: 'a helper',
  bottle: 'hose and bottle',
  vacuumPump: 'vacuum pump',
  pressurePot: 'pressure pot',
  syringe: 'syringe',
  selfRefilling: 'self-refilling bottle',
  scanTool: 'scan tool',
};
const DAY_WORDS: Readonly<
  Record<Exclude<keyof PlanChoices['circumstances'], 'temperatureC'>, string>
> = {
  axleHanging: 'rear axle hangs',
  masterWorn: 'master old or unknown',
  dirty: 'old fluid dark or dirty',
  takesNoFluid: 'master takes no fluid',
};

/** Everything that was said of the work: where two said different things, both must read different. */
function workWords(layout: Layout, work: Work): string {
  const at = (id: string) => nameOf(layout, id);
  const { master } = work;
  return [
    workTitle(work),
    `in hand: ${work.masterIds.map(at).join(', ')}`,
    ...work.parts.map(
      (p) =>
        `${at(p.partId)} ${p.newPart ? 'new' : 'put back'}${p.notYet ? ', not yet done' : ''}, capped at once: ${yesNo(p.cappedAtOnce)}, reservoir kept full: ${yesNo(p.keptFull)}`,
    ),
    master
      ? `${at(master.masterId)} changed${master.notYet ? ', not yet done' : ''}, lines stayed full: ${yesNo(master.linesStayedFull)}, above the wheels: ${yesNo(master.linesAboveWheels)}, nothing else opened: ${yesNo(master.nothingElseOpened)}, modulator lost nothing: ${yesNo(master.modulatorLostNothing)}, held down: ${yesNo(master.heldDown)}, bench: ${yesNo(master.bench)}`
      : null,
    master?.linesOver.length ? `lines that cross: ${master.linesOver.map(at).join(', ')}` : null,
    ...work.lowest.map(
      (l) =>
        `${at(l.reservoirId)} lowest: ${l.belowMaxMm === null ? 'not seen' : `${l.belowMaxMm} mm below MAX`}`,
    ),
    work.modulatorOpened ? 'modulator opened' : null,
    work.airInModulator ? 'air may stand in the modulator' : null,
    work.renewPockets ? 'pockets of the modulator too' : null,
    work.setAsOne ? 'off as one set' : null,
    work.endLost ? `the ${work.endLost} lost pressure` : null,
    work.anotherLamp ? 'another lamp is lit' : null,
    ...(work.found ?? []).map((f) => `found: ${lowerFirst(foundWords(f))}`),
  ]
    .filter(Boolean)
    .join('; ');
}

const named = <K extends string>(
  of: Readonly<Record<K, boolean>>,
  words: Readonly<Record<K, string>>,
) =>
  (Object.keys(words) as K[])
    .filter((k) => of[k])
    .map((k) => words[k])
    .join(', ');

const yesNo = (said: Known): string =>
  said === true ? 'yes' : said === false ? 'no' : (said ?? 'not said');
