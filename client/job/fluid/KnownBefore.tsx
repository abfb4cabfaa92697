import type { Job } from '@brook/contract';
import { Choice } from '../../ui/Choice';
import { shortDate } from '../../ui/dates';
import { Known } from '../../ui/Known';

const SEALS = { ordinary: 'Ordinary', 'natural rubber': 'Natural rubber' } as const;

/** Cap, ABS and seals as the job before found them: hatched until somebody has looked, one tap for all. */
export function KnownBefore({
  known,
  answer,
  onAnswer,
}: {
  readonly known: NonNullable<Job['knownFluid']>;
  readonly answer: 'yes' | 'no' | null;
  readonly onAnswer: (answer: 'yes' | 'no') => void;
}) {
  const { cap, lowViscosity, control, seals, at } = known;
  return (
    <Known
      title={`Known from ${shortDate(at)}`}
      looked={answer !== null}
      rows={
        answer === 'no'
          ? []
          : [
              {
                what: 'The cap names',
                is: `${cap.join(' or ')}${lowViscosity ? ', low viscosity' : ''}`,
              },
              { what: 'ABS or stability control', is: control === 'none' ? 'Neither' : control },
              { what: 'Seals', is: SEALS[seals] },
            ]
      }
    >
      <Choice
        question="Look at it: is it all as before?"
        options={[
          { value: 'yes', label: 'Yes' },
          { value: 'no', label: 'No' },
        ]}
        chosen={answer}
        onChoose={onAnswer}
      />
    </Known>
  );
}
