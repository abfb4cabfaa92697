import { bleederName, type Layout } from '../../vehicle/circuit';
import { METHOD_WORDS } from '../method';
import { ORDER_WORDS } from '../order';
import { stageTitle } from '../stages';
import type { Plan } from './shape';

/** What is different between two plans of one job besides the amounts: bleeders, method, order, stages, in short sentences. */
export function shapeChanges(before: Plan, after: Plan): string[] {
  const said: string[] = [];
  const opened = (plan: Plan) =>
    plan.scope.bleeders.filter((b) => b.open).map((b) => called(plan.layout, b.bleederId));
  const [was, is] = [opened(before), opened(after)];
  const [added, gone] = [is.filter((b) => !was.includes(b)), was.filter((b) => !is.includes(b))];
  if (added.length > 0) said.push(`Now opened too: ${added.join('; ')}.`);
  if (gone.length > 0) said.push(`May stay shut now: ${gone.join('; ')}.`);
  if (before.method !== after.method)
    said.push(
      `Method: ${METHOD_WORDS[after.method].title}, before ${METHOD_WORDS[before.method].title}.`,
    );
  if (before.order !== after.order)
    said.push(
      `Order: ${ORDER_WORDS[after.order].title}, before ${ORDER_WORDS[before.order].title}.`,
    );
  const titles = (plan: Plan) => plan.stages.map((s) => stageTitle(plan.layout, s));
  const [had, has] = [titles(before), titles(after)];
  const [more, fewer] = [has.filter((t) => !had.includes(t)), had.filter((t) => !has.includes(t))];
  if (more.length > 0) said.push(`New stages: ${more.join('; ')}.`);
  if (fewer.length > 0) said.push(`Left out: ${fewer.join('; ')}.`);
  return said;
}

/** What is different between two plans of one job, in short sentences; empty when nothing that a person would notice is. */
export function planChanges(before: Plan, after: Plan): string[] {
  const said = shapeChanges(before, after);
  const differ = (what: string, unit: string, a: number, b: number) => {
    if (Math.round(a) !== Math.round(b))
      said.push(`${what}: ${Math.round(b)} ${unit}, before ${Math.round(a)}.`);
  };
  differ('To bleed', 'mL', before.totals.bledMl.value, after.totals.bledMl.value);
  differ('To pour', 'mL', before.totals.pouredMl.value, after.totals.pouredMl.value);
  differ('Hands on', 'min', before.totals.minutes.value, after.totals.minutes.value);
  return said;
}

function called(layout: Layout, bleederId: string): string {
  const bleeder = layout.bleeders.find((b) => b.id === bleederId);
  return bleeder ? bleederName(bleeder) : bleederId;
}
