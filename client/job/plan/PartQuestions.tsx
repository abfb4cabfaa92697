import { changeableParts, nameOf } from '@brook/core/bleed/scope';
import type { Layout } from '@brook/core/vehicle/circuit';
import { View } from 'react-native';
import { Choice } from '../../ui/Choice';
import { Choices } from '../../ui/Choices';
import { More } from '../../ui/More';
import { SPACE } from '../../ui/theme';
import { Words } from '../../ui/Words';
import { ANSWERS } from './answers';
import type { PartDraft } from './work';

export interface PartQuestionsProps {
  readonly layout: Layout;
  readonly parts: readonly PartDraft[];
  readonly onChange: (parts: readonly PartDraft[]) => void;
  /** Whether the list of parts stands open before one was named. */
  readonly open: boolean;
}

/** Which parts, and the conditions that keep the scope small, each asked and none assumed. What is not done yet the run asks about. */
export function PartQuestions({ layout, parts, onChange, open }: PartQuestionsProps) {
  const choose = (ids: readonly string[]) =>
    onChange(
      ids.map(
        (partId) =>
          parts.find((p) => p.partId === partId) ?? {
            partId,
            done: null,
            cappedAtOnce: null,
            keptFull: null,
            newPart: null,
          },
      ),
    );
  const put = (partId: string, more: Partial<PartDraft>) =>
    onChange(parts.map((p) => (p.partId === partId ? { ...p, ...more } : p)));
  return (
    <>
      <More
        title="Which part?"
        about={parts.map((p) => nameOf(layout, p.partId)).join(', ') || 'None named yet'}
        open={open}
      >
        <Choices
          question="Changed or opened, in the order of fitting"
          options={changeableParts(layout).map((p) => ({ value: p.id, label: p.name }))}
          chosen={parts.map((p) => p.partId)}
          onChoose={choose}
          mayBeNone
        />
      </More>
      {parts.map((p) => (
        <View key={p.partId} style={{ gap: SPACE.small }}>
          <Words strong>{nameOf(layout, p.partId)}</Words>
          <Choice
            compact
            question="A new part?"
            options={[
              { value: 'yes', label: 'New' },
              { value: 'no', label: 'Old part refitted' },
            ]}
            chosen={p.newPart}
            onChoose={(newPart) => put(p.partId, { newPart })}
          />
          <Choice
            compact
            question="Is it done?"
            options={[
              { value: 'yes', label: 'Done' },
              { value: 'no', label: 'Not yet' },
            ]}
            chosen={p.done}
            onChoose={(done) => put(p.partId, { done })}
          />
          {p.done === 'yes' ? (
            <>
              <Choice
                compact
                question="Line capped at the joint at once?"
                options={ANSWERS}
                chosen={p.cappedAtOnce}
                onChoose={(cappedAtOnce) => put(p.partId, { cappedAtOnce })}
              />
              <Choice
                compact
                question="Reservoir kept full throughout?"
                options={ANSWERS}
                chosen={p.keptFull}
                onChoose={(keptFull) => put(p.partId, { keptFull })}
              />
            </>
          ) : null}
        </View>
      ))}
    </>
  );
}
