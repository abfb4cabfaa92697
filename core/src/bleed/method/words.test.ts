import type { Layout } from '../../vehicle/circuit';
import type { TemplateId } from '../../vehicle/circuit/templates';
import { figure, MODEL } from '../../base/figure';
import { layoutOf } from '../../testing';
import { METHODS, type Method } from '../../hydraulics/flow';
import {
  cureWords,
  methodReasonWords,
  methodWords,
  METHOD_WORDS,
  type Cure,
  type MethodReason,
} from '.';

const layout = layoutOf('hatchback-diagonal');
const of = (value: number, unit: 'kPa' | 'mm' | 'mm/s') =>
  figure({ label: 'x', value, unit, rule: 'r', source: MODEL });
const nameOf = (id: string) =>
  [...layout.nodes, ...layout.stretches, ...layout.reservoirs, ...layout.masters].find(
    (e) => e.id === id,
  )!.name;

// What is said for each reason: a wrong sentence sends somebody under the car for nothing.
test.each<[MethodReason['code'], string | null, MethodReason['figure'], RegExp]>([
  ['no helper', null, null, /^Nobody to help/],
  ['not a motorcycle', null, null, /pedal cannot be reached/],
  ['no bottle', null, null, /hose and bottle/],
  ['no pump', null, null, /vacuum pump/],
  ['no pot', null, null, /pressure pot/],
  ['no syringe', null, null, /syringe/],
  ['no maker’s word', 'reservoir', of(0, 'kPa'), /bears 0 kPa without the maker’s word/],
  ['no head', 'left-rear', of(-170, 'mm'), /^Nothing would flow at the left rear: 170 mm/],
  ['no head', 'left-rear', of(20, 'mm'), /: 0 mm of head/],
  ['too slow to carry', 'left-rear-down', of(3, 'mm/s'), /falls with the flow; at 3.* stay/],
  ['too slow to carry', null, null, /^Too little velocity/],
  ['rises back', 'left-rear-down', of(9, 'mm/s'), /climb back in it at 9/],
  ['axle hangs', 'left-rear-down', null, /shut while the rear axle hangs/],
  ['metering valve', 'left-rear-down', null, /shuts the front under pressure or vacuum/],
  ['residual valve', 'left-rear-down', null, /holds back what gravity gives/],
  ['dirty fluid', null, null, /dirt up into the master/],
  ['through a modulator', 'modulator-secondary', null, /^It pushes dirt into the [a-z]/],
  ['bubbles mislead', null, null, /vacuum are no measure/],
  ['loose threads', null, null, /past loose threads/],
  ['look at the level', null, null, /look at the level/],
  ['worn master', null, null, /corroded: limit the travel/],
  ['only for an air lock', null, null, /takes no fluid at all/],
  ['not at the top', 'left-rear', null, /^The bleeder left rear is not at the top/],
  ['lever not level', 'master', null, /does not lie level/],
  ['flow not laminar', 'left-rear-down', null, /less than computed/],
  ['flow not known', null, null, /unsaid without a data sheet/],
  ['most velocity', null, null, /Highest velocity/],
  ['clean and slow', null, null, /Clean, no mess/],
  ['one person', null, null, /^One person/],
  ['air goes the way it rises', null, null, /the way it rises/],
  ['carries', 'left-rear-down', of(40, 'mm/s'), /is swept at 40/],
  ['workshop likes it', null, null, /own liking/],
  ['frees a port', null, null, /air lock that no stroke moves/],
])('%s', (code, elementId, number, words) => {
  const said = methodReasonWords(layout, { weight: 'for', code, elementId, figure: number });
  expect(said).toMatch(words);
  expect(said).toMatch(/^[A-Z].*\.$/);
  const named = ['left-rear-down', 'reservoir', 'master'].find((id) => id === elementId);
  if (named) expect(said).toContain(nameOf(named));
});

