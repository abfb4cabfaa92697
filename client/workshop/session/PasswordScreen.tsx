import { router } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { ApiProblem } from '../../data/api';
import { useChangePassword } from '../../data/people';
import { JobsLink } from '../../job/frame/JobHead';
import { ActionBar } from '../../ui/ActionBar';
import { Field } from '../../ui/Field';
import { Caution } from '../../ui/Notice';
import { Page } from '../../ui/Page';
import { Words } from '../../ui/Words';
import { usePageTitle } from '../../ui/usePageTitle';

/** One’s own password, by the one of today. */
export function PasswordScreen() {
  usePageTitle('Change password');
  const [old, setOld] = useState('');
  const [fresh, setFresh] = useState('');
  const change = useChangePassword();
  const problem = change.error instanceof ApiProblem ? change.error : null;
  const send = () => change.mutate({ old, new: fresh }, { onSuccess: () => router.replace('/') });
  return (
    <Page
      action={
        <ActionBar
          label="Change it"
          busy={change.isPending}
          waitsFor={old && fresh ? null : 'Give both passwords first'}
          onPress={send}
        />
      }
    >
      <View>
        <JobsLink />
        <Words size="head" heading={1}>
          Change password
        </Words>
        <Words size="small" tone="softWords">
          Every other phone that is signed in as you is signed out by it.
        </Words>
      </View>
      {change.error && !problem ? (
        <Caution title={change.error.message}>Try again when the server is there.</Caution>
      ) : null}
      {problem && problem.faults.length === 0 ? <Caution title={problem.message} /> : null}
      <Field
        label="Password of today"
        value={old}
        onChange={setOld}
        secureTextEntry
        autoComplete="current-password"
        fault={problem?.faultOf('old')}
      />
      <Field
        label="New password"
        why="At least 10 characters; a few words are easier to keep than signs."
        value={fresh}
        onChange={setFresh}
        secureTextEntry
        autoComplete="new-password"
        fault={problem?.faultOf('new')}
        onSubmitEditing={send}
      />
    </Page>
  );
}
