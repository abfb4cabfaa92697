import { PasswordScreen } from '../workbench/lazy';

export default function PasswordRoute() {
  return <PasswordScreen />;
}
