import { router } from 'expo-router';
import { useState } from 'react';
import { ApiProblem } from '../../data/api';
import { useJoinWorkshop } from '../../data/session';
import { ActionBar } from '../../ui/ActionBar';
import { Field } from '../../ui/Field';
import { Caution } from '../../ui/Notice';
import { Page } from '../../ui/Page';
import { Words } from '../../ui/Words';
import { usePageTitle } from '../../ui/usePageTitle';

/** Whom a lead asked in chooses how to sign in. The code stands behind the hash of the address, which is sent nowhere. */
export function JoinScreen() {
  usePageTitle('Join the workshop');
  const [code, setCode] = useState(() => window.location.hash.slice(1));
  const [login, setLogin] = useState('');
  const [password, setPassword] = useState('');
  const join = useJoinWorkshop();
  const problem = join.error instanceof ApiProblem ? join.error : null;
  const send = () =>
    join.mutate({ code, login, password }, { onSuccess: () => router.replace('/') });
  return (
    <Page
      action={
        <ActionBar
          label="Come in"
          busy={join.isPending}
          waitsFor={code && login && password ? null : 'Fill in all three first'}
          onPress={send}
        />
      }
    >
      <Words size="head" heading={1}>
        Join the workshop
      </Words>
      {join.error && !problem ? (
        <Caution title={join.error.message}>Try again when the server is there.</Caution>
      ) : null}
      {problem && problem.faults.length === 0 ? <Caution title={problem.message} /> : null}
      <Field
        label="Code of the invitation"
        value={code}
        onChange={setCode}
        autoCapitalize="characters"
        fault={problem?.faultOf('code')}
      />
      <Field
        label="Sign-in name"
        why="You choose it; without a gap."
        value={login}
        onChange={setLogin}
        autoCapitalize="none"
        autoComplete="username"
        fault={problem?.faultOf('login')}
      />
      <Field
        label="Password"
        why="At least 10 characters; a few words are easier to keep than signs."
        value={password}
        onChange={setPassword}
        secureTextEntry
        autoComplete="new-password"
        fault={problem?.faultOf('password')}
        onSubmitEditing={send}
      />
    </Page>
  );
}
