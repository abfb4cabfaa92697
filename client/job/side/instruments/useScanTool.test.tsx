import {
  ToolLost,
  type ScanTool,
  type ToolCheck,
  type ToolOutcome,
} from '@brook/core/bleed/scanTool';
import { act, renderHook, waitFor } from '@testing-library/react';
import { PRACTICE_TOOL_WAYS, practiceTool } from './practice';
import { useScanTool } from './useScanTool';

const CHECK: ToolCheck = { batteryV: 12.5, ignition: 'on', codes: [] };
const STEP = { id: 'left-rear:valves', bleederId: 'left-rear', act: 'valves' as const };

/** A tool that answers a step when it is told to. */
function byHand(): ScanTool & { end: (outcome: ToolOutcome | Error) => void; downs: number } {
  let ends: { resolve: (o: ToolOutcome) => void; reject: (e: Error) => void } | null = null;
  return {
    practice: false,
    downs: 0,
    connect: async () => undefined,
    check: async () => CHECK,
    run: () => new Promise((resolve, reject) => (ends = { resolve, reject })),
    disconnect() {
      this.downs++;
    },
    end(outcome) {
      if (outcome instanceof Error) ends!.reject(outcome);
      else ends!.resolve(outcome);
    },
  };
}

async function connected() {
  const tool = byHand();
  const checks: ToolCheck[] = [];
  const hook = renderHook(() => useScanTool());
  act(() => hook.result.current.connect(tool, (c) => checks.push(c)));
  expect(hook.result.current.link).toBe('connecting');
  await waitFor(() => expect(hook.result.current).toMatchObject({ link: 'on', busy: false }));
  return { tool, hook, checks };
}

test('a session begins with the check, and a step is busy until the tool says how it ended', async () => {
  const { tool, hook, checks } = await connected();
  expect(checks).toEqual([CHECK]);
  const outcomes: ToolOutcome[] = [];
  act(() => hook.result.current.run(STEP, (o) => outcomes.push(o)));
  expect(hook.result.current.busy).toBe(true);
  await act(async () => tool.end({ done: false, why: 'Pump hot' }));
  expect(outcomes).toEqual([{ done: false, why: 'Pump hot' }]);
  expect(hook.result.current.busy).toBe(false);
});

test('a lost link is said in its sentence and no step counts as done', async () => {
  const { tool, hook } = await connected();
  const outcomes: ToolOutcome[] = [];
  act(() => hook.result.current.run(STEP, (o) => outcomes.push(o)));
  await act(async () => tool.end(new ToolLost()));
  expect(hook.result.current).toMatchObject({
    link: 'lost',
    busy: false,
    problem: expect.stringContaining('connect again'),
  });
  expect(outcomes).toEqual([]);
});

test('put down or left, it is disconnected and what it still says is not heard', async () => {
  const { tool, hook } = await connected();
  const outcomes: ToolOutcome[] = [];
  act(() => hook.result.current.run(STEP, (o) => outcomes.push(o)));
  act(() => hook.result.current.disconnect());
  await act(async () => tool.end({ done: true }));
  expect(outcomes).toEqual([]);
  expect(tool.downs).toBe(1);
  const other = await connected();
  other.hook.unmount();
  expect(other.tool.downs).toBe(1);
});

test('a tool that was put down does not make the next one look idle', async () => {
  const { tool, hook } = await connected();
  act(() => hook.result.current.run(STEP, () => undefined));
  const other = byHand();
  act(() => hook.result.current.connect(other, () => undefined));
  await waitFor(() => expect(hook.result.current.link).toBe('on'));
  act(() => hook.result.current.run(STEP, () => undefined));
  await act(async () => tool.end({ done: true }));
  expect(hook.result.current.busy).toBe(true);
});

test.each(PRACTICE_TOOL_WAYS)(
  'a practice tool that goes "%s" says of itself that it is practice',
  (way) => {
    expect(practiceTool(way).practice).toBe(true);
  },
);
