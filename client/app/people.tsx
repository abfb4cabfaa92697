import { PeopleScreen } from '../workbench/lazy';

export default function PeopleRoute() {
  return <PeopleScreen />;
}
