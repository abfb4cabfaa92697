import { useState } from 'react';
import { Button } from '../Button';
import { Choice } from '../Choice';
import { Caution } from '../Notice';
import { Words } from '../Words';

/** One field that two people changed differently, in words. */
export interface FieldConflict<K extends string> {
  readonly key: K;
  readonly label: string;
  readonly mine: string;
  readonly theirs: string;
}

export interface ConflictsProps<K extends string> {
  readonly conflicts: readonly FieldConflict<K>[];
  /** Fields that are taken as the others have them. */
  readonly onDecide: (theirs: readonly K[]) => void;
}

/** What is chosen of each field; nothing is decided before every one is. */
export function useConflictChoices<K extends string>(conflicts: readonly FieldConflict<K>[]) {
  const [chosen, setChosen] = useState<Readonly<Partial<Record<string, 'mine' | 'theirs'>>>>({});
  const open = conflicts.find((c) => chosen[c.key] === undefined);
  return {
    waitsFor: open ? `Choose: ${open.label}` : null,
    theirs: conflicts.filter((c) => chosen[c.key] === 'theirs').map((c) => c.key),
    choices: (
      <>
        <Caution title="Somebody changed the same meanwhile">
          {conflicts.length > 0
            ? 'Nothing of yours is lost. Choose field by field; what only one of you changed is taken already.'
            : 'You changed different things: both are taken. Look at it once more before you save.'}
        </Caution>
        {conflicts.map((c) => (
          <Choice
            key={c.key}
            stacked
            question={c.label}
            chosen={chosen[c.key] ?? null}
            onChoose={(side) => setChosen({ ...chosen, [c.key]: side })}
            options={[
              { value: 'mine', label: 'Yours', about: c.mine },
              { value: 'theirs', label: 'Theirs', about: c.theirs },
            ]}
          />
        ))}
        {conflicts.length > 0 ? (
          <Words size="small" tone="softWords">
            What you do not take is not saved anywhere else.
          </Words>
        ) : null}
      </>
    ),
  };
}

/** Both versions of a form that is a part of its page, field by field. */
export function Conflicts<K extends string>({ conflicts, onDecide }: ConflictsProps<K>) {
  const { waitsFor, theirs, choices } = useConflictChoices(conflicts);
  return (
    <>
      {choices}
      <Button
        label={waitsFor ?? 'Go on with these'}
        disabled={waitsFor !== null}
        onPress={() => onDecide(theirs)}
      />
    </>
  );
}
