import { readFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { ROOT } from '../setup/paths';
import type { Source } from './sources';

/** The rooms of each workspace that has some, the lowest first, with what they hold. */
export type Rooms = Readonly<Record<Workspace, Readonly<Record<string, string>>>>;
export type Workspace = 'core' | 'server' | 'client';

export const ROOMS = JSON.parse(readFileSync(join(ROOT, 'rooms.json'), 'utf8')) as Rooms;

/** Where the sources of each workspace lie. */
export const FOLDERS = {
  core: 'core/src',
  contract: 'contract/src',
  server: 'server/src',
  client: 'client',
} as const satisfies Record<Workspace | 'contract', string>;

/** What stands in no room puts them together: it may import all, and none may import it. */
export const TOP = 'the top';

/** The room that a file stands in. @param rooms of its workspace, @param folder of its workspace */
export function roomOf(path: string, rooms: readonly string[], folder: string): string {
  return rooms.find((room) => path.startsWith(`${folder}/${room}/`)) ?? TOP;
}

/** An import from a lower room to a higher one. */
export interface ArrowUp {
  readonly from: string;
  readonly to: string;
}

/** Every import that goes up. @param rooms the lowest first */
export function arrowsUp(
  sources: readonly Source[],
  rooms: readonly string[],
  folder: string,
): readonly ArrowUp[] {
  const height = (path: string) => [...rooms, TOP].indexOf(roomOf(path, rooms, folder));
  return sources.flatMap(({ path, imports }) =>
    imports.filter((to) => height(to) > height(path)).map((to) => ({ from: path, to })),
  );
}

/** How often a room imports from each other one. */
export function arrowsBetween(
  sources: readonly Source[],
  rooms: readonly string[],
  folder: string,
): ReadonlyMap<string, ReadonlyMap<string, number>> {
  const between = new Map<string, Map<string, number>>();
  for (const { path, imports } of sources) {
    const from = roomOf(path, rooms, folder);
    for (const to of imports.map((i) => roomOf(i, rooms, folder))) {
      if (to === from) continue;
      const out = between.get(from) ?? new Map<string, number>();
      between.set(from, out.set(to, (out.get(to) ?? 0) + 1));
    }
  }
  return between;
}

/**
 * Folders that import each other, directly or round about: each answer is one
 * knot with all its folders. By Tarjan's algorithm (1972).
 */
export function folderCircles(sources: readonly Source[]): readonly (readonly string[])[] {
  const arrows = new Map<string, Set<string>>();
  for (const { path, imports } of sources) {
    const from = dirname(path);
    const out = arrows.get(from) ?? new Set<string>();
    for (const to of imports.map((i) => dirname(i))) if (to !== from) out.add(to);
    arrows.set(from, out);
  }
  const index = new Map<string, number>();
  const low = new Map<string, number>();
  const stack: string[] = [];
  const knots: string[][] = [];
  const visit = (folder: string): void => {
    index.set(folder, index.size);
    low.set(folder, index.get(folder)!);
    stack.push(folder);
    for (const to of arrows.get(folder) ?? []) {
      if (!index.has(to)) {
        visit(to);
        low.set(folder, Math.min(low.get(folder)!, low.get(to)!));
      } else if (stack.includes(to)) low.set(folder, Math.min(low.get(folder)!, index.get(to)!));
    }
    if (low.get(folder) !== index.get(folder)) return;
    const knot = stack.splice(stack.indexOf(folder));
    if (knot.length > 1) knots.push(knot.sort());
  };
  for (const folder of [...arrows.keys()].sort()) if (!index.has(folder)) visit(folder);
  return knots;
}
