/** Where the server takes the time from; tests and the demo pass their own. */
export interface Clock {
  now(): Date;
}

export const wallClock: Clock = { now: () => new Date() };
