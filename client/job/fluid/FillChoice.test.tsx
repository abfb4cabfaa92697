import type { Container } from '@brook/contract';
import { compatibility, type CompatibilityRequest, type Grade } from '@brook/core/fluid/verdict';
import { fireEvent, render, screen } from '@testing-library/react';
import { draftOf, type FluidDraft } from './entry';
import { FillChoice, fillOptions } from './FillChoice';

const container = (grade: Grade, leftMl: number, more: Partial<Container> = {}): Container => ({
  id: `${grade} ${leftMl}`,
  grade,
  isoClass: null,
  batch: 'K',
  sizeMl: 1000,
  leftMl,
  overdrawnMl: 0,
  state: 'sealed',
  openedDays: null,
  keptCapped: true,
  ageDays: 1,
  restedHours: null,
  receivedAt: '2026-01-01T00:00:00Z',
  openedAt: null,
  discardedAt: null,
  admit: { verdict: 'take', reasons: [] },
  version: 1,
  ...more,
});
const ask = (grade: Grade): Omit<CompatibilityRequest, 'candidates'> => ({
  demands: [{ source: 'cap', grades: [grade], lowViscosity: false }],
  follow: null,
  control: 'none',
  seals: 'ordinary',
  inSystem: 'unknown',
});
const SHELF = {
  containers: [
    container('DOT 5', 500),
    container('DOT 5.1', 300),
    container('DOT 4', 700),
    container('DOT 4', 200),
  ],
};

test('what may go in stands first, what is asked for by name before what is better, and the wrong one is shown as such', () => {
  const options = fillOptions(SHELF, ask('DOT 4'), 'DOT 4');
  expect(options.map((o) => o.grade)).toEqual(['DOT 4', 'DOT 5.1', 'DOT 5']);
  expect(options[0]).toMatchObject({ about: '2 containers, 900 mL' });
  expect(options[2]!.about).toMatch(/one container, 500 mL · must not go in/);
});

test('what is asked for is offered even when none of it stands there, and what must not be used is not counted', () => {
  const refused = container('DOT 5.1', 400, {
    admit: { verdict: 'refuse', reasons: [{ code: 'opened too long', weight: 'stop' }] },
  });
  expect(fillOptions({ containers: [refused] }, ask('DOT 5.1'), 'DOT 5.1')).toMatchObject([
    { grade: 'DOT 5.1', about: 'none on the shelf' },
  ]);
});

describe('the second look', () => {
  const draft = (more: Partial<FluidDraft>): FluidDraft => ({
    ...draftOf(null, {
      maker: null,
      lastDye: null,
      lastGrade: null,
      before: null,
      hasModulator: null,
    }),
    ...more,
  });
  const show = (grade: Grade, labelRead: Grade | null) => {
    const onChange = jest.fn();
    const judged = compatibility({
      ...ask('DOT 5.1'),
      candidates: [{ id: 'fill', grade, isoClass: null }],
    }).candidates[0]!;
    render(
      <FillChoice
        draft={draft({ fill: { grade, isoClass: null }, labelRead })}
        options={fillOptions(SHELF, ask('DOT 5.1'), 'DOT 5.1')}
        judged={judged}
        onChange={onChange}
        disabled={false}
      />,
    );
    return onChange;
  };

  test('is asked of DOT 5.1 before it can be chosen, in words that tell the two apart', () => {
    const onChange = show('DOT 5.1', null);
    expect(screen.getByText('Five point one: glycol')).toBeTruthy();
    expect(screen.getByText('Five: silicone')).toBeTruthy();
    fireEvent.click(screen.getByRole('radio', { name: 'DOT 5.1' }));
    expect(onChange).toHaveBeenCalledWith({ labelRead: 'DOT 5.1' });
  });

  test('another reading of the label is answered with what to do', () => {
    show('DOT 5.1', 'DOT 5');
    expect(screen.getByText(/Put it back and take the other/)).toBeTruthy();
  });

  test('is not asked of what must not go in anyway: that is stopped, with the trap in words', () => {
    show('DOT 5', null);
    expect(screen.queryByText('What does the label say?')).toBeNull();
    expect(
      screen
        .getAllByRole('alert')
        .map((a) => a.textContent)
        .join(' '),
    ).toContain('DOT 5 (five) is silicone');
  });

  test('taking another container in hand forgets what was read off the first', () => {
    const onChange = show('DOT 5.1', 'DOT 5.1');
    fireEvent.click(screen.getByRole('radio', { name: 'DOT 4' }));
    expect(onChange).toHaveBeenCalledWith({
      fill: { grade: 'DOT 4', isoClass: null },
      labelRead: null,
    });
  });
});
