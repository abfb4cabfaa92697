import { HouseRulesScreen } from '../workbench/lazy';

export default function HouseRulesRoute() {
  return <HouseRulesScreen />;
}
