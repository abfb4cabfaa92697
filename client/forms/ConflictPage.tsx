import { useState, type ReactNode } from 'react';
import { View } from 'react-native';
import { ActionBar } from '../ui/ActionBar';
import { Choice } from '../ui/Choice';
import { Caution } from '../ui/Notice';
import { Page } from '../ui/Page';
import { Words } from '../ui/Words';

/** One field that two people changed differently, in words. */
export interface FieldConflict<K extends string> {
  readonly key: K;
  readonly label: string;
  readonly mine: string;
  readonly theirs: string;
}

/** Somebody else changed the same meanwhile: both versions, field by field, and nothing is lost until somebody chose. */
export function ConflictPage<K extends string>({
  head,
  band,
  conflicts,
  onDecide,
}: {
  readonly head: ReactNode;
  readonly band?: ReactNode;
  readonly conflicts: readonly FieldConflict<K>[];
  /** Fields that are taken as the others have them. */
  readonly onDecide: (theirs: readonly K[]) => void;
}) {
  const [chosen, setChosen] = useState<Readonly<Partial<Record<string, 'mine' | 'theirs'>>>>({});
  const open = conflicts.find((c) => chosen[c.key] === undefined);
  return (
    <Page
      band={band}
      action={
        <ActionBar
          label="Go on with these"
          waitsFor={open ? `Choose: ${open.label}` : null}
          onPress={() =>
            onDecide(conflicts.filter((c) => chosen[c.key] === 'theirs').map((c) => c.key))
          }
        />
      }
    >
      <View>{head}</View>
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
    </Page>
  );
}
