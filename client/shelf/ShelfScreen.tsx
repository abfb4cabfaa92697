import type { Container, Shelf } from '@brook/contract';
import { router } from 'expo-router';
import { View } from 'react-native';
import { useShelf } from '../data/shelf';
import { JobsLink } from '../job/frame/JobHead';
import { ActionBar } from '../ui/ActionBar';
import { Button } from '../ui/Button';
import { capital } from '@brook/core/base/text';
import { FigureRow } from '../ui/FigureValue';
import { Caution } from '../ui/Notice';
import { Page, useWideScreen } from '../ui/Page';
import { Failed, Loading } from '../ui/States';
import { SPACE } from '../ui/theme';
import { Words } from '../ui/Words';
import { ContainerLine } from './ContainerLine';
import { WasteDrum } from './WasteDrum';
import { usePageTitle } from '../ui/usePageTitle';

/** The fluid shelf: what may be used today, what runs low, and the waste drum. */
export function ShelfScreen() {
  usePageTitle('Fluid shelf');
  const { data, error, isPending, refetch } = useShelf();
  const wide = useWideScreen();
  return (
    <Page
      action={
        <ActionBar
          label="Put containers on the shelf"
          onPress={() => router.push('/shelf/add')}
          side={{ label: 'Batch', onPress: () => router.push('/recall') }}
        />
      }
      beside={
        <View style={{ padding: SPACE.wide }}>
          <WasteDrum />
        </View>
      }
    >
      <View>
        <JobsLink />
        <Words size="head" heading={1}>
          Fluid shelf
        </Words>
      </View>
      {isPending ? <Loading what="the shelf" /> : null}
      {error ? <Failed error={error} again={() => void refetch()} /> : null}
      {data ? <Stock shelf={data} /> : null}
      {wide ? null : <WasteDrum />}
      <Button label="House rules" onPress={() => router.push('/rules')} />
    </Page>
  );
}

function Stock({ shelf }: { readonly shelf: Shelf }) {
  const groups = new Map<string, Container[]>();
  for (const c of shelf.containers) {
    const key = c.isoClass ? `${c.grade}, ${c.isoClass}` : c.grade;
    groups.set(key, [...(groups.get(key) ?? []), c]);
  }
  return (
    <>
      {shelf.low.length > 0 ? (
        <View>
          <Caution title={`Runs low: ${shelf.low.map((l) => l.isoClass ?? l.grade).join(', ')}`}>
            Less may be used than the house rule’s line. Order before the next ferry.
          </Caution>
          {shelf.low.map((l) => (
            <FigureRow
              key={`${l.grade} ${l.isoClass ?? ''}`}
              figure={l.usableMl}
              label={capital(l.usableMl.label)}
            />
          ))}
        </View>
      ) : null}
      {groups.size === 0 ? (
        <Words>
          Nothing on the shelf yet. Put the containers on it as they come: grade, size and batch
          stand on the label.
        </Words>
      ) : null}
      {[...groups].map(([name, containers]) => (
        <View key={name}>
          <Words strong heading={2}>
            {name}
          </Words>
          <View role="list" aria-label={name}>
            {containers.map((c) => (
              <ContainerLine key={c.id} container={c} />
            ))}
          </View>
        </View>
      ))}
    </>
  );
}
