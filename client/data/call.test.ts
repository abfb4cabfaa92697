import { addressOf } from './call';

test('an id goes into the path, questions behind it, in letters that an address can hold', () => {
  expect(addressOf('/jobs/{id}/events', { id: 'j-1' })).toBe('/jobs/j-1/events');
  expect(addressOf('/jobs', {})).toBe('/jobs');
  expect(addressOf('/jobs', { query: { limit: 30, q: 'HC 7/8 & more' } })).toBe(
    '/jobs?limit=30&q=HC%207%2F8%20%26%20more',
  );
});
