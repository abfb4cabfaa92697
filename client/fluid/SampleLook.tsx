import {
  CLARITIES,
  COLOURS,
  DROPS,
  DYES,
  type Clarity,
  type Colour,
  type Drops,
  type Dye,
  type ForeignSign,
} from '@brook/core/fluid';
import { Choice, type Option } from '../ui/Choice';
import { FLUID } from '../ui/theme/fluid';
import type { SampleDraft } from './entry';
import { PhotoColour } from './PhotoColour';

export const COLOUR_OPTIONS: readonly Option<Colour>[] = COLOURS.map((c) => ({
  value: c,
  label: c,
  swatch: FLUID[c],
}));
export const DYE_OPTIONS: readonly Option<Dye | 'none'>[] = [
  { value: 'none', label: 'no' },
  ...DYES.map((d) => ({ value: d, label: d, swatch: FLUID[d] })),
];
const CLARITY_OPTIONS: readonly Option<Clarity>[] = CLARITIES.map((c) => ({ value: c, label: c }));
const DROP_OPTIONS: readonly Option<Drops>[] = DROPS.map((d) => ({
  value: d,
  label: d === 'dissolve' ? 'They dissolve' : 'They part',
}));
const FOREIGN_OPTIONS: readonly Option<ForeignSign>[] = [
  { value: 'none', label: 'None of these' },
  { value: 'purple or beads in water', label: 'Purple, or beads in water', about: 'Silicone' },
  { value: 'oil film, green or red', label: 'Oil film, green or red', about: 'Mineral oil' },
  { value: 'thick or greasy', label: 'Thick or greasy' },
  { value: 'layers', label: 'Layers' },
];

export interface SampleLookProps {
  readonly sample: SampleDraft;
  /** Where it was taken, in words. */
  readonly place: string;
  /** Whether drops in water are asked for. */
  readonly asksDrops: boolean;
  readonly onChange: (part: Partial<SampleDraft>) => void;
  readonly disabled?: boolean;
}

/** What is seen, smelt and felt of one sample. */
export function SampleLook({ sample, place, asksDrops, onChange, disabled }: SampleLookProps) {
  const offScale = sample.dye ?? 'none';
  return (
    <>
      <Choice
        question={`Colour in the ${place}?`}
        options={COLOUR_OPTIONS}
        chosen={sample.colour}
        onChoose={(colour) => onChange({ colour, dye: null })}
        disabled={disabled}
        settled={sample.dye !== null}
      />
      {disabled ? null : (
        <PhotoColour place={place} onTake={(colour) => onChange({ colour, dye: null })} />
      )}
      <Choice
        question={`Any odd colour, ${place}?`}
        compact
        settled
        options={DYE_OPTIONS}
        chosen={offScale}
        onChoose={(d) => onChange(d === 'none' ? { dye: null } : { dye: d, colour: null })}
        disabled={disabled}
      />
      {asksDrops || sample.dropsInWater ? (
        <Choice
          question={`A few drops in water, ${place}?`}
          why="Glycol dissolves; silicone and mineral oil part. Until that is seen, nothing is filled."
          options={DROP_OPTIONS}
          chosen={sample.dropsInWater}
          onChoose={(dropsInWater) => onChange({ dropsInWater })}
          disabled={disabled}
        />
      ) : null}
      <Choice
        question={`How clear is it, ${place}?`}
        options={CLARITY_OPTIONS}
        chosen={sample.clarity}
        onChoose={(clarity) => onChange({ clarity })}
        disabled={disabled}
      />
      <Choice
        question={`Does it feel or smell like something else, ${place}?`}
        why="Smell it, feel it."
        options={FOREIGN_OPTIONS}
        chosen={sample.foreign}
        onChoose={(foreign) => onChange({ foreign })}
        stacked
        disabled={disabled}
      />
    </>
  );
}
