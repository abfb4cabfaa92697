import { OverviewScreen } from '../workbench/lazy';

export default function OverviewRoute() {
  return <OverviewScreen />;
}
