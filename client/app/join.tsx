import { JoinScreen } from '../lazyWorkbench';

export default function JoinRoute() {
  return <JoinScreen />;
}
