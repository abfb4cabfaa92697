import type { Href } from 'expo-router';

/** The page that was asked for before the sign-in; a link that would lead out of the app leads to the jobs. */
export function pageAfterSignIn(to: string | undefined): Href {
  const inside = to?.startsWith('/') && !/^\/[/\\]/.test(to) && !to.startsWith('/sign-in');
  return (inside ? to : '/') as Href;
}
