import type { Layout } from '@brook/core/circuit';
import { fillsInside, partAges, type Inside, type Lot } from '@brook/core/inside';
import { View } from 'react-native';
import { shortDate } from '../ui/dates';
import { More } from '../ui/More';
import { Words } from '../ui/Words';

/** What a vehicle holds between its bowls and its bleeders, by fill, and how old each part's fluid is. */
export function InsideNow({
  layout,
  inside,
}: {
  readonly layout: Layout;
  readonly inside: Inside;
}) {
  const fills = fillsInside(layout, inside);
  const inAllMl = fills.reduce((sum, f) => sum + f.ml, 0);
  const parts = partAges(layout, inside);
  return (
    <View>
      <Words strong heading={2}>
        Inside now
      </Words>
      {fills.map(({ lot, ml }) => (
        <Words key={`${lot.grade}/${lot.filledAtMs}`}>
          {`${Math.round((100 * ml) / inAllMl)} %: ${lotWords(lot)}`}
        </Words>
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
    : `${grade ?? 'fluid'} of ${shortDate(new Date(filledAtMs).toISOString())}`;
