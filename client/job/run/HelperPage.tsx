import type { Job } from '@brook/contract';
import { useEffect, useRef, type ReactNode } from 'react';
import { StyleSheet, View } from 'react-native';
import { useEndHelperLink, useHelper, useHelperLink } from '../../data/helper';
import { PageHead } from '../frame/PageHead';
import { ActionBar } from '../../ui/ActionBar';
import { Button } from '../../ui/Button';
import { Caution } from '../../ui/Notice';
import { Numeral } from '../../ui/Numeral';
import { Page, useShortScreen } from '../../ui/Page';
import { QrCode } from '../../ui/QrCode';
import { Words } from '../../ui/Words';
import { SPACE } from '../../ui/theme';

/** The page of a run by which a helper's phone joins, in its address. */
export const HELPER_PAGE = 'helper';

/** A code for a helper's phone; as soon as somebody joined by it the run goes on. */
export function HelperPage({
  job,
  band,
  onClose,
}: {
  readonly job: Job;
  readonly band: ReactNode;
  readonly onClose: () => void;
}) {
  const heard = useHelper(job.id);
  const name = heard?.news?.name ?? null;
  const link = useHelperLink(job.id);
  const end = useEndHelperLink(job.id);
  const code = link.data?.code ?? null;
  // A code stands nowhere but on this page: without somebody who joined it is made anew. Before it is known who did, none is made: that would put them out.
  const asked = useRef(false);
  useEffect(() => {
    if (asked.current || heard === null || name !== null) return;
    asked.current = true;
    link.mutate();
  }, [heard, name, link]);
  // Whoever joined by this page's code: nobody need press anything.
  const joined = code !== null && name !== null;
  useEffect(() => {
    if (joined) onClose();
  }, [joined, onClose]);
  const short = useShortScreen();
  return (
    <Page band={band} action={<ActionBar label="Back to the run" onPress={onClose} />}>
      <PageHead
        vehicle={[job.vehicleName, job.vehicleTag].filter(Boolean).join(' · ')}
        question={name === null ? 'A helper’s phone' : `${name} helps`}
      />
      {link.error ? <Caution title={link.error.message} /> : null}
      {name === null && code !== null ? (
        <View style={styles.code}>
          <QrCode
            text={`${window.location.origin}/help#${code}`}
            label={`Code ${code} for the helper’s camera`}
            sidePx={short ? 180 : 260}
          />
          <Numeral>{`${code.slice(0, 4)} ${code.slice(4)}`}</Numeral>
          <Words align="center">
            {`Point the helper’s camera at it, or open ${window.location.host}/help there and type the code.`}
          </Words>
        </View>
      ) : null}
      <Words tone="softWords">
        That phone needs no account, shows the present call alone, and is out when the run ends. It
        counts: at the end, and when you call “shut”.
      </Words>
      {name !== null ? (
        <>
          <Button label="Another phone instead" onPress={() => link.mutate()} />
          <Button label={`${name} leaves the run`} onPress={() => end.mutate()} />
        </>
      ) : null}
    </Page>
  );
}

const styles = StyleSheet.create({ code: { alignItems: 'center', gap: SPACE.medium } });
