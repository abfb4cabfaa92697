import { capital } from '@brook/core/base/text';
import { MONTH_MS, type Forecast } from '@brook/core/fluid/ageing';
import { View } from 'react-native';
import { shortDate } from '../../ui/dates';
import { FigureRow } from '../../ui/FigureValue';
import { SPACE } from '../../ui/theme';
import { Words } from '../../ui/Words';

/** A date by the forecast, with its band; it opens to the months it was made of. */
export function ForecastRow({
  label,
  forecast,
  sinceMs,
}: {
  readonly label: string;
  readonly forecast: Forecast;
  readonly sinceMs: number;
}) {
  if (forecast.kind === 'not within ten years')
    return <Words>{`${label}: not within ten years.`}</Words>;
  const day = (months: number) => shortDate(new Date(sinceMs + months * MONTH_MS).toISOString());
  const band = `nine in ten from ${day(forecast.earliestMonths)} to ${forecast.latestMonths === null ? 'beyond ten years' : day(forecast.latestMonths)}`;
  return (
    <View>
      <FigureRow figure={forecast.months} label={label} text={day(forecast.months.value)} />
      <View style={{ paddingBottom: SPACE.small }}>
        <Words size="small" tone="softWords">
          {`${capital(band)}.`}
        </Words>
      </View>
    </View>
  );
}
