// Everything behind the first page, as one part that is fetched after it: what
// two pages share would otherwise go into what every first load brings.
export { workInBackground } from '../data/background';
export { Intake } from '../intake/Intake';
export { JobScreen } from '../jobs/JobScreen';
export { NewVehicle } from '../vehicles/NewVehicle';
export { VehicleList } from '../vehicles/VehicleList';
export { VehicleScreen } from '../vehicles/VehicleScreen';
export { ShelfScreen } from '../shelf/ShelfScreen';
export { AddContainers } from '../shelf/AddContainers';
export { RecallScreen } from '../shelf/RecallScreen';
export { HouseRulesScreen } from '../rules/HouseRulesScreen';
export { HistoryScreen } from '../history/HistoryScreen';
export { LayoutScreen } from '../layout/LayoutScreen';
export { PasswordScreen } from '../session/PasswordScreen';
export { JoinScreen } from '../session/JoinScreen';
export { FigureSheet } from '../ui/FigureSheet';
export { OverviewScreen } from '../overview/OverviewScreen';
export { UnitsScreen } from '../units/UnitsScreen';
export { PeopleScreen } from '../session/PeopleScreen';
export { CalculatorsScreen } from '../calculators/CalculatorsScreen';
export { DescentScreen } from '../descent/DescentScreen';
