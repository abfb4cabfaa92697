import { DEFAULT_RULES, intervalFor, RULE_OPTIONS, SCHOOLS } from '.';

test('every school has two sides or more, each with what speaks for it, and each can be chosen', () => {
  for (const school of SCHOOLS) {
    expect(school.options.map((o) => o.value)).toEqual([...RULE_OPTIONS[school.key]]);
    expect(school.options.length).toBeGreaterThan(1);
    expect(new Set(school.options.map((o) => o.speaksFor)).size).toBe(school.options.length);
  }
  expect(SCHOOLS.map((s) => s.key).sort()).toEqual(Object.keys(RULE_OPTIONS).sort());
});

// Cars two years, motorcycles one: common practice, no source.
test('the maker’s interval wins over the house rule', () => {
  expect(intervalFor('car', DEFAULT_RULES, null)).toEqual({ months: 24, by: 'house rule' });
  expect(intervalFor('motorcycle', DEFAULT_RULES, null)).toEqual({ months: 12, by: 'house rule' });
  expect(intervalFor('car', DEFAULT_RULES, 36)).toEqual({ months: 36, by: 'maker' });
});
