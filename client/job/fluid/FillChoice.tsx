import type { Shelf } from '@brook/contract';
import { figureText } from '@brook/core/base/figure';
import {
  compatibility,
  GRADES,
  type CompatibilityRequest,
  type Grade,
  type IsoClass,
} from '@brook/core/fluid/verdict';
import { Choice } from '../../ui/Choice';
import { Caution } from '../../ui/Notice';
import type { FluidDraft } from './entry';
import { FillReasons } from './FluidVerdictView';

/** One fluid that can be taken in hand: what stands on the shelf of it, and whether it may go in. */
export interface FillOption {
  readonly key: string;
  readonly grade: Grade;
  readonly isoClass: IsoClass | null;
  readonly label: string;
  readonly about: string;
}

/**
 * The fluids to choose from: those on the shelf, and what is asked for even
 * when none of it stands there. Those that may go in come first; those that
 * must not are shown too, because a hurried hand takes them all the same.
 */
export function fillOptions(
  shelf: Pick<Shelf, 'containers'>,
  request: Omit<CompatibilityRequest, 'candidates'>,
  asked: Grade | null,
): FillOption[] {
  const kinds = new Map<
    string,
    { grade: Grade; isoClass: IsoClass | null; count: number; leftMl: number }
  >();
  for (const c of shelf.containers.filter((s) => s.admit.verdict !== 'refuse')) {
    const key = keyOf(c);
    const known = kinds.get(key) ?? { grade: c.grade, isoClass: c.isoClass, count: 0, leftMl: 0 };
    kinds.set(key, { ...known, count: known.count + 1, leftMl: known.leftMl + c.leftMl });
  }
  if (asked && ![...kinds.values()].some((k) => k.grade === asked))
    kinds.set(asked, { grade: asked, isoClass: null, count: 0, leftMl: 0 });
  const { candidates } = compatibility({
    ...request,
    candidates: [...kinds].map(([id, k]) => ({ id, ...k })),
  });
  const isNamed = (c: (typeof candidates)[number]) => c.reasons.some((r) => r.code === 'named');
  const RANK = { 'may fill': 0, 'with caution': 1, 'must not': 2 };
  return [...candidates]
    .sort(
      (a, b) =>
        RANK[a.verdict] - RANK[b.verdict] ||
        Number(isNamed(b)) - Number(isNamed(a)) ||
        kinds.get(b.id)!.leftMl - kinds.get(a.id)!.leftMl,
    )
    .map((c) => {
      const { grade, isoClass, count, leftMl } = kinds.get(c.id)!;
      const stock =
        count === 0
          ? 'none on the shelf'
          : `${count === 1 ? 'one container' : `${count} containers`}, ${figureText({ value: Math.round(leftMl), unit: 'mL' })}`;
      return {
        key: c.id,
        grade,
        isoClass,
        label: `${GRADES.find((g) => g.grade === grade)!.words}${isoClass ? `, ${isoClass}` : ''}`,
        about:
          c.verdict === 'must not'
            ? `${stock} · must not go in`
            : c.verdict === 'with caution'
              ? `${stock} · with caution`
              : stock,
      };
    });
}

export const keyOf = (fluid: { grade: Grade; isoClass: IsoClass | null }): string =>
  fluid.isoClass ? `${fluid.grade} ${fluid.isoClass}` : fluid.grade;

const LABELS = [
  { value: 'DOT 5.1', label: 'DOT 5.1', about: 'Five point one: glycol' },
  { value: 'DOT 5', label: 'DOT 5', about: 'Five: silicone' },
] as const;

export interface FillChoiceProps {
  readonly draft: FluidDraft;
  readonly options: readonly FillOption[];
  readonly judged: ReturnType<typeof compatibility>['candidates'][number] | null;
  readonly onChange: (part: Partial<FluidDraft>) => void;
  readonly disabled: boolean;
}

/** Take the container in hand: what goes in, why it may or must not, and a second look where the name is a trap. */
export function FillChoice({ draft, options, judged, onChange, disabled }: FillChoiceProps) {
  const choose = (key: string) => {
    const { grade, isoClass } = options.find((o) => o.key === key)!;
    onChange({ fill: { grade, isoClass }, labelRead: null });
  };
  return (
    <>
      <Choice
        question="Which fluid goes in?"
        why="Take the container in hand and read its label."
        options={options.map((o) => ({ value: o.key, label: o.label, about: o.about }))}
        chosen={draft.fill && keyOf(draft.fill)}
        onChoose={choose}
        stacked
        disabled={disabled}
      />
      {judged ? <FillReasons reasons={judged.reasons} /> : null}
      {judged && judged.verdict !== 'must not' && judged.secondLook ? (
        <>
          <Caution title="DOT 5 and DOT 5.1 differ by a point and are opposites">
            Turn the label to the light and read it aloud.
          </Caution>
          <Choice
            question="What does the label say?"
            options={LABELS}
            chosen={
              draft.labelRead === 'DOT 5' || draft.labelRead === 'DOT 5.1' ? draft.labelRead : null
            }
            onChoose={(labelRead) => onChange({ labelRead })}
            stacked
            disabled={disabled}
            fault={
              draft.labelRead && draft.labelRead !== draft.fill?.grade
                ? 'That is not what you chose. Put it back and take the other.'
                : null
            }
          />
        </>
      ) : null}
    </>
  );
}
