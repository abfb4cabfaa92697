import { View } from 'react-native';
import { Words } from '../../ui/Words';

/** Which vehicle, and what is asked on this page of its plan. */
export function PageHead({
  vehicle,
  question,
}: {
  readonly vehicle: string;
  readonly question: string;
}) {
  return (
    <View>
      <Words size="small" tone="softWords">
        {vehicle}
      </Words>
      <Words size="head" heading={1}>
        {question}
      </Words>
    </View>
  );
}
