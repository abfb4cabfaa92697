import { Button } from './Button';
import { Failed } from './States';

export interface EarlierButtonProps {
  /** What is fetched, as it stands on the button. */
  readonly label: string;
  readonly more: boolean;
  readonly fetching: boolean;
  readonly error?: Error | null;
  readonly fetch: () => void;
}

/** At the end of a list: what lies further back, where there is anything. */
export function EarlierButton({ label, more, fetching, error, fetch }: EarlierButtonProps) {
  return (
    <>
      {error ? <Failed error={error} /> : null}
      {more ? (
        <Button label={fetching ? 'Fetching …' : label} disabled={fetching} onPress={fetch} />
      ) : null}
    </>
  );
}
