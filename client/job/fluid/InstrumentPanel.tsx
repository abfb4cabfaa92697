import { INSTRUMENT_WORDS, type InstrumentKind } from '@brook/core/fluid/instrument';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { PRACTICE_WAYS, practiceInstrument, type PracticeWay } from '../side/instruments/practice';
import { useInstrument } from '../side/instruments/useInstrument';
import { Button } from '../../ui/Button';
import { Choice } from '../../ui/Choice';
import { Caution } from '../../ui/Notice';
import { Numeral } from '../../ui/Numeral';
import { SPACE } from '../../ui/theme';
import { Words } from '../../ui/Words';

const UNIT: Readonly<Record<InstrumentKind, string>> = {
  'water meter': '%',
  'boiling tester': '°C',
};
const WAY_OPTIONS = PRACTICE_WAYS.map((way) => ({ value: way, label: way }));

/** Read a value off an instrument. Only practice instruments can be connected yet; typing always works. */
export function InstrumentPanel({
  kind,
  place,
  onTake,
}: {
  readonly kind: InstrumentKind;
  readonly place: string;
  readonly onTake: (value: number) => void;
}) {
  const [open, setOpen] = useState(false);
  const [way, setWay] = useState<PracticeWay>('well');
  const { link, state, batteryPercent, problem, connect, disconnect } = useInstrument();
  if (!open)
    return (
      <Button
        label={`Practise with a ${kind} …`}
        spoken={`Practise with a ${kind}, ${place}`}
        onPress={() => setOpen(true)}
      />
    );
  const close = () => {
    disconnect();
    setOpen(false);
  };
  const value = state?.value ?? null;
  return (
    <View style={styles.panel}>
      <Caution title="A practice instrument">
        It measures nothing. Its reading can fail this fluid and never pass it, and stays out of the
        history.
      </Caution>
      <Choice question="It behaves" compact options={WAY_OPTIONS} chosen={way} onChoose={setWay} />
      <View style={styles.state} aria-live="polite">
        {value === null ? null : (
          <Numeral>{`${value.toFixed(kind === 'water meter' ? 1 : 0)} ${UNIT[kind]}`}</Numeral>
        )}
        {state?.plusMinus ? (
          <Words
            size="small"
            tone="softWords"
          >{`give or take ${state.plusMinus.toFixed(2)}`}</Words>
        ) : null}
        <Words strong>
          {link === 'connecting'
            ? 'Connecting …'
            : link === 'on' && state
              ? INSTRUMENT_WORDS[state.phase]
              : (problem ?? 'Not connected.')}
        </Words>
        {batteryPercent === null ? null : (
          <Words size="small" tone="softWords">{`Battery ${batteryPercent} %`}</Words>
        )}
      </View>
      {link === 'on' || link === 'connecting' ? (
        <Button
          label="Take this reading"
          disabled={state?.phase !== 'steady'}
          onPress={() => {
            onTake(value!);
            close();
          }}
        />
      ) : (
        <Button
          label={link === 'lost' ? 'Connect again' : 'Connect'}
          onPress={() => connect(practiceInstrument(kind, way))}
        />
      )}
      <Button label="Put it down" onPress={close} />
    </View>
  );
}

const styles = StyleSheet.create({
  panel: { gap: SPACE.small },
  state: { gap: SPACE.hair, minHeight: 64 },
});
