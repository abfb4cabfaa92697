import { lazy, Suspense } from 'react';
import { Loading } from '../ui/States';

/** A helper's phone fetches this page and nothing of the workbench. */
const HelpScreen = lazy(() =>
  import('../helper/HelpScreen').then((all) => ({ default: all.HelpScreen })),
);

export default function HelpRoute() {
  return (
    <Suspense fallback={<Loading what="the call" />}>
      <HelpScreen />
    </Suspense>
  );
}
