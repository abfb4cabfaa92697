import { LEAST_BATTERY_V } from '../scanTool';
import { nameOf } from '../scope';
import { joiningSteps } from './joining';
import type { Plan, PlanStage } from './plan';

/** What to do in a stage that opens no bleeder, step by step, and the reason that counts there. All of it common practice, no source. */
export interface StageWords {
  readonly steps: readonly string[];
  readonly why: string;
}

/** Words for a stage that opens no bleeder. */
export function stageWords(plan: Plan, stage: Exclude<PlanStage, { kind: 'bleed' }>): StageWords {
  switch (stage.kind) {
    case 'right part':
      return {
        steps: [
          'Before the old one is unbolted: crack its bleeder and line nut while the body is still held, with a second wrench where the fitting would turn.',
          'Old and new side by side: bore, ports, threads, rod, connector.',
          'Threads are started by hand, with slight resistance and no force.',
          'Seals, plates, screws and switches are counted: none left over, none doubled, none left on the old part or the servo.',
        ],
        why: 'A part that nearly fits is found out now, or when it is full and leaks.',
      };
    case 'bench': {
      const master = plan.layout.masters.find((m) => m.id === stage.masterId)!;
      if (stage.set) {
        return {
          steps: [
            'Master, line and slave joined on the bench: the line points up all the way, the master nose up.',
            'Reservoir half full before the piston of the slave is pushed back: that drives the last bubbles up.',
            'Slow full strokes, slow returns, until no bubble has come for a minute and the piston comes fully home.',
            'It goes onto the vehicle as it is: nothing is parted again.',
          ],
          why: 'A set that is bled on the bench goes in full; in the vehicle its line rises and falls.',
        };
      }
      const lies = master.chambers.length > 1 ? 'level' : 'with its outlet nose up';
      return {
        steps: [
          `In soft jaws, ${lies}, never nose down.`,
          plan.preferences.benchFill === 'into a can'
            ? 'Hoses from the ports into a can; fill below the brim.'
            : 'Hoses from the ports back under the fluid; fill below the brim.',
          'Bench fittings of the right thread, started by hand with slight resistance; clear tubes, no seep.',
          'Slow full strokes, slow returns. A bubble that goes out and comes back asks for a few fast ones.',
          'Every chamber: no bubbles, level steady, piston firm. Go on for a minute after the last bubble.',
          'The piston comes fully home. Cap the ports on the way to the vehicle.',
        ],
        why: 'A dry master makes no pressure, and its air would be pushed through the whole car.',
      };
    }
    case 'join lines':
      return {
        steps: joiningSteps(plan.layout, stage.masterId, plan.work.master?.linesOver ?? []),
        why: 'An open port or line end takes in dirt and air, and drains what hangs above it.',
      };
    case 'centre the valve':
      return {
        steps: [
          'The loss is repaired first. No pressure in the system.',
          `The piston lies towards the ${stage.endLost} end, which lost pressure: push it back from that port with a blunt pin, one step.`,
          ...(stage.button ? [`Or by the button at the ${stage.endLost} end.`] : []),
          'Or through the hole of its switch, while the groove can still be reached.',
          `Or open a bleeder at the ${stage.endLost === 'front' ? 'rear' : 'front'}, which still flows, and push slowly; this often fails.`,
          'The lamp goes out. Keep a pinning tool on it while bleeding hard. A trickle is evidence of it, not proof: not every one shuts the flow off.',
        ],
        why: 'The valve is never removed or bypassed: the warning would be lost, and where the block also proportions, the rear locks.',
      };
    case 'tool cycle':
      return {
        steps: stage.atHand
          ? [
              `Battery at ${LEAST_BATTERY_V} V or more, ignition on, engine off, no fault code: read first.`,
              'Wheel by wheel: valves, then the pump, while somebody holds the pedal or lever.',
              'After every run the pump cools; the tool’s own limits win.',
              'At the end the codes are read once more.',
            ]
          : [
              'No scan tool today: hand the vehicle to somebody who has one.',
              'It stays “do not drive” until then.',
            ],
        why: 'Air in the closed pockets cannot be reached by hand; a hard stop would let it out while braking.',
      };
    case 'hold point':
      return {
        steps: [
          'Pedal or lever: firm, high, and it holds.',
          `Only then open the circuit for ${nameOf(plan.layout, stage.partId)}.`,
        ],
        why: 'With both open at once a fault would have two possible authors.',
      };
    case 'slave test':
      return {
        blocked: {
          steps: [
            'Hold the piston of the slave at its flange or collar; nothing touches its bore.',
            'Push the master as far as it goes and measure the travel of its rod.',
            'Under 3.2 mm (1/8 in) it is bled.',
          ],
          why: 'Fluid does not give, air does. Never block a piston that can only be held in its bore.',
        },
        travel: {
          steps: [
            'Somebody works the pedal or lever fully, slowly.',
            'Measure how far the rod of the slave moves.',
            'In neutral, parking brake on. Reverse goes in without grating.',
          ],
          why: 'This piston cannot be held without harm to its bore; its travel in place tells.',
        },
        'take-up': {
          steps: [
            'Measure the height above the floor at which it takes up.',
            'Engine running, parking brake on, pedal down: wait ten seconds, then reverse. It goes in without grating.',
            'The height counts for next time; reverse is what proves it today.',
          ],
          why: 'The slave sits inside the gearbox and cannot be seen or held.',
        },
      }[stage.way];
    case 'injection':
      return {
        steps: [
          'Cap off, lever or pedal at rest.',
          'A few millilitres at the port, slowly, until the level moves.',
          'A few slow strokes: the level falls when the master takes fluid.',
        ],
        why: 'An air lock at the port takes no stroke; a push of fluid breaks it.',
      };
    case 'tie back':
      return {
        steps: [
          'Measure where the lever bites.',
          'Tie it back to the bar, upright, cap on, over night.',
          'Measure the bite again in the morning.',
        ],
        why: 'Fine bubbles find their way up. A drop of the bite tells a leak, or air that moved.',
      };
  }
}
