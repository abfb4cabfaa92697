import { ShelfScreen } from '../../lazyWorkbench';

export default function ShelfRoute() {
  return <ShelfScreen />;
}
