import { PeopleScreen } from '../lazyWorkbench';

export default function PeopleRoute() {
  return <PeopleScreen />;
}
