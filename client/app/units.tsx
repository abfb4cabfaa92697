import { UnitsScreen } from '../lazyWorkbench';

export default function UnitsRoute() {
  return <UnitsScreen />;
}
