import { useJobPages } from '../../frame/jobAddress';
import { Button } from '../../../ui/Button';

/** The page of a job on which a clock is started, in its address. */
export const CLOCK_PAGE = 'clock';

/** The way to start a clock, at hand on every step of an open job. */
export function ClockButton({
  jobId,
  small,
}: {
  readonly jobId: string;
  readonly small?: boolean;
}) {
  const { openPage } = useJobPages(jobId);
  return <Button label="Set a clock" small={small} onPress={() => openPage(CLOCK_PAGE)} />;
}
