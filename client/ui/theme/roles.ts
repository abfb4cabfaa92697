import { PALETTE } from './palette';

/** What a colour is for. The same names in sunlight and in the pit. */
export type Role =
  | 'ground'
  | 'well'
  | 'words'
  | 'softWords'
  | 'hairline'
  /** Border of something that can be touched. */
  | 'edge'
  /** The next step, and nothing else. */
  | 'action'
  | 'actionPressed'
  | 'onAction'
  /** Stop, and nothing else. */
  | 'stop'
  | 'fluidEdge'
  /** Over the page while something lies on top of it. */
  | 'veil';

export type Light = 'sun' | 'pit';

export const ROLES: Readonly<Record<Light, Readonly<Record<Role, string>>>> = {
  sun: {
    ground: PALETTE.paper,
    well: PALETTE.well,
    words: PALETTE.ink,
    softWords: PALETTE.inkSoft,
    hairline: PALETTE.hairline,
    edge: PALETTE.edge,
    action: PALETTE.petrol,
    actionPressed: PALETTE.petrolDeep,
    onAction: PALETTE.paper,
    stop: PALETTE.red,
    fluidEdge: PALETTE.ink,
    veil: PALETTE.veil,
  },
  pit: {
    ground: PALETTE.pit,
    well: PALETTE.pitWell,
    words: PALETTE.pale,
    softWords: PALETTE.paleSoft,
    hairline: PALETTE.pitLine,
    edge: PALETTE.pitEdge,
    action: PALETTE.lagoon,
    actionPressed: PALETTE.lagoonDeep,
    onAction: PALETTE.lagoonInk,
    stop: PALETTE.signal,
    fluidEdge: PALETTE.pale,
    veil: PALETTE.veil,
  },
};

/** Role as a style value; what it resolves to follows the light. */
export const colour = Object.fromEntries(
  Object.keys(ROLES.sun).map((role) => [role, `var(--${role})`]),
) as Record<Role, string>;
