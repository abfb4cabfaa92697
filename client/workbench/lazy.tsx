import { lazy, Suspense, type ComponentType } from 'react';
import { Loading } from '../ui/States';

const load = () => import('./index');

/** Fetch the workbench while the first page is looked at, so that it is here when the connection is not. */
export function fetchWorkbench(): void {
  void load();
}

function part<P extends object>(
  pick: (all: Awaited<ReturnType<typeof load>>) => ComponentType<P>,
  what: string,
): ComponentType<P> {
  const Part = lazy(async () => ({ default: pick(await load()) }));
  return function WorkbenchPart(props: P) {
    return (
      <Suspense fallback={<Loading what={what} />}>
        <Part {...props} />
      </Suspense>
    );
  };
}

export const Intake = part((all) => all.Intake, 'the intake');
export const JobScreen = part((all) => all.JobScreen, 'the job');
export const NewVehicle = part((all) => all.NewVehicle, 'the layouts');
export const VehicleList = part((all) => all.VehicleList, 'the vehicles');
export const VehicleScreen = part((all) => all.VehicleScreen, 'the vehicle');
export const ShelfScreen = part((all) => all.ShelfScreen, 'the shelf');
export const AddContainers = part((all) => all.AddContainers, 'the shelf');
export const RecallScreen = part((all) => all.RecallScreen, 'the shelf');
export const HouseRulesScreen = part((all) => all.HouseRulesScreen, 'the house rules');
export const HistoryScreen = part((all) => all.HistoryScreen, 'the history');
export const DescentScreen = part((all) => all.DescentScreen, 'the descent');
export const LayoutScreen = part((all) => all.LayoutScreen, 'the layout');
