import { View } from 'react-native';
import { Caution } from './Notice';
import { Press } from './Press';
import { colour, SPACE } from './theme';
import { Words } from './Words';

/** Something is on its way. */
export function Loading({ what }: { readonly what: string }) {
  return (
    <View style={{ padding: SPACE.wide }} role="status">
      <Words tone="softWords">{`Fetching ${what} …`}</Words>
    </View>
  );
}

/** Something failed: what happened, and how to try again. */
export function Failed({ error, again }: { readonly error: Error; readonly again?: () => void }) {
  return (
    <View style={{ padding: SPACE.large, gap: SPACE.medium }} role="alert">
      <Caution title={error.message}>Nothing was lost.</Caution>
      {again ? (
        <Press role="button" onPress={again} style={{ borderWidth: 1, borderColor: colour.edge, alignItems: 'center' }}>
          <Words strong>Try again</Words>
        </Press>
      ) : null}
    </View>
  );
}
