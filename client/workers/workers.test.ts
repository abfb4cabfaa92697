import { ENTRY, figure } from '@brook/core/figure';
import { SMALL_CAR, vapourMargin } from '@brook/core/vapour';

/** Load a worker's file as the browser would, and give it one question. @returns everything that it posted */
function askFile(path: './descent.worker' | './photo.worker', question: unknown): { kind: string }[] {
  const said: { kind: string }[] = [];
  const post = jest.spyOn(globalThis as unknown as Window, 'postMessage').mockImplementation(((message: { kind: string }) => void said.push(message)) as never);
  jest.isolateModules(() => void jest.requireActual(path));
  (globalThis.onmessage as unknown as (event: { data: unknown }) => void)({ data: question });
  post.mockRestore();
  globalThis.onmessage = null;
  return said;
}

const boiling = figure({ label: 'Boiling point', value: 180, unit: '°C', rule: 'given', source: ENTRY });
const request = (dropM: number) => ({ vehicle: SMALL_CAR, road: [{ lengthM: 1000, dropM, speedMs: 14 }], airC: 20, altitudeM: 0, boiling });

test('the descent is reckoned in turn, with progress, as core reckons it', () => {
  const said = askFile('./descent.worker', [request(60), request(80)]);
  expect(said.map((s) => s.kind)).toEqual(['progress', 'progress', 'done']);
  expect(said.at(-1)).toMatchObject({ value: [{ margin: { value: vapourMargin(request(60)).margin.value } }, { margin: { value: vapourMargin(request(80)).margin.value } }] });
});

test('a road that cannot be driven comes back as one sentence', () => {
  expect(askFile('./descent.worker', [request(2000)])).toEqual([{ kind: 'failed', sentence: expect.stringMatching(/give a drop smaller than the length\.$/) }]);
});

test('a photo is answered with a reading or with what was wrong', () => {
  const picture = { width: 100, height: 100, data: new Uint8ClampedArray(40_000).fill(200) };
  expect(askFile('./photo.worker', { picture, fluidAt: { x: 30, y: 50 }, whiteAt: { x: 70, y: 50 } })).toMatchObject([{ kind: 'done', value: { kind: 'read', colour: 'clear' } }]);
  expect(askFile('./photo.worker', { picture, fluidAt: { x: 0, y: 0 }, whiteAt: { x: 70, y: 50 } })).toMatchObject([{ kind: 'done', value: { kind: 'fault', fault: 'outside' } }]);
});
