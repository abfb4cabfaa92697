import { CHEMISTRY, fillVerdict, FLUID_WORDS, GRADES, waterFault, type FluidSeen, type Grade } from '.';

const NEW: FluidSeen = { colour: 'straw', clarity: 'clear', foreign: 'none', waterPercent: 0.5 };
const codes = (cap: Grade, seen: Partial<FluidSeen>) => fillVerdict(cap, { ...NEW, ...seen }).reasons.map((r) => r.code);

// FMVSS 116 (49 CFR 571.116): DOT 3, 4 and 5.1 are glycol based, DOT 5 is silicone based, by S5.1 and S5.2.2.
test('DOT 5.1 is glycol and DOT 5 is silicone', () => {
  expect([CHEMISTRY['DOT 3'], CHEMISTRY['DOT 4'], CHEMISTRY['DOT 5.1'], CHEMISTRY['DOT 5']]).toEqual(['glycol', 'glycol', 'glycol', 'silicone']);
});

test('the words tell DOT 5 and DOT 5.1 apart by what they are', () => {
  const words = (grade: Grade) => GRADES.find((g) => g.grade === grade)!.words;
  expect(words('DOT 5')).toContain('silicone');
  expect(words('DOT 5.1')).toContain('glycol');
});

test.each(['DOT 3', 'DOT 4', 'DOT 5.1'] as const)('the fill is the grade on the cap: %s', (cap) => {
  expect(fillVerdict(cap, NEW)).toMatchObject({ verdict: 'fill', fillGrade: cap });
});

// What stops a flush: facts of the trade, common practice, no source.
test.each([
  ['DOT 4', { foreign: 'purple or beads in water' }, 'silicone in glycol'],
  ['DOT 4', { foreign: 'oil film, green or red' }, 'mineral in the system'],
  ['DOT 4', { foreign: 'thick or greasy' }, 'other product'],
  ['DOT 4', { foreign: 'layers' }, 'layers'],
  ['DOT 4', { clarity: 'particles' }, 'particles'],
  ['DOT 5', {}, 'not silicone in silicone'],
  ['mineral oil', {}, 'mineral cap'],
] as const)('%s with %j stops the job', (cap, seen, code) => {
  const answer = fillVerdict(cap, { ...NEW, ...seen });
  expect(answer).toMatchObject({ verdict: 'stop', fillGrade: null });
  expect(answer.reasons.map((r) => r.code)).toContain(code);
  expect(answer.reasons.every((r) => r.weight === 'stop')).toBe(true);
});

test('silicone in a silicone system is filled with silicone, and its colour says nothing of age', () => {
  expect(fillVerdict('DOT 5', { ...NEW, foreign: 'purple or beads in water', colour: 'brown' })).toMatchObject({ verdict: 'fill', fillGrade: 'DOT 5' });
  expect(codes('DOT 5', { foreign: 'purple or beads in water', colour: 'brown', waterPercent: 4 })).toEqual(['fill as the cap names']);
});

test('colour can fail a fluid and never pass it', () => {
  expect(codes('DOT 4', { colour: 'black' })).toContain('dark');
  expect(codes('DOT 4', { colour: 'clear', waterPercent: null })).toContain('colour does not pass');
});

// 1.5 % and 3 % water: common practice, no source.
test.each([
  [1.4, []],
  [1.5, ['wet this visit']],
  [2.9, ['wet this visit']],
  [3, ['wet now']],
] as const)('%p %% water', (waterPercent, expected) => {
  expect(codes('DOT 4', { waterPercent }).filter((c) => c.startsWith('wet'))).toEqual(expected);
});

test('a water reading comes back as a figure that was entered', () => {
  expect(fillVerdict('DOT 4', NEW).figures).toMatchObject([{ value: 0.5, unit: '%', source: { kind: 'entry' } }]);
  expect(fillVerdict('DOT 4', { ...NEW, waterPercent: null }).figures).toEqual([]);
});

test.each([-0.1, 10.1, NaN])('%p %% water cannot be read off a meter', (w) => {
  expect(waterFault(w)).toContain('between 0 and 10 %');
});
test.each([0, 3.2, 10])('%p %% water can', (w) => expect(waterFault(w)).toBeNull());

test('every reason has a sentence of its own', () => {
  const sentences = Object.values(FLUID_WORDS);
  expect(new Set(sentences).size).toBe(sentences.length);
  expect(sentences.every((s) => s.endsWith('.'))).toBe(true);
});
