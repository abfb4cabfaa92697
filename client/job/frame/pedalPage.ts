const PEDAL_PAGE = 'pedal';

/** The page of a job on which one control is measured, in its address. */
export const pedalPage = (masterId: string): string => `${PEDAL_PAGE} ${masterId}`;

/** Whose page it is; null where it is another one. */
export const masterOfPage = (page: string | null): string | null =>
  page?.startsWith(`${PEDAL_PAGE} `) ? page.slice(PEDAL_PAGE.length + 1) : null;
