import type { Layout, Stretch } from '../../vehicle/circuit';
import type { HouseRules } from '../rules';

/** Lines that leave a master, the one at the higher port first. */
export function linesOf(layout: Layout, masterId: string): Stretch[] {
  const ports = layout.masters.find((m) => m.id === masterId)?.chambers.map((c) => c.port) ?? [];
  const heightOf = (id: string) => layout.nodes.find((n) => n.id === id)?.heightMm ?? 0;
  return layout.stretches
    .filter((s) => ports.includes(s.from))
    .sort((a, b) => heightOf(b.from) - heightOf(a.from));
}

/**
 * Off, cap, on: the sequence in which the lines of a master move to the new
 * one, so that no port and no line end stays open without a cap [C].
 *
 * @param way one of two, by the house rule: the steps of the other do not appear
 * @param over ids of lines that cross, from the one that lies on top; fewer than two: they do not cross and move one by one
 */
export function joiningSteps(
  layout: Layout,
  masterId: string,
  over: readonly string[],
  way: HouseRules['joinWay'] = 'held down',
): string[] {
  const lines = linesOf(layout, masterId);
  const crossing = over.flatMap((id) => lines.filter((l) => l.id === id));
  const master = layout.masters.find((m) => m.id === masterId)!;
  const shared = layout.masters.some(
    (m) => m !== master && m.chambers.some((c) => master.chambers.some((x) => x.fedBy === c.fedBy)),
  );
  return [
    'Plugs and caps at hand.',
    ...(way === 'held down'
      ? [
          `A stop holds the ${master.control} down while the bench hoses still lead to the reservoir: the ports are shut, nothing flows.`,
        ]
      : [`Reservoir full, ${master.control} up: fluid stands at the ports.`]),
    ...(shared
      ? [
          'The reservoir feeds another system too: its hoses come off high and are hung up, so that they do not drain.',
        ]
      : []),
    ...(crossing.length < 2
      ? oneByOne(lines, way)
      : crossed([...crossing, ...lines.filter((l) => !crossing.includes(l))])),
    way === 'held down'
      ? `Take the stop out at the end: as the ${master.control} comes up, the last air goes back up into the master.`
      : 'See fluid drip at each joint before it is nipped. One that stayed dry opens the whole bleed.',
    'Every nut starts by hand; a second wrench where the fitting would turn.',
  ];
}

function oneByOne(lines: readonly Stretch[], way: HouseRules['joinWay']): string[] {
  return [
    ...lines.map(
      (l, i) =>
        `${l.name}: off, cap it at once, and onto its port of the new master${i < lines.length - 1 ? '; only then the next' : ''}.`,
    ),
    ...(lines.length > 1
      ? [
          way === 'held down'
            ? 'Never two open at once.'
            : 'Never two open at once. The upper one is joined first, the lower as soon as fluid comes at it.',
        ]
      : []),
  ];
}

function crossed(fromTheTop: readonly Stretch[]): string[] {
  const names = fromTheTop.map((l) => l.name);
  return [
    `They cross: ${names.join(', ')} lie from the top down in this order.`,
    ...fromTheTop.map((l) => `${l.name} off: cap the line, plug its port.`),
    'The new master goes in, its ports plugged.',
    ...[...fromTheTop].reverse().map((l) => `${l.name} on: its plug and its cap come off last.`),
  ];
}
