/** A picture of six pixels by four, as PNG. */
export const PHOTO = Buffer.from(
  'iVBORw0KGgoAAAANSUhEUgAAAAYAAAAECAIAAAAiZtkUAAAACXBIWXMAAAPoAAAD6AG1e1JrAAAAEUlEQVQImWPo8pZCQwzkCgEAXmkWaVeYekYAAAAASUVORK5CYII=',
  'base64',
);
