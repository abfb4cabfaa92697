import { FigureSheet } from '../../ui/FigureSheet';
import type { VehicleHistory } from '@brook/contract';
import { fitUptake, forecastMonths, MONTH_MS } from '@brook/core/fluid/ageing';
import { waterLimits } from '@brook/core/fluid/verdict';
import { fireEvent, render, screen } from '@testing-library/react';
import { ForecastRow } from './ForecastRow';
import { ReadingsTable } from './ReadingsTable';

const SINCE = Date.UTC(2024, 0, 1);
const sample = (
  n: number,
  more: Partial<VehicleHistory['samples'][number]> = {},
): VehicleHistory['samples'][number] => ({
  jobId: `job-${n}`,
  jobNumber: n,
  atMs: SINCE + n * MONTH_MS,
  point: 'reservoir',
  grade: 'DOT 4',
  waterPercent: 2,
  boilingC: null,
  colour: 'amber',
  clarity: 'clear',
  copperPpm: null,
  pH: null,
  ...more,
});

describe('a forecast', () => {
  test('gives the day, its band, and opens to the months and what they rest on', () => {
    // Two years to 3 % in temperate air: common practice, no source.
    render(
      <>
        <ForecastRow
          label="Replace now from"
          forecast={forecastMonths(fitUptake('temperate', []), 3)}
          sinceMs={SINCE}
        />
        <FigureSheet />
      </>,
    );
    fireEvent.click(screen.getByRole('button', { name: 'Until 3 % water: 24 months. Why?' }));
    expect(screen.getByText(/nothing was measured on this vehicle/)).toBeTruthy();
    expect(screen.getByRole('button', { name: 'Water at saturation: 5.0 %. Why?' })).toBeTruthy();
    expect(screen.getByText(/^Nine in ten from .* to /)).toBeTruthy();
  });
  test('may be that it is not within ten years', () => {
    render(
      <ForecastRow
        label="Replace now from"
        forecast={{ kind: 'not within ten years' }}
        sinceMs={SINCE}
      />,
    );
    expect(screen.getByText('Replace now from: not within ten years.')).toBeTruthy();
  });
});

test('the limits of the chart are the trade’s, and say so', () => {
  const { visit, now } = waterLimits();
  expect([visit.value, now.value]).toEqual([1.5, 3]);
  expect([visit.source.kind, now.source.kind]).toEqual(['practice', 'practice']);
});

describe('the table behind the chart', () => {
  const open = (samples: VehicleHistory['samples']) => {
    render(<ReadingsTable samples={samples} points={[{ id: 'left-rear', place: 'left rear' }]} />);
    if (samples.length > 0)
      fireEvent.click(screen.getByRole('button', { name: 'The table behind the chart' }));
  };
  test('holds every sample, newest first, with the way to its job', () => {
    open([
      sample(1),
      sample(2, { point: 'left-rear', waterPercent: null, boilingC: 181.6, copperPpm: 150, pH: 8 }),
    ]);
    expect(screen.getAllByRole('link').map((l) => l.getAttribute('aria-label'))).toEqual([
      'Job 2, left rear',
      'Job 1, reservoir',
    ]);
    const cells = screen.getAllByRole('cell').map((c) => c.textContent);
    expect(cells.slice(0, 2)).toEqual(['–', '182']);
    expect(screen.getByText('left rear, copper 150 ppm, pH 8, amber, clear')).toBeTruthy();
  });
  test('shows what is earlier when it is asked for', () => {
    open(Array.from({ length: 43 }, (_, n) => sample(n)));
    // Whether each of them can be seen takes seconds to find out, and is asked in the test above.
    const links = () => screen.getAllByRole('link', { hidden: true });
    expect(links()).toHaveLength(40);
    fireEvent.click(screen.getByText('Earlier samples'));
    expect(links()).toHaveLength(43);
    expect(screen.queryByText('Earlier samples')).toBeNull();
  });
  test('says so where no sample was taken', () => {
    open([]);
    expect(screen.getByText('No sample was taken yet.')).toBeTruthy();
  });
});
