import { bleederName, heldOf, type Layout } from '../../vehicle/circuit';
import { figureText } from '../../base/figure';
import type { Cure, MethodReason, MethodVerdict } from './rank';
import type { Carried, Method } from '../../hydraulics/flow';

/** A method by name, and how the bleeder is handled with it. */
export const METHOD_WORDS: Readonly<
  Record<
    Method,
    {
      readonly title: string;
      /** Its name and the one thing that must not go wrong with it, in one line of a phone: it stands there all the while. */
      readonly rule: string;
      readonly needs: string;
      readonly caution: string;
    }
  >
> = {
  'two people': {
    title: 'Two people, closed strokes',
    rule: 'Two people: shut before it is let go',
    needs: 'A helper at the pedal or lever',
    caution: 'Shut it before the pedal or lever comes up, or it sucks air past the threads.',
  },
  'alone at the lever': {
    title: 'Alone, closed strokes',
    rule: 'Alone: shut before you let go',
    needs: 'Reach from lever or pedal to bleeder',
    caution: 'Shut it before the pedal or lever comes up, or it sucks air past the threads.',
  },
  'alone, bottle': {
    title: 'Alone, hose and bottle',
    rule: 'Bottle: hose end below the fluid',
    needs: 'Clear hose, bottle with an inch of fluid and a vent',
    caution: 'The hose end stays below the fluid: out of it, and every stroke since is void.',
  },
  pressure: {
    title: 'Pressure at the reservoir',
    rule: 'Pressure: let it off before the cap',
    needs: 'Pot with a gauge, a cap that seals',
    caution:
      'The lowest pressure that flows, never above what the reservoir bears. Let the pressure off before the cap is opened.',
  },
  vacuum: {
    title: 'Vacuum at the bleeder',
    rule: 'Vacuum: its bubbles prove nothing',
    needs: 'Hand or air-driven pump',
    caution:
      'Bubbles under vacuum are no measure: air comes past the threads and out of the fluid. Finish with strokes.',
  },
  gravity: {
    title: 'Gravity',
    rule: 'Gravity: look at every call',
    needs: 'Time',
    caution: 'Look at the level at every call: nobody is pumping, and it falls all the same.',
  },
  reverse: {
    title: 'From below, syringe at the bleeder',
    rule: 'From below: shut before it comes back',
    needs: 'Clean syringe and hose',
    caution:
      'Hold the tube up and push until no air is in it, join and tie it, then open. Shut before the plunger comes back. The reservoir rises: draw it down, cover it, eyes protected.',
  },
  injection: {
    title: 'Injection at the master’s port',
    rule: 'Injection: cap off, lever at rest',
    needs: 'Small tipped bulb',
    caution: 'A few millilitres, slowly, with the cap off; the lever at rest.',
  },
};

/** A method in the words of what is worked on this vehicle: a motorcycle has no pedal to come up, a trailer neither. */
export function methodWords(
  method: Method,
  layout: Pick<Layout, 'masters'>,
): (typeof METHOD_WORDS)[Method] {
  const words = METHOD_WORDS[method];
  const { word, returns } = heldOf(layout);
  const shut = `Shut it before the ${word} ${returns}, or it sucks air past the threads.`;
  switch (method) {
    case 'two people':
      return {
        ...words,
        needs:
          word === 'coupling' ? 'A helper who pushes the coupling in' : `A helper at the ${word}`,
        caution: shut,
      };
    case 'alone at the lever':
      return { ...words, needs: `Reach from the ${word} to the bleeder`, caution: shut };
    case 'injection':
      return {
        ...words,
        rule: `Injection: cap off, ${word} at rest`,
        caution: `A few millilitres, slowly, with the cap off; the ${word} at rest.`,
      };
    default:
      return words;
  }
}

export const METHOD_VERDICT_WORDS: Readonly<Record<MethodVerdict, string>> = {
  feasible: 'Works here',
  'second best': 'Second best',
  hopeless: 'Cannot work here',
};

export const CARRIED_WORDS: Readonly<Record<Carried, string>> = {
  carried: 'Bubbles are carried',
  stuck: 'Bubbles stay where they are',
  'rises back': 'Bubbles climb back',
};

