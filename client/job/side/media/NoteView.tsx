import type { Medium } from '@brook/core/job/events';
import { useEffect, useRef, useState, type ReactNode } from 'react';
import { Image, StyleSheet, View } from 'react-native';
import { Button } from '../../../ui/Button';
import { Words } from '../../../ui/Words';
import { colour, SPACE } from '../../../ui/theme';

/** One photo or voice note: what and where it is of, who took it when, itself or where it is. */
export function NoteView({
  title,
  taken,
  medium,
  source,
  whereItIs,
  children,
}: {
  readonly title: string;
  readonly taken: string;
  readonly medium: Medium;
  /** Null while it is on another phone. */
  readonly source: string | null;
  /** Said where it has not arrived; null where it has. */
  readonly whereItIs: string | null;
  /** What can be done with it, besides listening. */
  readonly children?: ReactNode;
}) {
  return (
    <View role="listitem" style={styles.note}>
      <Words strong>{title}</Words>
      <Words size="small" tone="softWords">
        {taken}
      </Words>
      {source && medium === 'photo' ? (
        <Image
          source={{ uri: source }}
          accessibilityLabel={`${title}. ${taken}`}
          resizeMode="contain"
          style={styles.photo}
        />
      ) : null}
      {whereItIs ? (
        <Words size="small" strong>
          {whereItIs}
        </Words>
      ) : null}
      <View style={styles.acts}>
        {source && medium === 'voice' ? <Play source={source} title={title} /> : null}
        {children}
      </View>
    </View>
  );
}

/** Play a voice note, or stop it. */
function Play({ source, title }: { readonly source: string; readonly title: string }) {
  const audio = useRef<HTMLAudioElement | null>(null);
  const [playing, setPlaying] = useState(false);
  useEffect(() => () => audio.current?.pause(), [source]);
  const press = () => {
    if (playing) {
      audio.current?.pause();
      setPlaying(false);
      return;
    }
    audio.current = new Audio(source);
    audio.current.addEventListener('ended', () => setPlaying(false));
    audio.current.play().then(
      () => setPlaying(true),
      () => setPlaying(false),
    );
  };
  return (
    <Button
      label={playing ? 'Stop' : 'Listen'}
      spoken={`${playing ? 'Stop' : 'Listen to'}: ${title}`}
      onPress={press}
    />
  );
}

const styles = StyleSheet.create({
  note: {
    borderTopWidth: 1,
    borderTopColor: colour.hairline,
    paddingVertical: SPACE.medium,
    gap: SPACE.small,
  },
  // As a phone takes it; another shape stands whole in the middle.
  photo: { width: '100%', maxWidth: 480, aspectRatio: 4 / 3, backgroundColor: colour.well },
  acts: { flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.small },
});
