import { DEFAULT_RULES } from '../../bleed/rules';
import { FLUID_READ_VERSION, liftFluidRead, type FluidRead } from '.';

const FIRST = {
  capGrade: 'DOT 4' as const,
  seen: {
    colour: 'brown' as const,
    clarity: 'clear' as const,
    foreign: 'none' as const,
    waterPercent: 3.2,
  },
  newColour: 'straw' as const,
  verdict: { fillGrade: 'DOT 4' as const },
};

test('a reading of the first rules: what was seen stands at the reservoir, and what was said is not judged again', () => {
  expect(liftFluidRead(FIRST)).toMatchObject({
    version: FLUID_READ_VERSION,
    demands: [{ source: 'cap', grades: ['DOT 4'] }],
    samples: [
      { point: 'reservoir', colour: 'brown', water: { percent: 3.2, meterGrade: 'DOT 4' } },
    ],
    fill: { grade: 'DOT 4' },
    newColour: 'straw',
    verdict: { verdict: 'fill', hold: null, fill: { grade: 'DOT 4' }, condition: null },
  });
});

test('one that named no fluid to fill was a stop, and stays one', () => {
  const { verdict, fill } = liftFluidRead({ ...FIRST, verdict: { fillGrade: null } });
  expect(fill).toBeNull();
  expect(verdict).toMatchObject({ verdict: 'stop', hold: 'condition stops' });
});

test('nobody measured: no reading appears', () => {
  const seen = { ...FIRST.seen, waterPercent: null };
  expect(liftFluidRead({ ...FIRST, seen }).samples[0]!.water).toBeNull();
});

test('later ones only say their version, and one that says it is left alone', () => {
  const { version: _, ...second } = { ...liftFluidRead(FIRST), rules: DEFAULT_RULES };
  const lifted = liftFluidRead(second as Omit<FluidRead, 'version'>);
  expect(lifted).toEqual({ version: FLUID_READ_VERSION, ...second });
  expect(liftFluidRead(lifted)).toEqual(lifted);
});

test('a rule that came later was the usual one; what the workshop had chosen stays', () => {
  const { newAtOutlet: _, ...then } = { ...DEFAULT_RULES, drumMl: 7_000 };
  const stored = { ...liftFluidRead(FIRST), rules: then } as FluidRead;
  expect(liftFluidRead(stored).rules).toEqual({ ...DEFAULT_RULES, drumMl: 7_000 });
});
