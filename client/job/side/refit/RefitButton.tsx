import { useJobPages } from '../../frame/jobAddress';
import { Button } from '../../../ui/Button';

/** The page of a job with what came off its vehicle, in its address. */
export const REFIT_PAGE = 'off';

/** The way to say that something came off, at hand on every step of an open job. */
export function RefitButton({
  jobId,
  small,
}: {
  readonly jobId: string;
  readonly small?: boolean;
}) {
  const { openPage } = useJobPages(jobId);
  return <Button label="Something came off" small={small} onPress={() => openPage(REFIT_PAGE)} />;
}
