import type { ReactNode } from 'react';
import { View } from 'react-native';
import { ActionBar } from '../ActionBar';
import { Page } from '../Page';
import { useConflictChoices, type ConflictsProps } from './Conflicts';

/** Somebody else changed the same meanwhile: both versions, field by field, and nothing is lost until somebody chose. */
export function ConflictPage<K extends string>({
  head,
  band,
  conflicts,
  onDecide,
}: ConflictsProps<K> & { readonly head: ReactNode; readonly band?: ReactNode }) {
  const { waitsFor, theirs, choices } = useConflictChoices(conflicts);
  return (
    <Page
      band={band}
      action={
        <ActionBar label="Go on with these" waitsFor={waitsFor} onPress={() => onDecide(theirs)} />
      }
    >
      <View>{head}</View>
      {choices}
    </Page>
  );
}
