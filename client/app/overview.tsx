import { OverviewScreen } from '../lazyWorkbench';

export default function OverviewRoute() {
  return <OverviewScreen />;
}
