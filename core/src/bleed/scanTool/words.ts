import { bleederName, type Layout } from '../../vehicle/circuit';
import { cycleTimes, LEAST_BATTERY_V, type ToolStep, type ToolUnmet } from './cycle';

/** What a precondition wants, in one sentence. */
export const TOOL_UNMET_WORDS: Readonly<Record<ToolUnmet, string>> = {
  'battery low': `The battery should have ${LEAST_BATTERY_V} V or more with the ignition on: charge it, or put a supply on it.`,
  'ignition not on': 'The ignition should be on and the engine off.',
  'fault codes':
    'A fault code stands in the unit: find its cause first; clearing it alone hides it.',
};

/** What to do in one step, for who holds the pedal or lever and for who holds the tool. All of it common practice, no source; the tool's own words win. */
export function toolStepWords(
  layout: Layout,
  step: ToolStep,
  control: string,
): { readonly title: string; readonly call: string; readonly say: string } {
  const bleeder = layout.bleeders.find((b) => b.id === step.bleederId)!;
  const { pumpS, coolS } = cycleTimes();
  return step.act === 'valves'
    ? {
        title: `${bleederName(bleeder)}: valves`,
        call: `Hold the ${control} down and start the valves`,
        say: `It sinks a little as the valves open. Hold it there: let go early and the pocket draws air back.`,
      }
    : {
        title: `${bleederName(bleeder)}: pump`,
        call: `Keep the ${control} held and run the pump`,
        say: `${pumpS.value} s at the most; it kicks under the foot or hand. Then ${coolS.value} s to cool.`,
      };
}
