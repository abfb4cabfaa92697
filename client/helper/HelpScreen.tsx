import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { ApiProblem } from '../data/api';
import { helperName, joinedToken, joinRun, leaveRun } from '../data/help';
import { ActionBar } from '../ui/ActionBar';
import { Field } from '../ui/Field';
import { Caution } from '../ui/Notice';
import { Page } from '../ui/Page';
import { Words } from '../ui/Words';
import { SPACE } from '../ui/theme';
import { usePageTitle } from '../ui/usePageTitle';
import { HelpCall } from './HelpCall';

/** The page of a helper's phone: join once, then the call. */
export function HelpScreen() {
  usePageTitle('Helper');
  const [token, setToken] = useState(joinedToken);
  if (token)
    return (
      <HelpCall
        token={token}
        onLeave={() => {
          leaveRun();
          setToken(null);
        }}
      />
    );
  return <Join onJoined={setToken} />;
}

/** The code stands behind the address where the other phone's picture was read. */
const codeInAddress = (): string => window.location.hash.slice(1);

function Join({ onJoined }: { readonly onJoined: (token: string) => void }) {
  const [code, setCode] = useState(codeInAddress);
  const [name, setName] = useState(helperName);
  const [busy, setBusy] = useState(false);
  const [error, setError] = useState<Error | null>(null);
  const problem = error instanceof ApiProblem ? error : null;
  const join = () => {
    setBusy(true);
    joinRun(code, name)
      .then((token) => {
        // Whoever looks through the history of this phone finds no code.
        window.history.replaceState(null, '', window.location.pathname);
        onJoined(token);
      })
      .catch((e: Error) => setError(e))
      .finally(() => setBusy(false));
  };
  return (
    <Page action={<ActionBar label="I am in my place" busy={busy} onPress={join} />}>
      <View style={styles.top}>
        <Words size="head" heading={1}>
          Help with a bleed
        </Words>
        <Words>This phone calls what pedal or lever does. You tap twice a stroke.</Words>
      </View>
      {error && !(problem && problem.faults.length > 0) ? <Caution title={error.message} /> : null}
      <Field
        label="Code"
        why="As the technician’s phone shows it."
        value={code}
        onChange={setCode}
        autoCapitalize="characters"
        autoComplete="off"
        maxLength={20}
        fault={problem?.faultOf('code')}
        onSubmitEditing={join}
      />
      <Field
        label="Your name"
        why="It stands on the record of this job."
        value={name}
        onChange={setName}
        autoComplete="name"
        maxLength={60}
        fault={problem?.faultOf('name')}
        onSubmitEditing={join}
      />
      <Caution title="Never let go while the bleeder is open">
        That draws air in. Hold it until “shut” is called.
      </Caution>
    </Page>
  );
}

const styles = StyleSheet.create({ top: { paddingTop: SPACE.vast, gap: SPACE.small } });
