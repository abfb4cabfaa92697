import { router, type Href } from 'expo-router';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { ApiProblem } from '../../data/api';
import { keptWords, useKeptHere } from '../../data/keptHere';
import { useSignIn } from '../../data/session';
import { ActionBar } from '../../ui/ActionBar';
import { Button } from '../../ui/Button';
import { Field } from '../../ui/Field';
import { Caution } from '../../ui/Notice';
import { Page } from '../../ui/Page';
import { Words } from '../../ui/Words';
import { usePageTitle } from '../../ui/usePageTitle';
import { SPACE } from '../../ui/theme';

/** Name and password, and what this is for; then on to the page that was asked for. */
export function SignIn({ to }: { readonly to: Href }) {
  usePageTitle('Sign in');
  const [login, setLogin] = useState('');
  const [password, setPassword] = useState('');
  const signIn = useSignIn();
  const keptHere = useKeptHere().data ?? [];
  const problem = signIn.error instanceof ApiProblem ? signIn.error : null;
  const send = () => signIn.mutate({ login, password }, { onSuccess: () => router.replace(to) });
  return (
    <Page action={<ActionBar label="Sign in" busy={signIn.isPending} onPress={send} />}>
      <View style={styles.top}>
        <Words size="head" heading={1}>
          Cascade Brook
        </Words>
        <Words>Bleed brakes and clutches, step by step.</Words>
      </View>
      {signIn.error && !problem ? (
        <Caution title={signIn.error.message}>Try again when the server is there.</Caution>
      ) : null}
      {problem && problem.faults.length === 0 ? <Caution title={problem.message} /> : null}
      {keptHere.map((kept) => (
        <Caution key={kept.id} title={`${keptWords(kept)} of ${kept.person} kept on this phone`}>
          {`Sent when ${kept.person} signs in here; in nobody else’s name.`}
        </Caution>
      ))}
      <Field
        label="Sign-in name"
        value={login}
        onChange={setLogin}
        autoCapitalize="none"
        autoComplete="username"
        fault={problem?.faultOf('login')}
        onSubmitEditing={send}
      />
      <Field
        label="Password"
        value={password}
        onChange={setPassword}
        secureTextEntry
        autoComplete="current-password"
        fault={problem?.faultOf('password')}
        onSubmitEditing={send}
      />
      <Button label="I was asked in: I have a code" onPress={() => router.push('/join')} />
      <Words size="small" tone="softWords">
        The maker’s manual, local rules and licensed practice come first. A named person, not the
        app, says that it is safe.
      </Words>
    </Page>
  );
}

const styles = StyleSheet.create({ top: { paddingTop: SPACE.vast, gap: SPACE.small } });
