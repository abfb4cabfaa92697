/** @jest-environment jsdom */
import { keepPresses } from './pressWhereItBegan';

let pressed: string[];
let takeOff: () => void;
beforeEach(() => {
  pressed = [];
  document.body.innerHTML = `
    <p id="words">Words</p>
    <div role="button" aria-label="Yes" id="yes"><b id="mark">Yes</b></div>
    <div role="button" aria-label="No" id="no">No</div>`;
  for (const id of ['yes', 'no']) listen(id);
  document.elementFromPoint = () => null;
  takeOff = keepPresses();
});
afterEach(() => takeOff());

const el = (id: string) => document.getElementById(id)!;
const listen = (id: string) => el(id).addEventListener('click', () => pressed.push(id));

/** jsdom knows no pointer events. */
const at = (type: string, id: string, more: object = {}) => {
  const {
    timeStamp,
    isPrimary = true,
    ...init
  } = { timeStamp: 0, ...more } as {
    timeStamp: number;
    isPrimary?: boolean;
  };
  const event = new MouseEvent(type, { bubbles: true, cancelable: true, detail: 1, ...init });
  Object.defineProperties(event, {
    isPrimary: { value: isPrimary },
    timeStamp: { value: timeStamp },
  });
  el(id).dispatchEvent(event);
  return event;
};

test('a press where nothing moved is the browser’s own', () => {
  at('pointerdown', 'yes');
  at('click', 'mark');
  expect(pressed).toEqual(['yes']);
});

test('where the page moved under the finger, the one it went down on is pressed, its neighbour is not', () => {
  at('pointerdown', 'mark');
  const event = at('click', 'no');
  expect(pressed).toEqual(['yes']);
  expect(event.defaultPrevented).toBe(true);
  // Lifted over nothing that takes a press, it is not lost.
  at('pointerdown', 'yes');
  at('click', 'words');
  expect(pressed).toEqual(['yes', 'yes']);
});

test('a button that came under a finger that went down on words is not pressed', () => {
  at('pointerdown', 'words');
  at('click', 'no');
  expect(pressed).toEqual([]);
});

test.each([
  [{ clientX: 12 }, ['yes']],
  [{ clientX: 13 }, ['no']],
])('lifted %j farther: %j', (more, expected) => {
  at('pointerdown', 'yes');
  at('click', 'no', more);
  expect(pressed).toEqual(expected);
});

test('a second finger is no press, a scroll forgets it, and a key needs none', () => {
  at('pointerdown', 'yes', { isPrimary: false });
  at('click', 'no');
  at('pointerdown', 'yes');
  at('pointercancel', 'yes');
  at('click', 'no');
  at('pointerdown', 'yes');
  at('click', 'no', { detail: 0 });
  expect(pressed).toEqual(['no', 'no', 'no']);
});

describe('drawn anew between down and up', () => {
  const redraw = (label: string) => {
    el('yes').remove();
    const anew = document.createElement('div');
    anew.id = 'anew';
    anew.setAttribute('role', 'button');
    anew.setAttribute('aria-label', label);
    document.body.append(anew);
    listen('anew');
    document.elementFromPoint = () => anew;
  };

  test.each([
    ['Yes', 599, ['anew']],
    // Somebody held it: that is another press.
    ['Yes', 600, []],
    ['Maybe', 100, []],
  ])('as “%s” after %d ms: %j', (label, timeStamp, expected) => {
    at('pointerdown', 'yes');
    redraw(label);
    at('click', 'words', { timeStamp });
    expect(pressed).toEqual(expected);
  });

  test('gone, nothing is pressed for it', () => {
    at('pointerdown', 'yes');
    el('yes').remove();
    at('click', 'no');
    expect(pressed).toEqual([]);
  });
});

test('taken off, the browser has its way again', () => {
  takeOff();
  at('pointerdown', 'yes');
  at('click', 'no');
  expect(pressed).toEqual(['no']);
});
