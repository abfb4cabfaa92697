import { useLocalSearchParams } from 'expo-router';
import { SignIn } from '../workshop/session/SignIn';
import { pageAfterSignIn } from '../workshop/session/pageAfterSignIn';

export default function SignInRoute() {
  const { to } = useLocalSearchParams<{ to?: string }>();
  return <SignIn to={pageAfterSignIn(to)} />;
}
