import { VehicleList } from '../../lazyWorkbench';

export default function VehiclesRoute() {
  return <VehicleList />;
}
