import type { FluidDraft } from './entry';

/** What each field of the fluid step is called, where two versions of it stand side by side. */
export const FIELD_LABELS: Readonly<Record<keyof FluidDraft, string>> = {
  asBefore: 'All as before',
  cap: 'Grades on the cap',
  capLowViscosity: 'Low viscosity asked for',
  part: 'Grades of a changed part',
  follow: 'Which demand is followed',
  followWhy: 'Why it is followed',
  control: 'ABS or stability control',
  seals: 'Seals',
  inSystem: 'In it now',
  samples: 'Seen and measured',
  fill: 'Which fluid goes in',
  labelRead: 'What the label says',
  newColour: 'Colour of the new fluid',
  newDye: 'Dye of the new fluid',
};

/** A field in words, as a colleague would read it out. */
export function fieldWords(draft: FluidDraft, key: keyof FluidDraft): string {
  if (key === 'samples') return draft.samples.map(sampleWords).join('; ') || 'nothing';
  if (key === 'fill')
    return draft.fill
      ? `${draft.fill.grade}${draft.fill.isoClass ? `, ${draft.fill.isoClass}` : ''}`
      : 'not chosen';
  const value = draft[key];
  if (Array.isArray(value)) return value.length === 0 ? 'none' : value.join(', ');
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  return value === null || value === '' ? 'not said' : String(value);
}

function sampleWords(s: FluidDraft['samples'][number]): string {
  const said = [
    s.colour ?? s.dye,
    s.clarity,
    s.foreign === 'none' ? 'no other product' : s.foreign,
    s.water ? `water ${s.water} %` : null,
    s.boiling ? `boils at ${s.boiling} °C` : null,
    s.copper ? `copper ${s.copper} ppm` : null,
    s.pH ? `pH ${s.pH}` : null,
  ];
  return `${s.point}: ${said.filter(Boolean).join(', ') || 'nothing yet'}`;
}
