import type { HelperScreen, HelpSignal } from '@brook/contract';
import { HELPER_LINE_LOST_MS, HERE_EVERY_MS } from '@brook/contract/beats';
import { useCallback, useEffect, useState } from 'react';
import { v4 as uuid } from '@lukeed/uuid/secure';
import { ApiProblem } from './api';
import { call } from './call';
import { Line } from './line';

/** What a helper's phone keeps: whose it is, and the run that it joined. */
const NAME = 'brook.helper.name';
const JOINED = 'brook.helper.token';

export const helperName = (): string => localStorage.getItem(NAME) ?? '';
/** Kept for this tab alone, so that a reload stays in the run. */
export const joinedToken = (): string | null => sessionStorage.getItem(JOINED);

/** Join the run of a code. @throws ApiProblem, Offline */
export async function joinRun(code: string, name: string): Promise<string> {
  const { token } = await call('post', '/help', { body: { code, name } });
  localStorage.setItem(NAME, name);
  sessionStorage.setItem(JOINED, token);
  return token;
}

export const leaveRun = (): void => sessionStorage.removeItem(JOINED);

export interface Help {
  /** Null before the first word. */
  readonly said: HelperScreen | null;
  /** Whether the line to the workshop stands. */
  readonly inTouch: boolean;
  /** Whether it does not, because too many pages of the workshop are open. */
  readonly full: boolean;
  /** Whether the link has ended for this phone. */
  readonly ended: boolean;
  readonly tap: (signal: HelpSignal['signal'], openingId: string | null) => void;
}

/** The present call, as it changes, for a phone that joined. A tap that does not get through is no tap: the stroke in hand stops. */
export function useHelp(token: string): Help {
  const [said, setSaid] = useState<HelperScreen | null>(null);
  const [inTouch, setInTouch] = useState(true);
  const [full, setFull] = useState(false);
  const [ended, setEnded] = useState(false);

  const lost = useCallback((error: unknown) => {
    if (error instanceof ApiProblem && error.status === 401) setEnded(true);
    else setInTouch(false);
  }, []);
  useEffect(() => {
    if (ended) return;
    const here = () => {
      if (!document.hidden) call('post', '/help/here', { body: { token } }).catch(lost);
    };
    const line = new Line({
      address: () => `/api/v1/help/live?token=${token}`,
      silentMs: HELPER_LINE_LOST_MS,
      on: {
        said: (data) => {
          setSaid(data as HelperScreen);
          setInTouch(true);
          setFull(false);
        },
      },
      onLost: () => {
        setInTouch(false);
        here();
      },
      onFull: () => setFull(true),
    });
    line.open();
    const timer = setInterval(here, HERE_EVERY_MS);
    return () => {
      line.shut();
      clearInterval(timer);
    };
  }, [token, ended, lost]);

  const tap = useCallback(
    (signal: HelpSignal['signal'], openingId: string | null) => {
      call('post', '/help/signal', { body: { token, id: uuid(), signal, openingId } })
        .then(setSaid)
        .catch(lost);
    },
    [token, lost],
  );
  return { said, inTouch, full, ended, tap };
}
