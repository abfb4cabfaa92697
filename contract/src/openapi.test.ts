import { OPERATIONS, openApi } from './openapi';

const document = JSON.parse(JSON.stringify(openApi())) as {
  components: { schemas: Record<string, object> };
};
const { schemas } = document.components;

test('every reference leads somewhere, and every schema goes by a name that OpenAPI 3.1 allows (Components Object)', () => {
  const text = JSON.stringify(document);
  for (const [, name] of text.matchAll(/"#\/components\/schemas\/([^"]+)"/g))
    expect(Object.keys(schemas)).toContain(name);
  for (const name of Object.keys(schemas)) expect(name).toMatch(/^[a-zA-Z0-9._-]+$/);
});

test('no list comes whole: what lists is asked for by pages and says where it goes on', () => {
  const given = (name: string | undefined) =>
    name === undefined
      ? {}
      : (schemas[name] as { type?: string; properties?: Record<string, object> });
  const gets = OPERATIONS.filter((o) => o.method === 'get');
  expect(gets.filter((o) => given(o.gives).type === 'array').map((o) => o.path)).toEqual([]);
  const goesOn = gets.filter((o) => given(o.gives).properties?.next !== undefined);
  expect(goesOn.map((o) => o.path)).toEqual(gets.filter((o) => o.asks).map((o) => o.path));
  expect(goesOn.length).toBeGreaterThan(8);
});

test('plan, verdict, pick and layout are told down to their figures', () => {
  const told = (name: string): string => JSON.stringify(schemas[name]);
  expect(told('Job')).toContain('core.PlanResult');
  expect(told('core.PlanResult')).toContain('core.Plan');
  expect(told('core.Plan')).toContain('core.PlanOpening');
  expect(told('core.PlanOpening')).toContain('core.Figure');
  expect(told('core.FluidRead')).toContain('core.FluidVerdict');
  expect(told('core.JobPick')).toContain('leftOverMl');
  expect(told('core.Stretch')).toContain('insideMm');
  // Nothing that an answer carries is left untold: an empty schema lets everything through.
  const given = new Set(OPERATIONS.map((o) => o.gives as string | undefined));
  const empty = Object.entries(schemas).filter(
    ([name, s]) =>
      (given.has(name) || name.startsWith('core.')) && JSON.stringify(s).includes(':{}'),
  );
  expect(empty.map(([name]) => name)).toEqual([]);
});
