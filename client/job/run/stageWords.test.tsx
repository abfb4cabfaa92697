import type { Job } from '@brook/contract';
import { usualSaying, type OwnStage, type PartCompared } from '@brook/core/bleed/stages';
import {
  afterWork,
  allMasters,
  layoutOf,
  planned,
  runOf,
  type LooseEvent,
} from '@brook/core/testing';
import { routineFlush } from '@brook/core/bleed/scope';
import { fireEvent, render, screen } from '@testing-library/react';
import type { ReactNode } from 'react';
import type { LiveRun } from '../../data/run';
import { PartStage } from './PartStage';
import { SlaveStage } from './SlaveStage';

// The frame around a stage is drawn elsewhere; here it is the words on the action that count.
jest.mock('./StageFrame', () => ({
  StageFrame: ({ action, children }: { action: ReactNode; children: ReactNode }) => (
    <>
      {action}
      {children}
    </>
  ),
  undoOf: () => null,
}));

const say = jest.fn();
const action = () => screen.getByTestId('next-action');
const around = (plan: ReturnType<typeof planned>, ...events: LooseEvent[]) => ({
  job: {} as Job,
  plan,
  run: { say, state: runOf(plan, events) } as unknown as LiveRun,
  band: null,
  link: null,
  onWrong: () => undefined,
});
beforeEach(() => say.mockReset());

describe('a clutch on screen', () => {
  const layout = layoutOf('clutch-external');
  const plan = planned(layout, {
    work: { ...routineFlush(allMasters(layout)), purpose: 'soft pedal' },
  });
  const stage = plan.stages.find((s) => s.kind === 'slave test') as Extract<
    OwnStage,
    { kind: 'slave test' }
  >;
  const measure = (mm: string) => {
    render(<SlaveStage stage={stage} {...around(plan)} />);
    fireEvent.change(screen.getByRole('textbox'), { target: { value: mm } });
    fireEvent.click(action());
  };

  // 1/8 in of rod travel with the slave held: common practice, no source.
  test.each([
    ['3.1', 'Record it', 3.1],
    ['3,1', 'Record it', 3.1],
    ['3.2', 'It does not pass: record it', 3.2],
    ['300', 'It does not pass: record it', 300],
  ])('%s mm: "%s"', (typed, words, mm) => {
    measure(typed);
    expect(action().textContent).toBe(words);
    expect(say).toHaveBeenCalledWith({
      kind: 'slave tested',
      stageId: stage.id,
      mm,
      reverse: null,
    });
  });

  test.each([
    ['', null],
    ['301', 'Give 0 to 300 mm.'],
    ['-1', 'Give 0 to 300 mm.'],
    ['much', 'Give 0 to 300 mm.'],
  ])('%j is no measurement: nothing passes and nothing is said', (typed, fault) => {
    measure(typed);
    expect(action().textContent).toContain('Measure first');
    expect(screen.queryByText('Give 0 to 300 mm.') !== null).toBe(fault !== null);
    expect(say).not.toHaveBeenCalled();
  });
});

describe('a new part on screen', () => {
  const layout = layoutOf('hatchback-diagonal');
  const plan = planned(layout, {
    work: afterWork(layout, {
      parts: [{ partId: 'left-front-caliper', cappedAtOnce: true, keptFull: true }],
    }),
  });
  const stage = plan.stages.find((s) => s.kind === 'right part') as Extract<
    OwnStage,
    { kind: 'right part' }
  >;
  const fits = usualSaying(plan, stage) as PartCompared;
  const compared = (more: Partial<PartCompared> = {}) => {
    render(<PartStage stage={stage} {...around(plan, { ...fits, ...more } as LooseEvent)} />);
    fireEvent.click(action());
  };

  test('what agrees in everything fits, and goes down as it was found', () => {
    compared();
    expect(action().textContent).toBe('It fits: record it');
    expect(say).toHaveBeenCalledWith(fits);
  });

  test('one millimetre too much does not fit', () => {
    const piston = { newPart: 55, oldPart: 54, maker: null };
    compared({ found: { ...fits.found, piston } });
    expect(action().textContent).toBe('It does not fit: record it');
    expect(screen.getByText(/The old one differs/)).toBeTruthy();
  });

  test('the maker decides against the old one, and the guess decides nothing', () => {
    compared({ found: { ...fits.found, piston: { newPart: 57, oldPart: 54, maker: 57 } } });
    expect(action().textContent).toBe('It fits: record it');
    expect(screen.getByText(/by the maker; the old one had 54 mm/)).toBeTruthy();
  });

  test('a number that nothing stands beside is not compared', () => {
    compared({ found: { ...fits.found, piston: { newPart: 54, oldPart: null, maker: null } } });
    expect(action().textContent).toMatch(/Compare: piston diameter/);
    expect(say).not.toHaveBeenCalled();
  });

  test('a piece that is left over does not fit', () => {
    const [first, ...others] = fits.pieces;
    compared({ pieces: [{ ...first!, state: 'left over' }, ...others] });
    expect(action().textContent).toBe('It does not fit: record it');
  });

  test('what nobody compared or counted is asked for, and nothing fits before', () => {
    render(<PartStage stage={stage} {...around(plan)} />);
    fireEvent.click(action());
    expect(action().textContent).toMatch(/Compare: /);
    expect(say).not.toHaveBeenCalled();
  });
});
