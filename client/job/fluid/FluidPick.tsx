import { type FluidVerdict } from '@brook/core/fluid/verdict';
import { router } from 'expo-router';
import { useShelf } from '../../data/shelf';
import { Button } from '../../ui/Button';
import { Choice } from '../../ui/Choice';
import { More } from '../../ui/More';
import { demandsOf, type FluidDraft, type Known } from './entry';
import { FillChoice, fillOptions } from './FillChoice';
import { GradeVerdicts } from './FluidVerdictView';
import { COLOUR_OPTIONS, DYE_OPTIONS } from './SampleLook';

/** What goes in: the container in hand, and the new fluid's own colour. */
export function FluidPick({
  draft,
  known,
  verdict,
  onChange,
  disabled,
}: {
  readonly draft: FluidDraft;
  readonly known: Known;
  readonly verdict: FluidVerdict;
  readonly onChange: (part: Partial<FluidDraft>) => void;
  readonly disabled: boolean;
}) {
  const shelf = useShelf();
  const demands = demandsOf(draft, known);
  const request = {
    demands,
    follow: draft.followWhy.trim() ? draft.follow : null,
    control: draft.control ?? ('none' as const),
    seals: draft.seals,
    inSystem: draft.inSystem,
  };
  const options = fillOptions(
    shelf.data ?? { containers: [] },
    request,
    verdict.advice.minimum?.grade ?? null,
  );
  if (!verdict.advice.minimum) return null;
  return (
    <>
      <FillChoice
        draft={draft}
        options={options}
        judged={verdict.fill}
        onChange={onChange}
        disabled={disabled}
      />
      <GradeVerdicts request={request} />
      <Choice
        question="Colour of the new fluid?"
        why="At the end the bleeder must run like this."
        options={COLOUR_OPTIONS}
        chosen={draft.newColour}
        onChoose={(newColour) => onChange({ newColour })}
        disabled={disabled}
      />
      <More
        title={`The new fluid is ${draft.newDye ? `dyed ${draft.newDye}` : 'not dyed'}`}
        about="Two dyes in turn show at the next change when the new one has arrived."
      >
        <Choice
          question="Dyed?"
          compact
          settled
          options={DYE_OPTIONS}
          chosen={draft.newDye ?? 'none'}
          onChoose={(d) => onChange({ newDye: d === 'none' ? null : d })}
          disabled={disabled}
        />
      </More>
      {disabled ? null : <Button label="To the shelf" onPress={() => router.push('/shelf')} />}
    </>
  );
}
