import type { Job } from '@brook/contract';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Button } from '../../ui/Button';
import { Caution } from '../../ui/Notice';
import { SPACE } from '../../ui/theme';

/** The job on one page: to print, and to hand over from the phone where it can. */
export function CardLinks({ job }: { readonly job: Job }) {
  const [fault, setFault] = useState<string | null>(null);
  const address = `/api/v1/jobs/${job.id}/card.pdf`;
  const share = async () => {
    setFault(null);
    try {
      const answer = await fetch(address);
      if (!answer.ok) throw new Error('The card could not be fetched; try again with reception.');
      const name = `job-${job.number}.pdf`;
      const file = new File([await answer.blob()], name, { type: 'application/pdf' });
      await navigator.share({ files: [file], title: `Job ${job.number}, ${job.vehicleName}` });
    } catch (error) {
      // Who shuts the sheet without choosing has not failed.
      if ((error as Error).name !== 'AbortError') setFault((error as Error).message);
    }
  };
  return (
    <View>
      <View style={styles.row}>
        <Button label="Job card, one page" onPress={() => window.open(address, '_blank')} />
        {typeof navigator.share === 'function' ? (
          <Button label="Share it" onPress={() => void share()} />
        ) : null}
      </View>
      {fault ? <Caution title={fault} /> : null}
    </View>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.small },
});
