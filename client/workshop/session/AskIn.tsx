import type { MadeInvitation, Role } from '@brook/contract';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { ApiProblem } from '../../data/api';
import { useInvite } from '../../data/people';
import { Button } from '../../ui/Button';
import { Choice } from '../../ui/Choice';
import { shortDate } from '../../ui/dates';
import { Field } from '../../ui/Field';
import { Caution } from '../../ui/Notice';
import { Numeral } from '../../ui/Numeral';
import { QrCode } from '../../ui/QrCode';
import { SPACE } from '../../ui/theme';
import { Words } from '../../ui/Words';

const ROLES = [
  { value: 'technician', label: 'Technician' },
  { value: 'lead', label: 'Lead' },
] as const;

/** A lead asks somebody in: name and role, then a code that is shown this once. */
export function AskIn() {
  const invite = useInvite();
  const [name, setName] = useState('');
  const [role, setRole] = useState<Role>('technician');
  const problem = invite.error instanceof ApiProblem ? invite.error : null;
  if (invite.data)
    return (
      <Asked
        made={invite.data}
        onDone={() => {
          invite.reset();
          setName('');
        }}
      />
    );
  return (
    <View style={styles.form}>
      <Words strong heading={2}>
        Ask somebody in
      </Words>
      {invite.error && (!problem || problem.faults.length === 0) ? (
        <Caution title={invite.error.message} />
      ) : null}
      <Field
        label="Name"
        why="As it stands on the records."
        value={name}
        onChange={setName}
        autoComplete="off"
        fault={problem?.faultOf('name')}
      />
      <Choice
        question="As"
        why="A lead keeps people and house rules, and may let a job go without its paper."
        options={ROLES}
        chosen={role}
        onChoose={setRole}
      />
      <Button
        label="Make a code"
        disabled={name.trim() === '' || invite.isPending}
        onPress={() => invite.mutate({ name, role })}
      />
    </View>
  );
}

function Asked({
  made: { invitation, code },
  onDone,
}: {
  readonly made: MadeInvitation;
  readonly onDone: () => void;
}) {
  return (
    <View style={styles.code}>
      <Words strong heading={2}>{`For ${invitation.name}`}</Words>
      <QrCode
        text={`${window.location.origin}/join#${code}`}
        label={`Code ${code} for ${invitation.name}’s camera`}
        sidePx={220}
      />
      <Numeral>{code.replace(/(.{4})(?!$)/g, '$1 ')}</Numeral>
      <Words align="center">
        {`Point ${invitation.name}’s camera at it, or open ${window.location.host}/join there and type the code. It holds until ${shortDate(invitation.until)} and is shown this once.`}
      </Words>
      <Button label="Done" onPress={onDone} />
    </View>
  );
}

const styles = StyleSheet.create({
  form: { gap: SPACE.medium },
  code: { alignItems: 'center', gap: SPACE.medium },
});
