import { layoutOf } from '@brook/core/testing';
import { planChoices, type PlanChoices } from '@brook/contract';
import { CHOICE_LABELS, choiceWords } from './choiceWords';

const layout = layoutOf('hatchback-diagonal', 'right');
const chosen = (more: object = {}): PlanChoices =>
  planChoices.parse({ work: { purpose: 'routine flush', masterIds: ['master'] }, ...more });
const CALIPER = layout.nodes.find((n) => n.kind === 'caliper')!;
const part = (more: object = {}) =>
  chosen({
    work: {
      purpose: 'after work',
      masterIds: ['master'],
      parts: [{ partId: CALIPER.id, cappedAtOnce: true, keptFull: true, ...more }],
    },
  });

test('every choice has a name and words, as it usually stands too', () => {
  for (const key of Object.keys(chosen()) as (keyof PlanChoices)[]) {
    expect(CHOICE_LABELS[key]).toBeTruthy();
    expect(choiceWords(layout, chosen(), key)).toBeTruthy();
  }
});

// Where two people said different things, what stands side by side must read different.
test.each<[string, keyof PlanChoices, PlanChoices, PlanChoices]>([
  ['an answer about a part', 'work', part(), part({ keptFull: false })],
  ['a part that was put back', 'work', part(), part({ newPart: false })],
  ['a part not yet done', 'work', part(), part({ notYet: true })],
  [
    'a level',
    'work',
    chosen(),
    chosen({
      work: {
        ...chosen().work,
        lowest: [{ reservoirId: layout.reservoirs[0]!.id, belowMaxMm: 12 }],
      },
    }),
  ],
  ['a modulator', 'work', chosen(), chosen({ work: { ...chosen().work, modulatorOpened: true } })],
  ['a lamp', 'work', chosen(), chosen({ work: { ...chosen().work, anotherLamp: true } })],
  [
    'what was found',
    'work',
    chosen(),
    chosen({ work: { ...chosen().work, found: [{ what: 'sinks', where: '' }] } }),
  ],
  ['a method', 'method', chosen(), chosen({ method: 'gravity' })],
  ['an order', 'order', chosen(), chosen({ order: 'maker' })],
  [
    'what is at hand',
    'means',
    chosen(),
    chosen({ means: { ...chosen().means, syringe: !chosen().means.syringe } }),
  ],
  [
    'the temperature',
    'circumstances',
    chosen(),
    chosen({ circumstances: { ...chosen().circumstances, temperatureC: 3 } }),
  ],
  [
    'the day',
    'circumstances',
    chosen(),
    chosen({ circumstances: { ...chosen().circumstances, dirty: true } }),
  ],
  ['old fluid left in', 'leaveOldFluid', chosen(), chosen({ leaveOldFluid: true })],
  ['a hold point', 'holdPoint', chosen(), chosen({ holdPoint: false })],
  [
    'an age',
    'partnerAges',
    chosen(),
    chosen({ partnerAges: [{ partId: CALIPER.id, months: 36 }] }),
  ],
])('%s reads different', (_, key, a, b) => {
  expect(choiceWords(layout, a, key)).not.toBe(choiceWords(layout, b, key));
});

test('a part is read out as a colleague would', () => {
  expect(choiceWords(layout, part({ cappedAtOnce: false }), 'work')).toBe(
    `A part was changed; in hand: ${layout.masters[0]!.name}; ${CALIPER.name} new, capped at once: no, reservoir kept full: yes`,
  );
});
