import { HouseRulesScreen } from '../lazyWorkbench';

export default function HouseRulesRoute() {
  return <HouseRulesScreen />;
}
