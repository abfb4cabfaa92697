import { NewVehicle } from '../../lazyWorkbench';

export default function NewVehicleRoute() {
  return <NewVehicle />;
}
