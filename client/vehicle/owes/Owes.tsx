import { owesCount, type OpenItem } from '@brook/core/owed/openItems';
import { View } from 'react-native';
import { Words } from '../../ui/Words';
import { OpenItemList } from './OpenItemList';

/** What a vehicle owes; nothing where there is nothing. */
export function Owes({
  openItems,
  about,
}: {
  readonly openItems: readonly OpenItem[];
  /** What is done about it here. */
  readonly about?: string;
}) {
  if (openItems.length === 0) return null;
  if (owesCount(openItems) === 0) return <OpenItemList openItems={openItems} />;
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
      <OpenItemList openItems={openItems} />
    </View>
  );
}
