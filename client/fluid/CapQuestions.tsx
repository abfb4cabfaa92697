import type { MakerEntry } from '@brook/contract';
import {
  CHEMISTRY,
  GRADES,
  type DemandSource,
  type FluidVerdict,
  type Grade,
} from '@brook/core/fluid';
import { Choice } from '../ui/Choice';
import { Choices } from '../ui/Choices';
import { Field } from '../ui/Field';
import { More } from '../ui/More';
import { Caution } from '../ui/Notice';
import type { FluidDraft } from './entry';

const GRADE_OPTIONS = GRADES.map((g) => ({ value: g.grade, label: g.words }));
const CONTROL_OPTIONS = [
  { value: 'none', label: 'Neither' },
  { value: 'ABS', label: 'ABS' },
  { value: 'stability control', label: 'Stability control' },
] as const;
const SEAL_OPTIONS = [
  { value: 'ordinary', label: 'Ordinary' },
  { value: 'natural rubber', label: 'Natural rubber' },
] as const;
const INSIDE_OPTIONS = [
  { value: 'unknown', label: 'Nobody knows' },
  ...GRADE_OPTIONS,
  { value: 'empty', label: 'Nothing: it is dry' },
] as const;
const SOURCE_WORDS: Readonly<Record<DemandSource, string>> = {
  maker: 'The vehicle’s maker',
  cap: 'The cap',
  part: 'The maker of the changed part',
};

export interface CapQuestionsProps {
  readonly draft: FluidDraft;
  readonly verdict: FluidVerdict;
  readonly maker: MakerEntry | null;
  /** The last change on record, in words. */
  readonly record: string | null;
  readonly onChange: (part: Partial<FluidDraft>) => void;
  readonly disabled: boolean;
}

/** Who asks for which fluid, and what is inside by the record. */
export function CapQuestions({
  draft,
  verdict,
  maker,
  record,
  onChange,
  disabled,
}: CapQuestionsProps) {
  const names = maker && maker.grades.length > 0;
  const glycol = draft.cap.some((g) => CHEMISTRY[g] === 'glycol');
  return (
    <>
      <Choices
        question="Read the cap: which grade?"
        why="Tick all that it names. Unreadable? Look in the handbook."
        options={GRADE_OPTIONS}
        chosen={draft.cap}
        onChoose={(cap) => onChange({ cap: cap as Grade[] })}
        disabled={disabled}
        mayBeNone={Boolean(names)}
      />
      {glycol ? (
        <Choices
          question="Does it ask for low viscosity?"
          why="“Class 6”, “class 7” or “LV” on cap or in the handbook."
          options={[{ value: 'low', label: 'Yes, low viscosity' }]}
          chosen={draft.capLowViscosity ? ['low'] : []}
          onChoose={(chosen) => onChange({ capLowViscosity: chosen.includes('low') })}
          disabled={disabled}
          mayBeNone
        />
      ) : null}
      <Choice
        question="ABS or stability control?"
        options={CONTROL_OPTIONS}
        chosen={draft.control}
        onChoose={(control) => onChange({ control })}
        disabled={disabled}
      />
      <More
        title={`In it now: ${draft.inSystem === 'unknown' ? 'not known' : draft.inSystem}`}
        about={record ?? 'Nothing on record. Was something else poured in? Say it here.'}
        open={draft.inSystem !== 'unknown' && record === null}
      >
        <Choice
          question="What is in the system now?"
          options={INSIDE_OPTIONS}
          chosen={draft.inSystem}
          onChoose={(inSystem) => onChange({ inSystem })}
          stacked
          disabled={disabled}
        />
      </More>
      <More
        title="Old seals, changed parts"
        about={[
          draft.seals === 'ordinary' ? 'Ordinary seals' : 'Natural rubber',
          draft.part.length > 0
            ? `part asks for ${draft.part.join(', ')}`
            : 'no other word on the grade',
        ].join(' · ')}
      >
        <Choice
          question="The seals are"
          options={SEAL_OPTIONS}
          chosen={draft.seals}
          onChoose={(seals) => onChange({ seals })}
          disabled={disabled}
        />
        <Choices
          question="A part was changed for another make; its maker asks for"
          options={GRADE_OPTIONS}
          chosen={draft.part}
          onChoose={(part) => onChange({ part: part as Grade[] })}
          disabled={disabled}
          mayBeNone
        />
      </More>
      {verdict.advice.conflict.length > 0 ? (
        <>
          <Caution title="They cannot all be obeyed">
            Nothing is filled until a person has decided whom to follow, and written why.
          </Caution>
          <Choice
            question="Whom do you follow?"
            stacked
            options={verdict.advice.conflict.map((s) => ({ value: s, label: SOURCE_WORDS[s] }))}
            chosen={draft.follow}
            onChoose={(follow) => onChange({ follow })}
            disabled={disabled}
          />
          <Field
            label="Why?"
            value={draft.followWhy}
            onChange={(followWhy) => onChange({ followWhy })}
            maxLength={300}
          />
        </>
      ) : null}
    </>
  );
}
