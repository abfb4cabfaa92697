import type { ReactNode } from 'react';
import { StyleSheet, View } from 'react-native';
import { colour, SPACE } from './theme';
import { Words } from './Words';

/** A caution: a striped edge, the word and the reason. */
export function Caution({
  title,
  children,
}: {
  readonly title: string;
  readonly children?: ReactNode;
}) {
  return (
    <View style={styles.caution} role="note">
      <Stripes />
      <View style={styles.cautionText}>
        <Words strong>{title}</Words>
        {children ? (
          <Words size="small" tone="softWords">
            {children}
          </Words>
        ) : null}
      </View>
    </View>
  );
}

/** The striped edge of a caution. */
export function Stripes() {
  return <View style={styles.stripes} aria-hidden />;
}

/** Stop, and why: the only thing that is red. */
export function Stop({
  title,
  children,
}: {
  readonly title: string;
  readonly children?: ReactNode;
}) {
  return (
    <View style={styles.stop} role="alert">
      <StopSign />
      <View style={styles.text}>
        <Words strong tone="stop">
          {title}
        </Words>
        {children ? <Words size="small">{children}</Words> : null}
      </View>
    </View>
  );
}

/** The barred square that stands for stop; drawn of views, so that a list needs no picture. */
export function StopSign({ small }: { readonly small?: boolean }) {
  const size = small ? 16 : 26;
  return (
    <View style={[styles.sign, { width: size, height: size }]} aria-hidden>
      <View style={[styles.bar, { width: size * 0.55, height: small ? 3 : 4 }]} />
    </View>
  );
}

const styles = StyleSheet.create({
  caution: { flexDirection: 'row', backgroundColor: colour.well },
  stripes: {
    width: 12,
    // @ts-expect-error a web-only style: the stripes of a caution
    backgroundImage: 'repeating-linear-gradient(135deg, var(--words) 0 5px, var(--well) 5px 10px)',
  },
  stop: {
    flexDirection: 'row',
    gap: SPACE.medium,
    borderWidth: 2,
    borderColor: colour.stop,
    padding: SPACE.medium,
  },
  text: { flex: 1, gap: 2 },
  cautionText: { flex: 1, gap: 2, paddingVertical: SPACE.small, paddingHorizontal: SPACE.medium },
  sign: {
    borderWidth: 2.5,
    borderColor: colour.stop,
    alignItems: 'center',
    justifyContent: 'center',
    transform: [{ rotate: '45deg' }],
    margin: 4,
  },
  bar: { backgroundColor: colour.stop, transform: [{ rotate: '-45deg' }] },
});
