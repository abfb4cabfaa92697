import { spawn, type ChildProcess } from 'node:child_process';
import { once } from 'node:events';
import { Supervisor, MOST_ENDS, waitBeforeStart, WITHIN_MS } from './supervisor';

const started: ChildProcess[] = [];
afterEach(() => started.splice(0).forEach((c) => c.kill('SIGKILL')));

/** A process that stays up until it is killed. */
async function sleeper(): Promise<ChildProcess> {
  const child = spawn(process.execPath, ['-e', "setInterval(() => {}, 1000); console.log('up')"]);
  started.push(child);
  await once(child.stdout!, 'data');
  return child;
}

test('each end within a minute waits twice as long, one more than five is given up, and what is a minute old is forgotten', () => {
  const ends = (n: number) => Array<number>(n).fill(1000);
  expect([1, 2, 3, 4, 5].map((n) => waitBeforeStart(ends(n), 1000))).toEqual([
    100, 200, 400, 800, 1600,
  ]);
  expect(waitBeforeStart(ends(MOST_ENDS + 1), 1000)).toBeNull();
  expect(waitBeforeStart(ends(MOST_ENDS + 1), 1000 + WITHIN_MS - 1)).toBeNull();
  expect(waitBeforeStart(ends(MOST_ENDS + 1), 1000 + WITHIN_MS)).toBe(100);
});

test('what is killed comes up again and says so; what was released stays down', async () => {
  const said: string[] = [];
  let ups = 0;
  let upAgain = () => {};
  const kept = new Supervisor({
    what: 'The sleeper',
    begin: () => {
      ups++;
      return sleeper();
    },
    say: (line) => {
      said.push(line);
      if (line.includes('up again')) upAgain();
    },
    givenUp: () => said.push('given up'),
  });
  await kept.start();
  const again = new Promise<void>((resolve) => (upAgain = resolve));
  started[0]!.kill('SIGKILL');
  await again;
  expect(said).toEqual([
    'The sleeper ended (SIGKILL); starting it again.',
    'The sleeper is up again.',
  ]);
  const child = kept.release()!;
  expect(child).toBe(started[1]);
  child.kill('SIGKILL');
  await once(child, 'exit');
  expect([ups, said.length]).toEqual([2, 2]);
});

test('what ends again and again is given up in a sentence that says what to do', async () => {
  let tries = 0;
  const sentence = await new Promise<string>((givenUp) => {
    const kept = new Supervisor({
      what: 'The server',
      begin: async () => {
        if (tries++ > 0) throw new Error('no room');
        const child = await sleeper();
        child.kill('SIGKILL');
        return child;
      },
      say: () => {},
      givenUp,
    });
    void kept.start();
  });
  expect(sentence).toMatch(
    /The server ended 6 times within a minute, last by no room; .*npm start/,
  );
  expect(tries).toBe(1 + MOST_ENDS);
});
