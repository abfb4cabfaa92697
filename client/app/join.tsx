import { JoinScreen } from '../workbench/lazy';

export default function JoinRoute() {
  return <JoinScreen />;
}
