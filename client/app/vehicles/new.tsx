import { NewVehicle } from '../../workbench/lazy';

export default function NewVehicleRoute() {
  return <NewVehicle />;
}
