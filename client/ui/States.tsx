import { router } from 'expo-router';
import { View } from 'react-native';
import { ActionBar } from './ActionBar';
import { Caution } from './Notice';
import { Page } from './Page';
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
        <Press
          role="button"
          onPress={again}
          style={{ borderWidth: 1, borderColor: colour.edge, alignItems: 'center' }}
        >
          <Words strong>Try again</Words>
        </Press>
      ) : null}
    </View>
  );
}

/** A page whose thing cannot be shown, with the way back. */
export function FailedPage({
  what,
  error,
  again,
}: {
  readonly what: string;
  readonly error: Error | null;
  readonly again: () => void;
}) {
  return (
    <Page action={<ActionBar label="To the jobs" onPress={() => router.replace('/')} />}>
      <Words size="head" heading={1}>{`${what} cannot be shown`}</Words>
      <Failed error={error ?? new Error('The server gave no answer to it.')} again={again} />
    </Page>
  );
}

/** Nothing holds the words that were typed. */
export function NothingFound() {
  return (
    <Words size="small" accessibilityLiveRegion="polite">
      None: type less of it, or another word.
    </Words>
  );
}
