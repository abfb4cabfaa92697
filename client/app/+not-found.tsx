import { router } from 'expo-router';
import { ActionBar } from '../ui/ActionBar';
import { Page } from '../ui/Page';
import { Words } from '../ui/Words';

export default function NotFoundRoute() {
  return (
    <Page action={<ActionBar label="To the jobs" onPress={() => router.replace('/')} />}>
      <Words size="head" heading={1}>
        There is nothing at this address
      </Words>
    </Page>
  );
}
