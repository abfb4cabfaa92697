import { fluidVerdict, type FluidRequest } from '@brook/core/fluid/verdict';
import { demandsOf, draftOf, emptySample, samplesOf, type SampleDraft } from './entry';
import { boilingScale, waterScale } from './Scale';
import { inShort } from './VerdictStrip';

const KNOWN = { maker: null, lastDye: null, lastGrade: null, before: null, hasModulator: true };
const verdictOf = (
  more: Partial<SampleDraft>,
  inSystem: FluidRequest['inSystem'] = 'DOT 4',
): ReturnType<typeof fluidVerdict> => {
  const draft = {
    ...draftOf(null, KNOWN),
    cap: ['DOT 4' as const],
    inSystem,
    samples: [
      {
        ...emptySample('reservoir'),
        colour: 'amber' as const,
        clarity: 'clear' as const,
        foreign: 'none' as const,
        ...more,
      },
    ],
  };
  return fluidVerdict({
    demands: demandsOf(draft, KNOWN),
    follow: null,
    control: 'ABS',
    seals: 'ordinary',
    inSystem,
    lastDye: null,
    samples: samplesOf(draft, KNOWN),
    fill: null,
  });
};
const short = (more: Partial<SampleDraft>, inSystem?: FluidRequest['inSystem']) =>
  inShort(verdictOf(more, inSystem), true, (p) => p);

describe('the verdict in a line', () => {
  test('says nothing before somebody looked', () => {
    expect(inShort(verdictOf({}), false, (p) => p)).toBeNull();
    expect(short({})).toMatchObject({ weight: 'plain', title: 'Not measured: no verdict' });
  });

  // 3 % and 1.5 %: common practice, no source.
  test.each([
    ['3.2', 'Replace now', 'Reservoir: 3 % water or more. 0.2 % past the limit.'],
    ['3', 'Replace now', 'Reservoir: 3 % water or more. Right at the limit.'],
    ['0.9', 'Good', 'Reservoir: under 1.5 % water. 0.6 % from the limit.'],
  ])('%s %% water: %s', (water, title, say) => {
    expect(short({ water })).toMatchObject({ title, say });
    expect(short({ water })!.weight).toBe(title === 'Good' ? 'plain' : 'caution');
  });

  test('what to do stands in the title and is not said twice', () => {
    expect(short({ clarity: 'particles' })!.say).toBe(
      'Reservoir: particles: rubber or rust is breaking up.',
    );
  });

  test('a stop says at once what must not be done', () => {
    expect(short({ foreign: 'layers' })).toMatchObject({ weight: 'stop' });
    // Silicone where glycol belongs: not left behind a press.
    expect(short({}, 'DOT 5')!.say).toContain('Do not move the pedal');
  });

  test('a colour that nobody can explain asks for drops', () => {
    expect(short({ colour: null, dye: 'green' })).toMatchObject({
      weight: 'caution',
      title: 'Put a few drops in water',
    });
  });
});

describe('the scale of a reading', () => {
  test('reaches to 5 %, and to 10 % once a reading lies beyond', () => {
    expect(waterScale(null)).toMatchObject({ from: 0, to: 5, step: 1, value: null });
    expect(waterScale(5).to).toBe(5);
    expect(waterScale(5.1)).toMatchObject({ to: 10, step: 2 });
  });

  // 1.5 % and 3 %, 180 °C: common practice, no source. 155 °C: FMVSS 116 S5.1.2 (wet, DOT 4).
  test('holds it against the limits of the trade and of the standard', () => {
    expect(waterScale(2).limits).toEqual([
      { at: 1.5, word: 'at a visit' },
      { at: 3, word: 'now' },
    ]);
    expect(boilingScale(170, 'DOT 4').limits).toEqual([
      { at: 155, word: 'now' },
      { at: 180, word: 'at a visit' },
    ]);
  });
});
