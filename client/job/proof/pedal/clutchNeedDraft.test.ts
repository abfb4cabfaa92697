import { clutchNeedDraftOf, clutchNeedTyped, type ClutchNeedDraft } from './clutchNeedDraft';

const NOTHING: ClutchNeedDraft = { slaveTravel: '', least: '', most: '', pitch: '' };
const typed = (more: Partial<ClutchNeedDraft>) => clutchNeedTyped({ ...NOTHING, ...more });
const wrong = (more: Partial<ClutchNeedDraft>) =>
  Object.entries(typed(more).faults).flatMap(([field, fault]) => (fault ? [field] : []));

test('nothing typed is nothing wanted, and nothing wrong', () => {
  expect(typed({})).toMatchObject({ slaveTravelMm: null, window: null, pitchMm: null });
  expect(wrong({})).toEqual([]);
});

test('what is known comes back as it was said', () => {
  const need = {
    masterId: 'clutch-master',
    slaveTravelMm: 12.5,
    window: { leastMm: 55, mostMm: 75 },
    pitchMm: 1.25,
    by: 'Ode, job 3',
  };
  const { faults, ...back } = clutchNeedTyped(clutchNeedDraftOf(need));
  const { masterId: _, by: __, ...said } = need;
  expect(back).toEqual(said);
  expect(Object.values(faults).every((f) => f === null)).toBe(true);
  expect(clutchNeedDraftOf(null)).toEqual(NOTHING);
});

test('inches are lengths too', () => {
  expect(typed({ least: '2 in', most: '3 in' }).window).toEqual({ leastMm: 50.8, mostMm: 76.2 });
});

test.each([
  [{ least: '55' }, ['most']],
  [{ most: '75' }, ['least']],
  [{ least: '75', most: '75' }, ['most']],
  [{ least: '75', most: '75.1' }, []],
  [{ least: 'high', most: '75' }, ['least']],
  [{ pitch: '0.4' }, ['pitch']],
  [{ pitch: '0.5' }, []],
  [{ slaveTravel: '0' }, ['slaveTravel']],
  [{ slaveTravel: '1' }, []],
])('of %j, %j is said to be wrong, and no half of a window is kept', (draft, fields) => {
  expect(wrong(draft)).toEqual(fields);
  if (fields.length > 0) expect(typed(draft).window).toBeNull();
});
