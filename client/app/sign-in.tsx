import { SignIn } from '../session/SignIn';

export default function SignInRoute() {
  return <SignIn />;
}
