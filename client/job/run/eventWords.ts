import { bleederName } from '@brook/core/vehicle/circuit';
import {
  CHECK_WORDS,
  CONTROL_CHECK_WORDS,
  type CheckItem,
  type ControlCheck,
} from '@brook/core/job/gate';
import { CLOCK_WORDS } from '@brook/core/base/clock';
import type { PhoneHappening } from '@brook/core/job/log';
import { readingWords } from '@brook/core/control/pedal';
import { PREPARATION_WORDS, type Plan } from '@brook/core/bleed/plan';
import { HALT_WORDS, TRY_WORDS } from '@brook/core/job/run';
import { MEDIUM_WORDS } from '../side/media/mediaWords';
import { stageTitle } from '@brook/core/bleed/stages';
import { lowerFirst } from '@brook/core/base/text';
import { jointWords } from '@brook/core/vehicle/torque';

/** What an event was, in a few words, for a person who is asked about it. */
export function eventWords(
  plans: readonly Plan[],
  event: PhoneHappening | { readonly kind: string },
): string {
  const said = event as PhoneHappening;
  const at = (openingId: string): string => {
    const opening = plans.flatMap((p) => p.openings).find((s) => s.id === openingId);
    return opening ? bleederName(opening.bleeder) : 'a bleeder that is not in the plan';
  };
  switch (said.kind) {
    case 'prepared':
      return lowerFirst(PREPARATION_WORDS[said.step].title);
    case 'counting':
      return 'counting on this phone';
    case 'stroke':
      return `${(said.made ?? 1) > 1 ? `${said.made} strokes` : 'a stroke'}, ${at(said.openingId)}`;
    case 'round broken':
      return `${said.how}, ${at(said.openingId)}`;
    case 'strokes judged':
      return said.count ? 'strokes of another phone counted' : 'strokes of another phone dropped';
    case 'bubbles':
      return `bubbles ${said.reading}, ${at(said.openingId)}`;
    case 'colour':
      return `colour ${said.colour}, ${at(said.openingId)}`;
    case 'clock started':
      return `a clock: ${lowerFirst(CLOCK_WORDS[said.clock].title)}, ${said.minutes} min`;
    case 'clock ended':
      return 'a clock that was looked at';
    case 'came off':
      return `${lowerFirst(said.what)} came off`;
    case 'back on':
      return 'something is back on';
    case 'tried':
      return `${said.done ? 'tried' : 'passed over'}: ${lowerFirst(TRY_WORDS[said.what].title)}, ${at(said.openingId)}`;
    case 'bleeder opened':
      return `opened ${said.turns} turns, ${at(said.openingId)}`;
    case 'pressure set':
      return said.on ? 'the pot under pressure' : 'the pressure let off';
    case 'opened again':
      return `opened again, ${at(said.openingId)}`;
    case 'syringe readied':
      return `the syringe joined and tied, ${at(said.openingId)}`;
    case 'syringe empty':
      return `the syringe empty, ${at(said.openingId)}`;
    case 'drawn off':
      return 'drawn off to half';
    case 'topped up':
      return 'a top-up';
    case 'level seen':
      return `a look at the level, ${Math.round(said.levelMl)} mL, ${at(said.openingId)}`;
    case 'flow set':
      return `${said.lookAfterS === null ? 'the flow stopped' : 'let run by the clock'}, ${at(said.openingId)}`;
    case 'jar set':
      return `the jar, ${Math.round(said.jarMl)} mL in it at first`;
    case 'jar read':
      return `the jar read, ${Math.round(said.jarMl)} mL, ${at(said.openingId)}`;
    case 'shut':
      return `shut, ${at(said.openingId)}`;
    case 'halted':
      return `a halt: ${lowerFirst(HALT_WORDS[said.reason].title)}`;
    case 'decided':
      return `a decision: ${said.decision}`;
    case 'mended':
      return `mended: ${said.where}`;
    case 'size found':
      return `a size found: ${said.value}`;
    case 'part fitted':
      return 'a part fitted';
    case 'master fitted':
      return 'a master joined';
    case 'taken off':
      return 'a part taken off';
    case 'media note':
      return lowerFirst(MEDIUM_WORDS[said.medium]);
    case 'note':
      return `a note: ${said.text.slice(0, 60)}`;
    case 'shut early':
      return `shut early, ${at(said.openingId)}: ${said.reason}`;
    case 'pedal judged':
      return `${controlOf(plans, said.masterId)}: ${said.result}`;
    case 'take-up judged':
      return `${controlOf(plans, said.masterId)} takes up: ${said.takeUp}`;
    case 'pedal read':
      return `${controlOf(plans, said.masterId)}, ${readingWords(said)}: ${said.heightMm} mm`;
    case 'sink watched':
      return `${controlOf(plans, said.masterId)}: sank ${said.mm} mm in ${said.seconds} s${said.engine ? ', engine running' : ''}`;
    case 'joint tightened':
      return jointWords(said);
    case 'look later':
      return `looked at again later, ${said.what}`;
    case 'take-up read':
      return `${controlOf(plans, said.masterId)} takes up at ${said.takeUpMm} mm`;
    case 'clutch needs':
      return `what the ${controlOf(plans, said.masterId)} needs`;
    case 'checked':
      return `${lowerFirst(askOf(said.item))}: ${said.passes ? 'yes' : 'no'}`;
    case 'undone':
      return 'an undo';
    default: {
      const stage = plans
        .flatMap((p) => p.stages.map((s) => ({ s, p })))
        .find(({ s }) => s.id === said.stageId);
      return stage ? lowerFirst(stageTitle(stage.p.layout, stage.s)) : 'a stage of the plan';
    }
  }
}

/** What was looked at or tried, in its own words. */
export const askOf = (item: CheckItem | ControlCheck): string =>
  item in CHECK_WORDS
    ? CHECK_WORDS[item as CheckItem].ask
    : CONTROL_CHECK_WORDS[item as ControlCheck].ask;

const controlOf = (plans: readonly Plan[], masterId: string | null): string =>
  plans.flatMap((p) => p.layout.masters).find((m) => m.id === masterId)?.control ??
  'pedal or lever';
