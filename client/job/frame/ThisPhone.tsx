import { router, type Href } from 'expo-router';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { keptWords, useKeptHere } from '../../data/keptHere';
import { opensWithoutServer } from '../../data/serviceWorker';
import { useSession, useSignOut } from '../../data/session';
import { Button } from '../../ui/Button';
import { Choice } from '../../ui/Choice';
import { Caution } from '../../ui/Notice';
import { Sheet } from '../../ui/Sheet';
import { Words } from '../../ui/Words';
import { chooseLight, presentLight } from '../../ui/theme';

const LIGHTS = [
  { value: 'sun', label: 'Light' },
  { value: 'pit', label: 'Dark' },
] as const;

/** Who is signed in on this phone, how it is lit, what its address allows, and the way out. */
export function ThisPhone({ onClose }: { readonly onClose: () => void }) {
  const signOut = useSignOut();
  const session = useSession().data;
  const own = useKeptHere().data?.find((k) => k.id === session?.user.id);
  const [light, setLight] = useState(presentLight);
  const open = (page: Href) => () => {
    onClose();
    router.push(page);
  };
  return (
    <Sheet
      label="This phone"
      onClose={onClose}
      bar={
        <View style={styles.grow}>
          <Button label="Close" onPress={onClose} />
        </View>
      }
    >
      <Words size="head" heading={2}>
        {session?.user.name ?? 'This phone'}
      </Words>
      {opensWithoutServer() ? null : <NotSecure />}
      <Choice
        question="Screen"
        options={LIGHTS}
        chosen={light}
        onChoose={(now) => {
          chooseLight(now);
          setLight(now);
        }}
      />
      <Button label="What stands open" onPress={open('/overview')} />
      {session?.user.role === 'lead' ? <Button label="People" onPress={open('/people')} /> : null}
      <Button label="Units" onPress={open('/units')} />
      <Button label="Change password" onPress={open('/password')} />
      {own ? (
        <Caution title={`${keptWords(own)} of yours kept on this phone`}>
          Signed out, they wait here until you sign in on this phone again.
        </Caution>
      ) : null}
      <Button
        label="Sign out"
        onPress={() => signOut.mutate(undefined, { onSuccess: () => router.replace('/sign-in') })}
      />
    </Sheet>
  );
}

/** What a plain address lacks, what works all the same, and what to do about it. */
function NotSecure() {
  return (
    <Caution title="This address is not encrypted">
      Missing: the app does not open without the server. Working: what you tap is kept on this phone
      as long as the page stays open. To do, at the server: npm run certificate, then npm start with
      --cert and --key.
    </Caution>
  );
}

const styles = StyleSheet.create({ grow: { flex: 1 } });
