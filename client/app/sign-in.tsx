import { useLocalSearchParams } from 'expo-router';
import { SignIn } from '../session/SignIn';
import { pageAfterSignIn } from '../session/pageAfterSignIn';

export default function SignInRoute() {
  const { to } = useLocalSearchParams<{ to?: string }>();
  return <SignIn to={pageAfterSignIn(to)} />;
}
