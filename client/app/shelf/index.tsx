import { ShelfScreen } from '../../workbench/lazy';

export default function ShelfRoute() {
  return <ShelfScreen />;
}
