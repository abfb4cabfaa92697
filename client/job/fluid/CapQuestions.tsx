import type { MakerEntry } from '@brook/contract';
import {
  CHEMISTRY,
  GRADES,
  type DemandSource,
  type FluidVerdict,
  type Grade,
} from '@brook/core/fluid/verdict';
import { Choice } from '../../ui/Choice';
import { Choices } from '../../ui/Choices';
import { Field } from '../../ui/Field';
import { More } from '../../ui/More';
import { Caution } from '../../ui/Notice';
import type { FluidDraft } from './entry';

const GRADE_OPTIONS = GRADES.map((g) => ({ value: g.grade, label: g.words }));
const LOW_VISCOSITY = {
  value: 'low',
  label: 'And low viscosity',
  about: '“Class 6”, “class 7” or “LV”',
} as const;
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
  /** Whether cap, ABS and seals are asked; where all is as before they are known. */
  readonly asksCap: boolean;
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
  asksCap,
  record,
  onChange,
  disabled,
}: CapQuestionsProps) {
  const names = maker && maker.grades.length > 0;
  const glycol = draft.cap.some((g) => CHEMISTRY[g] === 'glycol');
  return (
    <>
      {asksCap ? (
        <>
          <Choices<Grade | 'low'>
            question="Which grade on the cap?"
            why="All that it names. Unreadable? Look in the handbook."
            options={glycol ? [...GRADE_OPTIONS, LOW_VISCOSITY] : GRADE_OPTIONS}
            chosen={[...draft.cap, ...(glycol && draft.capLowViscosity ? (['low'] as const) : [])]}
            onChoose={(chosen) =>
              onChange({
                cap: chosen.filter((c) => c !== 'low'),
                capLowViscosity: chosen.includes('low'),
              })
            }
            disabled={disabled}
            mayBeNone={Boolean(names)}
          />
          <Choice
            question="ABS or stability control?"
            options={CONTROL_OPTIONS}
            chosen={draft.control}
            onChoose={(control) => onChange({ control })}
            disabled={disabled}
          />
        </>
      ) : null}
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
        {asksCap ? (
          <Choice
            question="The seals are"
            options={SEAL_OPTIONS}
            chosen={draft.seals}
            onChoose={(seals) => onChange({ seals })}
            disabled={disabled}
          />
        ) : null}
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
