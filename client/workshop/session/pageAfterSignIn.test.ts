import { pageAfterSignIn } from './pageAfterSignIn';

test.each([
  ['/jobs/1c0f', '/jobs/1c0f'],
  ['/recall?batch=B-7', '/recall?batch=B-7'],
  [undefined, '/'],
  ['', '/'],
  // Browsers read both of these as another host.
  ['//elsewhere.example/jobs', '/'],
  ['/\\elsewhere.example', '/'],
  ['https://elsewhere.example', '/'],
  ['javascript:alert(1)', '/'],
  // Would ask for the sign-in for ever.
  ['/sign-in?to=%2Fsign-in', '/'],
])('a link %p followed signed out leads to %p', (to, page) => {
  expect(pageAfterSignIn(to)).toBe(page);
});
