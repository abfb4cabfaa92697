import { PasswordScreen } from '../lazyWorkbench';

export default function PasswordRoute() {
  return <PasswordScreen />;
}