/** A reason in one sentence that names the element and the figure. */
export function methodReasonWords(
  layout: Layout,
  { code, elementId, figure }: MethodReason,
): string {
  const name = elementId === null ? '' : elementName(layout, elementId);
  const number = figure ? figureText(figure) : '';
  switch (code) {
    case 'no helper':
      return 'Nobody to help today.';
    case 'not a motorcycle':
      return `The ${heldOf(layout).word} cannot be reached from the bleeder.`;
    case 'no bottle':
      return 'No clear hose and bottle at hand.';
    case 'no pump':
      return 'No vacuum pump at hand.';
    case 'no pot':
      return 'No pressure pot with a sealing cap at hand.';
    case 'no syringe':
      return 'No clean syringe at hand.';
    case 'no maker’s word':
      return `${name} bears ${number} without the maker’s word: no pressure on it.`;
    case 'no head':
      return `Nothing would flow at the ${name}: ${figureText({ value: Math.max(0, -(figure?.value ?? 0)), unit: 'mm' })} of head are missing.`;
    case 'hardly flows':
      return `Only ${number} at the ${name}: nobody waits for that.`;
    case 'too slow to carry':
      return name
        ? `${name} falls with the flow; at ${number} bubbles stay there.`
        : 'Too little velocity to carry bubbles.';
    case 'rises back':
      return `${name} falls with the flow; bubbles climb back in it at ${number}, faster than the flow.`;
    case 'axle hangs':
      return `${name} is shut while the rear axle hangs.`;
    case 'metering valve':
      return `${name} shuts the front under pressure or vacuum.`;
    case 'residual valve':
      return `${name} holds back what gravity gives.`;
    case 'dirty fluid':
      return 'It pushes old fluid and dirt up into the master: only after the old fluid is out.';
    case 'through a modulator':
      return `It pushes dirt into the ${name.toLowerCase()}: with care.`;
    case 'bubbles mislead':
      return 'Bubbles under vacuum are no measure of air; strokes finish it.';
    case 'loose threads':
      return 'Air can come past loose threads while the bleeder stays open.';
    case 'look at the level':
      return 'The run stops for a look at the level: nothing refills by itself.';
    case 'worn master':
      return 'Long strokes run the seals over a part of the bore that may be corroded: limit the travel with a block.';
    case 'only for an air lock':
      return 'Only for a master that takes no fluid at all.';
    case 'not at the top':
      return `The bleeder ${name} is not at the top of its part: its air cannot reach it.`;
    case 'lever not level':
      return `${name} does not lie level: the last air stands in its high end.`;
    case 'flow not laminar':
      return `Faster than the law holds in ${name}: the flow is less than computed.`;
    case 'flow not known':
      return 'The flow stays unsaid without a data sheet of this fluid.';
    case 'most velocity':
      return 'Highest velocity per stroke: it moves stubborn bubbles.';
    case 'clean and slow':
      return 'Clean, no mess, hard to get wrong.';
    case 'one person':
      return 'One person can do it.';
    case 'air goes the way it rises':
      return 'Pushes air the way it rises.';
    case 'carries':
      return `Even ${name}, which falls with the flow, is swept at ${number}.`;
    case 'workshop likes it':
      return 'The workshop’s own liking.';
    case 'frees a port':
      return 'Breaks an air lock that no stroke moves.';
  }
}

/** What would change the verdict, as an instruction. */
export function cureWords(layout: Layout, cure: Cure): string {
  const name = cure.elementId === null ? '' : elementName(layout, cure.elementId);
  const then = ` Then: ${METHOD_VERDICT_WORDS[cure.becomes].toLowerCase()}.`;
  switch (cure.kind) {
    case 'raise the master’s end':
      return `Raise the master’s end by ${cure.byMm} mm.${then}`;
    case 'lower the bleeder':
      return `${heldFirst(layout, cure.elementId)}; hang its bleeder ${cure.byMm} mm lower.${then}`;
    case 'raise the bleeder’s end':
      return `Raise the far end of ${name} by ${cure.byMm} mm, so that it no longer falls.${then}`;
    case 'load the axle':
      return `Load the axle or hold the lever of ${name}.${then}`;
    case 'hold the valve open':
      return `Hold the stem of ${name} open.${then}`;
    case 'turn the part':
      return `${heldFirst(layout, cure.elementId)}; turn it so that the bleeder ${name} is at the top.${then}`;
    case 'turn the lever':
      return `Loosen the clamp and turn the lever until ${name} lies level, or turn the bars; flick it through its first millimetres.${then}`;
    case 'flush downwards first':
      return `Drop the old fluid downwards first.${then}`;
    case 'tap':
      return `Tap along ${name} while it flows: it helps, and cannot be counted on.`;
    case 'another method':
      return `Take another: ${METHOD_WORDS[cure.elementId as Method].title.toLowerCase()}.`;
  }
}

/** How a part comes off its place: what holds its pistons goes in before anything is loosened. */
function heldFirst(layout: Layout, bleederId: string | null): string {
  const at = layout.bleeders.find((b) => b.id === bleederId)?.at;
  const part = layout.nodes.find((n) => n.id === at);
  const held =
    part?.kind === 'caliper'
      ? 'A block between the pads'
      : part?.kind === 'wheel cylinder'
        ? 'A clamp over its pistons'
        : 'A strap over its piston';
  return `${held} first, before pedal or lever is moved; then unhook it, hung by wire and not by its hose`;
}

function elementName(layout: Layout, id: string): string {
  const bleeder = layout.bleeders.find((b) => b.id === id);
  if (bleeder) return bleederName(bleeder);
  return (
    [...layout.nodes, ...layout.stretches, ...layout.reservoirs, ...layout.masters].find(
      (e) => e.id === id,
    )?.name ?? id
  );
}