test.each<[Cure['kind'], string | null, number | null, RegExp]>([
  ['raise the master’s end', 'left-rear', 171, /^Raise the master’s end by 171 mm/],
  ['lower the bleeder', 'left-rear', 171, /bleeder 171 mm lower/],
  ['raise the bleeder’s end', 'left-rear-down', 400, /far end of .* by 400 mm/],
  ['load the axle', 'left-rear-down', null, /^Load the axle/],
  ['hold the valve open', 'left-rear-down', null, /^Hold the stem of/],
  ['turn the part', 'left-rear', null, /bleeder left rear is at the top/],
  ['turn the lever', 'master', null, /^Loosen the clamp/],
  ['flush downwards first', null, null, /^Drop the old fluid downwards/],
  ['tap', 'left-rear-down', null, /^Tap along .* cannot be counted on/],
  ['another method', 'two people', null, /^Take another: /],
])('%s', (kind, elementId, byMm, words) => {
  const said = cureWords(layout, { kind, elementId, byMm, becomes: 'second best' });
  expect(said).toMatch(words);
  // A tap promises nothing, another method is named by itself.
  expect(said.includes('Then: second best.')).toBe(kind !== 'tap' && kind !== 'another method');
  if (kind === 'another method')
    expect(said).toContain(METHOD_WORDS['two people'].title.toLowerCase());
  if (elementId === 'left-rear-down' || elementId === 'master')
    expect(said).toContain(nameOf(elementId));
});

// A part that is unhooked loses its pistons when pedal or lever is moved: common practice, no source.
test.each(['lower the bleeder', 'turn the part'] as const)(
  '%s: what holds the pistons goes in first',
  (kind) => {
    const said = (on: Layout, elementId: string) =>
      cureWords(on, { kind, elementId, byMm: 100, becomes: 'feasible' });
    expect(said(layout, 'left-rear')).toMatch(
      /^A block between the pads first.*hung by wire and not by its hose/,
    );
    const drums = layoutOf('estate-front-rear');
    const drum = drums.bleeders.find(
      (b) => drums.nodes.find((n) => n.id === b.at)!.kind === 'wheel cylinder',
    )!;
    expect(said(drums, drum.id)).toMatch(/^A clamp over its pistons first/);
    const clutch = layoutOf('clutch-external');
    const slave = clutch.bleeders.find((b) => b.place === 'slave')!;
    expect(said(clutch, slave.id)).toMatch(/^A strap over its piston first/);
  },
);

test('what is not in the layout is called by its id', () => {
  const said = methodReasonWords(layout, {
    weight: 'stops',
    code: 'axle hangs',
    elementId: 'elsewhere',
    figure: null,
  });
  expect(said).toBe('elsewhere is shut while the rear axle hangs.');
});

// A motorcycle has no pedal that comes up at its front, a trailer has nobody's foot: common practice, no source.
test('a method speaks of what is held on this vehicle', () => {
  const of = (id: TemplateId, method: Method) => methodWords(method, layoutOf(id));
  expect(of('hatchback-diagonal', 'two people').caution).toContain('before the pedal comes up');
  expect(of('motorcycle-front-disc', 'alone at the lever')).toMatchObject({
    needs: 'Reach from the lever to the bleeder',
    caution: expect.stringContaining('before the lever comes back'),
  });
  expect(of('trailer-overrun', 'two people')).toMatchObject({
    needs: 'A helper who pushes the coupling in',
    caution: expect.stringContaining('before the coupling comes out again'),
  });
  expect(of('motorcycle-clutch-bare', 'injection').caution).toContain('the lever at rest');
  expect(of('trailer-overrun', 'gravity')).toEqual(METHOD_WORDS.gravity);
});

test.each(METHODS)('the rule of %s fits one line of a phone, and names the method', (method) => {
  for (const id of ['hatchback-diagonal', 'motorcycle-front-disc', 'trailer-overrun'] as const) {
    const { rule } = methodWords(method, layoutOf(id));
    expect(rule.length).toBeLessThanOrEqual(38);
    expect(rule).toMatch(/^[A-Z][a-z ]+: /);
  }
});
