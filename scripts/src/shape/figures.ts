import { measuresOf, type Found } from './measures';
import { arrowsUp, FOLDERS, folderCircles, ROOMS, type Workspace } from './rooms';
import { sourcesOf } from './sources';

/** One figure of the structure, with its limit. */
export interface ShapeFigure {
  readonly figure: string;
  readonly value: number;
  readonly limit: number;
  /** Whether the test command holds it; else it only tells. */
  readonly held: boolean;
  /** Where the most of it is, or what is over. */
  readonly where: readonly string[];
}

/** How many rooms a workspace may have. */
const MOST_ROOMS: Readonly<Record<Workspace, number>> = { core: 10, server: 10, client: 16 };

/** The structure of the product as it stands. @param root of the repository */
export function shapeOf(root: string): readonly ShapeFigure[] {
  const all = Object.entries(FOLDERS).map(([workspace, folder]) => ({
    workspace: workspace as keyof typeof FOLDERS,
    folder,
    sources: sourcesOf(root, folder),
  }));
  const structure = all.flatMap(({ workspace, folder, sources }): ShapeFigure[] => {
    const held = { held: true, limit: 0 };
    const circles = folderCircles(sources);
    const circle: ShapeFigure = {
      figure: `${workspace}.folderCircles`,
      value: circles.length,
      ...held,
      where: circles.map((c) => c.join(' ')),
    };
    if (workspace === 'contract') return [circle];
    const rooms = Object.keys(ROOMS[workspace]);
    const up = arrowsUp(sources, rooms, folder);
    return [
      {
        figure: `${workspace}.rooms`,
        value: rooms.length,
        limit: MOST_ROOMS[workspace],
        held: true,
        where: [],
      },
      circle,
      {
        figure: `${workspace}.arrowsUp`,
        value: up.length,
        ...held,
        where: up.map(({ from, to }) => `${from} -> ${to}`),
      },
    ];
  });
  const m = measuresOf(all.flatMap(({ sources }) => sources));
  const told = (figure: string, limit: number, found: Found | number): ShapeFigure => ({
    figure,
    value: typeof found === 'number' ? found : found.value,
    limit,
    held: false,
    where: typeof found === 'number' ? [] : [found.where],
  });
  return [
    ...structure,
    told('longestFunction', 120, m.longestFunction),
    told('fanOut', 25, m.fanOut),
    told('props', 8, m.props),
    told('linesOver120', 0, m.wideLines),
    told('nonNull', 200, m.nonNull),
    told('asUnknownAs', 8, m.asUnknownAs),
  ];
}
