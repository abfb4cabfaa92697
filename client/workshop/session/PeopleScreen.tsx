import type { Invitation, Person } from '@brook/contract';
import { router } from 'expo-router';
import { StyleSheet, View } from 'react-native';
import { usePeople, useSetLeft, useTakeBack } from '../../data/people';
import { useSession } from '../../data/session';
import { JobsLink } from '../../job/frame/JobHead';
import { ActionBar } from '../../ui/ActionBar';
import { Button } from '../../ui/Button';
import { shortDate } from '../../ui/dates';
import { Caution } from '../../ui/Notice';
import { Page } from '../../ui/Page';
import { FailedPage, Loading } from '../../ui/States';
import { colour, SPACE } from '../../ui/theme';
import { Words } from '../../ui/Words';
import { usePageTitle } from '../../ui/usePageTitle';
import { AskIn } from './AskIn';

/** Who works here and who left: a lead says so. */
export function PeopleScreen() {
  usePageTitle('People');
  const { data, error, isPending, refetch } = usePeople();
  const self = useSession().data?.user.id;
  const setLeft = useSetLeft();
  if (isPending) return <Loading what="the people" />;
  if (!data) return <FailedPage what="The people" error={error} again={() => void refetch()} />;
  return (
    <Page action={<ActionBar label="To the jobs" onPress={() => router.replace('/')} />}>
      <View>
        <JobsLink />
        <Words size="head" heading={1}>
          People
        </Words>
        <Words size="small" tone="softWords">
          Who left signs in no more, from that moment. What they recorded stays under their name.
        </Words>
      </View>
      {setLeft.error ? <Caution title={setLeft.error.message} /> : null}
      <View role="list" aria-label="People">
        {data.people.map((person) => (
          <PersonLine
            key={person.id}
            person={person}
            self={person.id === self}
            onLeft={(left) => setLeft.mutate({ id: person.id, left })}
          />
        ))}
        {data.invited.map((invited) => (
          <InvitedLine key={invited.id} invited={invited} />
        ))}
      </View>
      <AskIn />
    </Page>
  );
}

function InvitedLine({ invited }: { readonly invited: Invitation }) {
  const takeBack = useTakeBack();
  const { id, name, role, by, until } = invited;
  return (
    <View role="listitem" style={styles.line}>
      <View style={styles.who}>
        <Words strong>{name}</Words>
        <Words size="small" tone="softWords">
          {`Asked in as ${role} by ${by}, until ${shortDate(until)}`}
        </Words>
        {takeBack.error ? <Caution title={takeBack.error.message} /> : null}
      </View>
      <Button
        label="Take back"
        spoken={`Take back the invitation of ${name}`}
        onPress={() => takeBack.mutate(id)}
      />
    </View>
  );
}

function PersonLine({
  person,
  self,
  onLeft,
}: {
  readonly person: Person;
  readonly self: boolean;
  readonly onLeft: (left: boolean) => void;
}) {
  const { name, role, left } = person;
  return (
    <View role="listitem" style={styles.line}>
      <View style={styles.who}>
        <Words strong>{name}</Words>
        <Words size="small" tone="softWords">
          {left ? `Left, said ${left.by}, ${shortDate(left.at)}` : self ? `${role}, you` : role}
        </Words>
      </View>
      {self ? null : (
        <Button
          label={left ? 'Is back' : 'Has left'}
          spoken={left ? `${name} is back` : `${name} has left`}
          onPress={() => onLeft(!left)}
        />
      )}
    </View>
  );
}

const styles = StyleSheet.create({
  line: {
    flexDirection: 'row',
    flexWrap: 'wrap',
    alignItems: 'center',
    gap: SPACE.medium,
    paddingVertical: SPACE.small,
    borderTopWidth: 1,
    borderTopColor: colour.hairline,
  },
  who: { flex: 1, minWidth: 160 },
});
