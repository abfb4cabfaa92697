import {
  condition,
  fluidVerdict,
  VERDICT_WORDS,
  type ConditionVerdict,
  type FluidRequest,
  type Grade,
  type Sample,
} from '@brook/core/fluid/verdict';
import { SEEN_ALONE } from '@brook/core/testing';
import { fireEvent, render, screen } from '@testing-library/react';
import { ConditionView, GradeVerdicts, StopView } from './FluidVerdictView';

const placeOf = (point: string) => (point === 'left-rear' ? 'left rear' : point);
const wet = (percent: number, point = 'reservoir'): Partial<Sample> => ({
  point,
  water: { percent, meterGrade: 'DOT 4' },
});
const show = (...samples: Partial<Sample>[]) =>
  render(
    <ConditionView
      answer={condition({
        grade: 'DOT 4',
        isoClass: null,
        lastDye: null,
        samples: samples.map((s) => ({ ...SEEN_ALONE, ...s })),
      })}
      placeOf={placeOf}
    />,
  );

// The same limits as in core: common practice, no source.
test.each<[ConditionVerdict, Partial<Sample>]>([
  ['good', wet(0.8)],
  ['not measured', {}],
  ['replace at this visit', wet(1.9)],
  ['replace now', wet(3.2)],
  ['test first', { dye: 'blue' }],
  ['stop', { foreign: 'layers' }],
])('"%s" stands as a heading with its reason and its source', (verdict, sample) => {
  show(sample);
  expect(screen.getByRole('heading', { name: VERDICT_WORDS[verdict] })).toBeTruthy();
  expect(
    screen.getAllByText('Common practice in the trade; no published source').length,
  ).toBeGreaterThan(0);
});

test('the worst point is named by its place, with its distance to the limit, and everything that went in can be opened', () => {
  show(wet(2.6), wet(3.4, 'left-rear'));
  expect(screen.getByText('Left rear: 3 % water or more. Replace now.')).toBeTruthy();
  expect(screen.getByRole('button', { name: 'Distance to the limit: −0.4 %. Why?' })).toBeTruthy();
  fireEvent.click(screen.getByRole('button', { name: 'Everything that went in' }));
  expect(screen.getByRole('button', { name: /^Water, left rear: 3.4 %/ })).toBeTruthy();
  expect(
    screen.getByRole('button', { name: /^Boiling point by its water, left rear: 1\d\d °C/ }),
  ).toBeTruthy();
});

describe('a stop', () => {
  const request = (more: Partial<FluidRequest>): FluidRequest => ({
    demands: [{ source: 'cap', grades: ['DOT 5.1' as Grade], lowViscosity: false }],
    follow: null,
    control: 'none',
    seals: 'ordinary',
    inSystem: 'unknown',
    lastDye: null,
    samples: [SEEN_ALONE],
    fill: null,
    ...more,
  });
  test('says what was seen, that the vehicle stays, and what it may be', () => {
    render(
      <StopView
        verdict={fluidVerdict(
          request({ samples: [{ ...SEEN_ALONE, foreign: 'thick or greasy' }] }),
        )}
      />,
    );
    expect(screen.getByRole('alert').textContent).toMatch(/hub or axle seal.*“do not drive”/);
    fireEvent.click(screen.getByRole('button', { name: 'What it may be' }));
    expect(screen.getByText('Thick grease from a bleeder')).toBeTruthy();
    expect(screen.queryByText('What it costs')).toBeNull();
  });
  test('says what it costs where the wrong fluid is inside', () => {
    render(<StopView verdict={fluidVerdict(request({ inSystem: 'DOT 5' }))} />);
    expect(screen.getByText('What it costs')).toBeTruthy();
    expect(screen.getByText(/Strip the system, renew the seals/)).toBeTruthy();
  });
});

test('every grade is judged for this vehicle, low viscosity by its class', () => {
  render(
    <GradeVerdicts
      request={{
        demands: [{ source: 'maker', grades: ['DOT 4'], lowViscosity: true }],
        follow: null,
        control: 'stability control',
        seals: 'ordinary',
        inSystem: 'unknown',
      }}
    />,
  );
  fireEvent.click(screen.getByRole('button', { name: 'Any other fluid' }));
  expect(screen.getByText('DOT 5.1 (five point one, glycol): must not')).toBeTruthy();
  expect(screen.getByText('DOT 4, class 6: may fill')).toBeTruthy();
  expect(screen.getAllByText(/750 mm²\/s/).length).toBeGreaterThan(0);
});
