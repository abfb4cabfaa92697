import type { Layout } from '@brook/core/vehicle/circuit';
import { fillsInside, partAges, type Inside, type Lot } from '@brook/core/fluid/inside';
import { View } from 'react-native';
import { capital } from '@brook/core/base/text';
import { shortDate } from '../../ui/dates';
import { FigureRow } from '../../ui/FigureValue';
import { More } from '../../ui/More';
import { Words } from '../../ui/Words';

/** What a vehicle holds between its reservoirs and its bleeders, by fill, and how old each part's fluid is. */
export function InsideNow({
  layout,
  inside,
}: {
  readonly layout: Layout;
  readonly inside: Inside;
}) {
  const parts = partAges(layout, inside);
  return (
    <View>
      <Words strong heading={2}>
        Inside now
      </Words>
      {fillsInside(layout, inside).map(({ lot, share }) => (
        <FigureRow
          key={`${lot.grade}/${lot.filledAtMs}`}
          figure={share}
          label={capital(lotWords(lot))}
          text={`${share.value.toFixed(0)} %`}
        />
      ))}
      <More
        title="Part by part"
        about="By the model: a part counts from the fill that four fifths of it are"
      >
        {parts.map((p) => (
          <Words key={p.elementId}>
            {`${p.name}: ${p.since ? `since ${shortDate(new Date(p.since.filledAtMs).toISOString())}` : 'nobody knows since when'}`}
          </Words>
        ))}
      </More>
    </View>
  );
}

const lotWords = ({ grade, filledAtMs }: Lot): string =>
  filledAtMs === null
    ? `${grade ?? 'fluid'} of no known age`
    : `${grade ?? 'fluid'} filled ${shortDate(new Date(filledAtMs).toISOString())}`;
