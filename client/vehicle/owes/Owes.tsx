import { owesCount, type Matter } from '@brook/core/owed/openItems';
import { View } from 'react-native';
import { Words } from '../../ui/Words';
import { MatterList } from './MatterList';

/** What a vehicle owes; nothing where there is nothing. */
export function Owes({
  matters,
  about,
}: {
  readonly matters: readonly Matter[];
  /** What is done about it here. */
  readonly about?: string;
}) {
  if (matters.length === 0) return null;
  if (owesCount(matters) === 0) return <MatterList matters={matters} />;
  return (
    <View>
      <Words strong heading={2}>
        It still owes
      </Words>
      {about === undefined ? null : (
        <Words size="small" tone="softWords">
          {about}
        </Words>
      )}
      <MatterList matters={matters} />
    </View>
  );
}
