import { UnitsScreen } from '../workbench/lazy';

export default function UnitsRoute() {
  return <UnitsScreen />;
}
