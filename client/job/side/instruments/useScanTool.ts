import type { ScanTool, ToolCheck, ToolOutcome, ToolStep } from '@brook/core/bleed/scanTool';
import { useCallback, useEffect, useRef, useState } from 'react';

export interface ToolLink {
  readonly link: 'off' | 'connecting' | 'on' | 'lost';
  /** Whether the tool is at something; nothing else may be asked of it meanwhile. */
  readonly busy: boolean;
  /** What went wrong with the link, in one sentence. */
  readonly problem: string | null;
  /** Open a session and read the check. */
  readonly connect: (tool: ScanTool, onCheck: (check: ToolCheck) => void) => void;
  readonly check: (onCheck: (check: ToolCheck) => void) => void;
  readonly run: (step: ToolStep, onOutcome: (outcome: ToolOutcome) => void) => void;
  readonly disconnect: () => void;
}

/** One scan tool at a time, from its session to what it says of each step. */
export function useScanTool(): ToolLink {
  const [link, setLink] = useState<ToolLink['link']>('off');
  const [busy, setBusy] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const current = useRef<ScanTool | null>(null);

  /** Ask the tool for something; what a tool says that was put down meanwhile is not heard. */
  const ask = useCallback(
    async <T>(tool: ScanTool, what: () => Promise<T>, onAnswer: (answer: T) => void) => {
      const here = () => current.current === tool;
      setBusy(true);
      try {
        const answer = await what();
        if (here()) onAnswer(answer);
      } catch (error) {
        if (!here()) return;
        current.current = null;
        setLink('lost');
        setProblem(
          error instanceof Error
            ? error.message
            : 'The scan tool does not answer. Type what it shows.',
        );
      } finally {
        // Another tool may be at something by now.
        if (current.current === tool || current.current === null) setBusy(false);
      }
    },
    [],
  );

  const connect = useCallback<ToolLink['connect']>(
    (tool, onCheck) => {
      current.current?.disconnect();
      current.current = tool;
      setProblem(null);
      setLink('connecting');
      void ask(
        tool,
        async () => {
          await tool.connect();
          return tool.check();
        },
        (check) => {
          setLink('on');
          onCheck(check);
        },
      );
    },
    [ask],
  );
  const check = useCallback<ToolLink['check']>(
    (onCheck) => {
      const tool = current.current;
      if (tool) void ask(tool, () => tool.check(), onCheck);
    },
    [ask],
  );
  const run = useCallback<ToolLink['run']>(
    (step, onOutcome) => {
      const tool = current.current;
      if (tool) void ask(tool, () => tool.run(step), onOutcome);
    },
    [ask],
  );
  const disconnect = useCallback(() => {
    current.current?.disconnect();
    current.current = null;
    setLink('off');
  }, []);

  useEffect(() => () => current.current?.disconnect(), []);
  return { link, busy, problem, connect, check, run, disconnect };
}
