import { useEffect, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { useHelp } from '../data/help';
import { hush, sayCue } from '../ui/sayCue';
import { useAwake } from '../ui/useAwake';
import { Button } from '../ui/Button';
import { DeliberateButton } from '../ui/DeliberateButton';
import { Numeral } from '../ui/Numeral';
import { Words } from '../ui/Words';
import { colour, SPACE } from '../ui/theme';
import { helpLook } from './helpLook';

/** The present call in huge words, with the one tap that it waits for. */
export function HelpCall({
  token,
  onLeave,
}: {
  readonly token: string;
  readonly onLeave: () => void;
}) {
  useAwake();
  const help = useHelp(token);
  const view = help.said?.view;
  const round = view?.kind === 'call' ? `${view.openingId} ${view.strokes} ${view.signal}` : '';
  const upAgain = useUpAgain(round, view?.kind === 'call' && view.first ? view.firstS : 0);
  const look = helpLook({ ...help, upAgain });
  const { word, say, about, tap, aside, loud } = look;
  const [first, rest] = inTwo(say);
  useSaid(word, `${round} ${word}`);
  return (
    <View style={[styles.page, loud ? styles.loud : null]} role="main">
      <View style={styles.words}>
        <Words strong heading={1}>
          {about ?? 'Helper'}
        </Words>
        <Numeral size="large">{word}</Numeral>
        <View accessibilityLiveRegion="assertive">
          <Words size="head">{first}</Words>
          {rest ? <Words>{rest}</Words> : null}
        </View>
      </View>
      <View style={styles.aside}>
        {aside.map((t) => (
          <View key={t.signal} style={styles.half}>
            <Button small label={t.label} onPress={() => help.tap(t.signal, t.openingId)} />
          </View>
        ))}
        {word === 'Over' ? (
          <View style={styles.half}>
            <Button label="Join with another code" onPress={onLeave} />
          </View>
        ) : null}
      </View>
      {tap === null ? (
        // What stands beside it never comes to where the finger was.
        <View style={styles.room} />
      ) : (
        <DeliberateButton
          key={`${round} ${tap.label}`}
          huge
          label={tap.label}
          onPress={() => help.tap(tap.signal, tap.openingId)}
        />
      )}
    </View>
  );
}

/** The first sentence, read from the seat, and what follows. */
function inTwo(say: string): readonly [string, string] {
  const end = say.indexOf('. ') + 1;
  return end > 0 ? [say.slice(0, end), say.slice(end + 1)] : [say, ''];
}

/** Whether it has had its time to come up since the round began. */
function useUpAgain(round: string, seconds: number): boolean {
  const [up, setUp] = useState('');
  useEffect(() => {
    const timer = setTimeout(() => setUp(round), seconds * 1000);
    return () => clearTimeout(timer);
  }, [round, seconds]);
  return seconds === 0 || up === round;
}

/** Each new word is heard and felt as well: whoever is at the pedal looks elsewhere. */
function useSaid(word: string, each: string): void {
  useEffect(() => {
    sayCue({ turn: 'control', word, say: '' });
    return hush;
  }, [word, each]);
}

const styles = StyleSheet.create({
  page: { flex: 1, backgroundColor: colour.ground, padding: SPACE.medium, gap: SPACE.medium },
  loud: { borderWidth: 8, borderColor: colour.stop },
  words: { flexGrow: 1, gap: SPACE.medium },
  room: { minHeight: '34%' },
  aside: { flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.small },
  half: { flexGrow: 1, flexBasis: '40%' },
});
