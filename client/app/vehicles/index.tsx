import { VehicleList } from '../../workbench/lazy';

export default function VehiclesRoute() {
  return <VehicleList />;
}
