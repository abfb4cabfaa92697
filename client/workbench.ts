// Everything behind the first page, as one part that is fetched after it: what
// two pages share would otherwise go into what every first load brings.
export { workInBackground } from './data/background';
export { Intake } from './job/intake/Intake';
export { JobScreen } from './JobScreen';
export { NewVehicle } from './vehicle/NewVehicle';
export { VehicleList } from './vehicle/VehicleList';
export { VehicleScreen } from './vehicle/VehicleScreen';
export { ShelfScreen } from './shelf/ShelfScreen';
export { AddContainers } from './shelf/AddContainers';
export { RecallScreen } from './shelf/RecallScreen';
export { HouseRulesScreen } from './workshop/rules/HouseRulesScreen';
export { HistoryScreen } from './vehicle/history/HistoryScreen';
export { LayoutScreen } from './vehicle/layout/LayoutScreen';
export { PasswordScreen } from './workshop/session/PasswordScreen';
export { JoinScreen } from './workshop/session/JoinScreen';
export { FigureSheet } from './ui/FigureSheet';
export { OverviewScreen } from './workshop/overview/OverviewScreen';
export { UnitsScreen } from './workshop/units/UnitsScreen';
export { PeopleScreen } from './workshop/session/PeopleScreen';
export { CalculatorsScreen } from './bench/CalculatorsScreen';
export { DescentScreen } from './vehicle/descent/DescentScreen';
