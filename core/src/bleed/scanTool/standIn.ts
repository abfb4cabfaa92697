import { cycleTimes, LEAST_BATTERY_V, toolUnmet, type ToolCheck, type ToolStep } from './cycle';
import { ToolLost, type ScanTool, type ToolOutcome } from './scanTool';

/** How a stand-in behaves. */
export interface ToolScript {
  readonly batteryV: number;
  readonly ignition: ToolCheck['ignition'];
  readonly codes: readonly string[];
  /** A code that stays when the cycle is over. */
  readonly codeAfter?: string;
  /** Steps after which it stops once by itself; never when left out. */
  readonly abortsAfter?: number;
  /** Milliseconds of a session after which the link breaks; never when left out. */
  readonly lostAfterMs?: number;
  /** How much faster than life it runs, 1 or more. */
  readonly speed: number;
  /** Milliseconds of the caller's clock. */
  readonly now: () => number;
  /** Let time pass. */
  readonly wait: (ms: number) => Promise<void>;
}

const CONNECT_MS = 800;
const CHECK_MS = 400;
/** Battery that one pump run takes, V [M]. */
const RUN_TAKES_V = 0.04;

/** A scan tool that only stands in for one: sessions, preconditions, steps that take their time, a pump that must cool, aborts, fault codes, a link that can break. */
export function standInTool(script: ToolScript): ScanTool {
  const { valvesS, pumpS, coolS } = cycleTimes();
  let since: number | null = null;
  let batteryV = script.batteryV;
  let pumpRanAt: number | null = null;
  let steps = 0;
  const alive = () => {
    if (
      since !== null &&
      script.lostAfterMs !== undefined &&
      script.now() - since >= script.lostAfterMs
    )
      since = null;
    if (since === null) throw new ToolLost();
  };
  const state = (): ToolCheck => ({
    batteryV,
    ignition: script.ignition,
    codes: steps > 0 && script.codeAfter !== undefined ? [script.codeAfter] : script.codes,
  });

  return {
    practice: true,
    async connect() {
      await script.wait(CONNECT_MS);
      since = script.now();
    },
    async check() {
      await script.wait(CHECK_MS);
      alive();
      return state();
    },
    async run(step: ToolStep): Promise<ToolOutcome> {
      alive();
      if (toolUnmet({ ...state(), codes: [] }).length > 0)
        return {
          done: false,
          why: batteryV < LEAST_BATTERY_V ? 'Battery low' : 'Ignition is not on',
        };
      if (
        step.act === 'pump' &&
        pumpRanAt !== null &&
        (script.now() - pumpRanAt) * script.speed < coolS.value * 1000
      )
        return { done: false, why: 'Pump hot: let it cool' };
      await script.wait(((step.act === 'pump' ? pumpS : valvesS).value * 1000) / script.speed);
      alive();
      if (steps++ === script.abortsAfter)
        return { done: false, why: 'Stopped: the pedal or lever was let go' };
      if (step.act === 'pump') {
        pumpRanAt = script.now();
        batteryV -= RUN_TAKES_V;
      }
      return { done: true };
    },
    disconnect() {
      since = null;
    },
  };
}
