import { useJobPages } from '../jobs/jobAddress';
import { Button } from '../ui/Button';

/** The page of a job with its photos and voice notes, in its address. */
export const MEDIA_PAGE = 'media';

/** The way to take a photo or speak, at hand on every step of an open job. */
export function MediaButton({
  jobId,
  small,
}: {
  readonly jobId: string;
  readonly small?: boolean;
}) {
  const { openPage } = useJobPages(jobId);
  return <Button label="Photo or voice" small={small} onPress={() => openPage(MEDIA_PAGE)} />;
}
