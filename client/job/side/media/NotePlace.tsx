import type { Plan } from '@brook/core/bleed/plan';
import { nameOf } from '@brook/core/bleed/scope';
import { lowerFirst } from '@brook/core/base/text';
import { View } from 'react-native';
import { BrookBox } from '../../../ui/brook/BrookBox';
import { Choice } from '../../../ui/Choice';
import { More } from '../../../ui/More';
import { Words } from '../../../ui/Words';
import { SPACE } from '../../../ui/theme';

const WHOLE = 'the whole vehicle';

/** Where the next note sticks: the place in hand, unless another one is tapped on the brook or in the list. */
export function NotePlace({
  plan,
  elementId,
  noted,
  onPlace,
}: {
  readonly plan: Plan;
  readonly elementId: string | null;
  /** Where notes stand already. */
  readonly noted: readonly string[];
  readonly onPlace: (elementId: string | null) => void;
}) {
  const { layout } = plan;
  const places = [
    ...layout.bleeders,
    ...layout.reservoirs,
    ...layout.masters,
    ...layout.nodes,
    ...layout.stretches,
  ].map((e) => e.id);
  return (
    <View style={{ gap: SPACE.small }}>
      <Words
        strong
      >{`It sticks to: ${elementId === null ? WHOLE : lowerFirst(nameOf(layout, elementId))}`}</Words>
      <BrookBox
        layout={layout}
        order={[...new Set(plan.openings.map((s) => s.bleeder.id))]}
        height={150}
        oldColour={plan.newColour}
        newColour={plan.newColour}
        current={layout.bleeders.some((b) => b.id === elementId) ? elementId : null}
        marked={elementId}
        markedAs="here"
        noted={noted}
        onElement={onPlace}
      />
      <More title="Another place" about="Tap it on the picture, or here">
        <Choice
          compact
          stacked
          settled
          question="Where it sticks"
          options={[
            { value: '', label: WHOLE },
            ...places.map((id) => ({ value: id, label: nameOf(layout, id) })),
          ]}
          chosen={elementId ?? ''}
          onChoose={(id) => onPlace(id === '' ? null : id)}
        />
      </More>
    </View>
  );
}
