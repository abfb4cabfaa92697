import { View } from 'react-native';
import { Words } from './Words';

/** What is asked, and under it why it counts. */
export function Question({
  question,
  why,
  compact,
}: {
  readonly question: string;
  readonly why?: string | undefined;
  readonly compact?: boolean | undefined;
}) {
  return (
    <View>
      <Words
        size={compact ? 'small' : 'body'}
        tone={compact ? 'softWords' : 'words'}
        strong={!compact}
      >
        {question}
      </Words>
      <About about={why} />
    </View>
  );
}

/** A quiet line under something, where there is one. */
export function About({
  about,
  tone = 'softWords',
}: {
  readonly about?: string | undefined;
  readonly tone?: 'softWords' | 'ground';
}) {
  if (!about) return null;
  return (
    <Words size="small" tone={tone}>
      {about}
    </Words>
  );
}
