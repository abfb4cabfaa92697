import { jobAddressOf, jobHref } from './jobAddress';

jest.mock('expo-router', () => ({}));

test('what is open is read from the address, and what says nothing is left out', () => {
  expect(jobAddressOf({})).toEqual({ step: null, at: null, page: null });
  expect(jobAddressOf({ step: 'plan', at: 'run', page: 'method' })).toEqual({
    step: 'plan',
    at: 'run',
    page: 'method',
  });
  expect(jobAddressOf({ step: 'nowhere', at: 'never', page: '' })).toEqual({
    step: null,
    at: null,
    page: null,
  });
});

test('an address leads back to what was open', () => {
  expect(jobHref('j', { step: null, at: null, page: null })).toEqual({
    pathname: '/jobs/[id]',
    params: { id: 'j' },
  });
  // Without a step there is nothing that could be over.
  expect(jobHref('j', { step: null, at: 'run', page: 'wrong' })).toEqual({
    pathname: '/jobs/[id]',
    params: { id: 'j', page: 'wrong' },
  });
  const held = { step: 'fluid', at: null, page: null } as const;
  const { params } = jobHref('j', held) as { params: Record<string, string> };
  expect(jobAddressOf(params)).toEqual(held);
});
