import { z } from 'zod';

/** What is said where a schema says nothing of its own: what would be right, at the field. */
const KINDS: Readonly<Record<string, string>> = {
  string: 'text',
  number: 'a number',
  int: 'a whole number',
  boolean: 'true or false',
  object: 'an object',
  record: 'an object',
  array: 'a list',
  null: 'null',
  date: 'a moment',
  undefined: 'left out',
};

const FORMATS: Readonly<Record<string, string>> = {
  uuid: 'a UUID',
  datetime: 'a moment like 2026-04-30T09:00:00Z',
  date: 'a day like 2026-04-30',
};

type Issue = Parameters<NonNullable<Parameters<typeof z.config>[0]>['customError'] & object>[0];

/** The sentence for one issue. */
function sentenceOf(issue: Issue): string {
  const path = (issue.path ?? []).join('.');
  const what = path || 'The body';
  switch (issue.code) {
    case 'invalid_type':
      return `${what} should be ${KINDS[issue.expected] ?? issue.expected}.`;
    case 'unrecognized_keys':
      return `${issue.keys.map((k) => (path ? `${path}.${k}` : k)).join(', ')} is not known here; leave it out.`;
    case 'invalid_value':
      return `${what} should be ${issue.values.map((v) => JSON.stringify(v)).join(' or ')}.`;
    case 'too_small':
      return `${what} should be at least ${issue.minimum}${unitOf(issue.origin)}.`;
    case 'too_big':
      return `${what} should be at most ${issue.maximum}${unitOf(issue.origin)}.`;
    case 'invalid_format':
      return `${what} should be ${FORMATS[issue.format] ?? 'in another form'}.`;
    case 'not_multiple_of':
      return `${what} should be a multiple of ${issue.divisor}.`;
    default:
      return `${what} is not one of the forms that are known here.`;
  }
}

const unitOf = (origin: string): string =>
  origin === 'string' ? ' characters long' : origin === 'array' ? ' long' : '';

z.config({ customError: sentenceOf });
