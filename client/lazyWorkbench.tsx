import { usePathname } from 'expo-router';
import { lazy, Suspense, useState, type ComponentType } from 'react';
import { Boundary } from './ui/Boundary';
import { queryClient } from './data/queryClient';
import { Loading } from './ui/States';

type All = typeof import('./workbench');

/** The workbench, and with it what goes on in the background from then on. */
async function load(): Promise<All> {
  const all = await import('./workbench');
  all.workInBackground(queryClient);
  return all;
}

/** Fetch the workbench while the first page is looked at, so that it is here when the connection is not. */
export function fetchWorkbench(): void {
  // Where it does not come now, the page that needs it says so and fetches it again.
  load().catch(() => undefined);
}

function part<P extends object>(
  pick: (all: All) => ComponentType<P>,
  what: string,
): ComponentType<P> {
  const fetched = () => lazy(async () => ({ default: pick(await load()) }));
  // A lazy part that failed stays failed: trying again takes a new one.
  let current = fetched();
  return function WorkbenchPart(props: P) {
    const [Part, setPart] = useState(() => current);
    const again = () => {
      current = fetched();
      setPart(() => current);
    };
    return (
      <Boundary page={usePathname()} onAgain={again}>
        <Suspense fallback={<Loading what={what} />}>
          <Part {...props} />
        </Suspense>
      </Boundary>
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
export const CalculatorsScreen = part((all) => all.CalculatorsScreen, 'the calculators');
export const DescentScreen = part((all) => all.DescentScreen, 'the descent');
export const LayoutScreen = part((all) => all.LayoutScreen, 'the layout');
export const PasswordScreen = part((all) => all.PasswordScreen, 'the password');
export const JoinScreen = part((all) => all.JoinScreen, 'the invitation');
export const FigureSheet = part((all) => all.FigureSheet, 'the figure');
export const OverviewScreen = part((all) => all.OverviewScreen, 'what stands open');
export const UnitsScreen = part((all) => all.UnitsScreen, 'the units');
export const PeopleScreen = part((all) => all.PeopleScreen, 'the people');
