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
} from '@brook/core/fluid/verdict';
import { useState } from 'react';
import { Button } from '../../ui/Button';
import { Choice, type Option } from '../../ui/Choice';
import { FLUID } from '../../ui/theme/fluid';
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
const FOREIGN_OPTIONS: readonly Option<Exclude<ForeignSign, 'none'>>[] = [
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

const LIKE_ELSE = [
  { value: 'none', label: 'No' },
  { value: 'else', label: 'Yes' },
] as const;

/** What is seen, smelt and felt of one sample. */
export function SampleLook({ sample, place, asksDrops, onChange, disabled }: SampleLookProps) {
  const [odd, setOdd] = useState(sample.dye !== null);
  const [like, setLike] = useState(likeOf(sample.foreign));
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
        <PhotoColour
          place={place}
          onTake={(colour) => onChange({ colour, dye: null })}
          beside={
            odd ? null : (
              <Button
                label="Odd colour …"
                spoken={`Odd colour, ${place}`}
                onPress={() => setOdd(true)}
              />
            )
          }
        />
      )}
      {odd ? (
        <Choice
          question="Any odd colour?"
          spoken={`Any odd colour, ${place}?`}
          compact
          settled
          options={DYE_OPTIONS}
          chosen={sample.dye ?? 'none'}
          onChoose={(d) => onChange(d === 'none' ? { dye: null } : { dye: d, colour: null })}
          disabled={disabled}
        />
      ) : null}
      {asksDrops || sample.dropsInWater ? (
        <Choice
          question="A few drops in water?"
          spoken={`A few drops in water, ${place}?`}
          why="Glycol dissolves; silicone and mineral oil part. Until that is seen, nothing is filled."
          options={DROP_OPTIONS}
          chosen={sample.dropsInWater}
          onChoose={(dropsInWater) => onChange({ dropsInWater })}
          disabled={disabled}
        />
      ) : null}
      <Choice
        question="How clear is it?"
        spoken={`How clear is it, ${place}?`}
        options={CLARITY_OPTIONS}
        chosen={sample.clarity}
        onChoose={(clarity) => onChange({ clarity })}
        disabled={disabled}
      />
      <Choice
        question="Does it feel or smell like something else?"
        spoken={`Does it feel or smell like something else, ${place}?`}
        options={LIKE_ELSE}
        chosen={like}
        onChoose={(now) => {
          setLike(now);
          onChange({ foreign: now === 'none' ? 'none' : null });
        }}
        disabled={disabled}
      />
      {like === 'else' ? (
        <Choice
          question="What like?"
          spoken={`What like, ${place}?`}
          options={FOREIGN_OPTIONS}
          chosen={sample.foreign === 'none' ? null : sample.foreign}
          onChoose={(foreign) => onChange({ foreign })}
          stacked
          disabled={disabled}
        />
      ) : null}
    </>
  );
}

const likeOf = (foreign: ForeignSign | null): 'none' | 'else' | null =>
  foreign === null || foreign === 'none' ? foreign : 'else';
