import { METRIC } from '@brook/core/base/units';
import { Redirect, usePathname } from 'expo-router';
import { useEffect, type ReactNode } from 'react';
import { ApiProblem } from '../../data/api';
import { useSession } from '../../data/session';
import { chooseUnits } from '../../ui/unitChoice';
import { setZone } from '../../ui/zone';

/** Where nobody need be signed in: a helper has no account, who was asked in has none yet. */
const WITHOUT_SESSION = ['/sign-in', '/help', '/join'];

/** Sends to the sign-in whoever is not signed in, and says where they wanted to go. Without a connection the page stays: what is on the phone is still good. */
export function SessionGate({ children }: { readonly children: ReactNode }) {
  const { data, error } = useSession();
  // Before anything below says a time.
  if (data) setZone(data.workshop.timeZone);
  const units = data?.user.units;
  useEffect(() => chooseUnits(units ?? METRIC), [units]);
  const path = usePathname();
  const signedOut = error instanceof ApiProblem && error.status === 401;
  if (signedOut && !WITHOUT_SESSION.includes(path)) {
    const { pathname, search } = window.location;
    return <Redirect href={{ pathname: '/sign-in', params: { to: pathname + search } }} />;
  }
  return children;
}
