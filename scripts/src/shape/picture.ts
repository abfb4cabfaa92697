import { arrowsBetween, FOLDERS, roomOf, ROOMS, TOP, type Workspace } from './rooms';
import { sourcesOf } from './sources';

/** Where the picture of the rooms stands. */
export const PICTURE = 'docs/rooms.svg';

const WIDTH = 330;
const ROW = 46;
const HEAD = 54;
const BOX = { x: 16, width: 118, height: 30 };
const GAP = 24;

const escaped = (text: string) => text.replaceAll('&', '&amp;').replaceAll('<', '&lt;');

/**
 * The rooms of each workspace as a column, the lowest at the foot; an arc to the
 * right of it is an import from the room above to the one below, the thicker the
 * more files import so. Drawn from the imports alone, so that it cannot tell what
 * is not so.
 *
 * @param root of the repository
 * @returns an SVG document
 */
export function pictureOf(root: string): string {
  const columns = Object.keys(ROOMS) as Workspace[];
  const most = Math.max(...columns.map((w) => Object.keys(ROOMS[w]).length));
  const height = HEAD + most * ROW + 16;
  const drawn = columns.map((workspace, at) => column(root, workspace, at * (WIDTH + GAP), height));
  const width = columns.length * (WIDTH + GAP) - GAP;
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${width} ${height}" width="${width}" height="${height}" font-family="sans-serif" font-size="13">
<title>The rooms of core, server and client, and what imports what</title>
<rect width="${width}" height="${height}" fill="#f6f1e6"/>
${drawn.join('\n')}
</svg>
`;
}

function column(root: string, workspace: Workspace, left: number, height: number): string {
  const folder = FOLDERS[workspace];
  const rooms = Object.keys(ROOMS[workspace]);
  const sources = sourcesOf(root, folder);
  const files = new Map<string, number>();
  for (const { path } of sources) {
    const room = roomOf(path, rooms, folder);
    files.set(room, (files.get(room) ?? 0) + 1);
  }
  const yOf = (room: string) => height - 16 - (rooms.indexOf(room) + 1) * ROW + ROW / 2;
  const boxes = rooms.map(
    (room) =>
      `<rect x="${left + BOX.x}" y="${yOf(room) - BOX.height / 2}" width="${BOX.width}" height="${BOX.height}" fill="none" stroke="#1d2a24"/><text x="${left + BOX.x + 8}" y="${yOf(room) + 4.5}" fill="#1d2a24">${escaped(room)}</text><text x="${left + BOX.x + BOX.width - 6}" y="${yOf(room) + 4}" text-anchor="end" font-size="10" fill="#5b6660">${files.get(room) ?? 0}</text>`,
  );
  const right = left + BOX.x + BOX.width;
  const arcs = [...arrowsBetween(sources, rooms, folder)]
    .filter(([from]) => from !== TOP)
    .flatMap(([from, out]) =>
      [...out].map(([to, n]) => {
        const [a, b] = [yOf(from), yOf(to)];
        const bow = 12 + Math.abs(b - a) * 0.28;
        return `<path d="M${right} ${a}C${right + bow} ${a} ${right + bow} ${b} ${right} ${b}" fill="none" stroke="#1f5fa8" stroke-opacity="0.55" stroke-width="${(0.6 + Math.log2(n + 1) * 0.45).toFixed(2)}"/>`;
      }),
    );
  return [
    `<text x="${left + BOX.x}" y="32" font-size="18" fill="#1d2a24">${workspace}</text>`,
    ...arcs,
    ...boxes,
  ].join('\n');
}
